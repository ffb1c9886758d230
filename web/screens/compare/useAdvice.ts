import { computed, shallowRef, watch, type ComputedRef, type ShallowRef } from 'vue'
import { adviceFor, costOf, volumeOf, type Advice, type Offered } from '@core/compare/advice'
import { oddResults, type Odd } from '@core/compare/odd'
import { QUANTITIES } from '@core/compare/quantities'
import { resultsOf, type Result } from '@core/compare/results'
import type { AcceptanceCurve } from '@core/model/acceptance'
import { forecast, levelAfter, type Forecast } from '@core/model/forecast'
import type { Source } from '@core/gear/gear'
import { useCurves } from '../../stores/curves'
import { useExpected } from '../../stores/expected'
import { useLogbook } from '../../stores/logbook'
import type { SetUp, UseVerdictReturn } from './useVerdict'
import type { UseThresholdsReturn } from './useThresholds'

/** What a source that was not tested would do, by a full run of the device. */
export interface Foreseen {
  source: Source
  /** W that are expected to arrive at the device's meter. */
  watts: number
  half: Forecast
  full: Forecast
  /** Points gained by the ladder's moment. */
  gain: number
}
export interface UseAdviceReturn {
  advice: ComputedRef<Advice>
  offered: ComputedRef<Offered[]>
  odd: ComputedRef<Odd[]>
  foreseen: ComputedRef<Foreseen[]>
  /** Gain by rated watts as the forecast has it: behind the measured points. */
  curve: ComputedRef<{ watts: number; gain: number }[]>
  /** The start level that forecasts go by, %. */
  from: ComputedRef<number>
}

const quantity = (key: string) => QUANTITIES.find((q) => q.key === key)!
const HEAT_CODES = new Set(['thermal-step', 'hot'])
const CURVE_STEPS = 40

