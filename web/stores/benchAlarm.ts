import { ref, type ShallowRef } from 'vue'
import { flush, type Lane } from './lane'

/** What the browser refuses to store is in memory only: said aloud, and tried again. */
export function benchAlarm(lanes: ShallowRef<Lane[]>) {
  /** In words; '' while everything is stored. */
  const alarm = ref('')

  function raise(error: unknown) {
    const waiting = lanes.value.reduce((sum, lane) => sum + lane.pending.length, 0)
    const kept = waiting
      ? ` ${waiting} ${waiting === 1 ? 'entry is' : 'entries are'} in memory only: take the file now.`
      : ''
    alarm.value = `${(error as Error).message}${kept}`
  }

  /** True once it is done; false where it was refused, and said. */
  async function safely(work: Promise<unknown>): Promise<boolean> {
    try {
      await work
      return true
    } catch (error) {
      raise(error)
      return false
    }
  }

  /** Stores what waits; true once nothing does. */
  async function retry(): Promise<boolean> {
    const stored = await safely(Promise.all(lanes.value.map(flush)))
    if (stored) alarm.value = ''
    return stored
  }
  return { alarm, raise, safely, retry }
}
