import { deviation, mean } from '../stats/mean'
import { decimal } from '../trace/decimal'
import type { TraceEvent } from '../trace/trace'

/** A benchmark's result, as a number that can be judged. */
export interface Score {
  /** Seconds since power-on. */
  t: number
  name: string
  value: number
  unit: string
  better: 'higher' | 'lower'
}

/** All results of one benchmark. The standard deviation is NaN for a single one. */
export interface ScoreSummary extends Omit<Score, 't' | 'value'> {
  count: number
  mean: number
  deviation: number
}

/** Units of time: who needs less of it is better. */
const TIMES = ['ms', 's', 'min', 'h']
const WRITTEN = /^(?:.*?: )?(.*?)[\s:=]*([-−]?\d+(?:[.,]\d+)?)\s*([^\s\d,;()]*)[\s,;(]*(higher|lower)?/i

/**
 * Reads a score as it was noted: a name, a number, its unit, and where it needs saying whether higher or lower is
 * better; a time is better lower. Null where there is no number.
 *
 * @example scoreIn({ t: 60, kind: 'score', text: 'Benchmark score: charts 41,5 s' })
 * // { t: 60, name: 'charts', value: 41.5, unit: 's', better: 'lower' }
 */
export function scoreIn({ t, text }: TraceEvent): Score | null {
  const found = WRITTEN.exec(text.trim())
  if (!found) return null
  const [, name, number, written, said] = found
  const unit = /^(higher|lower)$/i.test(written) ? '' : written
  const better = /^(higher|lower)$/i.test(written) ? written : said
  return {
    t,
    name: name.trim(),
    value: decimal(number.replace('−', '-')),
    unit,
    better:
      (better?.toLowerCase() as Score['better'] | undefined) ?? (TIMES.includes(unit) ? 'lower' : 'higher'),
  }
}

/** The scores of a run, in the order of time. What has no number is no score. */
export const scoresOf = (events: readonly TraceEvent[]): Score[] =>
  events
    .filter((e) => e.kind === 'score')
    .flatMap((e) => scoreIn(e) ?? [])
    .sort((a, b) => a.t - b.t)

/** Results of one benchmark together: same name, unit and direction. */
export function summarise(scores: readonly Score[]): ScoreSummary[] {
  const groups = new Map<string, Score[]>()
  for (const score of scores) {
    const key = JSON.stringify([score.name.toLowerCase(), score.unit, score.better])
    groups.set(key, [...(groups.get(key) ?? []), score])
  }
  return [...groups.values()].map((group) => {
    const [{ name, unit, better }] = group
    const values = group.map((s) => s.value)
    return { name, unit, better, count: group.length, mean: mean(values), deviation: deviation(values) }
  })
}
