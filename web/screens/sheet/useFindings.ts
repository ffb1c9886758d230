import { computed, type ComputedRef } from 'vue'
import type { Analysis } from '@core/analysis/analyse'
import type { Finding } from '@core/analysis/findings/findings'
import { answerTo } from '@core/logbook/answers'
import type { Run } from '@core/logbook/run'
import { useStrays } from './useStrays'

export interface UseFindingsReturn {
  /** All that has no place of its own elsewhere on the sheet. */
  shown: ComputedRef<Finding[]>
  /** The few to see at first sight: what is wrong before what is to be minded, the unanswered first. */
  loudest: ComputedRef<Finding[]>
  /** The others. */
  others: ComputedRef<Finding[]>
  /** The letter at its place on the path; '' where it has none. */
  letterOf: (finding: Finding) => string
}

/** Why a figure is unknown already stands in its own place on the sheet. */
const STANDS_ELSEWHERE = new Set([
  'not-reached',
  'no-level',
  'no-charge',
  'no-taper-end',
  'no-efficiency',
  'coarse-power',
])
const AT_FIRST = 2
const LOUDNESS = { blocking: 0, warning: 1, notice: 2 }
const LETTERS = 'abcdefghijklmnopqrstuvwxyz'

export function useFindings(
  run: ComputedRef<Run | undefined>,
  analysis: ComputedRef<Analysis | undefined>,
): UseFindingsReturn {
  const strayed = useStrays(run, analysis)
  const shown = computed(() =>
    [...(analysis.value?.findings ?? []), ...strayed.value].filter((f) => !STANDS_ELSEWHERE.has(f.code)),
  )
  const placed = computed(() =>
    shown.value.filter((f) => Number.isFinite(f.atS) && f.severity !== 'notice').slice(0, LETTERS.length),
  )
  const rank = (f: Finding) =>
    LOUDNESS[f.severity] + (run.value && answerTo(run.value, f)?.text ? Object.keys(LOUDNESS).length : 0)
  const loudest = computed(() => [...shown.value].sort((a, b) => rank(a) - rank(b)).slice(0, AT_FIRST))
  const others = computed(() => shown.value.filter((f) => !loudest.value.includes(f)))
  const letterOf = (finding: Finding) => LETTERS[placed.value.indexOf(finding)] ?? ''
  return { shown, loudest, others, letterOf }
}
