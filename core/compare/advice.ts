import { isEnoughOvernight, ladder, pricePerMinute, type Ladder } from './ladder'
import type { Ranking } from './ranking'
import type { Standing } from './standing'

/** A set-up as it is bought and carried, with what it came to. */
export interface Offered {
  /** Of the source, W. */
  ratedW: number
  /** Still to be spent for it: the source, and the cable or what feeds it, where they are missing. NaN where no price is known. */
  cost: number
  /** Nothing of it is missing. */
  owned: boolean
  /** What the source costs, owned or not: between two that are owned the dearer can go elsewhere. NaN where unknown. */
  price: number
  /** g and mm³; NaN where nobody weighed or measured it. */
  weightG: number
  volumeMm3: number
  /** Time to full, or until the current stops where nothing shows a level, s; NaN where it was not reached. */
  fullS: number
  /** Points gained by the agreed moments, with their uncertainty; NaN where unknown. */
  gain: number
  gainUncertainty: number
  ceiling: boolean
  topUp: number
  /** Hottest, °C; NaN where nobody read it. */
  hottestC: number
}

/** What a reviewer chooses among those that do as well. */
export type Preference = 'cost' | 'weight' | 'size'
export interface AdviceOptions {
  prefer: Preference
  /** Of the best on the ladder that is enough, 0–1. */
  share: number
  /** Hours that a night has. */
  nightHours: number
  /** From here on a charge is too warm for every day, °C. */
  warmC: number
}

/** By place in the list; null where nothing can be said. */
export interface Advice {
  /** What the set-ups differ in: only among gear for one device is there something to keep or buy. */
  scope: Standing['scope']
  /** To be kept or bought for the goal of the ranking, and whether that is to keep what one has. */
  choice: number | null
  keep: boolean
  /** Of how many that do as well it is known what was asked for: price, weight or size. */
  known: 'all' | 'some' | 'none'
  /** What the choice would turn to, and at which difference that must then not be worth noticing, in the goal's unit. */
  turns: { to: number; at: number } | null
  ladder: Ladder
  /** The weakest that fills the device in a night. */
  overnight: number | null
  /** Of how many it is known how long they took. */
  timed: 'all' | 'some' | 'none'
  /** The most in the agreed minutes before leaving, with all that can't be told from it. */
  topUp: readonly number[]
  /** Price of each minute saved against what is owned, where one costs something and is told to be sooner. */
  perMinute: { index: number; price: number }[]
  lightest: number | null
  /** The coolest, with all that can't be told from it. */
  coolest: readonly number[]
  /** Whose hottest place stayed cool enough for every day, and whose did not; of those that were measured. */
  everyDay: { cool: number[]; warm: number[] }
}

const WANTED: Record<Preference, (o: Offered) => number> = {
  cost: (o) => o.cost,
  weight: (o) => o.weightG,
  size: (o) => o.volumeMm3,
}
/** Unknown comes last. */
const known = (n: number) => (Number.isNaN(n) ? Infinity : n)

const ascending = (a: number, b: number): number => (a === b ? 0 : a - b)

/**
 * What to keep or buy, for whom: of the set-ups that can't be told from the best, or lie behind it by less than is worth
 * noticing, the one that is preferred; a tie goes to what is owned.
 *
 * @param offered in the order of the list that was ranked
 * @param told what can be told of them beside; of devices alone there is nothing to keep or buy
 */
