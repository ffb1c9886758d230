import { useTimeoutFn } from '@vueuse/core'
import type { Chart } from 'chart.js'
import { computed, onScopeDispose, shallowRef, type CSSProperties, type Ref, type ShallowRef } from 'vue'
import { covers, type ChartView } from './view'
import { isMove, whatChanged } from './changes'
import { drawInTurn, drawNoMore } from './frameTurns'
import { lengthOf, type PathChartOptions } from './options'
import { Chart as Charts } from './setup'
import { shiftOf, widePicture, widthOver } from './widePicture'

/** So long after the last move the still picture is drawn anew, ms. */
const SETTLED_MS = 150
/** So long after a still picture the wide one is made ready, ms. */
const READY_MS = 250
/** Browsers draw nothing on a canvas wider than some 16,000 of the screen’s own pixels. */
const WIDEST_PX = 16_000
/** Where plots differ by more than this they would not lie over each other, px. */
const SAME_PX = 0.5
/** A heading reaches so far into the frame, px. */
const OVER_PX = 4
/** Between the plot and the figures of its clock, px: the lowest figure of the scale reaches in there. */
const TICK_PX = 10
/** Half of a figure of the clock, px. */
const FIGURE_PX = 24

export interface UseSlideOptions {
  /** Where the wide picture is drawn. */
  canvas: Readonly<ShallowRef<HTMLCanvasElement | null>>
  /** The still picture, once it was drawn. */
  still: () => Chart<'line'> | undefined
  options: () => PathChartOptions
  /** What the points of the paths cover; undefined where no more than is in view. */
  ready: () => ChartView | undefined
  /** Draws the still picture for where the view is now. */
  draw: () => void
}

export interface UseSlideReturn {
  /** The wide picture lies over the still one. */
  sliding: Ref<boolean>
  /** Which part of it is seen, and how far it is moved. */
  clip: Ref<CSSProperties | undefined>
  shift: Ref<CSSProperties>
  /** The view moved: slides there, and draws anew once it stands. False where there is nothing to slide. */
  slide: () => boolean
  /** The still picture was drawn for another reason. */
  stand: () => void
}

interface Wide {
  chart: Chart<'line'>
  clip: CSSProperties
  over: ChartView
  /** What it was drawn of, and to lie over. */
  of: PathChartOptions
  frame: number
  min: number
  max: number
}

/** The part of the wide picture that is seen: the plot, and under it, where the clock is, all of the frame. */
function clipTo({ chartArea }: Chart<'line'>, { showClock, colours }: PathChartOptions): CSSProperties {
  const { left, right, bottom } = chartArea
  const under = bottom + TICK_PX
  const plot = `${left}px ${OVER_PX}px, ${right}px ${OVER_PX}px, ${right}px ${under}px`
  // The first and the last figure of the clock reach beyond the plot.
  const from = `${left - FIGURE_PX}px`
  const clock = `100% ${under}px, 100% 100%, ${from} 100%, ${from} ${under}px, `
  return {
    clipPath: `polygon(${plot}, ${showClock ? clock : ''}${left}px ${under}px)`,
    background: colours.page,
  }
}

/**
 * Moves the view without drawing: while a hand drags, a picture of more than is in view, drawn once, is moved as it is;
 * the browser only puts it elsewhere. Once the hand rests, the still picture is drawn for where the view is now, its
 * scale fitted to it.
 */
export function useSlide(o: UseSlideOptions): UseSlideReturn {
  const wide = shallowRef<Wide | null>(null)
  const sliding = shallowRef(false)
  const view = (): ChartView => ({ from: o.options().from ?? 0, until: lengthOf(o.options()) })

  function drop() {
    wide.value?.chart.destroy()
    wide.value = null
  }
  /** More is there to be seen than is in view. */
  const hasMore = () => {
    const over = o.ready()
    const { from, until } = view()
    return over !== undefined && over.until - over.from > 1.01 * (until - from)
  }
  function fits(): boolean {
    const [made, still] = [wide.value, o.still()]
    if (!made || !still) return false
    const { min, max } = still.scales.y
    const changed = whatChanged(made.of, o.options())
    return (
      (changed.length === 0 || (isMove(made.of, o.options()) && !changed.includes('paths'))) &&
      covers(made.over, view()) &&
      made.frame === still.width &&
      made.min === min &&
      made.max === max
    )
  }

  function make() {
    const [over, still, canvas] = [o.ready(), o.still(), o.canvas.value]
    if (!over || !still || !canvas || !hasMore() || fits()) return
    drop()
    const { left, right, top, bottom } = still.chartArea
    const width = Math.round(widthOver(over, view(), still.width, right - left))
    if (width * devicePixelRatio > WIDEST_PX) return
    canvas.width = width
    canvas.height = still.height
    const chart = new Charts(canvas, widePicture(o.options(), over, still))
    const { min, max } = still.scales.y
    const of = o.options()
    wide.value = { chart, clip: clipTo(still, of), over, of, frame: still.width, min, max }
    const area = chart.chartArea
    const liesOver = [area.left - left, area.top - top, area.bottom - bottom].every(
      (by) => Math.abs(by) <= SAME_PX,
    )
    if (!liesOver) drop()
  }
  const { start: prepare, stop: prepareNot } = useTimeoutFn(() => drawInTurn(make), READY_MS, {
    immediate: false,
  })

  function settle() {
    // It went on before its turn came.
    if (goesOn.value) return
    o.draw()
    stand()
  }
  const {
    start: settleSoon,
    stop: settleNot,
    isPending: goesOn,
  } = useTimeoutFn(() => drawInTurn(settle), SETTLED_MS, {
    immediate: false,
  })
  function stand() {
    settleNot()
    drawNoMore(makeAndSlide)
    sliding.value = false
    if (hasMore()) prepare()
    else drop()
  }
  function makeAndSlide() {
    make()
    sliding.value = wide.value !== null
    // It cannot be made: drawn as it is, then.
    if (!sliding.value) o.draw()
  }
  function slide(): boolean {
    if (!o.still() || !hasMore()) return false
    prepareNot()
    settleSoon()
    if (fits()) sliding.value = true
    else drawInTurn(makeAndSlide)
    return true
  }
  onScopeDispose(() => {
    for (const deed of [make, settle, makeAndSlide]) drawNoMore(deed)
    drop()
  })

  const shift = computed<CSSProperties>(() => {
    const area = wide.value && o.still()?.chartArea
    if (!area || !wide.value) return {}
    const px = shiftOf(wide.value.over, view(), area.right - area.left)
    return { transform: `translateX(${-px}px)` }
  })
  const clip = computed(() => wide.value?.clip)
  return { sliding, clip, shift, slide, stand }
}
