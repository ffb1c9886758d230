import { array, mixed, object, string, type ObjectSchema } from 'yup'
import { freeText, id, moment } from '../trace/fields'

/** What a write-up is made of: blocks that are made from the logbook, and the reviewer's own words. */
export const BLOCK_KINDS = ['answer', 'words', 'how', 'paths', 'power', 'panels', 'ranking', 'results', 'saved', 'gains', 'advice', 'parts', 'grid', 'load', 'heat', 'odd', 'uncertain', 'cautions'] as const // prettier-ignore
export type BlockKind = (typeof BLOCK_KINDS)[number]

/** One block in its place. */
export interface Block {
  id: string
  kind: BlockKind
  /** Markdown; '' for a block that is made from the logbook. */
  words: string
  /** Lines of the figures as they stood when the words were written: what changed since is told. */
  then: string
}

/** What others are to see of a comparison. It outlives its runs: those that are gone are left out. */
export interface WriteUp {
  id: string
  title: string
  /** The comparison it is about, as its address says it: runs, baseline, goal, thresholds. */
  settings: string
  blocks: Block[]
  createdAt: string
  changedAt: string
  /** Lines of the figures as they stood when its data were last taken out for others; '' where they never were. */
  published: string
}

const LONGEST = 20_000
/** Addresses of hundreds of runs, and lines of all their figures. */
const LONGEST_LIST = 400_000

export const writeUpSchema: ObjectSchema<WriteUp> = object({
  id: id(),
  title: string().trim().required('Give it a title.').max(200, 'is longer than 200'),
  settings: freeText(LONGEST_LIST),
  blocks: array(
    object({
      id: id(),
      kind: mixed<BlockKind>()
        .oneOf([...BLOCK_KINDS])
        .required(),
      words: freeText(LONGEST),
      then: freeText(LONGEST_LIST),
    }),
  )
    .defined()
    .default([])
    .max(100),
  createdAt: moment(),
  changedAt: moment(),
  published: freeText(LONGEST_LIST),
})

/** Every block that is made from the logbook, in the order in which one reads, with room for own words. */
export const usualBlocks = (newId: () => string): Block[] =>
  BLOCK_KINDS.map((kind) => ({ id: newId(), kind, words: '', then: '' }))

/** A block moved by some places, as far as there are any. */
export function movedBlock(blocks: readonly Block[], blockId: string, by: number): Block[] {
  const from = blocks.findIndex((b) => b.id === blockId)
  if (from < 0) return [...blocks]
  const to = Math.max(0, Math.min(blocks.length - 1, from + by))
  const rest = blocks.filter((b) => b.id !== blockId)
  return [...rest.slice(0, to), blocks[from], ...rest.slice(to)]
}

/** With a block that was left out back in its place, or last where there are fewer now; as they are where it is there. */
export function withBlock(blocks: readonly Block[], block: Block, at: number): Block[] {
  if (blocks.some((b) => b.id === block.id)) return [...blocks]
  return [...blocks.slice(0, at), block, ...blocks.slice(at)]
}

/** Lines of figures that are no longer as they were when words were written about them. */
export function changedSince(then: string, now: readonly string[]): string[] {
  if (then === '') return []
  const before = new Set(then.split('\n').map(spelt))
  return now.filter((line) => !before.has(spelt(line)))
}

/** Names of set-ups were once written with commas where they have brackets now: that is no other figure. */
const spelt = (line: string): string => line.replace(/[(),;]/g, '')
