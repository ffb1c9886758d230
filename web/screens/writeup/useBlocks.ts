import { computed, type ComputedRef } from 'vue'
import { BLOCK_KINDS, movedBlock, type Block, type BlockKind, type WriteUp } from '@core/logbook/writeUp'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'

/** What each kind of block is called where it is handled. */
export const BLOCK_NAMES: Record<BlockKind, string> = {
  answer: 'The answer',
  words: 'Own words',
  how: 'How it was done',
  paths: 'Charge curves',
  power: 'Power over the charge',
  panels: 'Frames side by side',
  ranking: 'In order',
  results: 'Times',
  saved: 'Time saved',
  advice: 'For whom which',
  parts: 'Parts of the curves',
  grid: 'What charges what',
  load: 'Under load',
  heat: 'How warm',
  odd: 'What is odd',
  uncertain: 'What is uncertain',
  cautions: 'Cautions',
}

export interface UseBlocksReturn {
  blocks: ComputedRef<readonly Block[]>
  /** Kinds that can still be added; own words as often as wanted. */
  missing: ComputedRef<BlockKind[]>
  change: (how: (now: WriteUp) => Partial<WriteUp>) => Promise<void>
  moveBy: (blockId: string, by: number) => Promise<void>
  leaveOut: (block: Block) => Promise<void>
  /** Own words, kept with the figures that stood when they were written; over those alone that were seen. */
  write: (block: Block, words: string, over: readonly string[]) => Promise<void>
  add: (kind: BlockKind) => Promise<void>
}

/** The blocks of a write-up, and what is done to them: each deed is stored at once. */
export function useBlocks(
  record: ComputedRef<WriteUp | undefined>,
  figures: ComputedRef<readonly string[]>,
): UseBlocksReturn {
  const logbook = useLogbook()
  const notices = useNotices()
  const blocks = computed(() => record.value?.blocks ?? [])

  /** Always of the write-up as it stands then: two changes at once must not undo one another. */
  async function change(how: (now: WriteUp) => Partial<WriteUp>, of = record.value) {
    if (!of) return
    try {
      await logbook.changeWriteUp(of.id, how)
    } catch (error) {
      notices.fail(error)
    }
  }
  return {
    blocks,
    missing: computed(() =>
      BLOCK_KINDS.filter((kind) => kind === 'words' || !blocks.value.some((b) => b.kind === kind)),
    ),
    change,
    moveBy: (blockId, by) => change((now) => ({ blocks: movedBlock(now.blocks, blockId, by) })),
    leaveOut: ({ id }) => change((now) => ({ blocks: now.blocks.filter((b) => b.id !== id) })),
    write: ({ id }, words, over) =>
      change(
        (now) => ({
          blocks: now.blocks.map((b) =>
            b.id === id && over.includes(b.words) ? { ...b, words, then: figures.value.join('\n') } : b,
          ),
        }),
        // What is typed last is sent as its field goes: another write-up may be on the screen by then.
        logbook.writeUps.find((w) => w.blocks.some((b) => b.id === id)),
      ),
    add: (kind) =>
      change((now) => ({ blocks: [...now.blocks, { id: crypto.randomUUID(), kind, words: '', then: '' }] })),
  }
}
