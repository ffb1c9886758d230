import { expect, test } from 'vitest'
import { missedWords, spokenCall } from './calls'

test('lanes are called by their places', () => {
  expect(spokenCall([3], 'read')).toBe('Lane 3: read.')
  expect(spokenCall([1, 2, 4], 'too hot')).toBe('Lanes 1, 2 and 4: too hot.')
})

test('what was missed is named by its minutes, and of much how much and the last', () => {
  const plain = (marks: number[]) => missedWords(marks).replaceAll('\u00a0', ' ')
  expect(plain([])).toBe('')
  expect(plain([300, 600, 900, 1200])).toBe('missed: 5 min, 10 min, 15 min, 20 min')
  expect(plain([300, 600, 900, 1200, 11400])).toBe('missed: 5 readings, the last at 3 h 10 min')
})
