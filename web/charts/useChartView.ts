import {
  computed,
  shallowRef,
  toValue,
  watch,
  type ComputedRef,
  type MaybeRefOrGetter,
  type ShallowRef,
} from 'vue'
import { covers, type ChartView } from './view'

/** What is held ready to be drawn: the view with as much again on either side, so that a move asks for nothing new. */
export interface ChartStretch extends ChartView {
  /** How many views long it is: so many times the points are wanted. */
  views: number
}
export interface UseChartViewReturn {
  view: ComputedRef<ChartView>
  stretch: ComputedRef<ChartStretch>
  isWhole: ComputedRef<boolean>
  show: (from: number, until: number) => void
  showAll: () => void
  /** Where one reads off, s; null where nowhere. */
  cursor: ShallowRef<number | null>
  point: (x: number | null) => void
  /** Keys: arrows read off, with Shift they move; + and − look closer and further, 0 shows the whole. */
  onKey: (event: KeyboardEvent) => void
}

const CLOSER = 0.6
const STEP = 0.2
const READ_STEP = 0.01
const NARROWEST_S = 20
/** Views of a stretch: the one in sight, and one on either side. */
const VIEWS = 3
const SAME_LENGTH = 1e-6

/** The stretch for a view: the one before, as long as the view moves within it and is neither closer nor further. */
export function stretchOf(view: ChartView, whole: number, before?: ChartStretch): ChartStretch {
  const length = view.until - view.from
  const views = length >= whole ? 1 : VIEWS
  const isAsFar = before && Math.abs((before.until - before.from) / (views * length) - 1) < SAME_LENGTH
  if (isAsFar && covers(before, view)) return before
  const aside = (length * (views - 1)) / 2
  return { from: view.from - aside, until: view.until + aside, views }
}

/** What is in view of a clock of `whole` seconds: shared by all strips that stand on it. */
export function useChartView(whole: MaybeRefOrGetter<number>): UseChartViewReturn {
  const chosen = shallowRef<ChartView | null>(null)
  const view = computed(() => chosen.value ?? { from: 0, until: toValue(whole) })
  const isWhole = computed(() => chosen.value === null)
  const stretch = computed<ChartStretch>((before) => stretchOf(view.value, toValue(whole), before))
  watch(
    () => toValue(whole),
    () => showAll(),
  )

  function show(from: number, until: number) {
    const all = toValue(whole)
    const length = Math.min(all, Math.max(Math.min(NARROWEST_S, all), until - from))
    const start = Math.min(Math.max(0, from), all - length)
    chosen.value = length >= all ? null : { from: start, until: start + length }
  }
  const cursor = shallowRef<number | null>(null)
  const point = (x: number | null) => void (cursor.value = x)
  /** One step along the view; from its middle where nothing was read off yet. */
  function readAt(steps: number) {
    const { from, until } = view.value
    const next = (cursor.value ?? (from + until) / 2) + steps * READ_STEP * (until - from)
    point(Math.min(until, Math.max(from, next)))
  }
  const showAll = () => void (chosen.value = null)

  function onKey(event: KeyboardEvent) {
    if (event.ctrlKey || event.metaKey || event.altKey) return
    const { from, until } = view.value
    const length = until - from
    const middle = (from + until) / 2
    const around = (share: number) => show(middle - (share * length) / 2, middle + (share * length) / 2)
    const deeds: Record<string, () => void> = {
      '+': () => around(CLOSER),
      '=': () => around(CLOSER),
      '-': () => around(1 / CLOSER),
      '0': showAll,
      ArrowLeft: () => (event.shiftKey ? show(from - STEP * length, until - STEP * length) : readAt(-1)),
      ArrowRight: () => (event.shiftKey ? show(from + STEP * length, until + STEP * length) : readAt(1)),
      Escape: () => point(null),
    }
    const deed = deeds[event.key]
    if (!deed) return
    event.preventDefault()
    deed()
  }
  return { view, stretch, isWhole, show, showAll, cursor, point, onKey }
}
