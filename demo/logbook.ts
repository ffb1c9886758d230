import { addDays, addHours } from 'date-fns'
import { type Logbook, nextInk } from '@core/logbook/logbook'
import { blankRun, type RunState, type RunWithTrace, type StopRule } from '@core/logbook/run'
import type { ChargeSetup } from '@core/model/charge'
import { simulatedBench } from '@core/model/instruments'
import { randomFrom } from '@core/stats/random'
import { setupFor } from '@core/model/setup'
import { deviceConditions, noConditions, type RunConditions } from '@core/protocol/runConditions'
import { chainTo } from '@core/gear/chain'
import type { Device } from '@core/gear/gear'
import { traceFromReadings, type Reading, type TraceEvent } from '@core/trace/trace'
import { meters, observations, withCampaign } from './plan'
import { cables, devices, sources } from './shelf'

interface DemoRun {
  device: string
  source: string
  cable?: string
  from: number
  stop?: StopRule
  /** Seconds between readings kept; 300 makes a run as logged by hand. */
  every?: number
  ambientC?: number
  poorCooling?: number
  stallAtShare?: number
  onOffAtEnd?: boolean
  /** Minutes at which the log broke off. */
  cutAtMin?: number
  state?: RunState
  stateReason?: string
  events?: TraceEvent[]
  notes?: string
  /** The phone takes the adjustable way, where both would give the same watts. */
  adjustable?: boolean
  /** Minutes between which the display did not refresh. */
  stuckMin?: [from: number, to: number]
  /** The display was watched as it turned full. */
  watchedFull?: boolean
  /** Only the meter's count, at the start and the end. */
  counterOnly?: boolean
  /** Read at the battery too. */
  bothEnds?: boolean
  /** The battery's watts were noted so many seconds after the source's. */
  batteryLateS?: number
  /** The minute at which the gauge corrected itself by some points. */
  jumpMin?: number
  /** No two evenings are the same: the charge needs a little more or less each time. */
  scatters?: boolean
  /** What a pad was fed from, where it was not the usual. */
  fedFrom?: string
  /** What the device uses beside its charge, between two minutes. */
  load?: { name: string; watts: number; fromMin: number; toMin: number; scores: number[] }
}

const METER_S = 5
/** From evening to evening a charge differs by about so much. */
const SCATTER = 0.01
/** By so many points a gauge corrects itself. */
const JUMP_POINTS = 8
const HAND_S = 300

