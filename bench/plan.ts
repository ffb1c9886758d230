import { performance } from 'node:perf_hooks'
import { max, mean } from 'simple-statistics'
import { schedule } from '@core/plan/scheduler'
import type { Job, Window } from '@core/plan/timetable'
import { randomFrom } from '@core/stats/random'

/** Random campaigns: their timetables against the lower bound, and the time of 200 runs against that of 50. */
const INSTANCES = 60
const DAY = 86_400
const HOUR = 3600

function windows(): Window[] {
  return Array.from({ length: 600 }, (_, i) => {
    const weekend = i % 7 > 4
    const startS = i * DAY + (weekend ? 10 : 18.5) * HOUR
    return { startS, endS: i * DAY + 22.5 * HOUR, day: String(i) }
  })
}

function instance(seed: number) {
  const random = randomFrom(seed)
  const whole = (low: number, high: number) => low + Math.floor(random.uniform() * (high - low + 1))
  const [devices, sources, repeats] = [whole(1, 6), whole(2, 12), whole(1, 3)]
  const gear = Array.from({ length: devices }, () => ({ minutes: whole(60, 200), prepS: whole(2, 6) * HOUR }))
  const jobs: Job[] = gear.flatMap(({ minutes, prepS }, d) =>
    Array.from({ length: sources * repeats }, (_, k) => {
      const s = k % sources
      const chargeS = Math.min(4 * HOUR, Math.round(minutes * 60 * (0.6 + 0.12 * s)))
      return { id: `${d} ${k}`, device: `d${d}`, source: `s${s}`, pair: `${d} ${s}`, chargeS, prepS }
    }),
  )
  return { jobs, means: { atOnce: whole(1, 4), units: { d0: whole(1, 2) } } }
}

const free = windows()
const over = Array.from({ length: INSTANCES }, (_, k) => {
  const { jobs, means } = instance(k + 1)
  const plan = schedule(jobs, free, means, { seed: k + 1 })
  if (plan.unplaceable.length > 0) throw new Error('A run that fits a stretch was not placed.')
  return plan.freeS / plan.bounds[0].freeS
})

function timeOf(runs: number): number {
  const jobs: Job[] = Array.from({ length: runs }, (_, i) => {
    const [d, s] = [i % 4, Math.floor(i / 4) % 10]
    return { id: String(i), device: `d${d}`, source: `s${s}`, pair: `${d} ${s} ${i}`, chargeS: (60 + 9 * s) * 60, prepS: 5 * HOUR }
  }) // prettier-ignore
  // The best of some: what else this machine does is no part of it.
  const tries = Array.from({ length: 4 }, () => {
    const began = performance.now()
    schedule(jobs, free, { atOnce: 3, units: {} }, { seed: 1 })
    return performance.now() - began
  })
  return Math.min(...tries)
}
const [small, large] = [timeOf(50), timeOf(200)]

console.log(
  `Timetables of ${INSTANCES} random campaigns, free time until the end against the least possible:`,
)
console.log(`  mean ${mean(over).toFixed(3)} ×, longest ${max(over).toFixed(3)} ×`)
console.log(
  `200 runs laid out against 50: ${(large / small).toFixed(1)} × the time (${large.toFixed(0)} ms here)`,
)
