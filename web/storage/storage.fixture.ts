import { vi } from 'vitest'
import { readLogbook } from '@core/formats/logbookJson'
import type { Logbook } from '@core/logbook/logbook'
import type { Run } from '@core/logbook/run'
import {
  editionDrawers,
  journalDrawer,
  metaDrawer,
  oldGearDrawer,
  oldRunDrawer,
  traceDrawer,
} from './database'
import { change, type Change, type OpenedLogbook } from './logbookStorage'
import { readRevision } from './writer'

const SOURCE = { id: 's', name: 'Hawser 20', kind: 'wall charger', ratedWatts: 20, ports: [] }

/** A small logbook with one run for each id, read the way a file is. */
export function demoLike(...ids: string[]): Logbook {
  return readLogbook(
    JSON.stringify({
      format: 'inkpath-logbook',
      schemaVersion: 1,
      devices: [{ id: 'd', name: 'Skerry P5', kind: 'phone', capacityMah: 4200, healthPercent: 100 }],
      sources: [SOURCE],
      cables: [],
      gearCorrections: [],
      runs: ids.map((id) => ({
        id,
        deviceId: 'd',
        sourceId: 's',
        ink: 0,
        startedAt: '2026-03-01T19:00:00.000Z',
        state: 'done',
        startPercent: 5,
        reading: { kind: 'every', seconds: 300 },
        stop: { kind: 'shown-full' },
        provenance: 'hand',
        trace: { time: [0, 300, 600], percent: [5, null, 30], power: [20, 19.5, null] },
      })),
    }),
  )
}

/** An empty browser. */
export async function emptyBrowser(): Promise<void> {
  const drawers = [
    ...Object.values(editionDrawers),
    traceDrawer,
    journalDrawer,
    metaDrawer,
    oldGearDrawer,
    oldRunDrawer,
  ]
  for (const drawer of drawers) await drawer.clear()
}

/** Refuses the nth write of the browser's store, or all from there, in whichever drawer; gives what lets them through. */
export function refuseWrite(nth: number, all = false): () => void {
  let calls = 0
  const spies = [...Object.values(editionDrawers), traceDrawer, metaDrawer].map((drawer) => {
    const real = drawer.setItem.bind(drawer)
    return vi.spyOn(drawer, 'setItem').mockImplementation((key, value) => {
      if (all ? calls++ < nth : calls++ !== nth) return real(key, value)
      return Promise.reject(Object.assign(new Error('no room'), { name: 'QuotaExceededError' }))
    })
  })
  return () => spies.forEach((spy) => spy.mockRestore())
}

/** Makes changes as a tab does that knows the logbook as it stands. */
export const put = async (...changes: Change[]) => change(await readRevision(), () => undefined, () => changes) // prettier-ignore

export const runLike = (id: string, over: Partial<Run> = {}): Run => ({
  ...demoLike(id).runs[0].run,
  ...over,
})

/** Of the runs of an opened logbook. */
export const ids = (logbook: OpenedLogbook) => logbook.lists.runs.map((r) => r.id).sort()
