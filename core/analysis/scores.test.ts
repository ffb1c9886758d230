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
  // Names have numbers too, and displays group thousands.
  ['Benchmark score: Harbour 3 single 1,234', 'Harbour 3 single', 1234, '', 'higher'],
  ['Benchmark score: Harbour 3: 1,234,567 pts', 'Harbour 3', 1_234_567, 'pts', 'higher'],
  ['Benchmark score: tiles = 41.25 fps at 1080p', 'tiles', 41.25, 'fps', 'higher'],
  ['Benchmark score: v2 tiles 3.142', 'v2 tiles', 3.142, '', 'higher'],
  ['Benchmark score: build 12,345s', 'build', 12.345, 's', 'lower'],
  ['Benchmark score: 12\u202f345 points', '', 12_345, 'points', 'higher'],
  ['Benchmark score: Deck plans 1234.', 'Deck plans', 1234, '', 'higher'],
  ['Benchmark score: Deck plans 1,234points', 'Deck plans', 1234, 'points', 'higher'],
  ['Benchmark score: pace 2 (lower is better)', 'pace', 2, '', 'lower'],
])('reads %s', (text, name, value, unit, better) => {
  expect(scoreIn(noted(text))).toEqual({ t: 0, name, value, unit, better })
})

it('passes over what holds no number, and other events', () => {
  expect(
    scoresOf([
      noted('Benchmark score: crashed'),
      noted('Benchmark score: v2'),
      noted('x 1,2,3'),
      { t: 1, kind: 'own', text: 'charts 4 s' },
    ]),
  ).toEqual([])
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
