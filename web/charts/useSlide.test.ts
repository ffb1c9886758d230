import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { effectScope, shallowRef, type EffectScope } from 'vue'
import type { PathChartOptions } from './options'
import { useSlide } from './useSlide'

/** Pictures that were drawn wide, with what they were drawn of. */
const wide: { options: { scales: { x: { min: number; max: number } } } }[] = []
const chartArea = { left: 50, right: 750, top: 8, bottom: 200 }
vi.mock('./setup', () => ({
  Chart: class {
    chartArea = chartArea
    constructor(_: unknown, picture: (typeof wide)[number]) {
      wide.push(picture)
    }
    destroy() {}
  },
}))

let frames: FrameRequestCallback[] = []
/** The browser's next frame, and what comes right after it. */
const frame = () => {
  for (const callback of frames.splice(0)) callback(0)
  vi.advanceTimersByTime(0)
}
let scope: EffectScope
beforeEach(() => {
  vi.useFakeTimers()
  vi.stubGlobal('devicePixelRatio', 1)
  vi.stubGlobal('requestAnimationFrame', (callback: FrameRequestCallback) => frames.push(callback))
  frames = []
  wide.length = 0
  scope = effectScope()
})
afterEach(() => {
  scope.stop()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

function slideOf() {
  const paths = [{ label: 'Hawser 20', ink: 0, points: [{ x: 0, y: 5 }] }]
  const options = shallowRef({ paths, unit: 'W', from: 600, until: 1200, whole: 3600, colours: {}, showClock: true } as unknown as PathChartOptions) // prettier-ignore
  const still = { chartArea, width: 764, height: 230, scales: { y: { min: 0, max: 20, ticks: [] } } }
  const drawn: number[] = []
  const slide = scope.run(() =>
    useSlide({
      canvas: shallowRef({} as HTMLCanvasElement),
      still: () => still as never,
      options: () => options.value,
      ready: () => ({ from: 0, until: 1800 }),
      draw: () => void drawn.push(options.value.from!),
    }),
  )!
  const change = (over: Partial<PathChartOptions>) => (options.value = { ...options.value, ...over })
  const moveTo = (from: number) => (change({ from, until: from + 600 }), slide.slide())
  return { ...slide, moveTo, change, drawn }
}
const rest = (ms: number) => {
  vi.advanceTimersByTime(ms)
  frame()
}

it('slides while the view moves, and draws once it rests, for where it is then', () => {
  const { moveTo, sliding, shift, drawn } = slideOf()
  expect(moveTo(610)).toBe(true)
  frame()
  expect([sliding.value, wide.length]).toEqual([true, 1])
  for (let from = 620; from <= 660; from += 10) {
    moveTo(from)
    rest(20)
  }
  // 660 of 600 seconds in 700 px to the right of the beginning; drawn once, and still not anew.
  expect(shift.value).toEqual({ transform: 'translateX(-770px)' })
  expect([wide.length, drawn]).toEqual([1, []])
  rest(200)
  expect([sliding.value, drawn]).toEqual([false, [660]])
})

it('stands still once a hand that began anew just then rests', () => {
  const { moveTo, change, sliding, drawn } = slideOf()
  moveTo(610)
  frame()
  vi.advanceTimersByTime(150)
  // About to be drawn; before it is, the hand goes on, and the paths are others now.
  change({ paths: [] })
  moveTo(620)
  frame()
  frame()
  rest(200)
  rest(200)
  expect([sliding.value, drawn.at(-1)]).toEqual([false, 620])
})

it('slides no picture in another look, nor of another length', () => {
  const { moveTo, change, stand } = slideOf()
  moveTo(610)
  frame()
  rest(200)
  change({ colours: { dark: true } as never })
  stand()
  rest(300)
  expect(wide).toHaveLength(2)
  // Nothing changed: it is not made again.
  stand()
  rest(300)
  expect(wide).toHaveLength(2)
  change({ from: 700, until: 1000 })
  stand()
  rest(300)
  expect(wide).toHaveLength(3)
})
