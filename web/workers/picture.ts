import { releaseProxy, wrap, type Remote } from 'comlink'
import type { PictureWork } from './picture.worker'

/** A worker that draws one long run, and ends with the screen that shows it. */
export interface PictureInHand {
  work: Remote<PictureWork>
  end: () => void
}

export function drawElsewhere(onFailure: () => void): PictureInHand {
  const worker = new Worker(new URL('./picture.worker.ts', import.meta.url), { type: 'module' })
  worker.onerror = onFailure
  const work = wrap<PictureWork>(worker)
  const end = () => {
    work[releaseProxy]()
    worker.terminate()
  }
  return { work, end }
}
