import type { Goal, Place, Ranking } from '../../compare/ranking'
import { difference, duration, durationParts, figure } from '../figures'
import { listSome } from '../lists'

const GOAL_WORDS: Record<Goal['key'], { tab: string; said: string; behind: string }> = {
  fifteen: { tab: '15 min', said: 'In 15 minutes', behind: 'brings less' },
  thirty: { tab: '30 min', said: 'In half an hour', behind: 'brings less' },
  half: { tab: 'half', said: 'To half', behind: 'is later' },
  eighty: { tab: '80 %', said: 'To 80 %', behind: 'is later' },
  full: { tab: 'full', said: 'To full', behind: 'is later' },
  'current-stops': { tab: 'current stops', said: 'Until the current stops', behind: 'is later' },
  coolest: { tab: 'coolest', said: 'Of heat', behind: 'is warmer' },
  'least-lost': { tab: 'least lost', said: 'Of losses', behind: 'loses more' },
}
/**
 * As a sentence begins: "To full"; "From 4 % to full" where the clocks were set to a common level.
 *
 * @param from that level, %; null where they run from power-on
 */
export function goalSaid({ key, kind }: Goal, from: number | null = null): string {
  const { said } = GOAL_WORDS[key]
  if (from === null || (kind !== 'time' && kind !== 'points')) return said
  const level = figure(from, 0, '%')
  return kind === 'points'
    ? `${said} from ${level} on`
    : `From ${level} ${said.charAt(0).toLowerCase()}${said.slice(1)}`
}
export const goalTab = ({ key }: Goal): string => GOAL_WORDS[key].tab

/** A goal's figure with its unit. */
export const goalFigure = ({ kind }: Goal, value: number): string =>
  ({
    time: duration(value),
    points: figure(value, 1, 'points'),
    celsius: figure(value, 1, '°C'),
    share: figure(100 * value, 0, '%'),
  })[kind]

/** How far two of them lie apart. */
export const goalDifference = (goal: Goal, value: number): string =>
  goal.kind === 'celsius' ? difference(value, 1, '°C') : goalFigure(goal, value)

/** A goal's figure, and with a ± what is known of it; '' where that is not known. */
export function goalParts(goal: Goal, value: number, spread: number): { value: string; spread: string } {
  const said =
    goal.kind === 'time'
      ? durationParts(value, spread)
      : {
          value: goalFigure(goal, value),
          spread: Number.isFinite(spread) ? goalDifference(goal, spread) : '',
        }
  return { value: said.value, spread: said.spread && `± ${said.spread}` }
}

/** Both in one. */
export function goalWithSpread(...of: Parameters<typeof goalParts>): string {
  const { value, spread } = goalParts(...of)
  return spread ? `${value} ${spread}` : value
}

/** What is said for a figure that there is not. */
export const noneWords = ({ kind }: Goal): string =>
  kind === 'celsius' ? 'not measured' : kind === 'share' ? 'not known' : 'not reached'

/** What stands beside a place in the ranking; `why` there is no figure, where that is known. */
export function placeWords(goal: Goal, place: Place, why = ''): string {
  if (place.verdict === 'first') return 'first'
  if (place.verdict === 'not-reached') return why || noneWords(goal)
  const behind = goalDifference(goal, place.behind)
  if (place.verdict === 'cannot-tell') return `can’t tell apart · ${behind}`
  const word = place.verdict === 'small' ? 'real but small' : 'clear'
  return `${word} · ${behind}, at least ${goalDifference(goal, place.atLeast)}`
}

/**
 * The answer in a sentence: who leads, who can't be told from them, who is clearly behind.
 *
 * @param names of the set-ups, in the order of the list that was ranked
 * @param from the level that the clocks were set to, %
 */
export function verdictSentence(
  goal: Goal,
  { places }: Ranking,
  names: readonly string[],
  from: number | null = null,
): string {
  const { behind } = GOAL_WORDS[goal.key]
  const said = goalSaid(goal, from)
  const reached = places.filter((p) => p.verdict !== 'not-reached')
  if (reached.length < 2) return `${said}, there are not two figures to compare.`
  const leaders = reached.filter((p) => p.leads)
  const trailing = reached.filter((p) => !p.leads)
  const others = trailing[0]
    ? `; ${names[trailing[0].index]} ${behind} by at least ${goalDifference(goal, trailing[0].atLeast)}`
    : ''
  return leaders.length === 1
    ? `${said}, ${names[leaders[0].index]} leads${others}.`
    : `${said}, ${listSome(leaders.map((p) => names[p.index]))} can’t be told apart${others}.`
}
