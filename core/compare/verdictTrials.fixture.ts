import { randomFrom, type Random } from '../stats/random'
import { leadingGroup, verdict, type Figures } from './verdict'

/** Simulated pairs and campaigns by which the verdict's promises are counted, by tests and by the benchmark. */
export interface PairTrial {
  /** Seconds between readings. */
  interval: number
  /** Of each set-up. */
  runs: number
  /** How well runs repeat, as a share. */
  spread: number
}

export const PAIR_TRIALS: readonly PairTrial[] = [1, 300].flatMap((interval) =>
  [1, 2, 3, 5].flatMap((runs) => [0.01, 0.02].map((spread) => ({ interval, runs, spread }))),
)

/** Times as they come out: they repeat to `spread`, and are read at checks of `interval`, the middle of the bracket. */
function measured(random: Random, truth: number, { runs, spread, interval }: PairTrial): Figures {
  const values = Array.from({ length: runs }, () => {
    const time = truth * (1 + spread * random.normal())
    return interval > 1 ? (Math.floor(time / interval) + 0.5) * interval : time
  })
  return { values, uncertainty: Math.hypot(interval / Math.sqrt(12), 5 / Math.sqrt(12)) }
}

/** Of so many pairs: how many equal ones were told apart, and how many that are 15 % apart. */
export function pairTrial(trial: PairTrial, pairs: number): { apart: number; told: number } {
  const random = randomFrom(100 * trial.runs + trial.interval)
  let [apart, told] = [0, 0]
  for (let i = 0; i < pairs; i++) {
    const truth = 4000 + 4000 * random.uniform()
    const set = (of: number) => measured(random, of, trial)
    if (verdict(set(truth), set(truth)).verdict !== 'cannot-tell') apart++
    if (verdict(set(truth), set(truth * 1.15)).verdict !== 'cannot-tell') told++
  }
  return { apart, told }
}

/** In how many of the campaigns of `count` set-ups, equal ones in every second, the truly best is among the leaders. */
export function leaderTrial(count: number, campaigns: number): number {
  const random = randomFrom(count)
  let led = 0
  for (let i = 0; i < campaigns; i++) {
    const truths = Array.from({ length: count }, () => (i % 2 ? 6000 : 5000 + 3000 * random.uniform()))
    const best = truths.indexOf(Math.min(...truths))
    const figures = truths.map((t) => measured(random, t, { runs: 2, spread: 0.02, interval: 60 }))
    if (leadingGroup(figures, 'lower').includes(best)) led++
  }
  return led
}
