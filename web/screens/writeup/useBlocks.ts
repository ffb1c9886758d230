import { computed, type ComputedRef } from 'vue'
import {
  BLOCK_KINDS,
  movedBlock,
  withBlock,
  type Block,
  type BlockKind,
  type WriteUp,
} from '@core/logbook/writeUp'
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
  gains: 'What some minutes bring',
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
  /** Whether it was stored; what kept it from that is said. */
  change: (how: (now: WriteUp) => Partial<WriteUp>) => Promise<boolean>
  moveBy: (blockId: string, by: number) => Promise<boolean>
  /** Can be undone. */
  leaveOut: (block: Block) => Promise<void>
  /** Own words, kept with the figures that stood when they were written; over those alone that were seen. */
  write: (block: Block, words: string, over: readonly string[]) => Promise<boolean>
  add: (kind: BlockKind) => Promise<boolean>
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
  async function change(how: (now: WriteUp) => Partial<WriteUp>, of = record.value): Promise<boolean> {
    if (!of) return false
    try {
      await logbook.changeWriteUp(of.id, how)
      return true
    } catch (error) {
      notices.fail(error)
      return false
    }
  }
  /** Own words go with their block: it comes back as it stood, to its place. */
  async function leaveOut({ id, kind }: Block) {
    const of = record.value
    let left: Block | undefined
    let at = 0
    const isDone = await change(({ blocks: now }) => {
      at = now.findIndex((b) => b.id === id)
      left = now[at]
      return { blocks: now.filter((b) => b.id !== id) }
    }, of)
    const block = left
    if (!isDone || !block) return
    notices.say(`“${BLOCK_NAMES[kind]}” was left out.`, async () => {
      if (!of) return
      await logbook.changeWriteUp(of.id, ({ blocks: now }) => ({ blocks: withBlock(now, block, at) }))
    })
  }
  return {
    blocks,
    missing: computed(() =>
      BLOCK_KINDS.filter((kind) => kind === 'words' || !blocks.value.some((b) => b.kind === kind)),
    ),
    change,
    moveBy: (blockId, by) => change((now) => ({ blocks: movedBlock(now.blocks, blockId, by) })),
    leaveOut,
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
