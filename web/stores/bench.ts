import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Run, RunState } from '@core/logbook/run'
import { duration } from '@core/format/figures'
import { nextInk } from '@core/logbook/logbook'
import { writeTraceCsv } from '@core/formats/traceCsv'
import { putBackList } from '@core/protocol/conditions'
import type { ReadingRule } from '@core/protocol/rules'
import type { Offsets } from '@core/trace/clocks'
import type { Reading, TraceEvent } from '@core/trace/trace'
import * as journal from '../storage/journal'
import { useBenchClock, type Anchor } from './benchClock'
import { leaveBench, takeBench, waitForBench } from './benchLock'
import {
  apply,
  elapsedAt,
  flush,
  makeLane,
  NO_HEAT,
  nominalFor,
  record,
  type Lane,
  type LaneSetup,
} from './lane'
import { runFrom, traceOf } from './laneRun'
import { plugIn, readSimulation, SIMULATION_LIMIT_S, simulationFor, updateLanes } from './laneFeeds'
import { useLogbook } from './logbook'

/** The bench as it survives a reload. */
interface Session {
  schemaVersion: 2
  /** How far this machine's clock was moved while lanes ran, ms: taken out of every elapsed time. */
  wallShiftMs: number
  anchor?: Anchor
  lanes: LaneSetup[]
}

const INKS = 8
/** A reading this close to its mark is the mark, s. */
const ON_TIME_S = 10
const RETRY_EVERY_MS = 5000
const WATCH_EVERY_MS = 1000

/** What a lane is started with; its ink and its moment are the bench's to give. */
export type LaneChoice = Omit<LaneSetup, 'runId' | 'ink' | 'startedAtMs'>

const firstReading = ({ setup }: Lane): Reading => ({ t: 0, percent: setup.startPercent, nominal: 0 })

/** Lanes started by version 1 of the program knew an interval only. */
const SETUP_SINCE_1 = { planned: null, checklist: [], heat: NO_HEAT }
const everyOf = (stored: object): ReadingRule => ({
  kind: 'every',
  seconds: (stored as { intervalS?: number }).intervalS ?? 300,
})
const setupFrom = (stored: LaneSetup): LaneSetup => ({
  ...SETUP_SINCE_1,
  ...stored,
  reading: stored.reading ?? everyOf(stored),
})

