import { expect, it } from 'vitest'
import { outlookOf } from './outlook'

it('tells of what comes to the same together, and counts every pair', () => {
  const figure = (id: string, value: number, repeats = 1) => ({ id, value, repeats })
  // Whatever lies less than 400 apart is left open.
  const near = (of: readonly { id: string; value: number }[]) =>
    of.flatMap((a, i) =>
      of.slice(i + 1).flatMap((b) => (b.value - a.value < 400 ? [{ a: a.id, b: b.id }] : [])),
    )
  const told = outlookOf(
    [figure('weak', 9000), figure('c', 4820), figure('a', 4800), figure('b', 4824), figure('d', 5100), figure('none', NaN)],
    near,
  ) // prettier-ignore
  expect(told).toMatchObject({
    // Of five there are ten pairs, of the sixth nothing is expected: three of a, b and c, and each of them with d.
    all: 10,
    undecided: 6,
    alike: [['a', 'c', 'b']],
    open: [{ a: ['a', 'c', 'b'], b: ['d'] }],
  })
  // One that is repeated otherwise is judged otherwise.
  expect(outlookOf([figure('a', 4800), figure('b', 4800, 3)], near)).toMatchObject({
    alike: [],
    undecided: 1,
  })
  expect(outlookOf([], near)).toEqual({ all: 0, undecided: 0, alike: [], open: [] })
})
