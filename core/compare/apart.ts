import { groups } from 'd3-array'
import { adviceFor, type Advice, type AdviceOptions } from './advice'
import { chargedBy, offeredBy, type MadeOf, type Moments } from './madeOf'
import { rank, type Goal } from './ranking'
import { scopeOf, type Charged } from './scope'
import { standingOf } from './standing'
import type { Repeatability } from './verdict'

/** A set-up with what was the same or another beside its gear: the unit, its state, its load; as one text. */
export interface InOneWay extends Charged {
  way: string
}

/**
 * The set-ups among which gear alone differs, by their places in the list, where it does not in all of them: several
 * devices, each with several chargers, or one device in several ways, as two units of it. Each such part can be chosen
 * among by itself. Empty where the whole list can, and where no part of it can.
 *
 * @example partsToChoose([
 *   { deviceId: 'p', gear: ['a'], way: '1' }, { deviceId: 'p', gear: ['b'], way: '1' },
 *   { deviceId: 'p', gear: ['a'], way: '2' }, { deviceId: 'p', gear: ['b'], way: '2' },
 * ]) // [[0, 1], [2, 3]]
 */
export function partsToChoose(setups: readonly InOneWay[]): number[][] {
  if (scopeOf(setups) === 'gear') return []
  const all = [...setups.keys()]
  const isChoice = (part: readonly number[]) => scopeOf(part.map((i) => setups[i])) === 'gear'
  return groups(all, (i) => setups[i].deviceId).flatMap(([, own]) =>
    isChoice(own) ? [own] : groups(own, (i) => setups[i].way).flatMap(([, part]) => (isChoice(part) ? [part] : [])),
  )
} // prettier-ignore

/** What to keep or buy for a part of the set-ups; the places in its advice are those of the whole list. */
export interface AdviceApart extends Pick<Advice, 'choice' | 'keep' | 'known' | 'turns'> {
  setups: readonly number[]
}

/** The advice of each part by itself; nothing of a part in which nobody can choose, as where one alone got there. */
export function adviceApart(
  made: readonly (MadeOf & { way: string })[],
  asked: { goal: Goal; moments: Moments; options: AdviceOptions; repeatability: Repeatability },
): AdviceApart[] {
  const { goal, moments, options, repeatability } = asked
  const charged = made.map((m) => ({ ...chargedBy(m), way: m.way }))
  return partsToChoose(charged).flatMap((setups) => {
    const own = setups.map((i) => made[i])
    const ranking = rank(
      own.map(({ sides }) => sides.map(({ analysis }) => analysis)),
      goal,
      repeatability,
    )
    const { choice, keep, known, turns } = adviceFor(
      ranking,
      offeredBy(own, moments, repeatability),
      options,
      standingOf(own, moments, repeatability),
    )
    if (choice === null) return []
    return [
      { setups, choice: setups[choice], keep, known, turns: turns && { ...turns, to: setups[turns.to] } },
    ]
  })
}
