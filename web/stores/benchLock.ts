/** Only one tab may hold the bench: two would write the same lanes twice. */
const NAME = 'inkpath-log-bench'
let held: (() => void) | undefined

/** Takes the bench if no other tab has it. Browsers without locks have no second tab to speak of. */
export function takeBench(): Promise<boolean> {
  if (held || !navigator.locks) return Promise.resolve(true)
  return new Promise((resolve) => {
    void navigator.locks.request(NAME, { ifAvailable: true }, (lock) => {
      if (!lock) return resolve(false)
      resolve(true)
      return new Promise<void>((release) => (held = release))
    })
  })
}

/** Waits until the other tab lets go, then takes the bench. */
export function waitForBench(then: () => void): void {
  void navigator.locks.request(NAME, () => {
    then()
    return new Promise<void>((release) => (held = release))
  })
}

export function leaveBench(): void {
  held?.()
  held = undefined
}
