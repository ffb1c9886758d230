import { usePointerSwipe } from '@vueuse/core'
import type { ShallowRef } from 'vue'
import type { ChartView } from './view'

/** A hand that moves less than this did not mean to, px. */
const MEANT_PX = 4

export interface UsePanOptions {
  view: () => ChartView
  /** Width of the plot, px; 0 where nothing may be moved. */
  plotWidth: () => number
  moved: (from: number, until: number) => void
}

/** Moves the view along the clock with one finger or the mouse held down; two fingers look closer and move nothing. */
export function usePan(target: Readonly<ShallowRef<HTMLElement | null>>, o: UsePanOptions): void {
  let began: ChartView | null = null
  const { distanceX } = usePointerSwipe(target, {
    threshold: MEANT_PX,
    disableTextSelect: true,
    onSwipeStart: (event) => void (began = event.isPrimary && o.plotWidth() > 0 ? o.view() : null),
    onSwipe: (event) => {
      if (!began || !event.isPrimary) return
      const by = (distanceX.value * (began.until - began.from)) / o.plotWidth()
      o.moved(began.from + by, began.until + by)
    },
  })
}
