import { computed, ref, toValue, watch, type MaybeRefOrGetter } from 'vue'
import { useAnalyses } from '../../stores/analyses'
import { useLogbook } from '../../stores/logbook'

/** A run, its trace and its figures, kept current. */
export function useRun(id: MaybeRefOrGetter<string>) {
  const logbook = useLogbook()
  const analyses = useAnalyses()
  const state = ref<'working' | 'ready' | 'failed'>('working')
  const run = computed(() => logbook.run(toValue(id)))
  const trace = computed(() => logbook.traces.get(toValue(id)))
  const analysis = computed(() => analyses.of(toValue(id)))

  watch(
    () => [toValue(id), run.value],
    async () => {
      if (!run.value) return
      state.value = 'working'
      const answer = await analyses.ask(toValue(id)).catch(() => undefined)
      state.value = answer ? 'ready' : 'failed'
    },
    { immediate: true },
  )
  return { run, trace, analysis, state }
}
