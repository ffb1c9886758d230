import { computed, ref, watch } from 'vue'
import { duration, figure, points } from '@core/format/figures'
import { agree } from '@core/gear/agree'
import { forecastS } from '@core/model/forecast'
import { recentRate, remainingS } from '@core/model/live'
import { curveFor } from '@core/plan/durations'
import { tooHot } from '@core/protocol/heat'
import { wattsOf } from '@core/trace/trace'
import type { Path } from '../../charts/paths'
import { useCurves } from '../../stores/curves'
import { dueAt, isByHand, isSimulatedLane, type Lane } from '../../stores/lane'
import { useLogbook } from '../../stores/logbook'

/** Redrawing a path of thousands of points more often than this helps nobody, s. */
const REDRAW_S = 1
/** A path of more points than this is thinned: the eye sees no more. */
const MOST_POINTS = 600

/** What a lane shows of itself: last reading, countdown, forecast, and its path so far. */
export function useLaneView(lane: Lane) {
  const logbook = useLogbook()
  const curves = useCurves()
  const byHand = isByHand(lane)
  const seen = <T>(read: () => T) => computed(() => (lane.count >= 0 ? read() : read()))

  const last = seen(() => lane.readings.at(-1))
  const lastLevel = seen(() => lane.readings.findLast((r) => r.percent !== undefined))
  const watts = seen(() => wattsOf(lane.readings.findLast((r) => !Number.isNaN(wattsOf(r))) ?? { t: 0 }))
  const lastAge = computed(() => duration(Math.max(0, lane.elapsedS - (last.value?.t ?? 0))))
  const gained = computed(() => points((lastLevel.value?.percent ?? NaN) - lane.setup.startPercent))
  const rate = seen(() => {
    const perMinute = recentRate(lane.readings)
    return Number.isNaN(perMinute) ? '' : `, ${figure(perMinute, 1, 'a minute')}`
  })
  const temperatures = seen(() =>
    Object.entries(lane.readings.findLast((r) => r.temperatures)?.temperatures ?? {})
      .map(([place, c]) => `${place} ${figure(c, 1, '°C')}`)
      .join(', '),
  )
  const hot = seen(() => tooHot(lane.readings, lane.setup.heat.stopLimitC))
  const untilDue = computed(() => dueAt(lane) - lane.elapsedS)
  const due = computed(() => byHand && untilDue.value <= 0)

  const device = computed(() => logbook.device(lane.setup.deviceId))
  const source = computed(() => logbook.source(lane.setup.sourceId))
  const goal = lane.setup.stop.kind === 'level' ? lane.setup.stop.percent : 100
  const slow = ref(0)
  watch(
    () => Math.floor(lane.elapsedS / 5),
    (beat) => (slow.value = beat),
  )
  const forecast = computed(() => {
    void slow.value
    void lane.count
    if (!device.value || !source.value) return ''
    const curve = curveFor(device.value, curves.known[device.value.id] ?? null)
    const { watts: agreed } = agree(device.value, source.value, logbook.cable(lane.setup.cableId) ?? null)
    const left = remainingS(curve, agreed, lane.readings, lane.elapsedS, goal)
    if (left === 0 || Number.isNaN(left)) return ''
    const whole = forecastS(curve, agreed, lane.setup.startPercent, goal)
    const basis = curve.origin === 'generic' && lane.elapsedS < 0.1 * whole ? ' (generic)' : ''
    return `${duration(left)}${basis}`
  })

  const drawn = computed(() => Math.floor(lane.count / (byHand ? 1 : 4 * REDRAW_S)))
  const paths = computed<Path[]>(() => {
    void drawn.value
    const levels = lane.readings.flatMap((r) => (r.percent === undefined ? [] : [{ x: r.t, y: r.percent }]))
    const every = Math.ceil(levels.length / MOST_POINTS)
    const kept = every > 1 ? levels.filter((_, i) => i % every === 0 || i === levels.length - 1) : levels
    return [{ label: 'Level', ink: lane.setup.ink, points: kept }]
  })
  const events = seen(() => lane.events.map((e) => ({ x: e.t, text: e.text })))
  /** The frame grows in steps, so that the path is not squeezed anew with every reading. */
  const until = computed(() => Math.ceil(Math.max(lane.elapsedS, 3600) / 1800) * 1800)
  return {
    byHand,
    simulated: isSimulatedLane(lane),
    last,
    lastLevel,
    lastAge,
    watts,
    gained,
    rate,
    temperatures,
    hot,
    due,
    untilDue,
    forecast,
    goal,
    paths,
    events,
    until,
  }
}
