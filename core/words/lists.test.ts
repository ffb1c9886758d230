import { expect, it } from 'vitest'
import { counted, list, listSome } from './lists'

it('lists names as a sentence does', () => {
  expect([[], ['a'], ['a', 'b'], ['a', 'b', 'c']].map(list)).toEqual(['', 'a', 'a and b', 'a, b and c'])
})

it('names the first few of many, and counts the others', () => {
  const names = (count: number) => Array.from({ length: count }, (_, i) => String(i + 1))
  expect(listSome(names(6))).toBe('1, 2, 3, 4, 5 and 6')
  expect(listSome(names(40))).toBe('1, 2, 3, 4, 5 and 35 others')
  expect(listSome([])).toBe('')
})

it('counts one without an s', () => {
  expect([0, 1, 2].map((n) => counted(n, 'run'))).toEqual(['0 runs', '1 run', '2 runs'])
  expect(counted(1, 'reading was', 'readings were')).toBe('1 reading was')
})
