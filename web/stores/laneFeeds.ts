import { withinBounds } from '@core/bench/line'
import { speedOf, type LaneSetup } from '@core/bench/setup'
import { stamp } from '@core/bench/state'
import { stopReached } from '@core/bench/stop'
import { simulatedBench, type SimulatedBench } from '@core/model/instruments'
import { setupFor } from '@core/model/setup'
import { alignByCurrent } from '@core/trace/clocks'
import type { Reading } from '@core/trace/trace'
import { listenTo, type Sample } from './instrumentStream'
import { elapsedAt, record, type Lane } from './lane'
import { readOwnBattery } from './ownBattery'

/** No simulated charge is followed for longer than this after time away, s. */
export const SIMULATION_LIMIT_S = 72 * 3600
/** The stop rule and the streams' clocks are looked at this often, ms: more helps nobody. */
const LOOK_EVERY_MS = 1000
/** The streams' start of current is looked for this long; after that the reviewer moves a clock by hand. */
const ALIGN_WITHIN_S = 1800
/** A stream silent for this long is lost, even if its line still stands, ms. */
const SILENT_MS = 6000
const looked = new WeakMap<Lane, number>()

/** What a feed needs of the bench: its clock, and where refusals go. */
export interface FeedBench {
  /** Resolves once a moment on the page's clock can be told for sure. */
  settled(): Promise<void>
  watch(pageNow: number): void
  raise(error: unknown): void
}

/** The charge model for a simulated lane, from the gear as it was at power-on. */
export function simulationFor(setup: LaneSetup): SimulatedBench | undefined {
  if (setup.feed.kind !== 'simulated' || !setup.gear) return undefined
  const { device, source, before, cable } = setup.gear
  return simulatedBench(
    setupFor(device, source, { startPercent: setup.start.percent, cable, before }),
    setup.feed.seed,
  )
}

/** Lets the simulation pass what the journal has already, and the time away, without reading it again. */
export function skipSimulation(lane: Lane): void {
  const last = Math.ceil(lane.state.latest.get('') ?? 0)
  lane.simulated?.skipTo(Math.min(SIMULATION_LIMIT_S, Math.max(last, Math.floor(lane.elapsedS))))
}

export function readSimulation(lane: Lane, raise: FeedBench['raise']): void {
  if (!lane.simulated || lane.elapsedS > SIMULATION_LIMIT_S) return
  const readings = lane.simulated.advanceTo(Math.floor(lane.elapsedS)).flatMap((r) => withinBounds(r) ?? [])
  if (readings.length > 0) void record(lane, { kind: 'readings', readings }).catch(raise)
}

/** Begins to listen to a lane's instruments. Breaks are noted as events; nothing is filled in. */
export function plugIn(lane: Lane, bench: FeedBench): void {
  const { feed } = lane.setup
  lane.feed?.stop()
  if (feed.kind === 'instruments') {
    const streams = feed.ids.map((id) => follow(id, lane, bench))
    lane.feed = {
      stop: () => streams.forEach((s) => s.stop()),
      rebase: () => streams.forEach((s) => s.rebase()),
    }
  } else if (feed.kind === 'own-battery') {
    const stop = readOwnBattery((percent) => void keep(lane, bench, { percent }, 'own-battery', null))
    lane.feed = { stop, rebase: () => undefined }
  }
}

/**
 * Follows one instrument. Its readings keep the instrument's own steps; where its clock stands on the lane's is fixed
 * as the stream begins, and anew after every break and every sleep. A break is reported and never filled in.
 */
function follow(id: string, lane: Lane, bench: FeedBench) {
  let base: number | undefined
  let lost = false
  let silence: ReturnType<typeof setTimeout>
  const note = (kind: string, text: string) => {
    const event = { t: stamp(lane.state, elapsedAt(lane, performance.now())), kind, text: text.slice(0, 400) }
    void record(lane, { kind: 'event', event }).catch(bench.raise)
  }
  const lose = (why: string) => {
    base = undefined
    if (lost) return
    lost = true
    lane.lost = { ...lane.lost, [id]: why }
    note('stream-lost', `Nothing more from ${id}: ${why}`)
  }
  const expect = () => {
    clearTimeout(silence)
    silence = setTimeout(() => lose('it fell silent'), SILENT_MS)
  }
  const found = () => {
    lost = false
    const { [id]: _, ...others } = lane.lost
    lane.lost = others
    note('stream-back', `${id} is heard again`)
  }
  const unlisten = listenTo(id, {
    sample: ({ t, ...values }: Sample) => {
      expect()
      if (lost) found()
      void keep(lane, bench, values, id, (elapsed) => (base ??= elapsed - t) + t)
    },
    lost: lose,
  })
  expect()
  return {
    stop: () => {
      clearTimeout(silence)
      unlisten()
    },
    rebase: () => (base = undefined),
  }
}

/** Stamps a reading at the moment it came and stores it. While a jump of the clock is in doubt it waits for the answer. */
async function keep(
  lane: Lane,
  bench: FeedBench,
  values: Omit<Reading, 't' | 'stream'> & { status?: unknown },
  stream: string,
  onLane: ((elapsedS: number) => number) | null,
): Promise<void> {
  const pageNow = performance.now()
  bench.watch(pageNow)
  await bench.settled()
  const elapsed = elapsedAt(lane, pageNow)
  const { status: _, ...read } = values
  const t = stamp(lane.state, onLane ? onLane(elapsed) : elapsed, stream)
  const reading = withinBounds({ ...read, t, stream })
  if (reading) await record(lane, { kind: 'readings', readings: [reading] }).catch(bench.raise)
}

/** What follows from the readings: stop offers, the closer step of a closing-in rule, streams on one clock. */
export function updateLanes(lanes: readonly Lane[], pageNow: number, raise: FeedBench['raise']): void {
  closeIn(lanes)
  for (const lane of lanes) {
    if (pageNow - (looked.get(lane) ?? -Infinity) < LOOK_EVERY_MS) continue
    looked.set(lane, pageNow)
    lane.offerStop ??= stopReached(lane.setup.stop, lane.state, lane.elapsedS)
    const { feed } = lane.setup
    if (feed.kind === 'instruments' && feed.ids.length > 1 && mayAlign(lane)) align(lane, raise)
  }
}

const mayAlign = ({ state, elapsedS }: Lane): boolean => !state.aligned && elapsedS < ALIGN_WITHIN_S

/** Any lane of the strip that shows the level brings the closer step to all that follow such a rule. */
function closeIn(lanes: readonly Lane[]): void {
  for (const lane of lanes) {
    const rule = lane.setup.reading
    if (rule.kind !== 'closing-in' || lane.closingInFrom !== null) continue
    for (const other of lanes) {
      const at = speedOf(other.setup) === 1 ? other.state.levels.firstAt(rule.abovePercent) : null
      if (at === null) continue
      const onMine = at + (other.startedAtPage - lane.startedAtPage) / 1000
      lane.closingInFrom = Math.max(0, Math.min(onMine, lane.closingInFrom ?? Infinity))
    }
  }
}

function align(lane: Lane, raise: FeedBench['raise']): void {
  const offsets = alignByCurrent([...lane.state.readings], lane.state.offsets)
  if (Object.keys(offsets).length === 0) return
  void record(lane, { kind: 'offsets', offsets }).catch(raise)
}
