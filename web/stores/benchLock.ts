/** Only one tab may hold the bench: two would write the same lanes twice. */
const NAME = 'inkpath-log-bench'
const CHANNEL = 'inkpath-log-bench'
let held: (() => void) | undefined

/** Takes the bench if no other tab has it. Browsers without locks have no second tab to speak of. */
export function takeBench(): Promise<boolean> {
  if (held || !navigator.locks) return Promise.resolve(true)
  return new Promise((resolve) => {
    void navigator.locks.request(NAME, { ifAvailable: true }, (lock) => {
      if (!lock) return resolve(false)
      return new Promise<void>((release) => {
        held = release
        resolve(true)
      })
    })
  })
}

/** Waits until the other tab lets go, then takes the bench. */
export function waitForBench(then: () => void): void {
  void navigator.locks.request(NAME, () => {
    return new Promise<void>((release) => {
      held = release
      then()
    })
  })
}

/** Whether any tab of this program holds the bench. */
export async function benchHeldAnywhere(): Promise<boolean> {
  const { held: locks = [] } = (await navigator.locks?.query()) ?? {}
  return locks.some((lock) => lock.name === NAME)
}

export function leaveBench(): void {
  held?.()
  held = undefined
}

const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel(CHANNEL)
;(channel as { unref?: () => void } | undefined)?.unref?.()

/** Tells other tabs that lanes came or went, so that an idle one never takes the bench for empty. */
export const tellBenchChanged = (): void => channel?.postMessage('lanes')
export const onBenchChanged = (listener: () => void): void =>
  channel?.addEventListener('message', () => listener())
