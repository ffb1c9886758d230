import type { Page } from '@playwright/test'
import { expect } from '@playwright/test'
import { blankSource, portOf } from '@core/gear/blanks'
import { blankDevice } from '@core/gear/deviceFields'
import type { Device, Source } from '@core/gear/gear'
import { writeLogbook } from '@core/formats/logbookJson'
import { emptyLogbook, type Logbook } from '@core/logbook/logbook'
import { plannedRunsFor, usualMeans, type Campaign } from '@core/plan/campaign'
import { eveningsOnly } from '@core/plan/windows'
import { SCHOOLS } from '@core/protocol/schools'
import { blankRun, type RunWithTrace } from '@core/logbook/run'
import type { Protocol } from '@core/protocol/protocol'
import { traceFromReadings } from '@core/trace/trace'
import { go } from './steps'

const device = (i: number): Device =>
  blankDevice({
    id: `d${i}`,
    name: `Skerry P5 no. ${i}`,
    kind: 'phone',
    capacityWh: 15,
    maxWatts: 20,
    fixedVolts: [9],
  })
const source = (i: number): Source =>
  blankSource({
    id: `s${i}`,
    name: `Hawser 2${i}`,
    kind: 'wall charger',
    ratedWatts: 20,
    ports: [portOf('9V2.22A')],
  })

/** As many phones on as many chargers, planned for one and the same switch. */
export function stripLogbook(lanes: number, over: Partial<Protocol> = {}): Logbook {
  const numbers = Array.from({ length: lanes }, (_, i) => i + 1)
  const pairs = numbers.map((i) => ({ deviceId: `d${i}`, sourceId: `s${i}`, cableId: null, repeats: 1 }))
  let n = 0
  const campaign: Campaign = {
    id: 'c',
    name: 'All at once',
    questionId: 'many-devices',
    protocol: { ...SCHOOLS.find((p) => p.id === 'closing-in')!, startPercent: 5, ...over },
    pairs,
    availability: { startDate: '2026-03-02', week: eveningsOnly(), daysOff: [] },
    means: { ...usualMeans(), meters: lanes, lanes },
    planned: plannedRunsFor(pairs, [], () => false, () => `p${++n}`), // prettier-ignore
    putBack: [],
    createdAt: '2026-03-01T12:00:00.000Z',
  }
  return {
    ...emptyLogbook(),
    devices: numbers.map(device),
    sources: numbers.map(source),
    campaigns: [campaign],
  }
}

/** Runs of one phone from one charger, each a full charge read every five minutes. */
export function withRuns(count: number, prefix = 'r'): Logbook {
  const { devices, sources } = stripLogbook(1)
  const runs = Array.from({ length: count }, (_, i): RunWithTrace => ({
    run: blankRun({
      id: `${prefix}${i}`,
      deviceId: 'd1',
      sourceId: 's1',
      ink: i % 8,
      startedAt: new Date(Date.UTC(2026, 2, 1, i)).toISOString(),
      startPercent: 5,
      stop: { kind: 'shown-full' },
    }),
    trace: traceFromReadings(
      Array.from({ length: 20 }, (_, k) => ({ t: k * 300, percent: 5 + 5 * k, power: 18 - k / 2 })),
    ),
  }))
  return { ...emptyLogbook(), devices, sources, runs }
}

/** The logbook with names as long as they may be, and without a space to break them at. */
export function longNamed(logbook: Logbook): Logbook {
  const lengthen = <T extends { name: string }>(records: T[]): T[] =>
    records.map((r) => ({ ...r, name: r.name.replace(/\s/g, '').padEnd(79, 'OfTheWheelhouse') }))
  return {
    ...logbook,
    devices: lengthen(logbook.devices),
    sources: lengthen(logbook.sources),
    cables: lengthen(logbook.cables),
    meters: lengthen(logbook.meters),
    campaigns: lengthen(logbook.campaigns),
  }
}

/** Takes a logbook in through the Files screen. */
export async function takeIn(page: Page, logbook: Logbook) {
  await go(page, '/files')
  await page.locator('input[type=file]').setInputFiles({
    name: 'logbook.json',
    mimeType: 'application/json',
    buffer: Buffer.from(writeLogbook(logbook, '2026-03-01T12:00:00.000Z')),
  })
  await page.getByRole('button', { name: 'Merge it in' }).click()
  await expect(page.getByText('The file was merged')).toBeVisible()
}

/** A shelf with one phone and two chargers, as `fillShelf` types it, from a file: quicker where typing is not the matter. */
export const takeInShelf = (page: Page) =>
  takeIn(page, {
    ...emptyLogbook(),
    devices: [
      blankDevice({ id: 'phone', name: 'Skerry P5', kind: 'phone', capacityMah: 4200, maxWatts: 20 }),
    ],
    sources: [
      blankSource({
        id: 'five',
        name: 'Bollard 5',
        kind: 'wall charger',
        ratedWatts: 5,
        ports: [portOf('5V1A')],
      }),
      blankSource({
        id: 'twelve',
        name: 'Bollard 12',
        kind: 'wall charger',
        ratedWatts: 12,
        ports: [portOf('5V2.4A')],
      }),
    ],
  })

/** Lays the campaign out and carries all of its lanes to the bench. */
export async function rigAll(page: Page, lanes: number) {
  await go(page, '/plan/c?part=timetable')
  await page.getByRole('button', { name: 'Lay out the runs' }).click()
  await expect(page.locator('[data-run]')).toHaveCount(lanes)
  await page.getByRole('button', { name: 'Progress' }).click()
  await page.getByRole('button', { name: `Carry the first ${lanes} to the bench` }).click()
  await expect(page.getByRole('button', { name: 'Power on' })).toBeVisible()
}
