import { medianInterval, type Samples } from '../../trace/samples'

/** Readings gathered into stretches of equal length, each with its median: a spike of a second does not move it. */
export interface Bins extends Samples {
  /** Where each begins and ends, s; for readings that stand by themselves, their own moment. */
  startS: Float64Array
  endS: Float64Array
}

/**
 * Medians over `seconds`, near linear in samples. Readings further apart than that stand by themselves. Stretches
 * without a reading are left out.
 *
 * @example binsOf({ t: Float64Array.of(0, 10, 20), v: Float64Array.of(5, 50, 6) }, 30).v // [6]
 */
export function binsOf(samples: Samples, seconds: number): Bins {
  const { t, v } = samples
  if (!(medianInterval(samples) < seconds)) return { t, v, startS: t, endS: t }
  // A year without a reading needs no room.
  const most = Math.min(t.length, Math.floor((t[t.length - 1] - t[0]) / seconds) + 1)
  const [at, value, startS, endS] = Array.from({ length: 4 }, () => new Float64Array(most))
  let n = 0
  for (let from = 0; from < t.length;) {
    const bin = Math.floor((t[from] - t[0]) / seconds)
    let to = from + 1
    while (to < t.length && Math.floor((t[to] - t[0]) / seconds) === bin) to++
    startS[n] = t[0] + bin * seconds
    endS[n] = Math.min(startS[n] + seconds, t[t.length - 1])
    at[n] = (startS[n] + endS[n]) / 2
    value[n++] = medianOf(v.slice(from, to))
    from = to
  }
  return { t: at.slice(0, n), v: value.slice(0, n), startS: startS.slice(0, n), endS: endS.slice(0, n) }
}

/** Sorts what it is given. */
function medianOf(values: Float64Array): number {
  values.sort()
  const half = values.length >> 1
  return values.length % 2 === 1 ? values[half] : (values[half - 1] + values[half]) / 2
}
