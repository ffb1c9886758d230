import { ref } from 'vue'
import { toldByWorker } from '../workers/files'

/** What work comes to that was stopped. */
export const STOPPED = Symbol('stopped')

/** Work of a worker that tells how far it is and can be stopped: what was asked of it then stays unanswered. */
export function stoppableWork() {
  const busy = ref(false)
  /** Told by the worker, 0–1; null while nothing is done. */
  const progress = ref<number | null>(null)
  const onProgress = toldByWorker((share) => {
    if (busy.value) progress.value = share
  })
  let stopped: (() => void) | undefined

  async function stoppable<T>(work: () => Promise<T>): Promise<T | typeof STOPPED> {
    busy.value = true
    try {
      return await Promise.race([
        work(),
        new Promise<typeof STOPPED>((resolve) => (stopped = () => resolve(STOPPED))),
      ])
    } finally {
      busy.value = false
      progress.value = null
      stopped = undefined
    }
  }
  return { busy, progress, onProgress, stoppable, stop: () => stopped?.() }
}
