import { figuresOf } from './results'
import { quantityOf } from './quantities'
import { chargedBy, fullOf, ownsAll, type MadeOf, type Moments } from './madeOf'
import { scopeOf, type Scope } from './scope'
import { leadingGroup, verdict, type Repeatability } from './verdict'

/** What can be told of set-ups beside their ranking, by their places in the list: `adviceFor` goes by it. */
export interface Standing {
  scope: Scope
  /** Who can't be told from the one that brings most in the minutes before leaving, and from the coolest; the best first. */
  topUp: readonly number[]
  coolest: readonly number[]
  /** Who is full sooner than the fastest that is owned, by more than chance. */
  sooner: readonly number[]
}

/** Judged as every difference is. */
export function standingOf(
  setups: readonly MadeOf[],
  { topUpMinutes }: Pick<Moments, 'topUpMinutes'>,
  repeatability: Repeatability,
): Standing {
  const of = (key: string) => setups.map(({ sides }) => figuresOf(sides, quantityOf(key)))
  const full = setups.map(fullOf)
  const owned = full.map((times, i) => (ownsAll(setups[i]) ? times : { values: [], uncertainty: NaN }))
  const [fastest] = leadingGroup(owned, 'lower', repeatability)
  const isSooner = (i: number): boolean => {
    if (fastest === undefined || full[i].values.length === 0) return false
    const told = verdict(full[i], full[fastest], { repeatability })
    return told.difference < 0 && told.verdict !== 'cannot-tell'
  }
  return {
    scope: scopeOf(setups.map(chargedBy)),
    topUp: leadingGroup(of(`gain-${topUpMinutes}`), 'higher', repeatability),
    coolest: leadingGroup(of('hottest'), 'lower', repeatability),
    sooner: [...setups.keys()].filter(isSooner),
  }
}
