import { groups } from 'd3-array'
import { deviation, mean } from '../stats/mean'
import { decimal, grouped } from '../trace/decimal'
import { EVENTS, eventText } from '../protocol/events'
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
const PREFIX = eventText(
  EVENTS.find(({ kind }) => kind === 'score')!,
  '',
)
/** A number by itself or before its unit, its thousands grouped or not: that of "1080p" or "v2" belongs to a name. */
const NUMBER =
  /(?<![\p{L}\d.,])[-−]?\d+(?:[.,'’\u00a0\u202f]\d+)*(?=$|[\s,;)%°]|[.!?](?:\s|$)|(?:ms|s|h|\p{L}{3,})\b)/gu
const UNIT = /^\s*([^\s\d,;().!?][^\s\d,;()]*)/
const DIRECTION = /\b(higher|lower)\b/i

/**
 * Reads a score as it was noted: a name, a number, its unit, and where it needs saying whether higher or lower is
 * better; a time is better lower. The number is the last, since names have numbers too, unless one stands right behind a
 * colon or an equals sign. A comma groups thousands, or is a decimal one in a time. Null where there is no number.
 *
 * @example scoreIn({ t: 60, kind: 'score', text: 'Benchmark score: charts 41,5 s' })
 * // { t: 60, name: 'charts', value: 41.5, unit: 's', better: 'lower' }
 */
export function scoreIn({ t, text }: TraceEvent): Score | null {
  const said = (text.startsWith(PREFIX) ? text.slice(PREFIX.length) : text).trim()
  const found = [...said.matchAll(NUMBER)]
  const number = found.find((n) => /[:=]\s*$/.test(said.slice(0, n.index))) ?? found.at(-1)
  if (!number) return null
  const [written] = number
  const behind = said.slice(number.index + written.length)
  const [, next = ''] = UNIT.exec(behind) ?? []
  const unit = DIRECTION.test(next) ? '' : next
  const isTime = TIMES.includes(unit)
  const value = valueIn(written.replace('−', '-'), isTime)
  const [, direction] = DIRECTION.exec(behind) ?? []
  if (Number.isNaN(value)) return null
  return {
    t,
    name: said.slice(0, number.index).replace(/[\s:=]+$/, ''),
    value,
    unit,
    better: (direction?.toLowerCase() as Score['better'] | undefined) ?? (isTime ? 'lower' : 'higher'),
  }
}

/** "12,345" points are thousands, "12,345" seconds hardly; a single point is a decimal one in both. */
const valueIn = (written: string, isTime: boolean): number =>
  isTime || /^-?\d+(\.\d+)?$/.test(written) ? decimal(written) : grouped(written)

/** The scores of a run, in the order of time. What has no number is no score. */
export const scoresOf = (events: readonly TraceEvent[]): Score[] =>
  events
    .filter((e) => e.kind === 'score')
    .flatMap((e) => scoreIn(e) ?? [])
    .sort((a, b) => a.t - b.t)

/** What tells one benchmark from another: its name, unit and direction. */
export const benchmarkKey = ({ name, unit, better }: Pick<Score, 'name' | 'unit' | 'better'>): string =>
  JSON.stringify([name.toLowerCase(), unit.toLowerCase(), better])

/** Results of one benchmark together: same name, unit and direction. */
export function summarise(scores: readonly Score[]): ScoreSummary[] {
  return groups(scores, benchmarkKey).map(([, group]) => {
    const [{ name, unit, better }] = group
    const values = group.map((s) => s.value)
    return { name, unit, better, count: group.length, mean: mean(values), deviation: deviation(values) }
  })
}
