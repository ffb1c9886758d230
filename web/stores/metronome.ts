/** Ticks off the main thread, where a page in the background is not slowed down. Runs only while something is to tick. */
export function metronome(tick: () => void) {
  let worker: Worker | undefined

  function run(on: boolean): void {
    if (on && !worker) {
      worker = new Worker(new URL('../workers/clock.worker.ts', import.meta.url), { type: 'module' })
      worker.onmessage = tick
    } else if (!on) {
      worker?.terminate()
      worker = undefined
    }
  }
  return { run }
}
