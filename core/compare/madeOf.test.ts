import { expect, it } from 'vitest'
import type { Analysis } from '../analysis/analyse'
import type { Cable, Source } from '../gear/gear'
import { lowestStart, offeredBy, suspectsAmong, type MadeOf } from './madeOf'
import type { Side } from './quantities'
import { ASSUMED_REPEATABILITY } from './verdict'

interface Run {
  fullS?: number
  gain60?: number
  gain15?: number
  ceiling?: boolean
  hotC?: number
  codes?: string[]
  start?: number
}
const side = ({ fullS = NaN, gain60 = NaN, gain15 = NaN, ceiling = false, hotC, codes = [], start = 5 }: Run): Side => ({
  analysis: {
    startPercent: start,
    milestones: [{ percent: 100, timeS: fullS, uncertaintyS: 30, ...(Number.isNaN(fullS) ? { reason: 'ended' } : {}) }],
    marks: [
      { atS: 900, percent: start + gain15, gain: gain15, uncertainty: 0.41 },
      { atS: 3600, percent: start + gain60, gain: gain60, uncertainty: 0.41, ceiling },
    ],
    heat: hotC === undefined ? [] : [{ maxC: hotC, riseC: 10, uncertaintyC: NaN }],
    findings: codes.map((code) => ({ code })),
  } as unknown as Analysis,
  usableWh: NaN,
  hoursPerPoint: NaN,
}) // prettier-ignore
const source = (over: Partial<Source>) =>
  ({
    kind: 'wall charger',
    ratedWatts: 20,
    owned: true,
    price: null,
    weightG: null,
    size: '',
    ...over,
  }) as Source
const cable = (owned: boolean, price: number | null) => ({ owned, price }) as Cable
const minutes = { ladderMinutes: '60', topUpMinutes: '15' }
const offers = (...setups: MadeOf[]) => offeredBy(setups, minutes, ASSUMED_REPEATABILITY)

it('puts a set-up’s price together from all that it needs, and pools what its runs came to', () => {
  const [own, dear, unpriced] = offers(
    { deviceId: 'phone', sides: [side({ fullS: 6000, gain60: 40 }), side({ fullS: 6200, gain60: 42 })], source: source({ weightG: 44, size: '3 × 4 × 5 cm' }), cable: cable(true, 9) },
    { deviceId: 'phone', sides: [side({ fullS: 5000, gain60: 60, gain15: 20, ceiling: true })], source: source({ owned: false, price: 40, ratedWatts: 45 }), cable: cable(false, 12), feeds: source({ owned: false, price: 30 }) },
    { deviceId: 'phone', sides: [side({})], source: source({ owned: false }) },
  ) // prettier-ignore
  expect(own).toMatchObject({ ratedW: 20, cost: 0, owned: true, price: NaN, weightG: 44, volumeMm3: 60_000, fullS: 6100, gain: 41, ceiling: false }) // prettier-ignore
  expect(dear).toMatchObject({ ratedW: 45, cost: 82, owned: false, price: 40, fullS: 5000, gain: 60, topUp: 20, ceiling: true }) // prettier-ignore
  expect(unpriced).toMatchObject({ cost: NaN, owned: false, fullS: NaN, gain: NaN })
  // Half of what is known at 95 %: k·s of 60 points in quadrature with twice the reading's own; k = t(0.975, 9), and s
  // from the assumed 2 % with eight degrees of freedom and the one of 40 and 42 points, √2 of 41.
  const s = Math.sqrt((8 * 0.02 ** 2 + (Math.SQRT2 / 41) ** 2) / 9)
  expect(dear.gainUncertainty).toBeCloseTo(Math.hypot(2.262 * s * 60, 2 * 0.41) / 2, 2)
})

it('takes the hottest of all runs, and nothing where nobody read it; a set-up may have lost its source', () => {
  const [hot, unread] = offers(
    { deviceId: 'phone', sides: [side({ hotC: 39 }), side({ hotC: 44 }), side({})] },
    { deviceId: 'phone', sides: [side({})] },
  )
  expect(hot).toMatchObject({ hottestC: 44, ratedW: NaN, cost: 0 })
  expect(unread.hottestC).toBeNaN()
})

it('asks at the ladder’s moment for the ceiling, and not at another', () => {
  const at = (ladderMinutes: string) =>
    offeredBy([{ deviceId: 'phone', sides: [side({ gain60: 40, ceiling: true })] }], { ...minutes, ladderMinutes }, ASSUMED_REPEATABILITY)[0].ceiling // prettier-ignore
  expect(at('60')).toBe(true)
  expect(at('15')).toBe(false)
})

it('sees a suspect by its times, its heat, its stalls, and what was expected of it', () => {
  const [slow, pad, open] = suspectsAmong(
    [
      { deviceId: 'phone', sides: [side({ fullS: 6000, codes: ['hot'] }), side({ fullS: 6600 }), side({})], source: source({ ratedWatts: 65 }) },
      { deviceId: 'phone', sides: [side({ fullS: 9000, codes: ['stalled'] })], source: source({ kind: 'wireless pad' }) },
      { deviceId: 'phone', sides: [side({ codes: ['thermal-step'] })] },
    ],
    (i) => (i === 0 ? { seconds: 5000, uncertaintyS: 100 } : { seconds: NaN, uncertaintyS: NaN }),
  ) // prettier-ignore
  expect(slow).toMatchObject({ ratedW: 65, full: { values: [6000, 6600], uncertainty: 30 }, slowedByHeat: true, wireless: false, stalled: false, expectedS: 5000, expectedUncertaintyS: 100 }) // prettier-ignore
  expect(pad).toMatchObject({ slowedByHeat: false, wireless: true, stalled: true, expectedS: NaN })
  // A run that never became full was not slow to full by heat.
  expect(open).toMatchObject({ ratedW: NaN, full: { values: [], uncertainty: NaN }, slowedByHeat: false })
})

it('begins forecasts beside the runs at the lowest of their starts', () => {
  expect(
    lowestStart([
      { deviceId: 'phone', sides: [side({ start: 20 }), side({ start: 3 })] },
      { deviceId: 'phone', sides: [side({ start: 5 })] },
    ]),
  ).toBe(3)
  expect(lowestStart([])).toBe(100)
})

it('goes by when the current stopped where nothing shows a level', () => {
  const camera = (taperEndS: number) => {
    const { analysis, ...rest } = side({ start: NaN })
    return { ...rest, analysis: { ...analysis, taperEndS, durationS: 9000, samples: 151 } }
  }
  const [first, never] = offers({ deviceId: 'phone', sides: [camera(4860)], source: source({}) }, { deviceId: 'phone', sides: [camera(NaN)], source: source({}) }) // prettier-ignore
  expect([first.fullS, never.fullS]).toEqual([4860, NaN])
  // A phone that was not charged to the end has no such time, whatever its watts did.
  const { analysis, ...rest } = side({})
  const phone = { ...rest, analysis: { ...analysis, taperEndS: 4860, durationS: 9000, samples: 151 } }
  expect(offers({ deviceId: 'phone', sides: [phone], source: source({}) })[0].fullS).toBeNaN()
  expect(
    lowestStart([{ deviceId: 'phone', sides: [camera(4860), side({ start: 8 })], source: source({}) }]),
  ).toBe(8)
})
