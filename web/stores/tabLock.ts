/** What one tab alone may hold. Browsers without locks have no second tab to speak of. */
export interface TabLock {
  /** Takes it if no other tab has it; whether it is held now. */
  take: () => Promise<boolean>
  /** Waits until the other tab lets go, then takes it. What it returns gives the waiting up. */
  waitFor: (then: () => void) => () => void
  leave: () => void
  /** Whether any tab of this program holds it. */
  heldAnywhere: () => Promise<boolean>
}

export function tabLock(name: string): TabLock {
  let held: (() => void) | undefined
  /** Held until it is let go. */
  const hold = (then: () => void) =>
    new Promise<void>((release) => {
      held = release
      then()
    })
  return {
    take() {
      if (held || !navigator.locks) return Promise.resolve(true)
      return new Promise((resolve) => {
        void navigator.locks.request(name, { ifAvailable: true }, (lock) =>
          lock ? hold(() => resolve(true)) : resolve(false),
        )
      })
    },
    waitFor(then) {
      const waiting = new AbortController()
      navigator.locks
        .request(name, { signal: waiting.signal }, () => hold(then))
        .catch((error: Error) => {
          if (error.name !== 'AbortError') throw error
        })
      return () => waiting.abort()
    },
    leave() {
      held?.()
      held = undefined
    },
    async heldAnywhere() {
      const { held: locks = [] } = (await navigator.locks?.query()) ?? {}
      return locks.some((lock) => lock.name === name)
    },
  }
}
