import jStat from 'jstat'

/**
 * The interval in which a share lies, by what was counted: exact, from the beta distribution (Clopper and Pearson 1934,
 * from memory; e-Handbook of statistical methods 7.2.4.1).
 *
 * @param count of `trials`, whole numbers
 * @param confidence 0–1
 * @returns shares 0–1
 * @example exactInterval(4, 20, 0.9) // [0.0714, 0.4010]
 */
export function exactInterval(count: number, trials: number, confidence = 0.95): [low: number, high: number] {
  const tail = (1 - confidence) / 2
  return [
    count === 0 ? 0 : jStat.beta.inv(tail, count, trials - count + 1),
    count === trials ? 1 : jStat.beta.inv(1 - tail, count + 1, trials - count),
  ]
}