/** The crew's question: which of the drawer's chargers go on board, which stay ashore? */
const RUNS: DemoRun[] = [
  { device: 'p5', source: 'b5', from: 2, every: HAND_S, onOffAtEnd: true },
  { device: 'p5', source: 'b12', from: 2, every: HAND_S },
  { device: 'p5', source: 'h20', from: 2, events: [{ t: 21, kind: 'screen-on', text: 'Screen came on' }] },
  { device: 'p5', source: 'h30', from: 2, cable: 'c2' },
  {
    device: 'p5',
    source: 'g65',
    from: 2,
    ambientC: 30,
    poorCooling: 0.55,
    notes: 'On the sunny shelf: slower than the smaller Hawser 30.',
  },
  {
    device: 'p5',
    source: 'g100',
    from: 2,
    cutAtMin: 21,
    state: 'spoilt',
    stateReason: 'The shelf lost power when the tide pump started; repeated the next evening.',
  },
  { device: 'p5', source: 'g100', from: 2, cable: 'c2' },
  {
    device: 'p5',
    source: 'bp',
    from: 6,
    stallAtShare: 0.61,
    stop: { kind: 'duration', seconds: 4 * 3600 },
    notes: 'Lay askew on the pad: nothing gained past 61 %.',
  },
  { device: 'p5m', source: 'h20', from: 3 },
  { device: 'p5m', source: 'bo', from: 3, every: HAND_S },
  { device: 't11', source: 'h30', from: 4 },
  { device: 't11', source: 'h30', from: 4, cable: 'c3', notes: 'The thin white cable was taken by mistake.' },
  { device: 'l14', source: 'g65', from: 8 },
  { device: 'l14', source: 'bb', from: 8, cable: 'c2', stop: { kind: 'level', percent: 80 } },
  {
    device: 'p5',
    source: 'h30',
    from: 2,
    adjustable: true,
    notes: 'The other way of the Hawser 30: adjustable.',
  },
  {
    device: 'p5m',
    source: 'b12',
    from: 12,
    counterOnly: true,
    stop: { kind: 'duration', seconds: 300 },
    notes: 'Five minutes by the meter’s count, between two tides.',
  },
  { device: 'p5m', source: 'bo', from: 3, onOffAtEnd: true },
  {
    device: 'p5',
    source: 'b12',
    from: 2,
    every: HAND_S,
    stuckMin: [42, 63],
    watchedFull: true,
    notes: 'The screen did not wake for a while.',
  },
  {
    device: 'l14',
    source: 'g65',
    from: 40,
    bothEnds: true,
    stop: { kind: 'duration', seconds: 3600 },
    load: { name: 'Chart plotting', watts: 34, fromMin: 20, toMin: 40, scores: [1204, 1212, 1198] },
  },
  {
    device: 'l14',
    source: 'h30',
    from: 60,
    bothEnds: true,
    stop: { kind: 'duration', seconds: 2700 },
    load: { name: 'Chart plotting', watts: 33, fromMin: 0, toMin: 45, scores: [1190, 1203, 1185] },
    notes: 'Says it is connected; the battery falls all the same.',
  },
  // Three evenings on each of five, for the deckhand's phone. The Gangway 65 has its place on the sunny shelf.
  ...['b12', 'h20', 'h30', 'g65', 'g100'].flatMap((source) =>
    [1, 2, 3].map((): DemoRun => ({
      device: 'p5m',
      source,
      from: 4,
      every: HAND_S,
      watchedFull: true,
      scatters: true,
      ...(source === 'g65' ? { ambientC: 30, poorCooling: 0.6 } : {}),
    })),
  ),
  // The tablet: one of three is clearly the quickest.
  { device: 't11', source: 'bo', from: 4, every: HAND_S, watchedFull: true },
  { device: 't11', source: 'h20', from: 4, every: HAND_S, watchedFull: true },
  // The pad behind two bricks, well placed.
  { device: 'p5', source: 'bp', from: 6 },
  { device: 'p5', source: 'bp', from: 6, fedFrom: 'b12' },
  {
    device: 'p5m',
    source: 'bo',
    from: 3,
    jumpMin: 40,
    stop: { kind: 'duration', seconds: 5400 },
    notes: 'The gauge corrected itself on the way.',
  },
  {
    device: 'l14',
    source: 'g65',
    from: 30,
    every: HAND_S,
    bothEnds: true,
    batteryLateS: 40,
    stop: { kind: 'duration', seconds: 3600 },
    notes: 'Both ends by hand, one after the other.',
  },
]

const FIRST_EVENING = new Date('2026-03-02T19:00:00Z')
const MAX_HOURS = 9

/** The demo logbook, made by the charge model. Same seed, same logbook. */
export function demoLogbook(seed = 1): Logbook {
  const runs: RunWithTrace[] = []
  // One stream for all: streams from neighbouring seeds begin alike.
  const evenings = randomFrom(seed)
  RUNS.forEach((plan, i) => runs.push(makeRun(plan, i, { seed, evening: evenings.normal() }, runs)))
  return withCampaign({
    devices,
    sources,
    cables,
    meters,
    observations,
    protocols: [],
    campaigns: [],
    writeUps: [],
    runs,
  })
}

function makeRun(
  plan: DemoRun,
  index: number,
  { seed, evening }: { seed: number; evening: number },
  before: RunWithTrace[],
): RunWithTrace {
  const device = devices.find((d) => d.id === plan.device)!
  const source = sources.find((s) => s.id === plan.source)!
  const cable = cables.find((c) => c.id === (plan.cable ?? 'c1'))!
  const fedFromId = plan.fedFrom ?? source.fedFromId
  const feeds = chainTo(source, sources, fedFromId).slice(0, -1)
  const setup = setupFor(device, source, { ...plan, startPercent: plan.from + 0.4, cable, before: feeds })
  if (plan.adjustable) setup.agreement = { ...setup.agreement, protocol: 'pd-adjustable', volts: 11 }
  if (plan.scatters) setup.usableWh *= 1 + SCATTER * evening
  const every = plan.every ?? METER_S
  const stop: StopRule = plan.stop ?? { kind: 'shown-full' }
  const all = charge(setup, seed * 1000 + index, plan)
  const first: Reading = {
    t: 0,
    percent: plan.from,
    voltage: 0,
    current: 0,
    temperatures: { back: setup.ambientC },
  }
  const last = lastSecond(all, stop, plan)
  const kept = asWritten([first, ...all].slice(0, last + 1), every, last, plan)
  const ofDevice = before.filter((r) => r.run.deviceId === plan.device).map((r) => r.run.ink)
  return {
    run: blankRun({
      id: `demo-${index + 1}`,
      deviceId: plan.device,
      sourceId: plan.source,
      cableId: source.kind === 'wireless pad' ? null : cable.id,
      ink: nextInk(ofDevice),
      startedAt: addHours(addDays(FIRST_EVENING, index), index % 3).toISOString(),
      state: plan.state ?? 'done',
      stateReason: plan.stateReason ?? '',
      startPercent: plan.from,
      reading: { kind: 'every', seconds: every },
      stop,
      provenance: 'simulation',
      events: [...(plan.events ?? []), ...loadEvents(plan)],
      notes: plan.notes ?? '',
      conditions: conditionsOf(device, setup.ambientC, fedFromId),
    }),
    trace: traceFromReadings(kept),
  }
}