export function adviceFor(
  ranking: Ranking,
  offered: readonly Offered[],
  options: AdviceOptions,
  told: Standing,
): Advice {
  const toChoose = told.scope === 'gear'
  const wanted = WANTED[options.prefer]
  const rate = (i: number) => known(wanted(offered[i]))
  const reached = ranking.places.filter((p) => p.verdict !== 'not-reached')
  const good = reached.filter((p) => p.leads || p.verdict === 'small')
  /** Below zero where the first is to be preferred: a tie goes to what is owned, and of that to the less dear. */
  const preferred = (a: number, b: number): number =>
    ascending(rate(a), rate(b)) ||
    Number(offered[b].owned) - Number(offered[a].owned) ||
    ascending(known(offered[a].price), known(offered[b].price))
  const [first] = [...good].sort((a, b) => preferred(a.index, b.index) || a.behind - b.behind)
  // One alone is compared with nothing.
  const choice = toChoose && reached.length > 1 ? (first?.index ?? null) : null
  const [nearest] = reached
    .filter((p) => choice !== null && preferred(p.index, choice) < 0)
    .sort((a, b) => a.behind - b.behind)
  const all = offered.map((_, i) => i)
  const least = (of: readonly number[], figure: (i: number) => number): number | null =>
    [...of].filter((i) => !Number.isNaN(figure(i))).sort((a, b) => figure(a) - figure(b))[0] ?? null
  const inNight = all.filter((i) => isEnoughOvernight(offered[i].fullS, options.nightHours) === true)
  const rated = good.filter((p) => Number.isFinite(rate(p.index))).length
  const measured = all.filter((i) => !Number.isNaN(offered[i].hottestC))
  return {
    scope: told.scope,
    choice,
    known: howMany(rated, good.length),
    keep: choice !== null && offered[choice].owned,
    turns: nearest ? { to: nearest.index, at: nearest.behind } : null,
    ladder: ladder(
      offered.map(({ ratedW, gain, gainUncertainty, ceiling }) => ({
        ratedW,
        gain,
        uncertainty: gainUncertainty,
        ceiling,
      })),
      options.share,
    ),
    timed: howMany(all.filter((i) => !Number.isNaN(offered[i].fullS)).length, all.length),
    overnight: least(inNight, (i) => offered[i].ratedW),
    topUp: told.topUp,
    perMinute: minutesBought(offered).filter(({ index }) => told.sooner.includes(index)),
    lightest: least(good.map((p) => p.index), (i) => offered[i].weightG),
    coolest: told.coolest,
    everyDay: {
      cool: measured.filter((i) => offered[i].hottestC < options.warmC),
      warm: measured.filter((i) => offered[i].hottestC >= options.warmC),
    },
  }
} // prettier-ignore

/** Against the fastest that is owned already: what each minute to full costs that a bought one saves. */
function minutesBought(offered: readonly Offered[]): Advice['perMinute'] {
  const owned = offered.filter((o) => o.owned && !Number.isNaN(o.fullS)).map((o) => o.fullS)
  if (owned.length === 0) return []
  const best = owned.reduce((low, s) => Math.min(low, s), Infinity)
  return offered
    .flatMap((o, index) => {
      const price = pricePerMinute(o.cost, best - o.fullS)
      return !o.owned && o.cost > 0 && Number.isFinite(price) ? [{ index, price }] : []
    })
    .sort((a, b) => a.price - b.price)
}

const howMany = (known: number, of: number): 'all' | 'some' | 'none' =>
  known === of ? 'all' : known > 0 ? 'some' : 'none'

const MM_PER_INCH = 25.4
/** "32 × 30 × 42 mm", in cm or inches too, as mm³; NaN where it is not three lengths. */
export function volumeOf(size: string): number {
  const lengths = size.match(/\d+(?:[.,]\d+)?/g)?.map((n) => Number(n.replace(',', '.'))) ?? []
  if (lengths.length !== 3) return NaN
  const scale = /cm/i.test(size) ? 10 : /\bin\b|\din\b|inch|["″]/i.test(size) ? MM_PER_INCH : 1
  return lengths.reduce((product, mm) => product * mm * scale, 1)
}

/** What is still to be spent: nothing for what is owned; NaN where a price that is needed is not known. */
export const costOf = (needed: readonly { owned: boolean; price: number | null }[]): number =>
  needed.reduce((sum, { owned, price }) => sum + (owned ? 0 : (price ?? NaN)), 0)
