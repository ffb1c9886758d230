import type { Cable, Source } from '../gear/gear'
import { costOf, volumeOf, type Offered } from './advice'
import type { Suspect } from './odd'
import type { Charged } from './scope'
import { quantityOf, type Side } from './quantities'
import { figuresOf as timesOf, resultsOf, type Result } from './results'
import type { Figures, Repeatability } from './verdict'

/** A set-up as it is compared: the figures of its runs, and what it is put together from. */
export interface MadeOf {
  deviceId: string
  sides: readonly Side[]
  source?: Source
  cable?: Cable
  /** What feeds the source, where it is a pad, a dock or a bank. */
  feeds?: Source
}
/** When gains are read off, min: the ladder's moment, and how long there is before leaving. */
export interface Moments {
  ladderMinutes: string
  topUpMinutes: string
}
/** A time to full that a full run elsewhere lets expect, s, with its standard uncertainty; NaN without one. */
export interface ExpectedTime {
  seconds: number
  uncertaintyS: number
}

const FULL = 'to-100'
const HEAT_CODES: ReadonlySet<string> = new Set(['thermal-step', 'hot'])

/** A figure of every set-up, its repeats pooled; the first is as good a baseline as any where none is asked for. */
const figuresOf = (setups: readonly MadeOf[], key: string, repeatability: Repeatability): Result[] =>
  resultsOf(
    setups.map((s) => s.sides),
    0,
    quantityOf(key),
    repeatability,
  )

const hottestOf = ({ sides }: MadeOf): number => {
  const top = sides.reduce((most, { analysis }) => Math.max(most, analysis.heat[0]?.maxC ?? -Infinity), -Infinity)
  return Number.isFinite(top) ? top : NaN
} // prettier-ignore

const showsLevel = ({ sides }: MadeOf): boolean =>
  sides.some(({ analysis }) => !Number.isNaN(analysis.startPercent))

const isPad = ({ source }: MadeOf): boolean => source?.kind === 'wireless pad'

/** Times to full, or until the current stops where nothing shows a level, s. */
export const fullOf = (setup: MadeOf): Figures =>
  timesOf(setup.sides, quantityOf(showsLevel(setup) ? FULL : 'taper-end'))

/** What it is charged with, as `scopeOf` asks for it. */
export const chargedBy = ({ deviceId, source, cable, feeds }: MadeOf): Charged => ({
  deviceId,
  gear: [source?.id, cable?.id, feeds?.id],
})

const needed = ({ source, cable, feeds }: MadeOf) => [source, cable, feeds].filter((x) => x !== undefined)
/** Nothing of it is missing. */
export const ownsAll = (setup: MadeOf): boolean => needed(setup).every((x) => x.owned)

/** What is to be bought and carried for each set-up, and what it came to: `adviceFor` chooses among them. */
export function offeredBy(
  setups: readonly MadeOf[],
  { ladderMinutes, topUpMinutes }: Moments,
  repeatability: Repeatability,
): Offered[] {
  const of = (key: string) => figuresOf(setups, key, repeatability)
  const [full, stopped] = [of(FULL), of('taper-end')]
  const [gain, topUp] = [of(`gain-${ladderMinutes}`), of(`gain-${topUpMinutes}`)]
  const ladderS = Number(ladderMinutes) * 60
  return setups.map((setup, i) => {
    const { sides, source } = setup
    return {
      ratedW: source?.ratedWatts ?? NaN,
      cost: costOf(needed(setup)),
      owned: ownsAll(setup),
      price: source?.price ?? NaN,
      weightG: source?.weightG ?? NaN,
      volumeMm3: volumeOf(source?.size ?? ''),
      fullS: (showsLevel(setup) ? full : stopped)[i].value,
      gain: gain[i].value,
      gainUncertainty: gain[i].spread / 2,
      ceiling: sides.some(({ analysis }) => analysis.marks.some((m) => m.atS === ladderS && m.ceiling)),
      topUp: topUp[i].value,
      hottestC: hottestOf(setup),
    }
  })
}

/**
 * The set-ups as far as an odd result is seen in them: `oddResults` names those.
 * @param expected what a full run on another source lets expect of the set-up at that place of the list
 */
export function suspectsAmong(
  setups: readonly MadeOf[],
  expected: (index: number) => ExpectedTime,
): Suspect[] {
  const toFull = quantityOf(FULL).figure
  return setups.map((setup, index) => {
    const codes = new Set<string>(setup.sides.flatMap(({ analysis }) => analysis.findings.map((f) => f.code)))
    const times = setup.sides.map(toFull).filter(({ value }) => Number.isFinite(value))
    const { seconds, uncertaintyS } = expected(index)
    return {
      deviceId: setup.deviceId,
      ratedW: setup.source?.ratedWatts ?? NaN,
      full: {
        values: times.map((t) => t.value),
        uncertainty: times.reduce((most, t) => Math.max(most, t.uncertainty || 0), times.length ? 0 : NaN),
      },
      hottestC: hottestOf(setup),
      slowedByHeat: times.length > 0 && [...HEAT_CODES].some((code) => codes.has(code)),
      wireless: isPad(setup),
      stalled: codes.has('stalled'),
      expectedS: seconds,
      expectedUncertaintyS: uncertaintyS,
    }
  })
}

/** The lowest level at which one of the runs began, %: where forecasts beside them begin; 100 where there is none. */
export const lowestStart = (setups: readonly MadeOf[]): number =>
  setups
    .flatMap(({ sides }) => sides.map(({ analysis }) => analysis.startPercent))
    .reduce((low, p) => (p < low ? p : low), 100)
