import { RUN_CONDITIONS, type RunCondition } from '@core/protocol/runConditions'
import { asRead } from '@core/words/figures'

/** What a condition was before, with its unit and as the reader prefers it: it was kept as plain words. */
export function pastCondition(field: string, kept: string): string {
  const unit = (RUN_CONDITIONS as Partial<Record<string, RunCondition>>)[field]?.unit
  const value = Number(kept)
  return unit === undefined || kept.trim() === '' || Number.isNaN(value) ? kept : asRead(value, 2, unit)
}
