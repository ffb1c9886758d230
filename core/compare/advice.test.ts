import { describe, expect, it } from 'vitest'
import { adviceFor as advise, costOf, volumeOf, type Offered } from './advice'
import type { Place, Ranking } from './ranking'
import type { Standing } from './standing'

const place = (index: number, value: number, over: Partial<Place> = {}): Place => ({
  index,
  runs: 1,
  value,
  spread: 1,
  behind: 0,
  atLeast: 0,
  verdict: 'cannot-tell',
  leads: true,
  ...over,
})
const offered = (over: Partial<Offered>): Offered => ({
  ratedW: 20,
  cost: 0,
  owned: true,
  price: NaN,
  weightG: 50,
  volumeMm3: NaN,
  fullS: NaN,
  gain: NaN,
  gainUncertainty: 0.41,
  ceiling: false,
  topUp: NaN,
  hottestC: NaN,
  ...over,
})
const options = { prefer: 'cost', share: 0.9, nightHours: 8, warmC: 40 } as const
const gear: Standing = { scope: 'gear', topUp: [], coolest: [], sooner: [1, 2, 3] }
const ranked = (...places: Place[]): Ranking => ({
  places,
  repeatability: { share: 0.02, freedom: 8, assumed: true },
})

const adviceFor = (
  ranking: Ranking,
  of: readonly Offered[],
  asked: Parameters<typeof advise>[2],
  told = gear,
) => advise(ranking, of, asked, told)

describe('what to keep or buy', () => {
  it('says nothing where only one got there', () => {
    const one = ranked(
      place(0, 5000, { verdict: 'first' }),
      place(1, NaN, { verdict: 'not-reached', leads: false }),
    )
    expect(adviceFor(one, [offered({}), offered({})], options)).toMatchObject({
      choice: null,
      keep: false,
      turns: null,
    })
  })
  it('takes the cheapest of those that do as well, and what one has where that is as good', () => {
    const places = ranked(
      place(0, 5000, { verdict: 'first' }),
      place(1, 5060, { behind: 60 }),
      place(2, 6500, { behind: 1500, verdict: 'clear', leads: false }),
    )
    const told = adviceFor(places, [offered({ owned: false, cost: 44 }), offered({}), offered({})], options)
    expect(told).toMatchObject({ choice: 1, keep: true })
    // Of two that are owned, the cheaper stays: the dearer may be wanted elsewhere.
    const both = [offered({ price: 69 }), offered({ price: 18 }), offered({})]
    expect(adviceFor(places, both, options)).toMatchObject({ choice: 1, keep: true })
  })

  it('says at which difference the advice turns to something cheaper', () => {
    const places = ranked(
      place(0, 5000, { verdict: 'first' }),
      place(1, 6500, { behind: 1500, verdict: 'clear', leads: false }),
      place(2, 9000, { behind: 4000, verdict: 'clear', leads: false }),
    )
    const of = [
      offered({ owned: false, cost: 44, weightG: 40 }),
      offered({ owned: false, cost: 18 }),
      offered({}),
    ]
    expect(adviceFor(places, of, options)).toMatchObject({
      choice: 0,
      keep: false,
      turns: { to: 1, at: 1500 },
    })
    // By weight nothing is lighter: nothing turns.
    expect(adviceFor(places, of, { ...options, prefer: 'weight' }).turns).toBeNull()
  })

  it('gains of 1, 8, 20, 44, 48, 48 points: 35 W is enough (common practice, no source), and who is enough overnight', () => {
    const watts = [5, 10, 18, 35, 61, 96]
    const gains = [1, 8, 20, 44, 48, 48]
    const full = [NaN, 9 * 3600, 8 * 3600, 5000, 4000, 4000]
    const of = watts.map((ratedW, i) =>
      offered({ ratedW, gain: gains[i], fullS: full[i], topUp: gains[i] / 4, ceiling: i > 3 }),
    )
    const found = adviceFor(ranked(...watts.map((_, i) => place(i, full[i]))), of, options)
    expect(found.ladder.smallest?.ratedW).toBe(35)
    expect([found.overnight, found.timed]).toEqual([2, 'some'])
    expect(adviceFor(ranked(), [offered({})], options)).toMatchObject({ overnight: null, timed: 'none' })
    expect(adviceFor(ranked(), of, { ...options, nightHours: 9 }).overnight).toBe(1)
  })

  it('prices a minute saved against the fastest that is owned, the missing cable in the price', () => {
    const of = [
      offered({ fullS: 12_060 }),
      offered({
        owned: false,
        fullS: 9_420,
        cost: costOf([
          { owned: false, price: 30 },
          { owned: false, price: 14 },
        ]),
      }),
      offered({ owned: false, fullS: 13_000, cost: 10 }),
      offered({ owned: false, fullS: 9_000, cost: costOf([{ owned: false, price: null }]) }),
    ]
    // 44 for 44 minutes.
    expect(adviceFor(ranked(), of, options).perMinute).toEqual([{ index: 1, price: 1 }])
    // What may be chance saves nothing that can be paid for.
    expect(adviceFor(ranked(), of, options, { ...gear, sooner: [3] }).perMinute).toEqual([])
    expect(costOf([{ owned: true, price: null }])).toBe(0)
  })

  it('says who stays cool enough for every day, and of how many it knows what was asked for', () => {
    const of = [
      offered({ hottestC: 40, weightG: NaN }),
      offered({ hottestC: 39.9, weightG: 60 }),
      offered({ weightG: NaN }),
    ]
    const places = ranked(...of.map((_, i) => place(i, 5000, i === 0 ? { verdict: 'first' } : {})))
    const found = adviceFor(places, of, { ...options, prefer: 'weight' })
    expect(found.everyDay).toEqual({ cool: [1], warm: [0] })
    expect(found).toMatchObject({ known: 'some', choice: 1 })
    expect(adviceFor(places, of, { ...options, prefer: 'size' }).known).toBe('none')
    expect(adviceFor(places, of, options).known).toBe('all')
  })

  it('has nothing to keep or buy where devices are compared, or the same gear', () => {
    const places = ranked(
      place(0, 5000, { verdict: 'first' }),
      place(1, 6000, { verdict: 'clear', leads: false, behind: 1000 }),
    )
    const of = [offered({ cost: 30, owned: false }), offered({ cost: 10, owned: false })]
    const choiceOf = (scope: Standing['scope']) => {
      const { choice, turns } = adviceFor(places, of, options, {
        ...gear,
        scope,
        topUp: [1, 0],
        coolest: [0],
      })
      return [choice, turns?.to]
    }
    expect(choiceOf('gear')).toEqual([0, 1])
    for (const scope of ['devices', 'mixed', 'same', 'ways'] as const)
      expect(choiceOf(scope)).toEqual([null, undefined])
  })

  it('reads a size as three lengths', () => {
    expect(volumeOf('32 × 30 × 42 mm')).toBe(40_320)
    expect(volumeOf('3,2 x 3 x 4.2 cm')).toBeCloseTo(40_320, 6)
    // An inch is 25.4 mm exactly.
    for (const inches of ['1 x 2 x 0.5 in', '1in x 2in x 0.5in', '1″ × 2″ × 0,5″', '1 x 2 x 0.5 inches'])
      expect(volumeOf(inches), inches).toBeCloseTo(25.4 ** 3, 6)
    expect(volumeOf('small')).toBeNaN()
  })
})
