import { decimal } from '../trace/decimal'
import type { ReadingRule, StopRule } from './rules'

/**
 * Rules as a form has them: one text a field, minutes where a reviewer thinks in minutes. Opening a rule fills the
 * fields of the other kinds with what is usual, so that changing the kind finds something sensible there. Closing
 * checks nothing: what is no number becomes NaN, which the schemas of the rules refuse.
 */
export interface TypedReading {
  readingKind: ReadingRule['kind']
  everyMinutes: string
  thenMinutes: string
  abovePercent: string
  atMinutes: string
  meterSeconds: string
}
export interface TypedStop {
  stopKind: StopRule['kind']
  stopPercent: string
  stopMinutes: string
}

/** "5 10 15", "5, 10, 15", "5,10,15" and "5/10/15 min" alike; a comma inside a spaced list is a decimal comma. */
export function numbersIn(text: string): number[] {
  const list = text.trim().replace(/(?<=\d)\s*min(?:utes?)?\.?$/i, '')
  const pieces = /[;\s/]/.test(list) ? list.split(/[;\s/]+/) : list.split(',')
  return pieces
    .map((p) => p.replace(/,$/, ''))
    .filter(Boolean)
    .map((p) => decimal(p))
}

/** "front, back" and "front; back" alike. */
export const wordsIn = (text: string): string[] =>
  text
    .split(/[,;]/)
    .map((t) => t.trim())
    .filter(Boolean)

const minutesIn = (text: string): number => decimal(text) * 60

/** Opens a rule of reading into fields. */
export function openReading(rule: ReadingRule): TypedReading {
  const usual: TypedReading = {
    readingKind: rule.kind,
    everyMinutes: '5',
    thenMinutes: '5',
    abovePercent: '90',
    atMinutes: '5 10 15 20 30',
    meterSeconds: '1',
  }
  switch (rule.kind) {
    case 'every':
      return { ...usual, everyMinutes: String(rule.seconds / 60) }
    case 'closing-in':
      return {
        ...usual,
        everyMinutes: String(rule.seconds / 60),
        thenMinutes: String(rule.thenSeconds / 60),
        abovePercent: String(rule.abovePercent),
      }
    case 'at':
      return { ...usual, atMinutes: rule.minutes.join(' ') }
    case 'meter':
      return { ...usual, meterSeconds: String(rule.seconds) }
  }
}

/** The rule of reading that the fields say. */
export function readingOf(typed: TypedReading): ReadingRule {
  switch (typed.readingKind) {
    case 'every':
      return { kind: 'every', seconds: minutesIn(typed.everyMinutes) }
    case 'closing-in':
      return {
        kind: 'closing-in',
        seconds: minutesIn(typed.everyMinutes),
        thenSeconds: minutesIn(typed.thenMinutes),
        abovePercent: decimal(typed.abovePercent),
      }
    case 'at':
      return { kind: 'at', minutes: numbersIn(typed.atMinutes) }
    case 'meter':
      return { kind: 'meter', seconds: decimal(typed.meterSeconds) }
  }
}

/** Opens a rule of stopping into fields. */
export const openStop = (rule: StopRule): TypedStop => ({
  stopKind: rule.kind,
  stopPercent: rule.kind === 'level' ? String(rule.percent) : '80',
  stopMinutes: rule.kind === 'duration' ? String(rule.seconds / 60) : '30',
})

/** The rule of stopping that the fields say. */
export function stopOf(typed: TypedStop): StopRule {
  switch (typed.stopKind) {
    case 'level':
      return { kind: 'level', percent: decimal(typed.stopPercent) }
    case 'duration':
      return { kind: 'duration', seconds: minutesIn(typed.stopMinutes) }
    default:
      return { kind: typed.stopKind }
  }
}
