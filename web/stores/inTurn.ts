/**
 * Runs pieces of work one after the other, so that none begins from what another is about to change. One that fails
 * is told to its own caller only.
 */
export function inTurn(): <T>(work: () => Promise<T>) => Promise<T> {
  let last: Promise<unknown> = Promise.resolve()
  return (work) => {
    const mine = last.catch(() => undefined).then(work)
    last = mine
    return mine
  }
}
