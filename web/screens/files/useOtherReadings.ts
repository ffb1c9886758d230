import { shallowRef, watch } from 'vue'
import type { Logbook } from '@core/logbook/logbook'
import { isSameTrace } from '@core/trace/same'
import { useLogbook } from '../../stores/logbook'

/** The runs of a logbook on its way in that are here with other readings, by id. Each is read in turn: there may be many. */
export function useOtherReadings(incoming: () => Logbook) {
  const logbook = useLogbook()
  const other = shallowRef<ReadonlySet<string>>(new Set())
  watch(
    incoming,
    async (now) => {
      other.value = new Set()
      const found = new Set<string>()
      for (const { run, trace } of now.runs) {
        // What cannot be read here is no reason to hold the preview back.
        const here = logbook.run(run.id) && (await logbook.readingsOf(run.id).catch(() => undefined))
        if (incoming() !== now) return
        if (here && !isSameTrace(here, trace)) found.add(run.id)
      }
      other.value = found
    },
    { immediate: true },
  )
  return other
}
