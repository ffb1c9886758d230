import { expect, it } from 'vitest'
import { changedSince, movedBlock, usualBlocks, withBlock, writeUpSchema } from './writeUp'

let n = 0
const blocks = usualBlocks(() => `b${++n}`)
const kinds = (of: typeof blocks) => of.map((b) => b.kind).slice(0, 3)

it('moves a block by places, and no further than there are any', () => {
  expect(kinds(blocks)).toEqual(['answer', 'words', 'how'])
  expect(kinds(movedBlock(blocks, blocks[2].id, -1))).toEqual(['answer', 'how', 'words'])
  expect(kinds(movedBlock(blocks, blocks[0].id, -5))).toEqual(['answer', 'words', 'how'])
  expect(movedBlock(blocks, blocks[0].id, 99).at(-1)?.kind).toBe('answer')
  expect(movedBlock(blocks, 'none', 1)).toEqual(blocks)
})

it('has a block back where it stood, once', () => {
  const without = blocks.filter((b) => b.kind !== 'words')
  expect(withBlock(without, blocks[1], 1)).toEqual(blocks)
  expect(withBlock(without.slice(0, 1), blocks[1], 7).map((b) => b.kind)).toEqual(['answer', 'words'])
  expect(withBlock(blocks, blocks[1], 3)).toEqual(blocks)
})

it('names the figures that changed since words were written, and none where none were', () => {
  expect(changedSince('a: 1\nb: 2', ['a: 1', 'b: 3'])).toEqual(['b: 3'])
  expect(changedSince('', ['a: 1'])).toEqual([])
  // Earlier versions wrote the name of a set-up with a comma.
  expect(changedSince('H30, Long grey to 50 %: 2 min', ['H30 (Long grey) to 50 %: 2 min'])).toEqual([])
  expect(changedSince('H30, Long grey to 50 %: 2 min', ['H30 (Long grey) to 50 %: 3 min'])).toHaveLength(1)
})

it('needs a title, and takes what the program writes', () => {
  const now = '2026-03-02T19:00:00.000Z'
  const whole = {
    id: 'w',
    title: 'T',
    settings: 'runs=a',
    blocks,
    createdAt: now,
    changedAt: now,
    published: '',
  }
  expect(writeUpSchema.validateSync(whole)).toEqual(whole)
  expect(() => writeUpSchema.validateSync({ ...whole, title: ' ' })).toThrow(/title/)
})
