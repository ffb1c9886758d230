import { clock } from '../../words/figures'
import { samplesOf } from '../../trace/samples'
import type { Rule } from './finding'

/** More than a gauge that flickers between two whole points. */
const MORE_THAN = 1

/** A level that falls by more than a point between two readings; what goes on falling at each of them is told once. */
export const levelFell: Rule = ({ trace }) => {
  const { t, v } = samplesOf(trace.time, trace.percent)
  const falls = fallsOf(v)
  return falls.map(({ from, to, steps }) => ({
    code: 'level-fell',
    severity: 'warning',
    atS: t[from + 1],
    message: `The level fell from ${v[from]} % to ${v[to]} %${steps > 1 ? ` between ${clock(t[from])} and ${clock(t[to])}` : ''}.`,
    advice:
      steps > 1
        ? 'If it was meant to charge, the source was not keeping up: a stronger one, or less load.'
        : 'Check the reading; if it is right, the source was not keeping up or the gauge corrected itself.',
  }))
}

/** From before the first to after the last fall of more than a point of each stretch that falls all along, by positions. */
function fallsOf(v: Float64Array): { from: number; to: number; steps: number }[] {
  const found: { from: number; to: number; steps: number }[] = []
  let isFalling = false
  for (let i = 1; i < v.length; i++) {
    const by = v[i - 1] - v[i]
    const last = found.at(-1)
    if (by > MORE_THAN && isFalling && last) {
      last.to = i
      last.steps++
    } else if (by > MORE_THAN) {
      found.push({ from: i - 1, to: i, steps: 1 })
      isFalling = true
    } else if (by <= 0) isFalling = false
  }
  return found
}
