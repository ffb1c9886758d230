import { expect, it } from 'vitest'
import { nextTick, ref } from 'vue'
import { useKeptWords } from './useKeptWords'

/** A block's words in storage, and a tab that writes them: at once, or once `arrive` is called. */
function tab(stored = ref('as it was')) {
  const sent: string[] = []
  const over: (readonly string[])[] = []
  const words = useKeptWords(
    () => stored.value,
    (now, of) => {
      sent.push(now)
      over.push(of)
    },
  )
  const arrive = async (now: string) => {
    stored.value = now
    await nextTick()
  }
  return { ...words, stored, sent, over, arrive }
}

it('follows another tab while nothing is typed, and keeps what is typed once', async () => {
  const { typed, theirs, keep, sent, arrive } = tab()
  await arrive('from there')
  expect([typed.value, theirs.value]).toEqual(['from there', null])
  keep()
  typed.value = 'from here'
  keep()
  expect(sent).toEqual(['from here'])
  await arrive('from here')
  keep()
  expect([typed.value, sent.length]).toEqual(['from here', 1])
})

it('goes on typing while its own words are stored', async () => {
  const { typed, theirs, keep, over, arrive } = tab()
  typed.value = 'one'
  keep()
  typed.value = 'one two'
  keep()
  await arrive('one')
  expect([typed.value, theirs.value]).toEqual(['one two', null])
  // Over what stood there, and over its own that may have come to stand there since: over nothing else.
  expect(over).toEqual([['as it was'], ['as it was', 'one']]) // prettier-ignore
})

it('asks before it overwrites what another tab wrote meanwhile, and overwrites nothing typed here', async () => {
  const { typed, theirs, keep, settle, sent, arrive } = tab()
  typed.value = 'mine'
  await arrive('theirs')
  keep()
  expect([typed.value, theirs.value, sent]).toEqual(['mine', 'theirs', []])
  settle('mine\n\ntheirs')
  expect([typed.value, theirs.value, sent]).toEqual(['mine\n\ntheirs', null, ['mine\n\ntheirs']])
  // Both came to the same.
  typed.value = 'alike'
  await arrive('alike')
  expect(theirs.value).toBeNull()
})

it('takes over words of its own that another tab brought back', async () => {
  const { typed, keep, arrive } = tab()
  for (const words of ['one', 'two']) {
    typed.value = words
    keep()
    await arrive(words)
  }
  await arrive('one')
  expect(typed.value).toBe('one')
})

it('tries again where storage refused', () => {
  const { typed, keep, sent } = tab()
  typed.value = 'mine'
  keep()
  keep()
  expect(sent).toEqual(['mine', 'mine'])
})
