import { expect, test } from 'vitest'
import { spokenCall } from './calls'

test('lanes are called by their places', () => {
  expect(spokenCall([3], 'read')).toBe('Lane 3: read.')
  expect(spokenCall([1, 2, 4], 'too hot')).toBe('Lanes 1, 2 and 4: too hot.')
})
