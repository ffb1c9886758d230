import { computed, type ComputedRef } from 'vue'
import { adviceApart } from '@core/compare/apart'
import { tellingNames } from '@core/words/names'
import { choiceWords } from '@core/words/sentences/adviceWords'
import { useLogbook } from '../../stores/logbook'
import type { UseAdviceReturn } from './useAdvice'
import { healthWords, type Comparison } from './useComparison'
import type { UseThresholdsReturn } from './useThresholds'
import type { UseVerdictReturn } from './useVerdict'

/** What to keep or buy for a device, or for a unit or another way of it, as a line of "for whom which". */
export interface ChoiceApart {
  /** "Skerry P5 (B)" */
  name: string
  /** "For Skerry P5 (B)" */
  purpose: string
  answer: string
  /** The runs that it is told from. */
  runs: readonly string[]
}

/** Where several devices, units or ways are compared together: the choice for each by itself. */
export function useApart(
  comparison: Comparison,
  { setups, goal, repeatability }: UseVerdictReturn,
  { made }: UseAdviceReturn,
  thresholds: UseThresholdsReturn,
): ComputedRef<ChoiceApart[]> {
  const logbook = useLogbook()
  const found = computed(() => {
    const { ladderMinutes, topUpMinutes, options } = thresholds
    const moments = { ladderMinutes: ladderMinutes.value, topUpMinutes: topUpMinutes.value }
    const asked = { goal: goal.value, moments, options: options.value, repeatability: repeatability.value }
    const inWays = made.value.map((m, i) => ({ ...m, way: wayOf(i)?.key ?? '' }))
    return adviceApart(inWays, asked)
  })
  const runOf = (index: number) => setups.value[index].runs[0]
  const wayOf = (index: number) => comparison.ways.value.get(runOf(index).id)
  /** The device, and what tells it from others of its name: there is no source that would. */
  const names = computed(() =>
    tellingNames(
      found.value.map(({ setups: [first] }, i) => {
        const { deviceId, conditions } = runOf(first)
        const { chain, state, load, made: by, beside, health } = wayOf(first) ?? {}
        const device = logbook.device(deviceId)?.name
        return {
          id: String(i),
          device: '',
          source: device,
          unit: conditions.unitLabel,
          software: conditions.software,
          chain,
          state,
          load,
          made: by,
          beside,
          health: healthWords(health),
        }
      }),
    ),
  )
  return computed(() =>
    found.value.map((part, i) => {
      const runs = part.setups.map(runOf)
      const own = tellingNames(runs.map((r) => ({ id: r.id, ...comparison.told(r) })))
      // By the places of the whole list, as the advice has them.
      const within: string[] = []
      part.setups.forEach((at, k) => (within[at] = own[runs[k].id]))
      return {
        name: names.value[i],
        purpose: `For ${names.value[i]}`,
        answer: choiceWords(goal.value, part, within, thresholds.prefer.value),
        runs: part.setups.flatMap((at) => setups.value[at].runs.map((r) => r.id)),
      }
    }),
  )
}
