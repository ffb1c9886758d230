import { proxy, wrap } from 'comlink'
import type { Film, FilmOrder, FilmWork } from './film.worker'

export type { Film, FilmOrder }

/** A film on its way: `stop` ends it at once, and nothing of it is left. */
export interface FilmInHand {
  done: Promise<Film>
  stop: () => void
}

/** Writes a film in a worker of its own, so that stopping is ending it. */
export function makeFilm(order: FilmOrder, onProgress: (share: number) => void): FilmInHand {
  const worker = new Worker(new URL('./film.worker.ts', import.meta.url), { type: 'module' })
  const work = wrap<FilmWork>(worker)
  const failed = new Promise<never>((_, reject) => {
    worker.onerror = (event) => reject(new Error(event.message || 'The film could not be written here.'))
  })
  const done = Promise.race([work.make(order, proxy(onProgress)), failed]).finally(() => worker.terminate())
  return { done, stop: () => worker.terminate() }
}
