import 'fake-indexeddb/auto'
import { beforeEach, expect, it } from 'vitest'
import { computed, ref } from 'vue'
import { useLogbook } from '../../stores/logbook'
import { openWith } from '../../stores/logbook.fixture'
import { useNotices } from '../../stores/notices'
import { useWriteUps } from '../../stores/writeUps'
import { useBlocks } from './useBlocks'

beforeEach(() => openWith('a', 'b'))

/** Two write-ups, the blocks of the one that stands on the screen, and its own words. */
async function twoWriteUps() {
  const logbook = useLogbook()
  const [first, second] = [await useWriteUps().begin('First', ''), await useWriteUps().begin('Second', '')]
  const shown = ref(first)
  const of = useBlocks(computed(() => logbook.writeUp(shown.value)), computed(() => ['To full: 1 h'])) // prettier-ignore
  const wordsOf = (id: string) => logbook.writeUp(id)!.blocks.find((b) => b.kind === 'words')
  return { of, shown, first, second, wordsOf }
}

it('brings a block that was left out back to its place, with the words of an hour', async () => {
  const { of, first, wordsOf } = await twoWriteUps()
  const before = of.blocks.value.map((b) => b.id)
  await of.write(wordsOf(first)!, 'What the crew asked.', [''])
  await of.leaveOut(wordsOf(first)!)
  expect([wordsOf(first), of.blocks.value.length]).toEqual([undefined, before.length - 1])
  expect(useNotices().current?.text).toBe('“Own words” was left out.')
  await useNotices().undo()
  expect(of.blocks.value.map((b) => b.id)).toEqual(before)
  expect(wordsOf(first)).toMatchObject({ words: 'What the crew asked.', then: 'To full: 1 h' })
})

it('writes into the write-up that holds the block, though another is on the screen by then', async () => {
  const { of, shown, first, second, wordsOf } = await twoWriteUps()
  const block = wordsOf(first)!
  shown.value = second
  await of.write(block, 'typed last', [''])
  expect([wordsOf(first)?.words, wordsOf(second)?.words]).toEqual(['typed last', ''])
})
