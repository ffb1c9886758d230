import { computed, ref, shallowRef, toValue, watch, type MaybeRefOrGetter } from 'vue'
import type { KeptPicture } from '@core/analysis/runPicture'
import { useAnalyses } from '../../stores/analyses'
import { useLogbook } from '../../stores/logbook'
import { keptPicture, pictureBasis } from '../../stores/pictures'

/** A run, its trace and its figures, kept current; and how it was drawn last, until its trace is there. */
export function useRun(id: MaybeRefOrGetter<string>) {
  const logbook = useLogbook()
  const analyses = useAnalyses()
  const state = ref<'working' | 'ready' | 'failed'>('working')
  const run = computed(() => logbook.run(toValue(id)))
  const trace = computed(() => logbook.traces.get(toValue(id)))
  const analysis = computed(() => analyses.of(toValue(id)))

  const found = shallowRef<{ basis: string; whole: KeptPicture }>()
  const kept = computed(() =>
    run.value && found.value?.basis === pictureBasis(run.value) ? found.value.whole : undefined,
  )
  async function lookUpPicture() {
    if (!run.value || trace.value) return
    const basis = pictureBasis(run.value)
    const whole = await keptPicture(run.value)
    if (whole) found.value = { basis, whole }
  }

  watch(
    () => [toValue(id), run.value],
    async () => {
      if (!run.value) return
      state.value = 'working'
      void lookUpPicture()
      const answer = await analyses.ask(toValue(id)).catch(() => undefined)
      state.value = answer ? 'ready' : 'failed'
    },
    { immediate: true },
  )
  return { run, trace, kept, analysis, state }
}
