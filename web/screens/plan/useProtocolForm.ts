import { decimal } from '@core/trace/decimal'
import { computed, reactive, ref } from 'vue'
import { ValidationError } from 'yup'
import { CONDITIONS } from '@core/protocol/conditions'
import type { ConditionKind, Protocol } from '@core/protocol/protocol'
import type { ReadingRule, StopRule } from '@core/protocol/rules'
import { protocolSchema } from '@core/protocol/schema'

const list = (text: string): string[] =>
  text
    .split(/[,;]/)
    .map((t) => t.trim())
    .filter(Boolean)
/** "5 10 15", "5, 10, 15" and "5,10,15" alike; a comma inside a spaced list is a decimal comma. */
function numbers(text: string): number[] {
  const pieces = /[;\s]/.test(text.trim()) ? text.split(/[;\s]+/) : text.split(',')
  return pieces
    .map((p) => p.replace(/,$/, ''))
    .filter(Boolean)
    .map((p) => decimal(p))
}
const asNumber = (text: string | number): number => decimal(String(text))

/** A protocol as it is typed: rules opened into fields, lists into lines of text. */
export function useProtocolForm(initial: () => Protocol) {
  const typed = reactive(opened(initial()))
  const errors = ref<Record<string, string>>({})
  const reset = (from: Protocol) => Object.assign(typed, opened(from))

  /** The protocol as it would be kept; null while something does not hold, which is then named by field. */
  function read(): Protocol | null {
    errors.value = {}
    try {
      return protocolSchema.validateSync(closed(initial().id, typed), { abortEarly: false })
    } catch (error) {
      const { inner, path, message } = error as ValidationError
      for (const e of inner.length ? inner : [{ path, message }])
        errors.value[fieldOf(e.path ?? '')] ??= e.message
      return null
    }
  }
  const addCondition = (kind: ConditionKind) =>
    typed.conditions.push({ kind, required: CONDITIONS[kind].usual })
  const dropCondition = (i: number) => typed.conditions.splice(i, 1)
  const first = computed(() => Object.values(errors.value)[0] ?? '')
  return { typed, errors, first, read, reset, addCondition, dropCondition }
}

const fieldOf = (path: string): string => path.replace(/\[\d+\].*$/, '') || 'form'

function opened(p: Protocol) {
  return {
    name: p.name,
    goodFor: p.goodFor,
    hides: p.hides,
    startPercent: String(p.startPercent),
    startWay: p.startWay,
    restMinutes: String(p.restMinutes),
    readingKind: p.reading.kind,
    everyMinutes: 'seconds' in p.reading && p.reading.kind !== 'meter' ? String(p.reading.seconds / 60) : '5',
    thenMinutes: p.reading.kind === 'closing-in' ? String(p.reading.thenSeconds / 60) : '5',
    abovePercent: p.reading.kind === 'closing-in' ? String(p.reading.abovePercent) : '90',
    atMinutes: p.reading.kind === 'at' ? p.reading.minutes.join(' ') : '5 10 15 20 30',
    meterSeconds: p.reading.kind === 'meter' ? String(p.reading.seconds) : '1',
    temperatureMinutes: p.temperatureMinutes.join(' '),
    temperaturePlaces: p.temperaturePlaces.join(', '),
    stopLimitC: String(p.stopLimitC),
    stopKind: p.stop.kind,
    stopPercent: p.stop.kind === 'level' ? String(p.stop.percent) : '80',
    stopMinutes: p.stop.kind === 'duration' ? String(p.stop.seconds / 60) : '30',
    conditions: p.conditions.map((c) => ({ ...c })),
  }
}
type Typed = ReturnType<typeof opened>

function closed(id: string, t: Typed): Record<string, unknown> {
  return {
    id,
    name: t.name,
    goodFor: t.goodFor,
    hides: t.hides,
    startPercent: t.startPercent,
    startWay: t.startWay,
    restMinutes: t.restMinutes,
    reading: readingOf(t),
    temperatureMinutes: numbers(t.temperatureMinutes),
    temperaturePlaces: list(t.temperaturePlaces),
    stopLimitC: t.stopLimitC,
    stop: stopOf(t),
    conditions: t.conditions.map((c) => ({ ...c })),
  }
}

function readingOf(t: Typed): ReadingRule {
  const every = asNumber(t.everyMinutes) * 60
  switch (t.readingKind) {
    case 'every':
      return { kind: 'every', seconds: every }
    case 'closing-in':
      return {
        kind: 'closing-in',
        seconds: every,
        thenSeconds: asNumber(t.thenMinutes) * 60,
        abovePercent: asNumber(t.abovePercent),
      }
    case 'at':
      return { kind: 'at', minutes: numbers(t.atMinutes) }
    case 'meter':
      return { kind: 'meter', seconds: asNumber(t.meterSeconds) }
  }
}

function stopOf(t: Typed): StopRule {
  if (t.stopKind === 'level') return { kind: 'level', percent: asNumber(t.stopPercent) }
  if (t.stopKind === 'duration') return { kind: 'duration', seconds: asNumber(t.stopMinutes) * 60 }
  return { kind: t.stopKind }
}
