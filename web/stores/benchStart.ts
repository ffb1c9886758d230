import type { ShallowRef } from 'vue'
import type { LaneChoice, LaneSetup } from '@core/bench/setup'
import { MOST_LANES } from '@core/bench/strip'
import type { Reading } from '@core/trace/trace'
import * as journal from '../storage/journal'
import { dropJournalCopy } from '../storage/secondCopy'
import type { useBenchClock } from './benchClock'
import { takeBench } from './benchLock'
import { makeLane, record, type Lane } from './lane'
import { plugIn, simulationFor, type FeedBench } from './laneFeeds'
import { gearOf, inkFor } from './laneRun'
import type { useLogbook } from './logbook'

/** What a start needs of the bench. */
export interface StartedBench {
  lanes: ShallowRef<Lane[]>
  clock: ReturnType<typeof useBenchClock>
  feeds: FeedBench
  logbook: ReturnType<typeof useLogbook>
  /** Stores the session with new lanes in it, and then shows them. */
  putOn: (added: Lane[]) => Promise<void>
  /** Reads the stored session and the journals anew, and goes on from there. */
  adoptSession: () => Promise<void>
  leaveIfEmpty: () => void
}

/** What meters showed as power came on, beside the level. */
type AtPowerOn = Omit<Reading, 't' | 'nominal' | 'percent'>

/** How lanes begin. */
export function benchStart({
  lanes,
  clock,
  feeds,
  logbook,
  putOn,
  adoptSession,
  leaveIfEmpty,
}: StartedBench) {
  /**
   * Starts the clocks of new lanes at one and the same moment: one switch, one power-on. The stored session is read
   * before anything else, so that lanes of a tab that is gone are never written over. New lanes are on the bench only
   * once they are in storage; if that is refused, none is, and nothing of them stays behind. What was `seen` as power
   * came on belongs to the lane's first reading, or a slow machine would show, and ask about, a lane without it.
   */
  async function startTogether(choices: LaneChoice[], seen: AtPowerOn = {}): Promise<Lane[]> {
    const pageNow = performance.now()
    const wallNow = Date.now()
    if (!(await takeBench()))
      throw new Error('The bench is held by another tab of this program. Close that one, or go on there.')
    try {
      return await startHeld(choices, seen, pageNow, wallNow)
    } catch (error) {
      // Or no other tab could start anything until this one is closed.
      leaveIfEmpty()
      throw error
    }
  }

  async function startHeld(
    choices: LaneChoice[],
    seen: AtPowerOn,
    pageNow: number,
    wallNow: number,
  ): Promise<Lane[]> {
    if (lanes.value.length === 0) await adoptSession()
    await clock.ready(pageNow)
    if (lanes.value.length === 0) clock.reset()
    if (lanes.value.length + choices.length > MOST_LANES)
      throw new Error(`The bench has ${MOST_LANES} lanes, and there are not enough left.`)
    const startedAtMs = wallNow - clock.shift()
    const before = lanes.value
    const added: Lane[] = []
    for (const choice of choices) {
      const setup: LaneSetup = {
        ...choice,
        gear: gearOf(choice, logbook),
        runId: crypto.randomUUID(),
        ink: inkFor(choice, [...before, ...added], logbook),
        startedAtMs,
      }
      added.push(makeLane(setup, pageNow, simulationFor(setup)))
    }
    try {
      await begin(added, seen)
    } catch (error) {
      for (const { setup } of added) {
        await journal.dropJournal(setup.runId).catch(() => undefined)
        void dropJournalCopy(setup.runId)
      }
      throw error
    }
    for (const lane of added) plugIn(lane, feeds)
    void navigator.storage?.persist?.().catch(() => false)
    return added
  }
  const start = async (choice: LaneChoice, seen?: AtPowerOn) => (await startTogether([choice], seen))[0]

  /** The journals first, then the session that names them: a lane without its start is never seen. */
  async function begin(added: Lane[], seen: AtPowerOn) {
    for (const lane of added) {
      const { start: level } = lane.setup
      const values = level.read ? { percent: level.percent, ...seen } : seen
      if (Object.keys(values).length === 0) continue
      await record(lane, { kind: 'readings', readings: [{ t: 0, ...values, nominal: 0 }] })
    }
    await putOn(added)
  }

  return { startTogether, start }
}
