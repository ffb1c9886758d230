import { computed } from 'vue'
import { duration } from '@core/format/figures'
import { wattsOf } from '@core/trace/trace'
import type { Path } from '../../charts/paths'
import { dueAt, type Lane } from '../../stores/lane'

/** Redrawing a path of thousands of points more often than this helps nobody, s. */
const REDRAW_S = 1

/** What a lane shows of itself: last reading, countdown, and its path so far. */
export function useLaneView(lane: Lane) {
  const byHand = lane.setup.feed.kind === 'hand'
  const last = computed(() => (lane.count >= 0 ? lane.readings.at(-1) : undefined))
  const lastAge = computed(() => duration(lane.elapsedS - (last.value?.t ?? 0)))
  const watts = computed(() => (last.value ? wattsOf(last.value) : NaN))
  const untilDue = computed(() => dueAt(lane) - lane.elapsedS)
  const due = computed(() => untilDue.value <= 0)

  const drawn = computed(() => Math.floor(lane.count / (byHand ? 1 : 4 * REDRAW_S)))
  const paths = computed<Path[]>(() => {
    void drawn.value
    const points = lane.readings.flatMap((r) => (r.percent === undefined ? [] : [{ x: r.t, y: r.percent }]))
    return [{ label: 'Level', ink: lane.setup.ink, points }]
  })
  /** The frame grows in steps, so that the path is not squeezed anew with every reading. */
  const until = computed(() => {
    const wanted = Math.max(lane.elapsedS, 3600)
    return Math.ceil(wanted / 1800) * 1800
  })
  return { byHand, last, lastAge, watts, due, untilDue, paths, until }
}
