import { computed, ref, shallowRef, toRaw, watch, type ComputedRef, type Ref, type ShallowRef } from 'vue'
import type { Preview } from '@core/analysis/preview'
import { goesOnSchema } from '@core/formats/clockForm'
import { goesOnAt } from '@core/trace/append'
import { cut } from '@core/trace/cut'
import { durationOf, type Trace } from '@core/trace/trace'
import { clock } from '@core/words/figures'
import { movedBy } from '@core/words/moments'
import { checkTyped } from '../../forms/yupErrors'
import type { OneEnd } from '../../stores/importedRun'
import { analysisWork } from '../../workers/analysis'
import { handOver } from '../../workers/handOver'

export interface UseGoingOnReturn {
  /** What came first, from its power-on. */
  first: ComputedRef<Pick<OneEnd, 'trace' | 'startedAt'>>
  /** How it was found when the second began, in words. */
  how: ComputedRef<string>
  /** When the second began on the first one's clock, as it is typed; what is wrong with it; and in seconds, NaN while it is. */
  typed: Ref<string>
  error: ComputedRef<string>
  beginsS: ComputedRef<number>
  /** Both as one trace, and how it looks; null while it is not said when the second began, or is being put together. */
  whole: ShallowRef<{ trace: Trace; path: Preview } | null>
}

/** A record and what came after it on one clock: found by their moments or their order, and typed otherwise. */
export function useGoingOn(before: () => OneEnd, after: () => OneEnd): UseGoingOnReturn {
  const first = computed(() => {
    const { trace, startedAt, fromS } = before()
    return { trace: cut(toRaw(trace), fromS), startedAt: movedBy(startedAt, fromS) }
  })
  const second = computed(() => toRaw(after().trace))
  const apartS = computed(
    () => (Date.parse(after().startedAt ?? '') - Date.parse(first.value.startedAt ?? '')) / 1000,
  )
  const foundS = computed(() => goesOnAt(first.value.trace, second.value, apartS.value))
  const typed = ref(clock(foundS.value))
  /** To its last digit, while nobody typed another. */
  const isFound = computed(() => typed.value === clock(foundS.value))
  const checked = computed(() =>
    checkTyped(goesOnSchema(durationOf(first.value.trace) - second.value.time[0]), typed.value),
  )
  const beginsS = computed(() => {
    if (isFound.value) return foundS.value
    return 'value' in checked.value ? (checked.value.value as number) : NaN
  })
  const whole: UseGoingOnReturn['whole'] = shallowRef(null)
  const failure = ref('')
  let looks = 0
  async function put(firsts: Trace, seconds: Trace, at: number) {
    const look = ++looks
    whole.value = null
    failure.value = ''
    if (Number.isNaN(at)) return
    try {
      const worker = analysisWork()
      const made = await worker.goOn(await handOver(worker, firsts), await handOver(worker, seconds), at)
      // Another moment was typed meanwhile: this is the answer to another question.
      if (look === looks) whole.value = made
    } catch (error) {
      if (look === looks) failure.value = (error as Error).message
    }
  }
  watch(
    [() => first.value.trace, second, beginsS] as const,
    ([firsts, seconds, at]) => void put(firsts, seconds, at),
    { immediate: true },
  )
  return {
    first,
    how: computed(() =>
      foundS.value === apartS.value
        ? 'By the moments at which both began.'
        : 'Nothing tells when: right after the last reading.',
    ),
    typed,
    error: computed(() => failure.value || (isFound.value ? '' : checked.value.error)),
    beginsS,
    whole,
  }
}
