import { defineStore } from 'pinia'
import { ref } from 'vue'

export interface Notice {
  id: number
  text: string
  tone: 'plain' | 'error'
  undo?: () => Promise<void>
}

/** Short notices at the foot of the page: what was done, and how to undo it. */
export const useNotices = defineStore('notices', () => {
  const current = ref<Notice | null>(null)
  let next = 1

  const show = (notice: Omit<Notice, 'id'>) => void (current.value = { ...notice, id: next++ })
  const say = (text: string, undo?: () => Promise<void>) => show({ text, tone: 'plain', undo })
  const fail = (error: unknown) =>
    show({ text: error instanceof Error ? error.message : String(error), tone: 'error' })

  /** Says when it is done: until then, leaving the page may leave it undone. */
  async function undo() {
    const notice = current.value
    if (!notice?.undo) return
    say('Undoing …')
    try {
      await notice.undo()
      say('Undone: it is as it was before.')
    } catch (error) {
      fail(error)
    }
  }
  return { current, say, fail, undo }
})
