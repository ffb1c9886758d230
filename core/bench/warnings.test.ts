import { expect, it } from 'vitest'
import type { Reading } from '../trace/trace'
import { setupFixture } from './bench.fixture'
import type { LaneSetup } from './setup'
import { newLane, reduceLane } from './state'
import { laneWarnings, wattsExpected, type Expected } from './warnings'

const EXPECTED: Expected = { agreedWatts: 18, agreedVolts: 9, usableWh: 15, curve: null }
/** Read each ten seconds over `minutes`; the moment is that of the last reading, unless said otherwise. */
function warned(
  minutes: number,
  at: (m: number) => Omit<Reading, 't'>,
  {
    expected = EXPECTED,
    elapsedS = minutes * 60,
    setup = {},
  }: { expected?: Expected; elapsedS?: number; setup?: Partial<LaneSetup> } = {},
) {
  const readings = Array.from({ length: minutes * 6 + 1 }, (_, i) => ({ t: i * 10, ...at(i / 6) }))
  const state = reduceLane(newLane(), { kind: 'readings', readings })
  return laneWarnings({ setup: setupFixture(setup), state, elapsedS, closingInFrom: null }, expected).map(
    (w) => w.code,
  )
}
/** 18 W into 15 Wh at four fifths: 1.6 points a minute. */
const level = (m: number) => Math.floor(5 + 1.6 * m)

it('says nothing of a sound lane, nor of any in its first minutes', () => {
  expect(warned(25, (m) => ({ percent: level(m), voltage: 9, current: 2 }))).toEqual([])
  expect(warned(2, () => ({ percent: 5, voltage: 5, current: 0.1 }))).toEqual([])
})

it('tells a spoilt evening within minutes: stuck, stalled, held, draining, at the wrong level, slow', () => {
  expect(warned(20, (m) => ({ percent: level(Math.min(m, 12)), power: 18 }))).toEqual(['stuck'])
  expect(warned(30, (m) => ({ percent: level(Math.min(m, 12)), power: m < 12 ? 18 : 0.3 }))).toEqual([
    'stalled',
    'slow',
  ])
  // A device that tells of its own battery alone.
  expect(warned(30, (m) => ({ percent: level(Math.min(m, 12)), batteryPower: m < 12 ? 15 : 0.1 }))).toEqual([
    'stalled',
  ])
  expect(warned(30, (m) => ({ percent: level(m), batteryPower: 15 }))).toEqual([])
  const at80 = (m: number) => ({
    percent: Math.min(80, 60 + Math.floor(1.6 * m)),
    power: m < 12.5 ? 18 : 0.3,
  })
  expect(warned(30, at80)).toEqual(['protective-hold'])
  expect(warned(20, (m) => ({ percent: Math.round(40 - m / 4), power: 4 }))[0]).toBe('draining')
  expect(warned(12, (m) => ({ percent: Math.floor(5 + m / 2), voltage: 5, current: 1.1 }))).toEqual([
    'wrong-supply',
    'slow',
  ])
  // It steps down late in a charge by itself.
  expect(
    warned(40, (m) => ({ percent: 60 + Math.floor(m / 2), voltage: m < 20 ? 9 : 5, current: 1 })),
  ).toEqual([])
})

it('expects what a full run of the device took at that level, and little of a device it does not know', () => {
  const curve = {
    energyWh: Float64Array.of(0, 7.5, 15),
    watts: Float64Array.of(30, 20, 2),
    levels: null,
    restingW: 0.5,
    origin: 'run' as const,
  }
  expect(wattsExpected({ ...EXPECTED, curve }, 25)).toBe(18)
  expect(wattsExpected({ ...EXPECTED, curve }, 75)).toBeCloseTo(11 + 0.5, 9)
  // Its display showed 80 % when three quarters of the energy were in.
  const levels = { percent: Float64Array.of(0, 80, 100), energyWh: Float64Array.of(0, 11.25, 15) }
  expect(wattsExpected({ ...EXPECTED, curve: { ...curve, levels } }, 80)).toBeCloseTo(11 + 0.5, 9)
  expect(wattsExpected(EXPECTED, 39)).toBe(18)
  expect(wattsExpected(EXPECTED, 41)).toBeNaN()
  // The meter stands before a pad that passes three quarters on.
  const pad = { ...EXPECTED, meterWatts: 24 }
  expect([wattsExpected(pad, 39), wattsExpected({ ...pad, curve }, 75)]).toEqual([
    24,
    expect.closeTo(11.5 / 0.75, 9),
  ])
  expect(wattsExpected({ ...EXPECTED, meterWatts: NaN }, 39)).toBe(18)
  const tapering = (m: number) => ({ percent: 70 + Math.floor(m / 2), power: 6 })
  expect(warned(10, tapering)).toEqual([])
  expect(warned(10, tapering, { expected: { ...EXPECTED, curve } })).toEqual(['slow'])
})

it('says when no instrument has said anything for a minute', () => {
  const setup: Partial<LaneSetup> = { feed: { kind: 'instruments', ids: ['m'], simulated: false } }
  const sound = (m: number) => ({ percent: level(m), power: 18 })
  expect(warned(10, sound, { setup, elapsedS: 655 })).toEqual([])
  expect(warned(10, sound, { setup, elapsedS: 665 })).toEqual(['silent'])
  expect(warned(10, sound, { elapsedS: 665 })).toEqual([])
  expect(warned(0, sound, { setup, elapsedS: 300 })).toEqual(['silent'])
})

it('asks to watch the display two points before the level that ends a run by hand', () => {
  const sound = (from: number) => (m: number) => ({
    percent: Math.min(100, from + Math.floor(m / 2)),
    power: 4,
  })
  const by = (setup: Partial<LaneSetup>, from: number) =>
    warned(6, sound(from), { expected: { ...EXPECTED, agreedWatts: NaN }, setup: { stop: { kind: 'shown-full' }, feed: { kind: 'hand' }, ...setup } }) // prettier-ignore
  expect(by({}, 95)).toEqual(['watch'])
  expect(by({}, 94)).toEqual([])
  expect(by({}, 97)).toEqual([])
  expect(by({ stop: { kind: 'level', percent: 80 } }, 75)).toEqual(['watch'])
  expect(by({ feed: { kind: 'own-battery' } }, 95)).toEqual([])
})
