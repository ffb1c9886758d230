import { celsiusUncertainty, type Accuracy } from '../gear/accuracy'
import { firstAfter, highestAt, samplesOf, valueAt, type Samples } from '../trace/samples'
import type { Trace } from '../trace/trace'

/** How warm one place of the device became. °C and s. */
export interface Heat {
  /** The place as it was named; '' where it was not. */
  place: string
  maxC: number
  maxAtS: number
  /** The level shown then, along straight lines, %; NaN where none was read about that moment. */
  maxAtPercent: number
  /** Over the first reading. */
  riseC: number
  /** Over the room; NaN where nobody read it. */
  overAmbientC: number
  /** Standard uncertainty of `maxC`; NaN where the thermometer states none. */
  uncertaintyC: number
  /** At the agreed minutes that were reached: the highest until then, and what it was then. */
  at: { atS: number; maxC: number; thenC: number }[]
  /** Seconds at or above each of these temperatures. */
  above: { celsius: number; seconds: number }[]
  /** When, after the peak, it was back to what was first read, s; NaN where it never was. */
  backToStartS: number
  /** The level shown then, %. */
  backAtPercent: number
}

/** 10, 20 and 30 minutes are usual; s. */
export const HEAT_MARKS_S = [600, 1200, 1800]
/** Time is counted from these temperatures on, °C. */
const COUNTED_FROM_C = [35, 40, 45]

/** A bar of a temperature goes from a cool room to the usual limit of charging, °C. */
const BAR_C = [20, 45] as const
/** How far along such a bar a temperature lies, 0–1; 0 where it is not known. */
export const warmth = (celsius: number): number =>
  Math.max(0, Math.min(1, (celsius - BAR_C[0]) / (BAR_C[1] - BAR_C[0]))) || 0

export interface HeatOptions {
  thermometer?: Accuracy
  /** Of the room, °C. */
  ambientC?: number
  marksS?: readonly number[]
}

/** What was read of the temperature by place, the hottest place first. Places without a reading are left out. */
export function heat(
  trace: Trace,
  { thermometer, ambientC = NaN, marksS = HEAT_MARKS_S }: HeatOptions = {},
): Heat[] {
  const shown = samplesOf(trace.time, trace.percent)
  return Object.entries(trace.temperatures)
    .map(([place, column]) => ({ place, ...samplesOf(trace.time, column) }))
    .filter(({ t }) => t.length > 0)
    .map(({ place, t, v }) => {
      const top = highestAt(v)
      const backToStartS = backAt({ t, v }, top)
      return {
        place,
        maxC: v[top],
        maxAtS: t[top],
        maxAtPercent: valueAt(shown, t[top]),
        riseC: v[top] - v[0],
        overAmbientC: v[top] - ambientC,
        uncertaintyC: thermometer ? celsiusUncertainty(thermometer, v[top]) : NaN,
        at: marksS.filter((atS) => atS <= t[t.length - 1] && atS >= t[0]).map((atS) => markAt({ t, v }, atS)),
        above: COUNTED_FROM_C.map((celsius) => ({ celsius, seconds: secondsFrom({ t, v }, celsius) })),
        backToStartS,
        backAtPercent: valueAt(shown, backToStartS),
      }
    })
    .sort((a, b) => b.maxC - a.maxC)
}

function markAt({ t, v }: Samples, atS: number): Heat['at'][number] {
  const until = v.subarray(0, firstAfter(t, atS))
  const thenC = valueAt({ t, v }, atS)
  return { atS, maxC: Math.max(until[highestAt(until)], thenC), thenC }
}

/** Seconds at or above a temperature, along straight lines between readings. */
function secondsFrom({ t, v }: Samples, celsius: number): number {
  let seconds = 0
  for (let i = 1; i < t.length; i++) {
    const [low, high] = v[i - 1] < v[i] ? [v[i - 1], v[i]] : [v[i], v[i - 1]]
    if (high < celsius) continue
    const share = low >= celsius ? 1 : (high - celsius) / (high - low)
    seconds += share * (t[i] - t[i - 1])
  }
  return seconds
}

function backAt({ t, v }: Samples, top: number): number {
  const back = v.findIndex((c, i) => i > top && c <= v[0])
  if (back < 0 || !(v[top] > v[0])) return NaN
  const fell = v[back - 1] - v[back]
  return t[back - 1] + (t[back] - t[back - 1]) * ((v[back - 1] - v[0]) / fell)
}
