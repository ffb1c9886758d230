import { expect, it } from 'vitest'
import { SCHOOLS } from '../protocol/schools'
import { traceFromReadings, type Trace } from '../trace/trace'
import { endedBy, seemsMadeBy } from './ended'

const plain = (words: string) => words.replaceAll('\u00a0', ' ')
const levels = traceFromReadings([
  { t: 0, percent: 5 },
  { t: 900, percent: 60 },
  { t: 1795, percent: 81 },
])

it('is done once the rule was met by what was read, to ten seconds', () => {
  const state = (...of: Parameters<typeof endedBy>) => endedBy(...of).state
  expect(state({ kind: 'open' }, levels)).toBe('done')
  expect(state({ kind: 'duration', seconds: 1800 }, levels)).toBe('done')
  expect(state({ kind: 'duration', seconds: 1806 }, levels)).toBe('short')
  expect(state({ kind: 'level', percent: 81 }, levels)).toBe('done')
  expect(state({ kind: 'level', percent: 82 }, levels)).toBe('short')
  expect(state({ kind: 'shown-full' }, levels)).toBe('short')
  const fell = traceFromReadings([
    { t: 0, percent: 99 },
    { t: 60, percent: 100 },
    { t: 120, percent: 99 },
  ])
  expect(state({ kind: 'shown-full' }, fell)).toBe('done')
})

it('is done by the current where it stays down for a minute, and not where it only sank', () => {
  const watts = (last: number) =>
    traceFromReadings(Array.from({ length: 400 }, (_, t) => ({ t, power: t < 250 ? 20 : last })))
  expect(endedBy({ kind: 'taper-end' }, watts(0.2)).state).toBe('done')
  expect(endedBy({ kind: 'taper-end' }, watts(12)).state).toBe('short')
  // Of a device's own record by the watts into its battery.
  const own = ({ power, ...others }: Trace): Trace => ({ ...others, batteryPower: power })
  expect([0.2, 12].map((last) => endedBy({ kind: 'taper-end' }, own(watts(last))).state)).toEqual([
    'done',
    'short',
  ])
})

it('says where it stopped, and what the rule was', () => {
  expect(plain(endedBy({ kind: 'shown-full' }, levels).stateReason)).toBe(
    'Stopped at 81 % after 30 min; the rule was: when the display shows 100 %.',
  )
  const mute = traceFromReadings([
    { t: 0, power: 9 },
    { t: 600, power: 9 },
  ])
  expect(plain(endedBy({ kind: 'level', percent: 80 }, mute).stateReason)).toBe(
    'Stopped after 10 min; the rule was: at 80 %.',
  )
  expect(endedBy({ kind: 'open' }, mute).stateReason).toBe('')
})

it('is offered to a plan whose start and stop it came near to', () => {
  const plan = {
    ...SCHOOLS[0],
    startPercent: 1,
    startWay: 'drained',
    stop: { kind: 'level', percent: 80 },
  } as const
  expect(seemsMadeBy(plan, levels)).toBe(true)
  expect(seemsMadeBy({ ...plan, stop: { kind: 'shown-full' } }, levels)).toBe(false)
  expect(seemsMadeBy({ ...plan, startPercent: 16 }, levels)).toBe(false)
  expect(seemsMadeBy({ ...plan, startPercent: 16, startWay: 'as-found' }, levels)).toBe(true)
  // Watts alone tell no start.
  const mute = traceFromReadings([{ t: 0, power: 9 }, { t: 900, power: 9 }]) // prettier-ignore
  expect(seemsMadeBy({ ...plan, stop: { kind: 'duration', seconds: 900 } }, mute)).toBe(true)
  expect(seemsMadeBy(undefined, levels)).toBe(true)
})
