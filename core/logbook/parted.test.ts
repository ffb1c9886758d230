import { expect, it } from 'vitest'
import { traceFromReadings } from '../trace/trace'
import { correctTime, correctValue } from './corrections'
import { leaveOut } from './leftOut'
import { partRun } from './parted'
import { blankRun, type Run, type RunWithTrace } from './run'
import { MOST_NAME, MOST_NOTES, runSchema } from './schema'

const because = { why: 'misread', when: '2026-03-03T08:00:00.000Z' }
/** A reading a minute: to 60 % within the hour, to 20 % while nothing flows for ten minutes, and to 60 % again. */
const evening = (over: Partial<Run> = {}): RunWithTrace => {
  const read = (minute: number) => {
    if (minute < 60) return { percent: 1 + minute, power: 18 }
    return minute < 70 ? { percent: 60 - 4 * (minute - 60), power: 0 } : { percent: minute - 50, power: 10 }
  }
  return {
    run: blankRun({ id: 'r', deviceId: 'd', sourceId: 's', startedAt: '2026-03-02T19:00:00.000Z', startPercent: 1, ...over }),
    trace: traceFromReadings(Array.from({ length: 111 }, (_, m) => ({ t: 60 * m, ...read(m) }))),
  }
} // prettier-ignore
const own = [0, 1].map((i) => ({ id: `part${i}`, ink: i + 3 }))
const partsOf = (whole: RunWithTrace) =>
  partRun(
    whole,
    [
      { fromS: 0, toS: 3600 },
      { fromS: 4140, toS: Infinity },
    ],
    own,
  )

it('makes a run of each charge, on a clock of its own, with the gear and the conditions of the whole', () => {
  const whole = evening({ name: 'The first evening', notes: 'by the window', cableId: 'c', planned: { campaignId: 'b', plannedId: 'p' }, stop: { kind: 'level', percent: 60 } }) // prettier-ignore
  whole.run.conditions = { ...whole.run.conditions, ambientC: 21, restMinutes: 30, unitLabel: 'A' }
  const [first, second] = partsOf(whole)
  const begun = second.trace.time.length
  expect([first.run.id, second.run.id, first.run.ink, second.run.ink]).toEqual(['part0', 'part1', 3, 4])
  expect([first.run.startPercent, second.run.startPercent]).toEqual([1, 24])
  expect([first.trace.percent!.at(-1), second.trace.percent!.at(-1)]).toEqual([60, 60])
  expect([first.trace.time[0], second.trace.time[0]]).toEqual([0, 0])
  // Of the last forty-one minutes, and of the last reading before power flows.
  expect([begun, second.run.startedAt]).toEqual([42, '2026-03-02T20:09:00.000Z'])
  for (const { run } of [first, second])
    expect(run).toMatchObject({ deviceId: 'd', sourceId: 's', cableId: 'c', state: 'done' })
  expect([first.run.name, second.run.name]).toEqual(['The first evening, charge 1', 'The first evening, charge 2'])
  expect(second.run.notes).toBe('Charge 2 of 2 of one record. by the window')
  // Nobody measured how long it rested before the second, and the plan asked for one.
  expect(first.run.conditions).toMatchObject({ ambientC: 21, restMinutes: 30 })
  expect(second.run.conditions).toMatchObject({ ambientC: 21, restMinutes: null, unitLabel: 'A' })
  expect([first.run.planned?.plannedId, second.run.planned]).toEqual(['p', null])
}) // prettier-ignore

it('judges each by the stop rule, but for what was spoilt', () => {
  const full = { kind: 'shown-full' } as const
  for (const { run } of partsOf(evening({ stop: full })))
    expect([run.state, /^Stopped at 60/.test(run.stateReason)]).toEqual(['short', true])
  for (const { run } of partsOf(evening({ stop: full, state: 'spoilt', stateReason: 'the cat' })))
    expect(run).toMatchObject({ state: 'spoilt', stateReason: 'the cat' })
})

it('keeps with each what happened and what was put right while it lasted, where it then stands', () => {
  const put = correctValue(correctValue(evening(), 10, 'percent', 12, because), 80, 'percent', 31, because)
  const cut = leaveOut(correctTime(put, 90, 5405, because), { fromS: 6000, toS: 6120 }, because)
  cut.run.events = [
    { t: 600, kind: 'load-start', text: 'Film' },
    { t: 3900, kind: 'own', text: 'moved to another charger' },
    { t: 4800, kind: 'load-stop', text: 'Load stopped' },
  ]
  const [first, second] = partsOf(cut)
  expect(first.run.corrections).toMatchObject([{ row: 10, t: 600, to: 12 }])
  expect(second.run.corrections).toMatchObject([
    { row: 11, t: 660, to: 31 },
    { row: 21, t: 1265, what: 'time', from: 1260, to: 1265 },
  ])
  for (const { run, trace } of [first, second])
    for (const { row, t, what } of run.corrections) if (what !== 'time') expect(trace.time[row]).toBe(t)
  expect(second.run.leftOut).toMatchObject([{ fromS: 1860, toS: 1980, readings: { time: [1860, 1920, 1980] } }])
  expect(first.run.leftOut).toEqual([])
  expect(first.run.events).toEqual([{ t: 600, kind: 'load-start', text: 'Film' }])
  // The film went on: the second charge begins under it.
  expect(second.run.events).toEqual([
    { t: 0, kind: 'load-start', text: 'Film' },
    { t: 660, kind: 'load-stop', text: 'Load stopped' },
  ])
  // What is written is what would be read.
  for (const { run } of [first, second]) expect(runSchema.validateSync(run, { strict: true })).toEqual(run)
}) // prettier-ignore

it('takes no more of the whole than a charge has: its own start, its own ends, and no load that was over', () => {
  const events = [
    { t: 60, kind: 'load-start', text: 'Film' } as const,
    { t: 3600, kind: 'load-stop', text: 'Load stopped' } as const,
    { t: 4140, kind: 'own', text: 'plugged in' } as const,
  ]
  // The first of the second charge was moved in out of the drain, and put right.
  const put = correctValue(correctTime(evening({ events }), 69, 4150, because), 69, 'percent', 25, because)
  const [first, second] = partRun(put, [{ fromS: 120, toS: 3600 }, { fromS: 4150, toS: 6600 }], own) // prettier-ignore
  expect([first.run.startPercent, first.trace.time[0], first.run.startedAt]).toEqual([3, 0, '2026-03-02T19:02:00.000Z'])
  expect(first.run.events.map(({ t, kind }) => [t, kind])).toEqual([[0, 'load-start'], [3480, 'load-stop']])
  expect([second.run.events, first.run.corrections]).toEqual([[], []])
  expect(second.run.corrections).toMatchObject([{ what: 'percent', row: 0, t: 0, to: 25 }])
}) // prettier-ignore

it('cuts a name and notes that have no room for more, and writes what is read again', () => {
  const whole = evening({ name: 'n'.repeat(MOST_NAME), notes: 'w'.repeat(MOST_NOTES) })
  for (const { run } of partsOf(whole)) expect(runSchema.validateSync(run, { strict: true })).toEqual(run)
  expect(partsOf(whole)[1].run.name).toMatch(/^n+, charge 2$/)
  expect(partsOf(evening())[0].run).toMatchObject({ name: '', notes: 'Charge 1 of 2 of one record.' })
})
