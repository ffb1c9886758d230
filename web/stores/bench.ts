import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import type { Run, RunState } from '@core/logbook/run'
import { nextInk } from '@core/logbook/logbook'
import { simulatedBench, type SimulatedBench } from '@core/model/instruments'
import { setupFor } from '@core/model/setup'
import { stopReached } from '@core/protocol/stopping'
import { writeTraceCsv } from '@core/formats/traceCsv'
import { traceFromReadings, type Reading } from '@core/trace/trace'
import * as journal from '../storage/journal'
import { elapsedAt, flush, makeLane, nominalFor, record, type Lane, type LaneSetup } from './lane'
import { useLogbook } from './logbook'

/** The bench as it survives a reload. */
interface Session {
  schemaVersion: 1
  /** How far this machine's clock was moved while lanes ran, ms: taken out of every elapsed time. */
  wallShiftMs: number
  lanes: LaneSetup[]
}

/** A jump of the machine's clock smaller than this is drift, ms. */
const JUMP_MS = 2000
const BEAT_EVERY_MS = 2000
const RETRY_EVERY_MS = 5000
/** No simulated charge is followed for longer than this after time away, s. */
const SIMULATION_LIMIT_S = 72 * 3600

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
      schemaVersion: 1,
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

  /** Starts the clock of a new lane. It is on the bench only once it is in storage. */
  async function start(choice: Omit<LaneSetup, 'runId' | 'ink' | 'startedAtMs'>): Promise<Lane> {
    if (lanes.value.length === 0) wallShiftMs = 0
    void navigator.storage?.persist?.().catch(() => false)
    const used = [
      ...logbook.runs.filter((r) => r.deviceId === choice.deviceId),
      ...lanes.value.map((l) => l.setup),
    ]
    const setup: LaneSetup = {
      ...choice,
      runId: crypto.randomUUID(),
      ink: nextInk(used.map((u) => u.ink)),
      startedAtMs: Date.now() - wallShiftMs,
    }
    const lane = makeLane(setup, performance.now(), simulationFor(setup))
    const before = lanes.value
    setLanes([...before, lane])
    try {
      await saveSession()
      await record(lane, { kind: 'readings', readings: [{ t: 0, percent: setup.startPercent, nominal: 0 }] })
    } catch (error) {
      setLanes(before)
      throw error
    }
    return lane
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
      session.lanes.map(async (setup) => {
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
      reading: { kind: 'every', seconds: setup.intervalS },
      stop: setup.stop,
      provenance: simulated ? 'simulation' : 'hand',
      events: lane.events,
      corrections: [],
      notes: '',
    }
    await logbook.putRun(run, traceFromReadings(lane.readings))
    setLanes(lanes.value.filter((l) => l !== lane))
    await saveSession()
    await journal.dropJournal(setup.runId)
    return run
  }

  const laneCsv = (lane: Lane) => writeTraceCsv(traceFromReadings(lane.readings))

  return { lanes, running, alarm, clockNotice, start, resume, note, takeBack, finish, laneCsv }
})
