import { defineStore, storeToRefs } from 'pinia'
import { ref, shallowReactive, watch } from 'vue'
import type { AnalyseOptions, Analysis } from '@core/analysis/analyse'
import { ANALYSIS_VERSION, headlineOf, type Headline } from '@core/analysis/headline'
import { withOwnEfficiency, type Spot } from '@core/analysis/spot'
import { pausesOf, unpluggedSince } from '@core/trace/pauses'
import { ownEfficiency } from '@core/analysis/ownEfficiency'
import { accuracyOf } from '@core/gear/accuracy'
import { isSound, type Run } from '@core/logbook/run'
import { parseClaims } from '@core/gear/claims'
import { capacityThen, unknownConditions } from '@core/protocol/runConditions'
import { dropHeadlinesBut, keepHeadline, readHeadlines, type KeptHeadline } from '../storage/headlines'
import { dropPicturesBut } from '../storage/pictures'
import { analysisWork } from '../workers/analysis'
import { handOver } from '../workers/handOver'
import { asked } from './asked'
import { useBench } from './bench'
import { countedTrace } from './counted'
import { useExpected } from './expected'
import { useLogbook } from './logbook'
import { useTelling } from './telling'

/** Whole analyses kept in memory: as many as anybody sets side by side, and the last ones looked at stay at hand. */
const MOST_KEPT = 600
const LISTS_TOLD_MS = 500
/** A breath between two runs that are worked out, while lanes are on the bench. */
const BREATH_MS = 80

