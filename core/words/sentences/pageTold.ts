import type { Quantity } from '../../compare/quantities'
import type { Goal, Ranking } from '../../compare/ranking'
import type { Result } from '../../compare/results'
import type { PagePath, PageTable } from '../page'
import type { doubtWords, Method } from './methodWords'

/** A figure of every line. */
export interface Column {
  quantity: Quantity
  results: readonly Result[]
}

/** What the blocks of a write-up are made from: a comparison as it stands, in figures and in words. */
export interface Told {
  goal: Goal
  /** Of the lines. */
  ranking: Ranking
  /** Of the set-ups, in their order. */
  names: readonly string[]
  /** What has a line in a table, and how many runs it stands for: each set-up, or each run of the only one. */
  lines: readonly { name: string; runs: number }[]
  /** The verdict in a sentence, and what to take. */
  answer: string
  choice: string
  /** What keeps from a verdict, by name, and whether that was accepted. */
  blocking: readonly string[]
  accepted: boolean
  methods: readonly Method[]
  /** The level that the clocks were set to, %; null where they run from power-on. */
  alignedAt: number | null
  paths: readonly PagePath[]
  panels: readonly { title: string; paths: readonly PagePath[] }[]
  /** Watts over the clock, and whose they are. */
  watts: readonly PagePath[]
  wattsAt: 'source' | 'battery'
  /** Where the clock of the pictures ends, s. */
  until: number
  /** The set-up that the others are held against. */
  baseAt: number
  /** Times to levels, and until the current stops. */
  levels: readonly Column[]
  currentStops: Column
  /** What some minutes bring, in points, Wh and hours of use; and where a lead did not last. */
  gains: readonly Column[]
  leads: readonly string[]
  /** That points are not energy; '' where batteries are alike. */
  sizes: string
  hottest: Column
  /** What was measured under load, and what benchmarks say of it. */
  load: {
    sentences: readonly string[]
    figures: readonly Column[]
  }
  purposes: readonly { purpose: string; answer: string }[]
  /** Rows of `PART_HEAD`, each with its set-up before it. */
  parts: readonly (readonly string[])[]
  grid: Omit<PageTable, 'caption'>
  odd: readonly string[]
  doubts: Parameters<typeof doubtWords>[0]
}
