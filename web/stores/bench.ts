import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Run, RunState } from '@core/logbook/run'
import { nextInk } from '@core/logbook/logbook'
import { simulatedBench, type SimulatedBench } from '@core/model/instruments'
import { setupFor } from '@core/model/setup'
import type { ReadingRule } from '@core/protocol/rules'
import { stopReached } from '@core/protocol/stopping'
import { writeTraceCsv } from '@core/formats/traceCsv'
import { traceFromReadings, type Reading } from '@core/trace/trace'
import * as journal from '../storage/journal'
import { elapsedAt, flush, makeLane, NO_HEAT, nominalFor, record, type Lane, type LaneSetup } from './lane'
import { useLogbook } from './logbook'

/** The bench as it survives a reload. */
interface Session {
  schemaVersion: 2
  /** How far this machine's clock was moved while lanes ran, ms: taken out of every elapsed time. */
  wallShiftMs: number
  lanes: LaneSetup[]
}

/** A jump of the machine's clock smaller than this is drift, ms. */
const JUMP_MS = 2000
const INKS = 8
const BEAT_EVERY_MS = 2000
const RETRY_EVERY_MS = 5000
/** No simulated charge is followed for longer than this after time away, s. */
const SIMULATION_LIMIT_S = 72 * 3600

/** What a lane is started with; its ink and its moment are the bench's to give. */
export type LaneChoice = Omit<LaneSetup, 'runId' | 'ink' | 'startedAtMs'>

const firstReading = ({ setup }: Lane): Reading => ({ t: 0, percent: setup.startPercent, nominal: 0 })

/** Lanes started by version 1 of the program knew an interval only. */
const SETUP_SINCE_1 = { planned: null, checklist: [], heat: NO_HEAT }
const everyOf = (stored: object): ReadingRule => ({
  kind: 'every',
  seconds: (stored as { intervalS?: number }).intervalS ?? 300,
})