/** The figures of runs, worked out off the main thread, once for each trace. */
export const useAnalyses = defineStore('analyses', () => {
  const logbook = useLogbook()
  const told = useTelling()
  const expectedOf = useExpected()
  const bench = useBench()
  const whole = shallowReactive(new Map<string, { basis: string; analysis: Analysis }>())
  const headlines = shallowReactive(new Map<string, KeptHeadline>())
  const fresh = new Map<string, KeptHeadline>()
  let shownAt = 0
  const underWay = new Map<string, Promise<Analysis | undefined>>()
  let filling: Promise<void> | undefined
  let isBehind = false
  /** All runs were gone through once: what is learnt from them together no longer moves under the reader. */
  const filled = ref(false)

  /** By the run as it stands: a list asks for all of them whenever one is done, and records are replaced, not changed. */
  const bases = new WeakMap<Run, { of: unknown[]; basis: string }>()

  /** Everything a run's figures are worked out from: they change when it does. */
  function basisOf(runId: string): string {
    const run = logbook.run(runId)
    const traceKey = logbook.traceKeys.get(runId)
    if (!run) return `${ANALYSIS_VERSION} ${traceKey}`
    const { meterId, thermometerId } = run.conditions
    const instruments = [logbook.meter(meterId), logbook.meter(thermometerId)]
    // A chain may lead over any source.
    const chain = [logbook.device(run.deviceId), logbook.sources, logbook.cable(run.cableId)]
    const of = [traceKey, ...instruments, ...chain]
    const known = bases.get(run)
    if (known?.of.every((part, i) => part === of[i])) return known.basis
    const { claims, context, ...own } = optionsOf(run)
    const options = [own, context, claims, pausesOf(run.events)]
    const basis = `${ANALYSIS_VERSION} ${traceKey} ${JSON.stringify(options)}`
    bases.set(run, { of, basis })
    return basis
  }

  async function work(runId: string): Promise<Analysis | undefined> {
    const run = logbook.run(runId)
    // As they are now: what is looked up later may be another's.
    const options = run && optionsOf(run)
    const trace = await logbook.readingsOf(runId)
    if (!run || !options || !trace) return undefined
    const counted = countedTrace(run, trace)
    const worker = analysisWork()
    return worker.analyse(await handOver(worker, counted), options)
  }

  /** What a run brings itself: its battery, its instruments, its rules and what nobody noted, as they were. */
  function ownOptions({ conditions, provenance, cableId, reading, heat, events }: Run): AnalyseOptions {
    const { usableWh, uncertainty } = capacityThen(conditions)
    const since = unpluggedSince(events)
    return {
      ...(Number.isNaN(usableWh) ? {} : { usableWh, usableShare: uncertainty }),
      ...(provenance === 'hand' ? { byHand: true } : {}),
      meter: accuracyOf(logbook.meter(conditions.meterId)),
      thermometer: accuracyOf(logbook.meter(conditions.thermometerId)),
      ...(conditions.ambientC === null ? {} : { ambientC: conditions.ambientC }),
      ...(heat.minutes.length ? { heatMarksS: heat.minutes.map((m) => m * 60).filter((s) => s > 0) } : {}),
      context: {
        ...(provenance === 'hand' ? { reading } : {}),
        stopLimitC: heat.stopLimitC,
        unknownConditions: unknownConditions(conditions, cableId),
        ...(since === undefined ? {} : { unpluggedS: since }),
      },
    }
  }

  /** With what the shelf says of its device, and what is expected of the chain. */
  function optionsOf(run: Run): AnalyseOptions {
    const own = ownOptions(run)
    const expectedVolts = expectedOf(run)?.volts ?? NaN
    return {
      ...own,
      claims: parseClaims(logbook.device(run.deviceId)?.claims ?? '').claims,
      context: { ...own.context, expectedVolts },
    }
  }

  /** What is kept of the same device's other runs that count, from a source that is plugged in. */
  const otherRunsOf = (run: Run): Headline[] =>
    told.ofCharging
      .filter((r) => r.deviceId === run.deviceId && r.id !== run.id && isSound(r))
      .filter((r) => logbook.source(r.sourceId)?.kind !== 'wireless pad')
      .flatMap(({ id }) => headline(id) ?? [])

  /** Asks for the figures of a run and has its trace at hand; `of` shows them once they are there. */
  async function ask(runId: string): Promise<Analysis | undefined> {
    // The trace first: it is drawn while its figures are worked out from it.
    await logbook.traceOf(runId)
    return figuresOf(runId)
  }

  function figuresOf(runId: string): Promise<Analysis | undefined> {
    const basis = basisOf(runId)
    const known = of(runId)
    if (known) return Promise.resolve(known)
    let answer = underWay.get(basis)
    if (!answer) {
      answer = work(runId)
        .then((analysis) => {
          // One that was overtaken by a change must not stand in the way of what was worked out after it.
          if (analysis && basis === basisOf(runId)) keep(runId, basis, analysis)
          return analysis
        })
        .finally(() => underWay.delete(basis))
      underWay.set(basis, answer)
    }
    return answer
  }

  function keep(runId: string, basis: string, analysis: Analysis) {
    whole.delete(runId)
    whole.set(runId, { basis, analysis })
    for (const oldest of [...whole.keys()].slice(0, Math.max(0, whole.size - MOST_KEPT))) whole.delete(oldest)
    const headline = { basis, figures: headlineOf(analysis) }
    void keepHeadline(runId, headline)
    fresh.set(runId, headline)
    if (!filling) showFresh()
  }

  /** Lists go through all their rows at every change: while many runs are worked out, they are told of some at once. */
  function showFresh() {
    for (const [runId, headline] of fresh) headlines.set(runId, headline)
    fresh.clear()
    shownAt = performance.now()
  }

  function of(runId: string): Analysis | undefined {
    const found = whole.get(runId)
    return found?.basis === basisOf(runId) ? found.analysis : undefined
  }

  /**
   * What a short run tells, with the losses that other runs of its device measured; null of others. Put together when it
   * is asked for: those may be worked out later than the run itself.
   */
  function spotOf(runId: string): Spot | null {
    const [run, spot] = [logbook.run(runId), of(runId)?.spot]
    return run && spot ? withOwnEfficiency(spot, ownEfficiency(otherRunsOf(run))) : null
  }

  /** What a list shows of a run: kept with it, so that a list computes nothing. */
  function headline(runId: string): Headline | undefined {
    const found = headlines.get(runId)
    return found?.basis === basisOf(runId) ? found.figures : undefined
  }

  let reading: Promise<void> | undefined
  /** What was kept of the runs when they were last looked at: no run is worked out for it. */
  function readKept(): Promise<void> {
    reading ??= readHeadlines()
      .then((kept) => {
        for (const [runId, figures] of kept) if (!headlines.has(runId)) headlines.set(runId, figures)
      })
      .catch((refusal: unknown) => {
        // What storage refused once is asked for again.
        reading = undefined
        throw refusal
      })
    return reading
  }

  /** Reads what is kept, then works out what is missing or out of date, one run after the other. */
  function fill(): Promise<void> {
    filling ??= (async () => {
      await readKept()
      do {
        isBehind = false
        await goThrough()
      } while (isBehind)
      const ids = new Set(logbook.runs.map((r) => r.id))
      await Promise.all([dropHeadlinesBut(ids), dropPicturesBut(ids)])
    })().finally(() => {
      filling = undefined
      showFresh()
      filled.value = true
      // What changed after the last look at the runs, while what is no longer wanted was dropped.
      if (isBehind) {
        isBehind = false
        void fill().catch(() => undefined)
      }
    })
    return filling
  }

  async function goThrough() {
    for (const { id } of [...logbook.runs].reverse()) {
      if (headline(id) || fresh.get(id)?.basis === basisOf(id) || !logbook.run(id)) continue
      await figuresOf(id).catch(() => undefined)
      // Readings come first: they wait for the same database.
      if (bench.running) await new Promise((resolve) => setTimeout(resolve, BREATH_MS))
      if (performance.now() - shownAt > LISTS_TOLD_MS) showFresh()
    }
  }

  // Lists ask for nothing: what was brought in, put right, or changed by another tab is worked out here, as at the start.
  const { runs, devices, sources, cables, meters } = storeToRefs(logbook)
  watch([runs, devices, sources, cables, meters], () => {
    if (filling) isBehind = true
    else if (filled.value) void fill().catch(() => undefined)
  })
  return { ask, of: asked(of), spotOf: asked(spotOf), headline: asked(headline), readKept, fill, filled }
})
