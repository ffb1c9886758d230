import { notice, type Rule } from './finding'

const ADVICE = 'Nothing to do, unless it was the goal.'

/** Percentages and minutes that have no figure, with the reason. */
export const notReached: Rule = ({ milestones, marks }) => {
  const percents = milestones
    .filter((m) => m.reason)
    .map((m) => notice('not-reached', `${m.percent} % has no time. ${m.reason}`, ADVICE))
  const missing = marks.filter((m) => m.reason)
  const reasons = [...new Set(missing.map((m) => m.reason))]
  const minutes = reasons.map((reason) => {
    const at = missing.filter((m) => m.reason === reason).map((m) => m.atS / 60)
    return notice('no-level', `No level at ${at.join(', ')} min. ${reason}`, ADVICE)
  })
  return [...percents, ...minutes]
}
