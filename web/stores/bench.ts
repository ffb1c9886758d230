import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { traceOf, type Ending } from '@core/bench/finish'
import { emptySession, type Session } from '@core/bench/session'
import { gearIdsOf } from '@core/bench/setup'
import type { Run } from '@core/logbook/run'
import * as stored from '../storage/benchSession'
import * as journal from '../storage/journal'
import { writeNote } from '../storage/note'
import { copySession, dropJournalCopy, leaveJournalCopies } from '../storage/secondCopy'
import { benchAlarm } from './benchAlarm'
import { useBenchClock } from './benchClock'
import { leaveBench, onBenchChanged, takeBench, tellBenchChanged, waitForBench } from './benchLock'
import { benchNotes } from './benchNotes'
import { benchStart } from './benchStart'
import { apply, elapsedAt, flush, type Lane } from './lane'
import { plugIn, readSimulation, skipSimulation, updateLanes, type FeedBench } from './laneFeeds'
import { putMissingGear, runFrom } from './laneRun'
import { lanesFrom } from './lanesFrom'
import { useLogbook } from './logbook'
import { metronome } from './metronome'
import { usePutBack } from './putBack'

const RETRY_EVERY_MS = 5000
const WATCH_EVERY_MS = 1000

export const useBench = defineStore('bench', () => {
  const logbook = useLogbook()
  const putBack = usePutBack()
  const lanes = shallowRef<Lane[]>([])
  const { alarm, raise, safely, retry } = benchAlarm(lanes)
  /** Another tab holds the bench: this one shows its lanes and writes nothing. */
  const watching = ref(false)
  /** Lanes in storage that cannot be read. */
  const apart = shallowRef<unknown[]>([])
  /** Journals with readings in them that belong to no lane: kept, and to be had as they are. */
  const unclaimed = shallowRef<{ runId: string; lines: journal.JournalLine[] }[]>([])
  /** Nothing is started or shown before the stored session was read. */
  const known = ref(false)
  const clock = useBenchClock(onSlept, () => void saveSession().catch(raise))
  const feeds: FeedBench = { settled: clock.settled, watch: clock.watch, raise }
  const notes = benchNotes(clock, safely)
  const ticks = metronome(tick)
  let resuming: Promise<void> | undefined
  /** Counts what was stored of the session: what is behind it was lost. */
  let number = 0
  /** This tab is on its way to the lanes of the stored session. */
  let taking = false
  /** Lanes on their way into storage: they are of the session, and on the bench once it is stored. */
  let coming: Lane[] = []
  let lastRetry = 0
  let lastLook = 0

  const running = computed(() => lanes.value.length > 0)
  const session = (): Session => ({
    ...emptySession(),
    number: ++number,
    wallShiftMs: clock.shift(),
    anchor: clock.anchor(),
    lanes: [...lanes.value, ...coming].map((l) => l.setup),
    apart: [...apart.value],
  })
  async function saveSession() {
    const now = session()
    await stored.saveSession(now)
    writeNote({ session: now.number, lanes: now.lanes.length })
    void copySession(now)
    tellBenchChanged()
  }

  function setLanes(next: Lane[]) {
    for (const gone of lanes.value.filter((l) => !next.includes(l))) gone.feed?.stop()
    lanes.value = next
    ticks.run(next.length > 0)
  }

  /** What is seen on the bench outlives a reload at any moment: it is stored before. */
  async function putOn(added: Lane[]) {
    coming = [...coming, ...added]
    try {
      await saveSession()
      setLanes([...lanes.value, ...added])
    } finally {
      coming = coming.filter((lane) => !added.includes(lane))
    }
  }

  const { start, startTogether } = benchStart({
    lanes,
    clock,
    feeds,
    logbook,
    putOn,
    adoptSession,
    leaveIfEmpty,
  })

  /** Comes back to the lanes of a page that was reloaded, closed or killed; or watches those of another tab. */
  function resume(): Promise<void> {
    // Asked for by the start of the program and by the screen alike: the second waits for the first.
    resuming ??= comeBack().finally(() => (resuming = undefined))
    return resuming
  }

  async function comeBack() {
    await putBack.load()
    const found = await stored.loadSession()
    apart.value = found.apart
    known.value = true
    if (lanes.value.length || watching.value) return
    if (!found.lanes.length) {
      await journal.dropFinishedJournals((id) => logbook.run(id) !== undefined)
      return
    }
    if (await takeBench()) await takeOver()
    else {
      watching.value = true
      await mirror(found)
      waitForBench(() => void takeOver().catch(raise))
    }
  }
  // A tab that was idle when another began its lanes must not take the bench for empty later.
  onBenchChanged(() => {
    if (known.value && !running.value && logbook.state === 'ready') void resume().catch(() => undefined)
  })

  /** This tab holds the bench now: it goes on from what is stored, or lets go where nothing is. */
  async function takeOver() {
    await adoptSession()
    leaveIfEmpty()
  }

  /** Reads the stored session and the journals anew, and goes on from there. */
  async function adoptSession() {
    // Nothing ticks between two states: a lane that is not up to its journal yet would read its simulation again.
    taking = true
    try {
      const found = await stored.loadSession()
      number = Math.max(number, found.number)
      const lanesOf = new Set(found.lanes.map((l) => l.runId))
      apart.value = found.apart
      unclaimed.value = await journal.sweepJournals(
        (id) => lanesOf.has(id),
        (id) => logbook.run(id) !== undefined,
      )
      if (!found.lanes.length) return setLanes([])
      await clock.resume(found.anchor, found.wallShiftMs)
      setLanes(await lanesFrom(found, clock.steadyNow))
      for (const lane of lanes.value) skipSimulation(lane)
      await completeFinished()
      for (const lane of lanes.value) plugIn(lane, feeds)
      await saveSession()
    } finally {
      taking = false
      watching.value = false
    }
  }
  function leaveIfEmpty() {
    if (lanes.value.length > 0) return
    void leaveJournalCopies()
    leaveBench()
  }

  /** Shows the lanes of the tab that holds the bench. */
  async function mirror(found: Session) {
    clock.adopt(found.wallShiftMs)
    const seen = await lanesFrom(found, clock.steadyNow)
    if (watching.value && !taking) setLanes(seen)
  }

  /** A lane whose run is in the logbook already was finished as the program was killed: the rest is done now. */
  async function completeFinished() {
    for (const lane of lanes.value.filter((l) => logbook.run(l.setup.runId))) await takeOff(lane)
  }

  async function catchUp(lane: Lane) {
    const { lines, next } = await journal.readJournalFrom(lane.setup.runId, lane.next)
    for (const line of lines) apply(lane, line)
    lane.next = next
  }

  /** A watching tab follows the journal, and the session when lanes come and go. */
  async function look() {
    const found = await stored.loadSession()
    if (!watching.value || taking) return
    const ids = (list: readonly { runId: string }[]) => list.map((l) => l.runId).join()
    if (ids(found.lanes) !== ids(lanes.value.map((l) => l.setup))) await mirror(found)
    else await Promise.all(lanes.value.map(catchUp))
  }

  function tick() {
    const pageNow = performance.now()
    for (const lane of lanes.value) lane.elapsedS = elapsedAt(lane, pageNow)
    if (taking) return
    if (watching.value) {
      if (pageNow - lastLook > WATCH_EVERY_MS) {
        lastLook = pageNow
        void look().catch(() => undefined)
      }
      return
    }
    clock.watch(pageNow)
    for (const lane of lanes.value) readSimulation(lane, raise)
    updateLanes(lanes.value, pageNow, raise)
    if (alarm.value && pageNow - lastRetry > RETRY_EVERY_MS) {
      lastRetry = pageNow
      void retry()
    }
  }

  /** The page's clock stood still while the machine slept: the lanes' clocks did not, and the instruments' did. */
  function onSlept(ms: number) {
    for (const lane of [...lanes.value, ...coming]) {
      lane.startedAtPage -= ms
      lane.feed?.rebase()
    }
  }

  /**
   * Ends a lane: its run and trace go into the logbook, then what must be put back is kept, then the lane leaves the
   * session, and last its journal goes. Cut off anywhere, the next start does the rest.
   */
  async function finish(lane: Lane, ending: Ending): Promise<Run> {
    if (!traceOf(lane))
      throw new Error('Nothing was read on this lane: there is no run to keep. Take it off the bench.')
    lane.feed?.stop()
    try {
      // A sample that came before the end may still wait for the clock: it belongs to the run.
      await clock.settled()
      const trace = traceOf(lane)!
      await putMissingGear(lane.setup, logbook)
      const { gear, deviceId } = lane.setup
      const run = runFrom(lane, ending, gear?.device ?? logbook.device(deviceId))
      await logbook.putRun(run, trace)
      await takeOff(lane)
      return run
    } catch (error) {
      // It goes on as a lane until it can be kept as a run.
      if (!logbook.run(lane.setup.runId)) plugIn(lane, feeds)
      throw error
    }
  }

  /** Takes a lane off the bench whose run is kept, or on which nothing was read. */
  async function takeOff(lane: Lane) {
    await putBack.remember(lane.setup)
    setLanes(lanes.value.filter((l) => l !== lane))
    await saveSession()
    // A line on its way to storage must not outlive its journal.
    await flush(lane).catch(() => undefined)
    await journal.dropJournal(lane.setup.runId)
    void dropJournalCopy(lane.setup.runId)
    leaveIfEmpty()
  }

  /** What lanes on the bench use of the shelf: it cannot be deleted while they run. */
  const uses = (id: string): Lane | undefined =>
    lanes.value.find(({ setup }) => gearIdsOf(setup).includes(id))

  return {
    lanes,
    running,
    watching,
    known,
    alarm,
    apart,
    unclaimed,
    clockNotice: clock.notice,
    start,
    startTogether,
    resume,
    ...notes,
    retry,
    finish,
    takeOff,
    uses,
  }
})
