import { bisectLeft, bisectRight, max, median, quickselect } from 'd3-array'

/** The readings of one channel that were really taken: times in seconds and their values. */
export interface Samples {
  t: Float64Array
  v: Float64Array
}

/** Keeps the rows of `column` that were read: where all were, the columns themselves and not copies. */
export function samplesOf(time: Float64Array, column: Float64Array | undefined): Samples {
  if (!column) return { t: new Float64Array(0), v: new Float64Array(0) }
  if (allRead(time) && allRead(column) && time.length === column.length) return { t: time, v: column }
  const t = new Float64Array(time.length)
  const v = new Float64Array(time.length)
  let n = 0
  for (let i = 0; i < time.length; i++) {
    if (Number.isNaN(column[i]) || Number.isNaN(time[i])) continue
    t[n] = time[i]
    v[n] = column[i]
    n++
  }
  return { t: t.slice(0, n), v: v.slice(0, n) }
}

/** Columns are never changed in place: what was found of a long one is asked for by every figure and every picture. */
const whole = new WeakMap<Float64Array, boolean>()

/** Whether a column has a value in every row. */
export function allRead(column: Float64Array): boolean {
  let found = whole.get(column)
  // `includes` finds NaN, and is a fifth of a call for every value.
  if (found === undefined) whole.set(column, (found = !column.includes(NaN)))
  return found
}

/** Whether a column, where there is one, has a value in any row: usually told by its first. */
export const anyRead = (column: Float64Array | undefined): boolean =>
  column?.some((value) => !Number.isNaN(value)) ?? false

/** The least of a column; NaN where it is empty. Values that were not read are passed over. */
export function leastOf(column: Float64Array): number {
  let least = NaN
  for (let i = 0; i < column.length; i++)
    if (!(column[i] >= least) && !Number.isNaN(column[i])) least = column[i]
  return least
}

/** Index of the highest value of a column that was read throughout, the earliest of equals; 0 where it is empty. */
export function highestAt(column: Float64Array): number {
  let top = 0
  for (let i = 1; i < column.length; i++) if (column[i] > column[top]) top = i
  return top
}

/** The same of the step between readings. */
const known = new WeakMap<Float64Array, number>()

/** Median spacing of the samples in seconds, two at one instant left out; NaN with fewer than two instants. */
export function medianInterval({ t }: Samples): number {
  const found = known.get(t) ?? medianStep(t)
  known.set(t, found)
  return found
}

function medianStep(t: Float64Array): number {
  const steps = new Float64Array(Math.max(0, t.length - 1))
  let count = 0
  for (let i = 1; i < t.length; i++) if (t[i] > t[i - 1]) steps[count++] = t[i] - t[i - 1]
  if (count === 0) return NaN
  // The half that is needed, not the whole order: of a million steps in a fraction of the time.
  const half = count >> 1
  const parted = steps.subarray(0, count)
  // d3-array parts typed arrays in place as well; its types know of plain ones alone.
  quickselect(parted as unknown as number[], half)
  if (count % 2 === 1) return parted[half]
  return (max(parted.subarray(0, half))! + parted[half]) / 2
}

/** Index of the first element of the sorted `t` that is at or after `at` (t.length when none is). */
export const firstAtOrAfter = (t: Float64Array, at: number): number => bisectLeft(t, at)

/** The same of the first element after `at`. */
export const firstAfter = (t: Float64Array, at: number): number => bisectRight(t, at)

/**
 * Straight-line value at `at` seconds; NaN outside the samples: nothing is extrapolated. Where two were read at one
 * instant, a step, it is the first of them: the limit from the left.
 */
export function valueAt({ t, v }: Samples, at: number): number {
  const right = firstAtOrAfter(t, at)
  if (right === t.length) return NaN
  if (t[right] === at) return v[right]
  if (right === 0) return NaN
  const left = right - 1
  return v[left] + ((v[right] - v[left]) * (at - t[left])) / (t[right] - t[left])
}

/** The same, where two were read at one instant, with the last of them: the limit from the right. */
export function valueAfter(samples: Samples, at: number): number {
  const last = bisectRight(samples.t, at) - 1
  return last >= 0 && samples.t[last] === at ? samples.v[last] : valueAt(samples, at)
}

/** As many steps tell what is usual: of a million readings the page would wait for all of them. */
const MOST_STEPS = 10_000
function someSteps(time: Float64Array): number[] {
  const every = Math.max(1, Math.floor(time.length / MOST_STEPS))
  const steps: number[] = []
  for (let i = 1; i < time.length; i += every) if (time[i] > time[i - 1]) steps.push(time[i] - time[i - 1])
  return steps
}

/** The step a trace was usually read at, whatever it left out: hundredths of a second to 7200 s, whole from one second up; a minute where it cannot be told. */
export const usualStep = ({ time }: { time: Float64Array }): number => {
  const usual = median(someSteps(time)) ?? 60
  const tidy = usual < 0.95 ? Math.round(usual * 100) / 100 : Math.round(usual)
  return Math.min(7200, Math.max(0.01, tidy))
}
