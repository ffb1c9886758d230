import { defineStore } from 'pinia'
import { usualBlocks } from '@core/logbook/writeUp'
import { useLogbook } from './logbook'

/** Write-ups, begun from a comparison. */
export const useWriteUps = defineStore('writeUps', () => {
  const logbook = useLogbook()

  /** @returns its id */
  async function begin(title: string, settings: string): Promise<string> {
    const now = new Date().toISOString()
    const id = crypto.randomUUID()
    const blocks = usualBlocks(() => crypto.randomUUID())
    await logbook.put('writeUps', { id, title: title.slice(0, 200), settings, blocks, createdAt: now, changedAt: now, published: '' })
    return id
  }
  return { begin }
}) // prettier-ignore
