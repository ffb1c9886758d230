import { computed, shallowRef, watch, type ComputedRef, type ShallowRef } from 'vue'
import { adviceFor, type Advice, type Offered } from '@core/compare/advice'
import { lowestStart, offeredBy, suspectsAmong, type MadeOf } from '@core/compare/madeOf'
import { oddResults, type Odd } from '@core/compare/odd'
import { standingOf } from '@core/compare/standing'
import type { AcceptanceCurve } from '@core/model/acceptance'
import { forecast } from '@core/model/forecast'
import { foresee, gainsByWatts, type Foreseen } from '@core/model/foreseen'
import type { Source } from '@core/gear/gear'
import { useAnalyses } from '../../stores/analyses'
import { useCurves } from '../../stores/curves'
import { useExpected } from '../../stores/expected'
import { useLogbook } from '../../stores/logbook'
import { useSpells } from '../../stores/spells'
import type { UseVerdictReturn } from './useVerdict'
import type { UseThresholdsReturn } from './useThresholds'

/** A source that was not tested, the W that are expected to arrive at the device's meter, and what they would do. */
export interface ForeseenSource extends Foreseen {
  source: Source
  watts: number
}
export interface UseAdviceReturn {
  made: ComputedRef<MadeOf[]>
  advice: ComputedRef<Advice>
  offered: ComputedRef<Offered[]>
  odd: ComputedRef<Odd[]>
  foreseen: ComputedRef<ForeseenSource[]>
  /** Gain by rated watts as the forecast has it: behind the measured points. */
  curve: ComputedRef<{ watts: number; gain: number }[]>
  /** The start level that forecasts go by, %. */
  from: ComputedRef<number>
}

const UNKNOWN = { seconds: NaN, uncertaintyS: NaN }

/** What to keep or buy and for whom; what is odd; what the untested would do. Forecasts speak of one device. */
export function useAdvice(
  { setups, ranking, repeatability }: UseVerdictReturn,
  thresholds: UseThresholdsReturn,
): UseAdviceReturn {
  const logbook = useLogbook()
  const curves = useCurves()
  const analyses = useAnalyses()
  const expectedOf = useExpected()
  const spells = useSpells()
  const made = computed<MadeOf[]>(() =>
    setups.value.map(({ runs: [run], sides }) => ({
      deviceId: run.deviceId,
      sides,
      source: logbook.source(run.sourceId),
      cable: logbook.cable(run.cableId),
      feeds: logbook.source(run.conditions.fedFromId),
    })),
  )
  const offered = computed<Offered[]>(() => {
    const [ladderMinutes, topUpMinutes] = [thresholds.ladderMinutes.value, thresholds.topUpMinutes.value]
    return offeredBy(made.value, { ladderMinutes, topUpMinutes }, repeatability.value)
  })
  const advice = computed(() => {
    const topUpMinutes = thresholds.topUpMinutes.value
    const told = standingOf(made.value, { topUpMinutes }, repeatability.value)
    return adviceFor(ranking.value, offered.value, thresholds.options.value, told)
  })

  const device = computed(() => {
    const ids = new Set(setups.value.map(({ runs: [run] }) => run.deviceId))
    return ids.size === 1 ? logbook.device([...ids][0]) : undefined
  })
  let madeFor: string | undefined
  const accepts: ShallowRef<AcceptanceCurve | null> = shallowRef(null)
  // Which run tells most of the device is known once all were gone through.
  watch(
    [device, () => analyses.filled] as const,
    async ([of]) => {
      if (device.value?.id !== madeFor) accepts.value = null
      madeFor = of?.id
      // All runs of the device are looked through: not while the screen is being put up.
      await new Promise((resolve) => setTimeout(resolve))
      const found = of ? await curves.curveOf(of.id).catch(() => null) : null
      if (device.value?.id === of?.id) accepts.value = found
    },
    { immediate: true },
  )
  const from = computed(() => lowestStart(made.value))
  const when = computed(() => ({ from: from.value, atS: Number(thresholds.ladderMinutes.value) * 60 }))
  const foreseen = computed<ForeseenSource[]>(() => {
    const [of, curve] = [device.value, accepts.value]
    if (!of || !curve) return []
    const tested = new Set(setups.value.map(({ runs: [run] }) => run.sourceId))
    return logbook.sources
      .filter((s) => !tested.has(s.id) && s.kind !== 'wireless pad')
      .flatMap((source) => {
        const conditions = { fedFromId: source.fedFromId }
        const together = { deviceId: of.id, sourceId: source.id, cableId: null, conditions }
        const watts = expectedOf(together)?.watts ?? 0
        const found = foresee(curve, watts, when.value, repeatability.value.share)
        return found ? [{ source, watts, ...found }] : []
      })
  })
  const curve = computed(() => {
    const most = offered.value.reduce((top, o) => Math.max(top, o.ratedW || 0), 0)
    return accepts.value ? gainsByWatts(accepts.value, most, when.value) : []
  })

  /** By a full run of the device; of a pad nobody knows how it lay. */
  function expectedTime(index: number) {
    const { runs, sides } = setups.value[index]
    const watts = made.value[index].source?.kind === 'wireless pad' ? 0 : (expectedOf(runs[0])?.watts ?? 0)
    if (!accepts.value || !(watts > 0) || from.value >= 100 || !spells.isByItself(runs[0])) return UNKNOWN
    return forecast(accepts.value, { sourceWatts: watts, from: sides[0].analysis.startPercent, to: 100 })
  }
  const odd = computed(() => oddResults(suspectsAmong(made.value, expectedTime), repeatability.value))
  return { made, advice, offered, odd, foreseen, curve, from }
}
