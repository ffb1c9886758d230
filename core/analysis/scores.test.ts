import { expect, it } from 'vitest'
import type { TraceEvent } from '../trace/trace'
import { scoreIn, scoresOf, summarise } from './scores'

const noted = (text: string, t = 0): TraceEvent => ({ t, kind: 'score', text })

it.each([
  ['Benchmark score: charts 41,5 s', 'charts', 41.5, 's', 'lower'],
  ['Benchmark score: Deck plans 1234', 'Deck plans', 1234, '', 'higher'],
  ['Benchmark score: Deck plans: 1234 points', 'Deck plans', 1234, 'points', 'higher'],
  ['Benchmark score: loss = −2.5 dB lower', 'loss', -2.5, 'dB', 'lower'],
  ['Benchmark score: queue 12 lower', 'queue', 12, '', 'lower'],
  ['Benchmark score: frames 59.9 fps (higher is better)', 'frames', 59.9, 'fps', 'higher'],
  ['Benchmark score: 88', '', 88, '', 'higher'],
])('reads %s', (text, name, value, unit, better) => {
  expect(scoreIn(noted(text))).toEqual({ t: 0, name, value, unit, better })
})

it('passes over what holds no number, and other events', () => {
  expect(scoresOf([noted('Benchmark score: crashed'), { t: 1, kind: 'own', text: 'charts 4 s' }])).toEqual([])
})

it('brings results of one benchmark together, with their spread', () => {
  const runs = [
    noted('charts 12 s', 30),
    noted('Charts 10 s', 10),
    noted('charts 14 s', 20),
    noted('plans 7', 5),
  ]
  expect(scoresOf(runs).map((s) => s.t)).toEqual([5, 10, 20, 30])
  // 10, 12 and 14: mean 12, sample standard deviation 2.
  expect(summarise(scoresOf(runs))).toEqual([
    { name: 'plans', unit: '', better: 'higher', count: 1, mean: 7, deviation: NaN },
    { name: 'Charts', unit: 's', better: 'lower', count: 3, mean: 12, deviation: 2 },
  ])
})
