import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it } from 'vitest'
import { useNotices } from './notices'

beforeEach(() => setActivePinia(createPinia()))

it('says that something is undone when it is, and not before', async () => {
  const notices = useNotices()
  let finish!: () => void
  notices.say('The run was deleted.', () => new Promise((resolve) => (finish = resolve)))
  const done = notices.undo()
  expect(notices.current?.text).toBe('Undoing …')
  expect(notices.current?.undo).toBeUndefined()
  finish()
  await done
  expect(notices.current?.text).toMatch(/^Undone/)
})

it('says what kept it from being undone', async () => {
  const notices = useNotices()
  notices.say('The run was deleted.', () => Promise.reject(new Error('The storage is full.')))
  await notices.undo()
  expect(notices.current).toMatchObject({ text: 'The storage is full.', tone: 'error' })
})
