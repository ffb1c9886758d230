// What the verdict promises, counted over many simulated pairs, each share with its exact interval of 95 %.
import { leaderTrial, PAIR_TRIALS, pairTrial } from '@core/compare/verdictTrials.fixture'
import { exactInterval } from '@core/stats/binomial'

const PAIRS = 20_000
const CAMPAIGNS = 4000

const share = (count: number, of: number) => {
  const [low, high] = exactInterval(count, of).map((s) => (100 * s).toFixed(2))
  return `${((100 * count) / of).toFixed(2)} % (${low} to ${high})`
}

console.log(
  `Of ${PAIRS.toLocaleString('en')} pairs: equal ones told apart (at most 5 %), 15 % apart told (at least 95 %)`,
)
for (const trial of PAIR_TRIALS) {
  const { apart, told } = pairTrial(trial, PAIRS)
  const { runs, interval, spread } = trial
  console.log(
    `  ${runs} runs, every ${interval} s, repeating to ${spread}: ${share(apart, PAIRS)}, ${share(told, PAIRS)}`,
  )
}
console.log(
  `Of ${CAMPAIGNS.toLocaleString('en')} campaigns: the truly best among the leaders (at least 95 %)`,
)
for (const count of [3, 5, 8])
  console.log(`  ${count} set-ups: ${share(leaderTrial(count, CAMPAIGNS), CAMPAIGNS)}`)