/** What to keep or buy and for whom; what is odd; what the untested would do. Forecasts speak of one device. */
export function useAdvice(
  { setups, ranking, repeatability }: UseVerdictReturn,
  thresholds: UseThresholdsReturn,
): UseAdviceReturn {
  const logbook = useLogbook()
  const curves = useCurves()
  const expectedOf = useExpected()
  const resultsFor = (key: string): Result[] =>
    resultsOf(
      setups.value.map((s) => s.sides),
      0,
      quantity(key),
      repeatability.value,
    )
  const mostOf = (setup: SetUp, of: (side: SetUp['sides'][number]) => number) =>
    setup.sides.reduce((most, side) => Math.max(most, of(side)), -Infinity)
  const hottestOf = (setup: SetUp) => {
    const top = mostOf(setup, ({ analysis }) => analysis.heat[0]?.maxC ?? -Infinity)
    return Number.isFinite(top) ? top : NaN
  }

  const offered = computed<Offered[]>(() => {
    const [full, gain, topUp] = [
      resultsFor('to-100'),
      resultsFor(`gain-${thresholds.ladderMinutes.value}`),
      resultsFor(`gain-${thresholds.topUpMinutes.value}`),
    ]
    return setups.value.map((setup, i) => {
      const [run] = setup.runs
      const source = logbook.source(run.sourceId)
      const cable = logbook.cable(run.cableId)
      const feeds = logbook.source(run.conditions.fedFromId ?? '')
      const needed = [source, cable, feeds].filter((x) => x !== undefined)
      return {
        ratedW: source?.ratedWatts ?? NaN,
        cost: costOf(needed),
        owned: needed.every((x) => x.owned),
        price: source?.price ?? NaN,
        weightG: source?.weightG ?? NaN,
        volumeMm3: volumeOf(source?.size ?? ''),
        fullS: full[i].value,
        gain: gain[i].value,
        gainUncertainty: gain[i].spread / 2,
        ceiling: setup.sides.some(({ analysis }) =>
          analysis.marks.some((m) => m.atS === Number(thresholds.ladderMinutes.value) * 60 && m.ceiling),
        ),
        topUp: topUp[i].value,
        hottestC: hottestOf(setup),
      }
    })
  })
  const advice = computed(() => adviceFor(ranking.value, offered.value, thresholds.options.value))

  const device = computed(() => {
    const ids = new Set(setups.value.map(({ runs: [run] }) => run.deviceId))
    return ids.size === 1 ? logbook.device([...ids][0]) : undefined
  })
  const made: ShallowRef<AcceptanceCurve | null> = shallowRef(null)
  watch(
    device,
    async (of) => {
      made.value = null
      const found = of ? await curves.curveOf(of.id).catch(() => null) : null
      if (device.value?.id === of?.id) made.value = found
    },
    { immediate: true },
  )
  const from = computed(() =>
    setups.value
      .flatMap((s) => s.sides.map(({ analysis }) => analysis.startPercent))
      .reduce((low, p) => Math.min(low, p), 100),
  )
  const atS = computed(() => Number(thresholds.ladderMinutes.value) * 60)
  const wattsFrom = (source: Source) =>
    device.value
      ? (expectedOf({
          deviceId: device.value.id,
          sourceId: source.id,
          cableId: null,
          conditions: { fedFromId: source.fedFromId },
        })?.watts ?? 0)
      : 0
  const foreseen = computed<Foreseen[]>(() => {
    const curve = made.value
    if (!curve || from.value >= 100) return []
    const tested = new Set(setups.value.map(({ runs: [run] }) => run.sourceId))
    return logbook.sources
      .filter((s) => !tested.has(s.id) && s.kind !== 'wireless pad')
      .flatMap((source) => {
        const watts = wattsFrom(source)
        if (!(watts > 0)) return []
        const to = (percent: number) =>
          forecast(curve, {
            sourceWatts: watts,
            from: from.value,
            to: percent,
            repeatability: repeatability.value.share,
          })
        const gain = levelAfter(curve, watts, from.value, atS.value) - from.value
        return [{ source, watts, half: to(50), full: to(100), gain }]
      })
  })
  const curve = computed(() => {
    const of = made.value
    const most = offered.value.reduce((top, o) => Math.max(top, o.ratedW || 0), 0)
    if (!of || from.value >= 100 || most === 0) return []
    return Array.from({ length: CURVE_STEPS }, (_, i) => (most * (i + 1)) / CURVE_STEPS).map((watts) => ({
      watts,
      gain: levelAfter(of, watts, from.value, atS.value) - from.value,
    }))
  })

  const odd = computed(() => {
    const full = resultsFor('to-100')
    return oddResults(
      setups.value.map((setup, i) => {
        const [run] = setup.runs
        const source = logbook.source(run.sourceId)
        const codes = new Set(setup.sides.flatMap(({ analysis }) => analysis.findings.map((f) => f.code)))
        const watts = source?.kind === 'wireless pad' ? 0 : (expectedOf(run)?.watts ?? 0)
        const expected =
          made.value && watts > 0 && from.value < 100
            ? forecast(made.value, { sourceWatts: watts, from: setup.sides[0].analysis.startPercent, to: 100 })
            : { seconds: NaN, uncertaintyS: NaN }
        const times = setup.sides.map(quantity('to-100').figure).filter(({ value }) => Number.isFinite(value))
        return {
          ratedW: source?.ratedWatts ?? NaN,
          full: {
            values: times.map((t) => t.value),
            uncertainty: times.length ? mostOf(setup, (s) => quantity('to-100').figure(s).uncertainty || 0) : NaN,
          },
          hottestC: hottestOf(setup),
          slowedByHeat: full[i].runs > 0 && [...HEAT_CODES].some((code) => codes.has(code as never)),
          wireless: source?.kind === 'wireless pad',
          stalled: codes.has('stalled' as never),
          expectedS: expected.seconds,
          expectedUncertaintyS: expected.uncertaintyS,
        }
      }),
      repeatability.value,
    )
  })
  return { advice, offered, odd, foreseen, curve, from }
} // prettier-ignore
