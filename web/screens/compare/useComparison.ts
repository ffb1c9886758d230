import { computed, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { compareRuns } from '@core/compare/table'
import { duration, figure } from '@core/words/figures'
import { workedOutLevel } from '@core/analysis/workedOut'
import { samplesOf, type Samples } from '@core/trace/samples'
import { powerColumn, type Trace } from '@core/trace/trace'
import { fromCommonLevel, fromPowerOn, onAlignedClock } from '@core/compare/align'
import type { Path, Point } from '../../charts/options'
import { tellingNames } from '@core/words/names'
import { pointsOfSamples } from '../../charts/reduction'
import { useAnalyses } from '../../stores/analyses'
import { useLogbook } from '../../stores/logbook'

const NOTHING: Trace = { time: new Float64Array(0), temperatures: {} }
/** More than this on one chart are drawn thin and grey. */
const MOST_INKS = 8

/** The chosen runs live in the address, so that a comparison can be kept as a bookmark. */
export function useComparison() {
  const route = useRoute()
  const router = useRouter()
  const logbook = useLogbook()
  const analyses = useAnalyses()

  const chosen = computed<string[]>({
    get: () =>
      String(route.query.runs ?? '')
        .split(',')
        .filter((id) => logbook.run(id)),
    set: (ids) => void router.replace({ query: { ...route.query, runs: ids.join(',') } }),
  })
  const baseline = computed<string>({
    get: () =>
      chosen.value.includes(String(route.query.baseline))
        ? String(route.query.baseline)
        : (chosen.value[0] ?? ''),
    set: (id) => void router.replace({ query: { ...route.query, baseline: id } }),
  })
  /** The clocks: from power-on, or from the highest common start level. */
  const align = computed<'start' | 'level'>({
    get: () => (route.query.align === 'level' ? 'level' : 'start'),
    set: (to) => void router.replace({ query: { ...route.query, align: to === 'start' ? undefined : to } }),
  })
  watch(chosen, (ids) => ids.forEach((id) => void analyses.ask(id)), { immediate: true })

  const runs = computed(() => chosen.value.map((id) => logbook.run(id)!))
  const alignment = computed(() => {
    const traces = runs.value.map((r) => logbook.traces.get(r.id))
    const known = traces.filter((t) => t !== undefined)
    return align.value === 'level' && known.length === traces.length && known.length > 1
      ? fromCommonLevel(known)
      : fromPowerOn(runs.value.map(() => NOTHING))
  })
  const busy = computed(() => chosen.value.some((id) => !analyses.of(id)))
  /** Figures on the clock that was chosen: a verdict on times from another clock would be none. */
  const worked = computed(() =>
    chosen.value.flatMap((id, i) => {
      const [analysis, trace] = [analyses.of(id), logbook.traces.get(id)]
      const { percent, shiftS } = alignment.value
      if (!analysis) return []
      return [{ id, analysis: trace ? onAlignedClock(analysis, trace, percent, shiftS[i]) : analysis }]
    }),
  )
  const rows = computed(() => compareRuns(worked.value, baseline.value))
  const until = computed(() => Math.max(0, ...worked.value.map((w) => w.analysis.durationS)) * 1.02)
  const names = computed(() =>
    tellingNames(
      runs.value.map((r) => ({
        id: r.id,
        device: logbook.device(r.deviceId)?.name,
        source: logbook.source(r.sourceId)?.name,
      })),
    ),
  )

  /** Two chosen runs may carry the same ink from other comparisons: the later one borrows a free one. */
  const inks = computed(() => {
    const taken = new Set<number>()
    return Object.fromEntries(
      runs.value.map((r) => {
        const free = Array.from({ length: MOST_INKS }, (_, i) => i).find((i) => !taken.has(i)) ?? r.ink
        const ink = taken.has(r.ink % MOST_INKS) ? free : r.ink % MOST_INKS
        taken.add(ink)
        return [r.id, ink]
      }),
    )
  })

  /** On the aligned clock; what lies before its beginning is not drawn. */
  const shifted = (points: Point[], i: number): Point[] => {
    const shift = alignment.value.shiftS[i] ?? 0
    return shift === 0 ? points : points.map(({ x, y }) => ({ x: x - shift, y })).filter(({ x }) => x >= 0)
  }

  const pathsOf = (
    samples: (trace: Trace) => Samples,
    ended: (path: Path, runId: string) => Path = (path) => path,
  ): Path[] =>
    runs.value.flatMap((r, i) => {
      const trace = logbook.traces.get(r.id)
      const points = trace ? pointsOfSamples(samples(trace)) : []
      const path = { label: names.value[r.id], ink: inks.value[r.id], points, faded: i >= MOST_INKS }
      const whole = points.length ? ended(path, r.id) : path
      return whole.points.length ? [{ ...whole, points: shifted(whole.points, i) }] : []
    })
  /** A path ends at its full mark; one that never got there says where it stopped. */
  function finished(path: Path, runId: string): Path {
    const full = analyses.of(runId)?.milestones.find((m) => m.percent === 100)
    if (!full || full.reason)
      return { ...path, finish: `stopped at ${figure(path.points.at(-1)?.y, 0, '%')}` }
    const before = path.points.filter((p) => p.x < full.timeS)
    return { ...path, points: [...before, { x: full.timeS, y: 100 }], finish: duration(full.timeS) }
  }
  const level = computed(() => pathsOf(workedOutLevel, finished))
  const power = computed(() => pathsOf((t) => samplesOf(t.time, powerColumn(t))))
  return { chosen, baseline, align, alignment, runs, worked, rows, level, power, until, names, inks, busy }
}
