import { useIntervalFn } from '@vueuse/core'
import { computed, ref, shallowRef, watch } from 'vue'
import { laneWarnings, type LaneWarning } from '@core/bench/warnings'
import { dueAt } from '@core/bench/due'
import { isByHand, isSimulatedFeed } from '@core/bench/setup'
import { duration, figure, points } from '@core/words/figures'
import { forecastS } from '@core/model/forecast'
import { recentRate, remainingS } from '@core/model/live'
import { capacityOf } from '@core/gear/capacity'
import { curveFor } from '@core/plan/durations'
import { tooHot } from '@core/protocol/heat'
import { useCurves } from '../../stores/curves'
import type { Lane } from '../../stores/lane'
import { useExpected } from '../../stores/expected'
import { useLogbook } from '../../stores/logbook'
import { levelsOf } from './useLanePath'

/** A spoilt evening is told within minutes: looking more often costs and helps nobody. */
const LOOK_EVERY_MS = 10_000

/** What a lane shows of itself: last reading, countdown, forecast, what to mind. */
export function useLaneView(lane: Lane) {
  const logbook = useLogbook()
  const expectedOf = useExpected()
  const curves = useCurves()
  const byHand = isByHand(lane.setup)
  const levelsNow = () => levelsOf(lane)
  const seen = <T>(read: () => T) => computed(() => (lane.count >= 0 ? read() : read()))

  const lastLevel = seen(() => lane.state.levels.last)
  /** The source's watts, or the battery's own where no meter stands beside it. */
  const power = seen(() => {
    const { lastWatts, lastBatteryWatts } = lane.state
    const isOwn = Number.isNaN(lastWatts) && !Number.isNaN(lastBatteryWatts)
    return { watts: isOwn ? lastBatteryWatts : lastWatts, isOwn }
  })
  const lastAge = seen(() => duration(Math.max(0, lane.elapsedS - lane.state.lastT)))
  const gained = seen(() => {
    const { first, last } = lane.state.levels
    return points((last?.percent ?? NaN) - (first?.percent ?? NaN))
  })
  const rate = seen(() => {
    const perMinute = recentRate(levelsNow())
    return Number.isNaN(perMinute) ? '' : `, ${figure(perMinute, 1, 'a minute')}`
  })
  const temperatures = seen(() =>
    Object.entries(lane.state.lastTemperatures)
      .map(([place, c]) => `${place} ${figure(c, 1, '°C')}`)
      .join(', '),
  )
  const hot = seen(() => tooHot(lane.state.lastTemperatures, lane.setup.heat.stopLimitC))
  /** Changes once a second: what takes longer to work out goes by it. */
  const second = computed(() => Math.floor(lane.elapsedS))
  const untilDue = computed(() => dueAt(lane) - lane.elapsedS)
  const due = computed(() => byHand && untilDue.value <= 0)

  const device = computed(() => logbook.device(lane.setup.deviceId))
  const goal = lane.setup.stop.kind === 'level' ? lane.setup.stop.percent : 100
  const slow = ref(0)
  watch(
    () => Math.floor(lane.elapsedS / 5),
    (beat) => (slow.value = beat),
  )
  const forecast = computed(() => {
    void slow.value
    void lane.count
    const agreed = expectedOf(lane.setup)?.watts
    if (!device.value || agreed === undefined) return ''
    const curve = curveFor(device.value, curves.known[device.value.id] ?? null)
    const left = remainingS(curve, agreed, levelsNow(), lane.elapsedS, goal)
    if (left === 0 || Number.isNaN(left)) return ''
    const whole = forecastS(curve, agreed, lane.setup.start.percent, goal)
    const basis = curve.origin === 'generic' && lane.elapsedS < 0.1 * whole ? ' (generic)' : ''
    return `${duration(left)}${basis}`
  })

  /** Looked at now and then, by this machine's own clock: a simulated lane may run an hour in seconds. */
  const warnings = shallowRef<LaneWarning[]>([])
  useIntervalFn(
    () => {
      const agreed = expectedOf(lane.setup)
      const curve = device.value ? curves.known[device.value.id] : null
      warnings.value = laneWarnings(lane, {
        agreedWatts: agreed?.watts ?? NaN,
        meterWatts: agreed?.meterWatts,
        agreedVolts: agreed?.volts ?? NaN,
        usableWh: device.value ? capacityOf(device.value).usableWh : NaN,
        curve: curve?.origin === 'run' ? curve : null,
      })
    },
    LOOK_EVERY_MS,
    { immediateCallback: true },
  )

  return {
    byHand,
    simulated: isSimulatedFeed(lane.setup),
    second,
    lastLevel,
    lastAge,
    power,
    gained,
    rate,
    temperatures,
    hot,
    warnings,
    due,
    untilDue,
    forecast,
    goal,
  }
}
