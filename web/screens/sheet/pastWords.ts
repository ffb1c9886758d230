import { RUN_RULES } from '@core/logbook/runRules'
import { RUN_CONDITIONS, type RunCondition } from '@core/protocol/runConditions'
import { asRead, asWritten } from '@core/words/figures'

/** What a condition or a rule was before, as the reader prefers it: it was kept as plain words. */
export function pastCondition(field: string, kept: string): string {
  if (Object.hasOwn(RUN_RULES, field)) return asWritten(kept)
  const unit = (RUN_CONDITIONS as Partial<Record<string, RunCondition>>)[field]?.unit
  const value = Number(kept)
  return unit === undefined || kept.trim() === '' || Number.isNaN(value) ? kept : asRead(value, 2, unit)
}
