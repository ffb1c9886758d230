import { shallowRef, watch, type ComputedRef, type ShallowRef } from 'vue'
import type { Analysis } from '@core/analysis/analyse'
import type { Finding } from '@core/analysis/findings/findings'
import type { Run } from '@core/logbook/run'
import { forecast } from '@core/model/forecast'
import { strays } from '@core/model/strays'
import { useAnalyses } from '../../stores/analyses'
import { useCurves } from '../../stores/curves'
import { useExpected } from '../../stores/expected'
import { useSpells } from '../../stores/spells'

/** Whether a run strays from what another full run of its device makes one expect. Known a moment after the figures. */
export function useStrays(
  run: ComputedRef<Run | undefined>,
  analysis: ComputedRef<Analysis | undefined>,
): ShallowRef<Finding[]> {
  const curves = useCurves()
  const analyses = useAnalyses()
  const expectedOf = useExpected()
  const spells = useSpells()
  const found = shallowRef<Finding[]>([])
  // Which run tells most of the device is known once all were gone through.
  watch(
    [analysis, () => analyses.filled] as const,
    async ([figures]) => {
      found.value = []
      const of = run.value
      const watts = of && expectedOf(of)?.watts
      if (!figures || !of || !watts || !(figures.startPercent < 100) || !spells.isByItself(of)) return
      const curve = await curves.curveOf(of.deviceId, of.id).catch(() => null)
      if (!curve || analysis.value !== figures) return
      const expected = forecast(curve, { sourceWatts: watts, from: figures.startPercent, to: 100 })
      found.value = strays(
        figures.milestones.find((m) => m.percent === 100),
        expected,
      )
    },
    { immediate: true },
  )
  return found
}
