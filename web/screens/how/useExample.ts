import { computed, watchEffect } from 'vue'
import { analyse } from '@core/analysis/analyse'
import { traceFromReadings } from '@core/trace/trace'
import { capacityThen } from '@core/protocol/runConditions'
import { everyWorking } from '@core/words/sentences/everyWorking'
import { useAnalyses } from '../../stores/analyses'
import { useLogbook } from '../../stores/logbook'

const EXAMPLE_WH = 15.5
/** Minutes and watts of a phone's charge, along straight lines (common practice, no source). */
const WATTS: readonly [minute: number, watts: number][] = [
  [0, 24.1], [2, 24.6], [17, 25.9], [24, 19.2], [32, 19.5], [35, 13.4], [42, 13.6], [47, 8],
  [53, 7.7], [65, 6.5], [76, 5.8], [80, 4.7], [90, 2.4], [100, 1], [108, 0.5],
] // prettier-ignore
const LEVELS: Record<number, number> = { 0: 1, 24: 50, 53: 80, 80: 94, 108: 100 }
const example = () =>
  traceFromReadings(
    WATTS.map(([minute, power]) => ({
      t: minute * 60,
      power,
      voltage: minute < 47 ? 9 : 5,
      percent: LEVELS[minute],
    })),
  )
/** Five minutes on a meter, for the spot check. */
const short = () =>
  traceFromReadings([0, 1, 2, 3, 4, 5].map((m) => ({ t: m * 60, power: 5.04, percent: 20 + m })))

/** A run to work figures out with: the reviewer's latest full one, else an invented one that says so. */
export function useExample() {
  const logbook = useLogbook()
  const analyses = useAnalyses()
  const run = computed(() =>
    logbook.runs.findLast((r) => r.state === 'done' && (analyses.headline(r.id)?.endPercent ?? 0) === 100),
  )
  watchEffect(() => {
    if (run.value) void analyses.ask(run.value.id)
  })
  const name = computed(() => (run.value && analyses.of(run.value.id) ? logbook.nameOf(run.value) : ''))
  const workings = computed(() => {
    const own = run.value && analyses.of(run.value.id)
    const spot = analyse(short(), { usableWh: EXAMPLE_WH })
    if (!run.value || !own) {
      const made = analyse(example(), { usableWh: EXAMPLE_WH })
      return everyWorking(made, { usableWh: EXAMPLE_WH, assumedVolts: false }, spot)
    }
    const { usableWh } = capacityThen(run.value.conditions)
    return everyWorking(own, { usableWh, assumedVolts: run.value.conditions.voltsAssumed })
  })
  return { name, workings }
}
