import { expect, it } from 'vitest'
import { list } from './lists'

it('lists names as a sentence does', () => {
  expect([[], ['a'], ['a', 'b'], ['a', 'b', 'c']].map(list)).toEqual(['', 'a', 'a and b', 'a, b and c'])
})
