import { expect, it } from 'vitest'
import type { Quantity, Side } from './quantities'
import { resultsOf } from './results'

const quantity = (kind: Quantity['kind']): Quantity => ({
  key: 'full', label: 'to 100 %', group: 'times', kind, better: 'lower',
  worthNoticing: { atLeast: 300, share: 0.05 },
  figure: (side) => ({ value: side as unknown as number, uncertainty: 5 }),
}) as Quantity // prettier-ignore
/** Set-ups by their times, s. */
const results = (times: number[][], baseline = 0, kind: Quantity['kind'] = 'time') =>
  resultsOf(times as unknown as Side[][], baseline, quantity(kind))

it('pools the repeats of a set-up, says how well it is known, and sets it against the baseline', () => {
  // Worked by hand: 2 % with 8 degrees of freedom, and two repeats 100 s apart, make 1.915 % with 9; Student's t is 2.262
  // (a table, from memory). Of the first, 2.262 × 1.915 % × 6,000 s and twice 5 s; of the second over √2.
  const [first, second, never] = results([[6000], [7000, 7100], [NaN]])
  expect(first).toMatchObject({ runs: 1, value: 6000, difference: 0, atLeast: 0, verdict: 'baseline' })
  expect(first.spread).toBeCloseTo(260.1, 0)
  expect(second).toMatchObject({ runs: 2, value: 7050, difference: 1050, verdict: 'clear' })
  expect(second.spread).toBeCloseTo(216.2, 0)
  // All of that in quadrature is 338 s of the 1,050.
  expect(second.atLeast).toBeCloseTo(1050 - 338.2, 0)
  expect(second.against).toMatchObject({ savedS: -1050, savedShare: -0.175 })
  expect(never).toMatchObject({ runs: 0, value: NaN, spread: NaN, verdict: 'not-reached', atLeast: 0 })
  expect(never.against).toMatchObject({ savedS: NaN })
})

it('tells nothing apart from a baseline that never came there, nor what differs by too little', () => {
  const [without] = results([[6000], [NaN]], 1)
  expect(without).toMatchObject({ value: 6000, difference: NaN, atLeast: 0, verdict: 'cannot-tell' })
  const [, , never] = results([[6000], [6100], [NaN]])
  const [, close] = results([[6000], [6100]])
  expect(close).toMatchObject({ difference: 100, atLeast: 0, verdict: 'cannot-tell' })
  // Why nobody has a figure is told where the figure can tell it, and by the first of its runs.
  const why = (times: number[]) =>
    resultsOf([times] as unknown as Side[][], 0, { ...quantity('time'), why: (side) => `run ${side as unknown as number}` })[0].why // prettier-ignore
  expect([why([NaN, 6000]), why([NaN]), never.why]).toEqual(['', 'run NaN', ''])
  // Minutes saved, the share and the ratio are of times alone.
  expect(results([[20], [30], [NaN]], 0, 'watts').map(({ against }) => against)).toEqual([null, null, null])
})
