import 'fake-indexeddb/auto'
import { beforeEach, expect, it, vi } from 'vitest'
import { blankCable } from '@core/gear/blanks'
import type { Campaign } from '@core/plan/campaign'
import { plannedRunsFor, usualMeans } from '@core/plan/campaign'
import { eveningsOnly } from '@core/plan/windows'
import { SCHOOLS } from '@core/protocol/schools'
import { useLogbook } from './logbook'
import { openWith } from './logbook.fixture'
import { usePlan } from './plan'

/** What the planner in its worker answers, and what happens before it does. */
let arrange: (campaign: Campaign) => Promise<object> = () => Promise.reject(new Error('not asked'))
vi.mock('../workers/plan', () => ({
  planWork: () => ({
    arrange: (campaign: Campaign) => arrange(campaign),
    acceptance: () => Promise.resolve(null),
  }),
}))

const SLOT = { startsAt: '2026-03-02T19:00:00.000Z', chargeS: 3600, prepS: 0, unit: 0, lane: 0 }
const pairs = [{ deviceId: 'd', sourceId: 's', cableId: null, repeats: 3 }]
let n = 0
const campaign = (): Campaign => useLogbook().campaign('c')!

beforeEach(async () => {
  await openWith('a')
  await useLogbook().put('campaigns', {
    id: 'c',
    name: 'Which charger',
    questionId: 'many-sources',
    protocol: SCHOOLS[0],
    pairs,
    availability: { startDate: '2026-03-02', week: eveningsOnly(), daysOff: [] },
    means: usualMeans(),
    planned: plannedRunsFor(pairs, [], () => false, () => `p${++n}`), // prettier-ignore
    putBack: [],
    createdAt: '2026-03-01T12:00:00.000Z',
  })
})

it('keeps both of two runs that are set aside one right after the other', async () => {
  const plan = usePlan()
  const as = campaign()
  const [first, second] = as.planned
  await Promise.all([
    plan.change(as, first.id, { setAside: 'not needed' }),
    plan.change(as, second.id, { setAside: 'nor this' }),
  ])
  expect(campaign().planned.map((p) => p.setAside)).toEqual(['not needed', 'nor this', null])
})

it('keeps what was set aside, renamed or pinned while the evenings were laid out', async () => {
  const plan = usePlan()
  const logbook = useLogbook()
  const [first, second] = campaign().planned
  arrange = async (asked) => {
    await plan.change(asked, first.id, { setAside: 'not needed' })
    await plan.change(asked, second.id, { pinned: true })
    await logbook.put('campaigns', { ...campaign(), name: 'Which charger goes on board' })
    return { planned: asked.planned.map((p) => ({ ...p, slot: SLOT })) }
  }
  await plan.layOut(campaign())
  expect(campaign().name).toBe('Which charger goes on board')
  expect(campaign().planned.map((p) => [p.setAside, p.pinned, p.slot !== null])).toEqual([
    ['not needed', false, false],
    [null, true, false],
    [null, false, true],
  ])
})

it('gives pairs that are ticked one right after the other their runs, and takes none away', async () => {
  const plan = usePlan()
  const as = campaign()
  const another = { deviceId: 'd', sourceId: 's', cableId: 'k', repeats: 1 }
  await useLogbook().put('cables', blankCable({ id: 'k', name: 'Long grey' }))
  await Promise.all([
    plan.setPairs(as, (now) => [...now, another]),
    plan.setPairs(as, (now) => now.map((p) => (p.cableId === null ? { ...p, repeats: 2 } : p))),
  ])
  expect(campaign().pairs.map((p) => p.repeats)).toEqual([2, 1])
  expect(campaign().planned.map((p) => [p.cableId, p.repeat])).toEqual([
    [null, 1],
    [null, 2],
    ['k', 1],
  ])
})

it('judges the second of two quick moves by where the first one went', async () => {
  const plan = usePlan()
  const as = campaign()
  const [first, second] = as.planned
  const evening = new Date(2026, 2, 2, 18, 30).getTime()
  const [one, other] = await Promise.all([
    plan.move(as, first.id, evening),
    plan.move(as, second.id, evening),
  ])
  // One phone: it cannot be charged twice at the same time.
  expect([one.ok, other.ok]).toEqual([true, false])
  expect(other.why).not.toBe('')
  expect(campaign().planned.map((p) => p.slot !== null)).toEqual([true, false, false])
})

it('keeps what another tab typed of the means and the protocol while this one typed something else', async () => {
  const plan = usePlan()
  const begun = campaign()
  await plan.keepTyped(begun, {
    means: { ...begun.means, lanes: 3 },
    protocol: { ...begun.protocol, restMinutes: 45 },
  })
  await plan.keepTyped(begun, { means: { ...begun.means, meters: 2 }, availability: begun.availability })
  expect(campaign()).toMatchObject({ means: { lanes: 3, meters: 2 }, protocol: { restMinutes: 45 } })
})
