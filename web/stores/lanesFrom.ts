import type { Session } from '@core/bench/session'
import { readJournals } from '../storage/journal'
import { apply, elapsedAt, makeLane, type Lane } from './lane'
import { simulationFor } from './laneFeeds'

/** The lanes of a stored session as their journals have them. `steadyNow` is the wall clock had nobody set it, ms. */
export async function lanesFrom(session: Session, steadyNow: () => number): Promise<Lane[]> {
  const pageNow = performance.now()
  const journals = await readJournals()
  return session.lanes.map((setup) => {
    const lane = makeLane(setup, pageNow - (steadyNow() - setup.startedAtMs), simulationFor(setup))
    const { lines, next } = journals.get(setup.runId) ?? { lines: [], next: 0 }
    for (const line of lines) apply(lane, line)
    lane.next = next
    lane.elapsedS = elapsedAt(lane, performance.now())
    return lane
  })
}
