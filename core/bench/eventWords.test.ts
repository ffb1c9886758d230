import { expect, it } from 'vitest'
import { eventKind, eventWordsSchema } from './eventWords'

const said = (kind: string, words: string) => eventWordsSchema(kind).validateSync({ words }).words

it('asks for words where a kind needs them, and for a number where it is a score', () => {
  expect(said('own', ' misread ')).toBe('misread')
  expect(() => said('own', '  ')).toThrow('a word or two')
  expect(() => said('own', 'x'.repeat(121))).toThrow('at most 120')
  expect(said('cable', '')).toBe('')
  expect(said('score', 'Deck plans 3: 1,234')).toBe('Deck plans 3: 1,234')
  expect(() => said('score', 'crashed')).toThrow('Write it like Deck plans 1234 points')
  expect([eventKind('load-stop')?.text, eventKind('kettle')]).toEqual(['Load stopped', null])
})
