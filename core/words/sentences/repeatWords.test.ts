import { expect, it } from 'vitest'
import type { Analysis } from '../../analysis/analyse'
import { GOALS } from '../../compare/ranking'
import { repeatsOf } from '../../compare/repeats'
import { repeatSentence } from './repeatWords'

const goal = (key: string) => GOALS.find((g) => g.key === key)!
const run = (fullS: number, maxC = 40) =>
  ({
    milestones: [{ percent: 100, timeS: fullS, uncertaintyS: 5, ...(Number.isNaN(fullS) ? { reason: 'ended' } : {}) }],
    heat: [{ maxC, uncertaintyC: 0.5 }],
  }) as unknown as Analysis // prettier-ignore
const learnt = { share: 0.02, freedom: 20, assumed: false }
const said = (key: string, runs: Analysis[], usual = learnt) => {
  const repeats = repeatsOf(goal(key), runs)
  return repeats && repeatSentence(goal(key), repeats, 'Hawser 20', usual).replaceAll('\u00a0', ' ')
}

it('says how far apart the repeats of one set-up came out, beside how far runs usually do', () => {
  // 4,000, 4,100 and 4,200 s: a mean of 4,100 and a standard deviation of 100, which is 2.4 %.
  const runs = [run(4200), run(4000), run(4100), run(NaN)]
  const words =
    'To full, the 3 runs of Hawser 20 took 1 h 7 min to 1 h 10 min: they vary by 2.4 %, one standard deviation.'
  expect(said('full', runs)).toBe(`${words} Other runs vary by 2.0 %.`)
  expect(said('full', runs, { ...learnt, assumed: true })).toBe(words)
  expect(said('full', [run(4200), run(4200)])).toContain('took 1 h 10 min each: they vary by 0.0 %')
  expect(said('coolest', [run(1, 40), run(1, 42)])).toBe(
    'Of heat, the 2 runs of Hawser 20 became 40.0 °C to 42.0 °C warm: they vary by 1.4 °C, one standard deviation.',
  )
  expect(said('full', [run(4200), run(NaN)])).toBeNull()
})