export const useBench = defineStore('bench', () => {
  const logbook = useLogbook()
  const lanes = shallowRef<Lane[]>([])
  const alarm = ref('')
  const clockNotice = ref('')
  let wallShiftMs = 0
  /** Wall minus page clock as last seen: it only changes when somebody sets the machine's clock. */
  let wallMinusPage = Date.now() - performance.now()
  let metronome: Worker | undefined
  let lastBeat = 0
  let lastRetry = 0

  const running = computed(() => lanes.value.length > 0)
  const saveSession = () =>
    journal.saveSession({
      schemaVersion: 2,
      wallShiftMs,
      lanes: lanes.value.map((l) => l.setup),
    } satisfies Session)

  function setLanes(next: Lane[]) {
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

  function simulationFor(setup: LaneSetup): SimulatedBench | undefined {
    if (setup.feed.kind !== 'simulated') return undefined
    const device = logbook.device(setup.deviceId)
    const source = logbook.source(setup.sourceId)
    if (!device || !source) return undefined
    const options = { startPercent: setup.startPercent, cable: logbook.cable(setup.cableId) ?? null }
    return simulatedBench(setupFor(device, source, options), setup.feed.seed)
  }

  /**
   * Starts the clocks of new lanes at one and the same moment: one switch, one power-on. They are on the bench
   * only once they are in storage; if that is refused, none is.
   */
  async function startTogether(choices: LaneChoice[]): Promise<Lane[]> {
    if (lanes.value.length === 0) wallShiftMs = 0
    void navigator.storage?.persist?.().catch(() => false)
    const startedAtMs = Date.now() - wallShiftMs
    const pageNow = performance.now()
    const before = lanes.value
    const added: Lane[] = []
    for (const choice of choices) {
      const ink = inkFor(choice, [...before, ...added])
      const setup: LaneSetup = { ...choice, runId: crypto.randomUUID(), ink, startedAtMs }
      added.push(makeLane(setup, pageNow, simulationFor(setup)))
    }
    setLanes([...before, ...added])
    try {
      await saveSession()
      for (const lane of added) await record(lane, { kind: 'readings', readings: [firstReading(lane)] })
    } catch (error) {
      setLanes(before)
      throw error
    }
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

  /** Comes back to the lanes of a page that was reloaded, closed or killed. */
  async function resume() {
    const session = await journal.loadSession<Session>()
    if (!session?.lanes.length) return
    wallShiftMs = session.wallShiftMs
    const beat = await journal.loadBeat()
    if (beat !== null && Date.now() < beat - JUMP_MS) {
      wallShiftMs += Date.now() - beat
      clockNotice.value = `This machine’s clock was set back while the program was closed. Elapsed times go on from ${new Date(beat).toLocaleTimeString()}; the time away is not counted.`
    }
    const pageNow = performance.now()
    const resumed = await Promise.all(
      session.lanes.map(async (stored) => {
        const setup = { ...SETUP_SINCE_1, ...stored, reading: stored.reading ?? everyOf(stored) }
        const away = Date.now() - wallShiftMs - setup.startedAtMs
        const lane = makeLane(setup, pageNow - away, simulationFor(setup))
        const lines = await journal.readJournal(setup.runId)
        const { readings, events } = journal.replay(lines)
        lane.readings.push(...readings)
        lane.events.push(...events)
        lane.lines = lines.length
        lane.elapsedS = elapsedAt(lane, performance.now())
        lane.simulated?.skipTo(Math.min(SIMULATION_LIMIT_S, Math.floor(lane.elapsedS)))
        return lane
      }),
    )
    setLanes(resumed)
    await saveSession()
  }

  function tick() {
    const pageNow = performance.now()
    watchTheClock(pageNow)
    for (const lane of lanes.value) {
      lane.elapsedS = elapsedAt(lane, pageNow)
      readSimulation(lane)
      if (lane.offerStop === null) lane.offerStop = stopReached(lane.setup.stop, lane.readings, lane.elapsedS)
    }
    if (pageNow - lastBeat > BEAT_EVERY_MS) {
      lastBeat = pageNow
      void journal.saveBeat(Date.now())
    }
    if (alarm.value && pageNow - lastRetry > RETRY_EVERY_MS) {
      lastRetry = pageNow
      void retry()
    }
  }

  /** The page's own clock cannot be set; where the machine's clock jumps against it, somebody moved it. */
  function watchTheClock(pageNow: number) {
    const jump = Date.now() - pageNow - wallMinusPage
    if (Math.abs(jump) < JUMP_MS) return
    wallMinusPage += jump
    wallShiftMs += jump
    const minutes = Math.round(Math.abs(jump) / 60_000)
    const size = minutes > 0 ? `${minutes} min` : `${Math.round(Math.abs(jump) / 1000)} s`
    clockNotice.value = `This machine’s clock was moved ${jump > 0 ? 'forward' : 'back'} by ${size} (or it slept). The runs’ clocks did not change.`
    void saveSession().catch(raise)
  }

  function readSimulation(lane: Lane) {
    if (!lane.simulated || lane.elapsedS > SIMULATION_LIMIT_S) return
    const readings = lane.simulated.advanceTo(Math.floor(lane.elapsedS))
    if (readings.length > 0) void record(lane, { kind: 'readings', readings }).catch(raise)
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
    const nominal = nominalFor(lane, t)
    const reading: Reading = { ...values, t, ...(nominal === undefined ? {} : { nominal }) }
    await record(lane, { kind: 'readings', readings: [reading] }).catch(raise)
    return reading
  }

  const takeBack = (lane: Lane) => record(lane, { kind: 'take-back' }).catch(raise)

  /** Ends a lane: its run and trace go into the logbook, then its journal goes. */
  async function finish(lane: Lane, state: RunState, stateReason: string): Promise<Run> {
    const { setup } = lane
    const simulated = setup.feed.kind === 'simulated'
    const run: Run = {
      id: setup.runId,
      deviceId: setup.deviceId,
      sourceId: setup.sourceId,
      cableId: setup.cableId,
      ink: setup.ink,
      startedAt: new Date(setup.startedAtMs).toISOString(),
      state,
      stateReason,
      startPercent: setup.startPercent,
      reading: setup.reading,
      stop: setup.stop,
      provenance: simulated ? 'simulation' : 'hand',
      events: lane.events,
      corrections: [],
      notes: '',
      planned: setup.planned,
      checklist: setup.checklist,
    }
    await logbook.putRun(run, traceFromReadings(lane.readings))
    setLanes(lanes.value.filter((l) => l !== lane))
    await saveSession()
    await journal.dropJournal(setup.runId)
    return run
  }

  const laneCsv = (lane: Lane) => writeTraceCsv(traceFromReadings(lane.readings))

  return { lanes, running, alarm, clockNotice, start, startTogether, resume, note, takeBack, finish, laneCsv }
})
