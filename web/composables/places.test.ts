import fc from 'fast-check'
import { expect, it } from 'vitest'
import { idsAsWord, idsInWord, placeOf } from './places'

it('finds the ids again that were put into an address, whatever is in them', () => {
  const ids = fc.array(fc.string({ minLength: 1, unit: 'grapheme' }))
  fc.assert(
    fc.property(ids, (ids) => {
      expect(idsInWord(idsAsWord(ids))).toEqual(ids)
    }),
  )
  // The program's own stand as they are, so that an address can be read.
  expect(idsAsWord(['demo-1', 'demo-2'])).toBe('demo-1,demo-2')
  expect(idsInWord('demo-1,,50%,a%2Cb')).toEqual(['demo-1', '50%', 'a,b'])
})

it('keeps an id in one step of a path', () => {
  expect(placeOf('sheet', 'evening/1?a#b')).toBe('/sheet/evening%2F1%3Fa%23b')
})