export const useBench = defineStore('bench', () => {
  const logbook = useLogbook()
  const lanes = shallowRef<Lane[]>([])
  const alarm = ref('')
  /** Another tab holds the bench: this one shows its lanes and writes nothing. */
  const watching = ref(false)
  /** What to put back, of runs that are over; ticked off by the reviewer. */
  const putBack = ref<string[]>([])
  const clock = useBenchClock(onSlept, () => void saveSession().catch(raise))
  let metronome: Worker | undefined
  let resuming: Promise<void> | undefined
  let lastRetry = 0
  let lastLook = 0

  const running = computed(() => lanes.value.length > 0)
  const saveSession = () =>
    journal.saveSession({
      schemaVersion: 2,
      wallShiftMs: clock.shift(),
      anchor: clock.anchor(),
      lanes: lanes.value.map((l) => l.setup),
    } satisfies Session)

  function setLanes(next: Lane[]) {
    for (const gone of lanes.value.filter((l) => !next.includes(l))) gone.unplug?.()
    lanes.value = next
    if (next.length > 0) startMetronome()
    else {
      metronome?.terminate()
      metronome = undefined
    }
  }

  function startMetronome() {
    if (metronome) return
    metronome = new Worker(new URL('../workers/clock.worker.ts', import.meta.url), { type: 'module' })
    metronome.onmessage = tick
  }

  /**
   * Starts the clocks of new lanes at one and the same moment: one switch, one power-on. They are on the bench
   * only once they are in storage; if that is refused, none is.
   */
  async function startTogether(choices: LaneChoice[]): Promise<Lane[]> {
    const startedAtPage = performance.now()
    if (!(await takeBench()))
      throw new Error('The bench is held by another tab of this program. Close that one, or go on there.')
    if (lanes.value.length === 0) {
      clock.reset()
      await clock.setAnchor()
    }
    void navigator.storage?.persist?.().catch(() => false)
    const startedAtMs = clock.steadyNow() - (performance.now() - startedAtPage)
    const before = lanes.value
    const added: Lane[] = []
    for (const choice of choices) {
      const ink = inkFor(choice, [...before, ...added])
      const setup: LaneSetup = { ...choice, runId: crypto.randomUUID(), ink, startedAtMs }
      added.push(makeLane(setup, startedAtPage, simulationFor(setup, logbook)))
    }
    setLanes([...before, ...added])
    try {
      await saveSession()
      await Promise.all(
        added.map((lane) => record(lane, { kind: 'readings', readings: [firstReading(lane)] })),
      )
    } catch (error) {
      setLanes(before)
      throw error
    }
    for (const lane of added) plugIn(lane, raise)
    return added
  }
  const start = async (choice: LaneChoice): Promise<Lane> => (await startTogether([choice]))[0]

  /** The least used ink among the device's runs and the lanes on the bench. */
  function inkFor({ deviceId }: LaneChoice, onBench: readonly Lane[]): number {
    const ofDevice = logbook.runs.filter((r) => r.deviceId === deviceId).map((r) => r.ink)
    const here = onBench.map((l) => l.setup.ink % INKS)
    const free = Array.from({ length: INKS }, (_, ink) => ink).filter((ink) => !here.includes(ink))
    const best = nextInk([...ofDevice, ...here])
    return free.length === 0 || free.includes(best) ? best : free[0]
  }

  /** Comes back to the lanes of a page that was reloaded, closed or killed; or watches those of another tab. */
  function resume(): Promise<void> {
    // Asked for by the start of the program and by the screen alike: the second waits for the first.
    resuming ??= comeBack().finally(() => (resuming = undefined))
    return resuming
  }

  async function comeBack() {
    putBack.value = await journal.loadPutBack()
    const session = await journal.loadSession<Session>()
    if (!session?.lanes.length || lanes.value.length || watching.value) return
    if (await takeBench()) await takeOver()
    else {
      watching.value = true
      await mirror(session)
      waitForBench(() => void takeOver().catch(raise))
    }
  }

  async function takeOver() {
    watching.value = false
    const session = await journal.loadSession<Session>()
    if (!session?.lanes.length) {
      leaveBench()
      return setLanes([])
    }
    await clock.resume(session.anchor, session.wallShiftMs)
    await mirror(session)
    for (const lane of lanes.value) {
      lane.simulated?.skipTo(Math.min(SIMULATION_LIMIT_S, Math.floor(lane.elapsedS)))
      plugIn(lane, raise)
    }
    await saveSession()
  }

  /** The lanes of a session as the journal has them. */
  async function mirror(session: Session) {
    if (watching.value) clock.adopt(session.wallShiftMs)
    const pageNow = performance.now()
    const resumed = await Promise.all(
      session.lanes.map(async (stored) => {
        const setup = setupFrom(stored)
        const away = clock.steadyNow() - setup.startedAtMs
        const lane = makeLane(setup, pageNow - away, simulationFor(setup, logbook))
        await catchUp(lane)
        lane.elapsedS = elapsedAt(lane, performance.now())
        return lane
      }),
    )
    setLanes(resumed)
  }

  async function catchUp(lane: Lane) {
    const lines = await journal.readJournalFrom(lane.setup.runId, lane.lines)
    for (const line of lines) apply(lane, line)
    lane.lines += lines.length
  }

  /** A watching tab follows the journal, and the session when lanes come and go. */
  async function look() {
    const session = await journal.loadSession<Session>()
    const ids = (list: readonly { runId: string }[]) => list.map((l) => l.runId).join()
    if (session && ids(session.lanes) !== ids(lanes.value.map((l) => l.setup))) await mirror(session)
    else await Promise.all(lanes.value.map(catchUp))
  }

  function tick() {
    const pageNow = performance.now()
    for (const lane of lanes.value) lane.elapsedS = elapsedAt(lane, pageNow)
    if (watching.value) {
      if (pageNow - lastLook > WATCH_EVERY_MS) {
        lastLook = pageNow
        void look().catch(() => undefined)
      }
      return
    }
    clock.watch(pageNow)
    for (const lane of lanes.value) readSimulation(lane, raise)
    updateLanes(lanes.value, pageNow)
    if (alarm.value && pageNow - lastRetry > RETRY_EVERY_MS) {
      lastRetry = pageNow
      void retry()
    }
  }

  /** The page's clock stood still while the machine slept: the lanes' clocks did not. */
  function onSlept(ms: number) {
    for (const lane of lanes.value) lane.startedAtPage -= ms
  }

  function raise(error: unknown) {
    alarm.value = `${(error as Error).message} New readings are kept in memory: take the file now.`
  }

  async function retry() {
    try {
      await Promise.all(lanes.value.map(flush))
      alarm.value = ''
    } catch (error) {
      raise(error)
    }
  }

  /** Notes a reading at this very moment. Resolves once it is stored; on refusal it stays in memory. */
  async function note(lane: Lane, values: Omit<Reading, 't' | 'nominal'>): Promise<Reading> {
    const t = Math.round(elapsedAt(lane, performance.now()) * 10) / 10
    // Temperatures alone answer no mark.
    const onlyHeat = Object.keys(values).every((key) => key === 'temperatures')
    const nominal = onlyHeat ? undefined : nominalFor(lane, t)
    const late = nominal !== undefined && Math.abs(t - nominal) > ON_TIME_S
    const reading: Reading = {
      ...values,
      t,
      ...(nominal === undefined ? {} : { nominal }),
      // The real time is kept; the mark it was due at goes with it.
      ...(late ? { note: `due at ${duration(nominal)}` } : {}),
    }
    await record(lane, { kind: 'readings', readings: [reading] }).catch(raise)
    return reading
  }

  const takeBack = (lane: Lane) => record(lane, { kind: 'take-back' }).catch(raise)

  async function noteEvent(lane: Lane, kind: string, text: string): Promise<TraceEvent> {
    const event = { t: Math.round(elapsedAt(lane, performance.now()) * 10) / 10, kind, text }
    await record(lane, { kind: 'event', event }).catch(raise)
    return event
  }
  const setOffsets = (lane: Lane, offsets: Offsets) => record(lane, { kind: 'offsets', offsets }).catch(raise)

  /** Ends a lane: its run and trace go into the logbook, then its journal goes. */
  async function finish(lane: Lane, state: RunState, stateReason: string): Promise<Run> {
    const { setup } = lane
    lane.unplug?.()
    const run = runFrom(lane, state, stateReason)
    try {
      await logbook.putRun(run, traceOf(lane))
    } catch (error) {
      // It goes on as a lane until it can be kept as a run.
      plugIn(lane, raise)
      throw error
    }
    setLanes(lanes.value.filter((l) => l !== lane))
    await saveSession()
    // A line on its way to storage must not outlive its journal.
    await flush(lane).catch(() => undefined)
    await journal.dropJournal(setup.runId)
    await rememberPutBack(setup)
    if (lanes.value.length === 0) leaveBench()
    return run
  }

  async function rememberPutBack({ planned }: LaneSetup) {
    const campaign = planned && logbook.campaign(planned.campaignId)
    if (!campaign) return
    putBack.value = [...new Set([...putBack.value, ...putBackList(campaign.protocol)])]
    await journal.savePutBack(putBack.value)
  }
  async function wasPutBack(text: string) {
    putBack.value = putBack.value.filter((t) => t !== text)
    await journal.savePutBack(putBack.value)
  }

  const laneCsv = (lane: Lane) => writeTraceCsv(traceOf(lane))

  return {
    lanes,
    running,
    watching,
    alarm,
    putBack,
    clockNotice: clock.notice,
    start,
    startTogether,
    resume,
    note,
    takeBack,
    noteEvent,
    setOffsets,
    finish,
    wasPutBack,
    laneCsv,
  }
})