/** The charge second by second; a load changes what the device uses. */
function charge(setup: ChargeSetup, seed: number, { load, bothEnds }: DemoRun): Reading[] {
  const idle = setup.systemWatts
  const bench = simulatedBench(setup, seed)
  const readings: Reading[] = []
  for (let t = 1; t <= MAX_HOURS * 3600; t++) {
    const isLoaded = load && t > load.fromMin * 60 && t <= load.toMin * 60
    setup.systemWatts = isLoaded ? load.watts : idle
    const [reading] = bench.advanceTo(t)
    readings.push(
      bothEnds ? { ...reading, batteryPower: Math.round(bench.state.batteryWatts * 100) / 100 } : reading,
    )
  }
  return readings
}

const loadEvents = ({ load }: DemoRun): TraceEvent[] =>
  load
    ? [
        { t: load.fromMin * 60, kind: 'load-start', text: load.name },
        // A pass of the benchmark every five minutes.
        ...load.scores.map((points, i) => ({
          t: (load.fromMin + 5 * (i + 1)) * 60,
          kind: 'score',
          text: `Benchmark score: Chart tiles ${points} points`,
        })),
        { t: load.toMin * 60, kind: 'load-stop', text: 'Load stopped' },
      ]
    : []

/** What of it the crew wrote down, and how. */
function asWritten(all: readonly Reading[], every: number, last: number, plan: DemoRun): Reading[] {
  const { stuckMin, watchedFull, counterOnly, jumpMin, batteryLateS } = plan
  const shown = (r: Reading): Reading => {
    const isStuck = stuckMin && r.t > stuckMin[0] * 60 && r.t < stuckMin[1] * 60
    if (isStuck) return { ...r, percent: all[stuckMin[0] * 60].percent }
    const hasJumped = jumpMin !== undefined && r.t >= jumpMin * 60
    return hasJumped ? { ...r, percent: Math.min(100, (r.percent ?? 0) + JUMP_POINTS) } : r
  }
  if (counterOnly) {
    const wh = all.reduce((sum, r) => sum + ((r.voltage ?? 0) * (r.current ?? 0)) / 3600, 0)
    return [
      { t: 0, percent: all[0].percent, counterWh: 0 },
      {
        t: last,
        counterWh: Math.round(wh * 1000) / 1000,
        voltage: all[last].voltage,
        current: all[last].current,
      },
    ]
  }
  if (batteryLateS !== undefined)
    return all.flatMap(({ batteryPower, ...source }): Reading[] => {
      if (source.t % every === 0) return [source]
      return source.t % every === batteryLateS ? [{ t: source.t, batteryPower }] : []
    })
  const kept = all.filter((r) => r.t % every === 0).map(shown)
  const turned = watchedFull ? all.find((r) => r.percent === 100) : undefined
  if (!turned) return kept
  const watched: Reading = { ...turned, watched: 1 }
  return [...kept.filter((r) => r.t !== turned.t), watched].sort((a, b) => a.t - b.t)
}

/** A full run is watched for ten minutes and three readings more, so that its end can be seen. */
function lastSecond(readings: readonly Reading[], stop: StopRule, plan: DemoRun): number {
  if (plan.cutAtMin !== undefined) return plan.cutAtMin * 60
  if (stop.kind === 'duration') return stop.seconds
  const target = stop.kind === 'level' ? stop.percent : 100
  const reached = readings.find((r) => (r.percent ?? 0) >= target)
  return Math.min(readings.length, (reached?.t ?? readings.length) + 900)
}

/** What the crew wrote down of every run: the same state of the device, the same meter, the room as it was. */
const conditionsOf = (device: Device, ambientC: number, fedFromId: string | null): RunConditions => ({
  ...noConditions(),
  ...deviceConditions(device),
  deviceState: 'asleep, flight mode on',
  meterId: 'm1',
  thermometerId: 'm3',
  ambientC,
  fedFromId,
  restMinutes: 21,
})
