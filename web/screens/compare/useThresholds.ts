import { computed, type ComputedRef, type WritableComputedRef } from 'vue'
import type { AdviceOptions, Preference } from '@core/compare/advice'
import { usualLadder, type Goal } from '@core/compare/ranking'
import { DEFAULT_MARKS } from '@core/analysis/marks'
import { useAddress } from './useAddress'
import type { Comparison } from './useComparison'

export const PREFERENCES: readonly Preference[] = ['cost', 'weight', 'size']
const MARKS = DEFAULT_MARKS.map((s) => String(s / 60))

export interface UseThresholdsReturn {
  /** Minutes and percent that a difference of times must reach to be worth noticing. */
  worthMinutes: WritableComputedRef<number>
  worthPercent: WritableComputedRef<number>
  /** How well runs repeat, %, where the reviewer says so; 0 where the logbook tells. */
  repeatPercent: WritableComputedRef<number>
  prefer: WritableComputedRef<Preference>
  sharePercent: WritableComputedRef<number>
  nightHours: WritableComputedRef<number>
  /** From here on a charge is too warm for every day, °C. */
  warmC: WritableComputedRef<number>
  /** Minutes: of the ladder, and of a top-up before leaving. */
  ladderMinutes: WritableComputedRef<string>
  topUpMinutes: WritableComputedRef<string>
  options: ComputedRef<AdviceOptions>
  /** A goal with what the reviewer calls worth noticing. */
  asked: (goal: Goal) => Goal
}

/** What would change the advice: every threshold of it, kept in the address. */
export function useThresholds({ worked }: Pick<Comparison, 'worked'>): UseThresholdsReturn {
  const { number, word } = useAddress()
  const worthMinutes = number('worth', 5, 0, 600)
  const worthPercent = number('worthShare', 5, 0, 100)
  const prefer = word('prefer', PREFERENCES)
  const sharePercent = number('share', 90, 1, 100)
  const nightHours = number('night', 8, 0.5, 24)
  const warmC = number('warm', 40, 25, 60)
  const at = word('at', ['', ...MARKS])
  const usualAt = computed(() => String(usualLadder(worked.value.map((w) => w.analysis)) / 60))
  // The usual one first: it is not written into the address.
  const usualFirst = (usual: string) => [usual, ...MARKS.filter((m) => m !== usual)]
  return {
    worthMinutes,
    worthPercent,
    repeatPercent: number('repeat', 0, 0, 50),
    prefer,
    sharePercent,
    nightHours,
    warmC,
    ladderMinutes: computed({
      get: () => at.value || usualAt.value,
      set: (to) => (at.value = to === usualAt.value ? '' : to),
    }),
    topUpMinutes: word('topup', usualFirst('15')),
    options: computed(() => ({
      prefer: prefer.value,
      share: sharePercent.value / 100,
      nightHours: nightHours.value,
      warmC: warmC.value,
    })),
    asked: (goal) =>
      goal.kind === 'time'
        ? {
            ...goal,
            worthNoticing: { atLeast: worthMinutes.value * 60, share: worthPercent.value / 100 },
          }
        : goal,
  }
}
