import { expect, it } from 'vitest'
import { traceFromReadings, type Reading } from '../trace/trace'
import { chargeFlow, energyFlow, passed } from './flow'

const watts = (...rows: (readonly [t: number, power: number])[]) =>
  energyFlow(traceFromReadings(rows.map(([t, power]) => ({ t, power }))))
/** Joules measured and bridged, and the seconds that the meter covers. */
const joules = (flow: ReturnType<typeof watts>, startS: number, endS: number) => {
  const { measured, bridged, coveredS } = passed(flow, { startS, endS })
  return [measured * 3600, bridged * 3600, coveredS].map((n) => expect.closeTo(n, 9) as unknown)
}
const same = (...numbers: number[]) => numbers.map((n) => expect.closeTo(n, 9) as unknown)

it('cuts its readings at the ends of a stretch, along the line between them', () => {
  const flow = watts([100, 10], [150, 20], [200, 10])
  expect(joules(flow, 125, 175)).toEqual(same(2 * 25 * 17.5, 0, 50))
  expect(joules(flow, 100, 200)).toEqual(same(1500, 0, 100))
  expect(joules(flow, 100, 150)).toEqual(same(750, 0, 50))
  expect(joules(flow, 150, 200)).toEqual(same(750, 0, 50))
  expect(joules(flow, 110, 120)).toEqual(same(10 * 13, 0, 10))
})

it('bridges what lies outside of them by the nearest', () => {
  const flow = watts([100, 10], [150, 20], [200, 40])
  expect(joules(flow, 0, 300)).toEqual(same(750 + 1500, 1000 + 4000, 100))
  expect(joules(flow, 0, 125)).toEqual(same(25 * 12.5, 1000, 25))
  expect(joules(flow, 175, 300)).toEqual(same(25 * 35, 4000, 25))
  expect(joules(flow, 0, 50)).toEqual(same(0, 500, 0))
  expect(joules(flow, 0, 100)).toEqual(same(0, 1000, 0))
  expect(joules(flow, 200, 250)).toEqual(same(0, 2000, 0))
  expect(joules(flow, 250, 260)).toEqual(same(0, 400, 0))
})

it('takes a step for what it is on either side of it', () => {
  const flow = watts([0, 10], [50, 10], [50, 30], [100, 30])
  expect(joules(flow, 0, 50)).toEqual(same(500, 0, 50))
  expect(joules(flow, 50, 100)).toEqual(same(1500, 0, 50))
})

it('goes by the count where the watts were read more coarsely than every minute, and by the watts beside it', () => {
  const read = (stepS: number, more: readonly Reading[] = []) =>
    energyFlow(
      traceFromReadings([
        { t: 0, power: 9, counterWh: 0 },
        { t: stepS, power: 9, counterWh: 0.2 },
        { t: 2 * stepS, power: 9, counterWh: 0.5 },
        ...more,
      ]),
    )
  expect([read(60).from, read(61).from]).toEqual(['integral', 'counter'])
  // Half of the second step of the count, and then 9 W for as long as nobody counted.
  const { measured, bridged, coveredS, gaps } = passed(read(61, [{ t: 200, power: 9 }]), { startS: 91.5, endS: 200 })
  expect(measured + bridged).toBeCloseTo(0.15 + (9 * 78) / 3600, 9)
  expect(coveredS).toBeCloseTo(30.5 + 78, 9)
  expect(gaps).toEqual([])
  // A count alone: nobody knows of the rest.
  const alone = energyFlow(traceFromReadings([{ t: 0, counterWh: 0 }, { t: 600, counterWh: 2 }]))
  expect(passed(alone, { startS: 300, endS: 900 })).toMatchObject({
    measured: 1,
    bridged: 0,
    coveredS: 300,
    gaps: [{ startS: 600, endS: 900 }],
  })
}) // prettier-ignore

it('knows nothing without a reading, and counts amperes as it counts watts', () => {
  const none = energyFlow(traceFromReadings([{ t: 0, percent: 5 }]))
  expect(passed(none, { startS: 0, endS: 60 })).toMatchObject({ measured: NaN, bridged: NaN, coveredS: 0, gaps: [] })
  const amps = chargeFlow(traceFromReadings([{ t: 0, current: 2 }, { t: 60, current: 2 }]))
  expect(passed(amps, { startS: 0, endS: 60 }).measured).toBeCloseTo(2 / 60, 12)
}) // prettier-ignore
