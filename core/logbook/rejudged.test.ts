import { expect, it } from 'vitest'
import { traceFromReadings } from '../trace/trace'
import { heldToPlan, rejudged } from './rejudged'
import { blankRun, type Run } from './run'

const until = (percent: number) =>
  traceFromReadings([
    { t: 0, percent: 5 },
    { t: 3600, percent },
  ])
const run = (over: Partial<Run> = {}): Run => ({
  ...blankRun({ id: 'r', deviceId: 'd', sourceId: 's', startedAt: '2026-03-02T19:00:00.000Z' }),
  stop: { kind: 'shown-full' },
  ...over,
})

it('is short once the 100 that ended it turns out to have been misread, and done by the rule that was meant', () => {
  const full = { run: run(), trace: until(100) }
  const short = rejudged(full, { run: run(), trace: until(90) })
  expect(short.state).toBe('short')
  expect(short.stateReason).toMatch(/the rule was: when the display shows 100/)
  const before = { run: short, trace: until(90) }
  const done = rejudged(before, { run: { ...short, stop: { kind: 'level', percent: 80 } }, trace: until(90) })
  expect([done.state, done.stateReason]).toEqual(['done', ''])
})

it('leaves alone what the reviewer judged otherwise, what is spoilt, and what did not change by it', () => {
  const counted = { run: run({ state: 'done', stateReason: 'near enough' }), trace: until(90) }
  expect(rejudged(counted, { ...counted, trace: until(91) })).toBe(counted.run)
  const spoilt = { run: run({ state: 'spoilt', stateReason: 'camera cut' }), trace: until(100) }
  expect(rejudged(spoilt, { ...spoilt, trace: until(90) })).toBe(spoilt.run)
  const full = { run: run(), trace: until(100) }
  expect(rejudged(full, full)).toBe(full.run)
})

it('holds a run to the rule of the place it is to fill', () => {
  const rule = { kind: 'level', percent: 80 } as const
  const open = run({ stop: { kind: 'open' } })
  expect(heldToPlan(open, until(81), rule)).toEqual({ stop: rule, state: 'done', stateReason: '' })
  expect(heldToPlan(open, until(60), rule)).toMatchObject({ stop: rule, state: 'short' })
  // By its own rule it was over sooner than the plan wants it.
  expect(heldToPlan(run({ stop: { kind: 'duration', seconds: 900 } }), until(60), rule).state).toBe('short')
  // Ended on the bench by this very rule: the bench saw more than was read.
  expect(heldToPlan(run({ stop: rule }), until(60), rule)).toEqual({})
  expect(heldToPlan(run({ state: 'spoilt' }), until(60), rule)).toEqual({})
})
