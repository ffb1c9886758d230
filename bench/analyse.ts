// How long a trace takes to analyse: per reading, as it grows, and from a CSV on, beside the tokenizer alone.
import Papa from 'papaparse'
import { analyse } from '@core/analysis/analyse'
import { readTraceCsv } from '@core/formats/traceCsv'
import { writeTraceCsv } from '@core/formats/traceCsvOut'
import { randomFrom } from '@core/stats/random'
import type { Trace } from '@core/trace/trace'

/** A charge of three hours, read as often as it takes to come to so many readings. */
function charge(readings: number): Trace {
  const random = randomFrom(7)
  const column = (of: (share: number) => number) =>
    Float64Array.from({ length: readings }, (_, i) => of(i / (readings - 1)))
  const watts = (share: number) => (share < 0.4 ? 24 : share < 0.6 ? 16 : 16 * Math.exp(-6 * (share - 0.6)))
  const round = (value: number, digits: number) => Number(value.toFixed(digits))
  const power = column((s) => round(watts(s) * (1 + 0.01 * random.normal()), 3))
  return {
    time: column((s) => round(s * 10_800, 3)),
    percent: column((s) => Math.min(100, Math.floor(3 + 106 * (1 - Math.exp(-2.6 * s))))),
    voltage: column((s) => (s < 0.7 ? 9 : 5)),
    current: power.map((w, i) => round(w / (i < 0.7 * readings ? 9 : 5), 3)),
    power,
    temperatures: { back: column((s) => round(24 + 16 * Math.sin(3 * s), 1)) },
  }
}

/** Seconds of the quickest of some tries. */
function seconds(work: () => unknown, tries = 5): number {
  let best = Infinity
  for (let i = 0; i < tries; i++) {
    const began = performance.now()
    work()
    best = Math.min(best, (performance.now() - began) / 1000)
  }
  return best
}

/** µs a reading: a short trace is tried so often that both are as warm. */
const per = (readings: number) => {
  const trace = charge(readings)
  const tries = Math.max(5, 2_000_000 / readings)
  return (seconds(() => analyse(trace, { usableWh: 16 }), tries) / readings) * 1e6
}
per(10_000)
const [small, large] = [per(10_000), per(1_000_000)]
console.log(`Analysing a trace:
  1,000,000 readings take ${(large / 2).toFixed(2)} × the target of 2 µs each on this machine
  a reading among 1,000,000 takes ${(large / small).toFixed(2)} × one among 10,000`)

const csv = writeTraceCsv(charge(200_000))
const tokens = seconds(() => Papa.parse(csv, { header: false, skipEmptyLines: true }))
const read = seconds(() => readTraceCsv(csv))
const whole = seconds(() => analyse(readTraceCsv(csv).trace, { usableWh: 16 }))
console.log(`From a CSV of 200,000 readings to a finished analysis:
  ${(whole / tokens).toFixed(2)} × the tokenizer alone, reading it ${(read / tokens).toFixed(2)} ×`)
