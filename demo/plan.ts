import { UNNOTED, type Meter, type Observation } from '@core/gear/gear'
import type { Logbook } from '@core/logbook/logbook'
import { acceptanceFrom } from '@core/model/acceptance'
import { arrange } from '@core/plan/arrange'
import { plannedRunsFor, usualMeans, type Campaign } from '@core/plan/campaign'
import { settledRuns } from '@core/plan/progress'
import { eveningsOnly } from '@core/plan/windows'
import { SCHOOLS } from '@core/protocol/schools'

/** The demo's meters, observations and campaign. All invented. */
export const meters: Meter[] = [
  {
    id: 'm1',
    name: 'Tally inline meter',
    kind: 'power meter',
    resolution: 0.01,
    resolutionAmps: 0.01,
    accuracyPercent: 0.5,
    accuracyDigits: 2,
    intervalS: 1,
    place: 'between source and cable',
    notes: '',
    corrections: [],
  },
  {
    id: 'm2',
    name: 'Tally inline meter, second',
    kind: 'power meter',
    resolution: 0.01,
    resolutionAmps: 0.01,
    accuracyPercent: 0.5,
    accuracyDigits: 2,
    intervalS: 1,
    place: 'between source and cable',
    notes: '',
    corrections: [],
  },
  {
    id: 'm3',
    name: 'Bilge thermometer',
    kind: 'thermometer',
    resolution: 0.1,
    resolutionAmps: null,
    accuracyPercent: 1,
    accuracyDigits: 5,
    intervalS: null,
    place: 'on the device',
    notes: '',
    corrections: [],
  },
]

const seen = (
  id: string,
  deviceId: string,
  sourceId: string,
  outcome: Observation['outcome'],
  note: string,
  when: string,
): Observation => ({ id, deviceId, sourceId, cableId: null, outcome, note, when, ...UNNOTED })

export const observations: Observation[] = [
  seen('o1', 'l14', 'bo', 'loses', 'Says connected; lost 4 points in an hour with the charts open.', '2026-03-04T19:00:00Z'),
  seen('o2', 'p5', 'h30', 'charges', '', '2026-03-05T19:00:00Z'),
  seen('o3', 't11', 'b12', 'connected', 'Tried both ports; the grey cable.', '2026-03-06T19:00:00Z'),
] // prettier-ignore

const FIRST_DAY = '2026-03-02'

/** The crew's question as a campaign: the phone on six chargers, twice each; the first round is made. */
export function withCampaign(logbook: Logbook): Logbook {
  const sources = ['b5', 'b12', 'h20', 'h30', 'g65', 'g100']
  const pairs = sources.map((sourceId) => ({ deviceId: 'p5', sourceId, cableId: null, repeats: 2 }))
  let number = 0
  const campaign: Campaign = {
    id: 'demo-campaign',
    name: 'Which chargers go on board?',
    questionId: 'worth-it',
    protocol: { ...SCHOOLS.find((p) => p.id === 'one-to-full')!, startPercent: 2 },
    pairs,
    availability: { startDate: FIRST_DAY, week: eveningsOnly(), daysOff: [] },
    means: { ...usualMeans(), meters: 2, units: { p5: 2 } },
    planned: plannedRunsFor(pairs, [], () => false, () => `demo-planned-${++number}`), // prettier-ignore
    putBack: [],
    createdAt: '2026-03-01T12:00:00.000Z',
  }
  const runs = logbook.runs.map(({ run, trace }) => {
    const place =
      run.deviceId === 'p5' && campaign.planned.find((p) => p.sourceId === run.sourceId && p.repeat === 1)
    return place
      ? { run: { ...run, planned: { campaignId: campaign.id, plannedId: place.id } }, trace }
      : { run, trace }
  })
  const strongest = logbook.runs.find((r) => r.run.deviceId === 'p5' && r.run.sourceId === 'h30')
  const gear = { ...logbook, curves: { p5: strongest ? acceptanceFrom(strongest.trace) : null } }
  const settled = settledRuns(campaign, runs.map((r) => r.run), new Set()) // prettier-ignore
  const { planned } = arrange(campaign, gear, { settled, notBefore: new Date('2026-03-19T12:00:00Z') })
  return { ...logbook, runs, campaigns: [{ ...campaign, planned }] }
}
