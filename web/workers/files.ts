import { proxy, wrap, type Remote } from 'comlink'
import type { FilesWork } from './files.worker'

let worker: Worker | undefined
let remote: Remote<FilesWork> | undefined

/** The worker that reads files: apart from the others, so that it can be stopped in the middle of its work. */
export function filesWork(): Remote<FilesWork> {
  worker ??= new Worker(new URL('./files.worker.ts', import.meta.url), { type: 'module' })
  remote ??= wrap<FilesWork>(worker)
  return remote
}

/** Stops whatever it is at, and lets go of the file. What was asked of it is never answered. */
export function stopFilesWork(): void {
  worker?.terminate()
  worker = remote = undefined
}

/** A function that the worker may call, to tell how far it is. */
export const toldByWorker = (tell: (share: number) => void) => proxy(tell)
