import { expect, it } from 'vitest'
import { decodeText, encodingOf, isOneByte } from './encoding'

const of = (...bytes: number[]) => encodingOf(Uint8Array.from(bytes))
const MARK = { le: [0xff, 0xfe], be: [0xfe, 0xff] }

it('goes by both bytes of the mark, and only where they come first', () => {
  expect(of(...MARK.le, 0x41, 0x42)).toBe('utf-16le')
  expect(of(...MARK.be, 0x41, 0x42)).toBe('utf-16be')
  expect([of(0xff, 0x41), of(0x41, 0xfe), of(0xfe, 0x41), of(0x41, 0xff), of()]).toEqual(
    Array(5).fill('utf-8'),
  )
})

it('else by where more than half of one side is zero, and the other has none', () => {
  const pairs = (zeros: number, more: number[] = []) => [
    ...Array.from({ length: 8 }, (_, i) => (i < zeros ? [0x41, 0] : [0x41, 0x42])).flat(),
    ...more,
  ]
  const swapped = (bytes: number[]) => bytes.map((_, i) => bytes[i ^ 1])
  expect([of(...pairs(5)), of(...swapped(pairs(5)))]).toEqual(['utf-16le', 'utf-16be'])
  expect([of(...pairs(4)), of(...swapped(pairs(4)))]).toEqual(['utf-8', 'utf-8'])
  expect([of(...pairs(8, [0, 0x41])), of(...swapped(pairs(8, [0, 0x41])))]).toEqual(['utf-8', 'utf-8'])
  // The last byte of an odd number stands alone.
  expect(of(...pairs(5), 0)).toBe('utf-16le')
  // So much is looked at and no more.
  const long = Array.from({ length: 600 }, (_, i) => (i < 512 ? 0x41 : i % 2 ? 0 : 0x41))
  expect(of(...long)).toBe('utf-8')
})

it('reads letters of one byte each, as older spreadsheets write them, where they are no UTF-8', () => {
  const bytes = Uint8Array.from([...'R\xfcckseite (\xb0C)'].map((c) => c.charCodeAt(0)))
  expect(decodeText(bytes)).toBe('Rückseite (°C)')
  expect(decodeText(new TextEncoder().encode('Rückseite (°C)'))).toBe('Rückseite (°C)')
  // One broken place in UTF-8 leaves the rest what it is.
  expect(isOneByte('R\uFFFDckseite (°C)')).toBe(false)
  expect(isOneByte('Temp')).toBe(false)
})
