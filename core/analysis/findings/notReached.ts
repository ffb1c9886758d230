import { notice, type Rule } from './finding'

const ADVICE = 'Nothing to do, unless it was the goal.'

/** Percentages and minutes that have no figure, with the reason. */
export const notReached: Rule = ({ milestones, marks }) => {
  const percents = milestones
    .filter((m) => m.reason)
    .map((m) => notice('not-reached', `${m.percent} % has no time. ${m.reason}`, ADVICE))
  return [...percents, ...noLevelWords(marks).map((words) => notice('no-level', words, ADVICE))]
}

/** At which moments no level is known, those of one reason together; seconds. */
export function noLevelWords(marks: readonly { atS: number; reason?: string }[]): string[] {
  const missing = marks.filter((m) => m.reason)
  return [...new Set(missing.map((m) => m.reason))].map((reason) => {
    const at = missing.filter((m) => m.reason === reason).map((m) => m.atS / 60)
    return `No level at ${at.join(', ')} min. ${reason}`
  })
}
