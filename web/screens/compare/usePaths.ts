import { computed, ref, type ComputedRef, type Ref } from 'vue'
import { groups } from 'd3-array'
import type { Alignment } from '@core/compare/align'
import type { Analysis } from '@core/analysis/analyse'
import { valueAt, type Samples } from '@core/trace/samples'
import { clock, figure } from '@core/words/figures'
import { finishWords } from '@core/words/sentences/finishWords'
import type { Path, Point } from '../../charts/options'
import { pointsOfSamples, SHARED_PX } from '../../charts/reduction'
import type { ChartStretch } from '../../charts/useChartView'
import { countedTrace } from '../../stores/counted'
import { useLogbook } from '../../stores/logbook'
import { comparedSamples, mayBeDrawn, samplesByLevel, type Compared } from './compareSamples'
import { MOST_INKS, type Comparison } from './useComparison'

export const PANELS = ['one', 'device', 'source'] as const
export type PanelKind = (typeof PANELS)[number]
/** One frame with the runs that stand in it. */
export interface Panel {
  key: string
  title: string
  ids: string[]
}
export interface UsePathsReturn {
  /** A set-up, by its key, that is lifted out of the grey ones. */
  lifted: Ref<string | null>
  until: ComputedRef<number>
  panels: ComputedRef<Panel[]>
  /** Paths of the runs of a panel, over a stretch of the clock. */
  levels: (ids: readonly string[], stretch: ChartStretch) => Path[]
  strip: (what: Compared, ids: readonly string[], stretch: ChartStretch) => Path[]
  /** Whether a strip is to be expected of these runs. */
  has: (what: Compared, ids: readonly string[]) => boolean
  byLevel: (what: Compared, ids: readonly string[]) => Path[]
  /** What a run shows at a moment of the clock; NaN where it was not read. */
  shownAt: (what: Compared, id: string, at: number) => number
  /** What every run shows at a moment. */
  readOff: (at: number) => string
}

const UNITS: Record<Compared, [digits: number, unit: string]> = {
  level: [1, '%'],
  power: [1, 'W'],
  battery: [1, 'W'],
  energy: [2, 'Wh'],
  heat: [1, '°C'],
}

/** What is drawn of the chosen runs. */
export function usePaths(comparison: Comparison, panel: () => PanelKind): UsePathsReturn {
  const { runs, worked, names, inks, pathOf, pathNames, pathOrder, inked, alignment, bearers } = comparison
  const logbook = useLogbook()
  const lifted = ref<string | null>(null)
  const analyses = computed(() => new Map<string, Analysis>(worked.value.map((w) => [w.id, w.analysis])))
  const shiftOf = (id: string, { shiftS }: Alignment = alignment.value) =>
    shiftS[runs.value.findIndex((r) => r.id === id)] || 0
  const until = computed(() =>
    worked.value.reduce((most, { id, analysis }) => Math.max(most, analysis.durationS - shiftOf(id)), 0) * 1.02,
  )
  const panels = computed<Panel[]>(() => {
    const kind = panel()
    const of = kind === 'device' ? (id: string) => logbook.device(id) : (id: string) => logbook.source(id)
    if (kind === 'one') return [{ key: 'one', title: '', ids: runs.value.map((r) => r.id) }]
    return groups(runs.value, (r) => (kind === 'device' ? r.deviceId : r.sourceId)).map(([id, own]) => ({
      key: id,
      title: of(id)?.name ?? '?',
      ids: own.map((r) => r.id),
    }))
  })

  /** On the aligned clock; what lies before its beginning is not drawn. */
  const shifted = (points: Point[], shift: number): Point[] =>
    shift === 0 ? points : points.map(({ x, y }) => ({ x: x - shift, y })).filter(({ x }) => x >= 0)

  /** The grey ones first: what is in ink lies above them. Of repeats the one that stands for all bears the name. */
  const pathsOf = (
    ids: readonly string[],
    points: (id: string) => Point[],
    ended: (path: Path, id: string) => Path = (path) => path,
  ) => {
    const isCrowded = pathOrder.value.length > inked.value.size
    const known = ids
      .flatMap((id): (Path & { key: string; of: string })[] => {
        const key = pathOf(id)
        const isLifted = lifted.value === key
        const isOut = isCrowded && (lifted.value !== null || !inked.value.has(key))
        const path = {
          key,
          of: id,
          label: pathNames.value[key],
          ink: inks.value[id],
          points: points(id),
          faded: isOut && !isLifted,
          unnamed: false,
        }
        return path.points.length ? [{ ...path, ...ended(path, id) }] : []
      })
    return groups(known, ({ key }) => key)
      .flatMap(([key, alike]) => {
        const bearer = alike.find(({ of }) => of === bearers.value.get(key)) ?? alike[0]
        return alike.map((path) => ({ ...path, unnamed: path !== bearer }))
      })
      .sort((a, b) => Number(b.faded) - Number(a.faded))
  }
  /** A path ends at its full mark; one that never got there says where it stopped. */
  function finished(path: Path, id: string): Path {
    const analysis = analyses.value.get(id)
    if (!analysis) return path
    const finish = finishWords(analysis)
    const full = analysis.milestones.find((m) => m.percent === 100)
    if (!full || full.reason) return { ...path, finish }
    const before = path.points.filter((p) => p.x < full.timeS)
    return { ...path, points: [...before, { x: full.timeS, y: 100 }], finish }
  }
  const within = (samples: Samples, id: string, { from, until, views }: ChartStretch): Point[] => {
    const shift = shiftOf(id)
    const own = { from: from + shift, until: until + shift }
    return shifted(pointsOfSamples(samples, own, SHARED_PX * views), shift)
  }
  const traceOf = (id: string) => {
    const [run, trace] = [logbook.run(id), logbook.traces.get(id)]
    return run && trace ? countedTrace(run, trace) : undefined
  }
  const drawn = (what: Compared, stretch: ChartStretch) => (id: string) => {
    const trace = traceOf(id)
    return trace ? within(comparedSamples(trace, what), id, stretch) : []
  }
  const shownAt = (what: Compared, id: string, at: number): number => {
    const trace = traceOf(id)
    return trace ? valueAt(comparedSamples(trace, what), at + shiftOf(id)) : NaN
  }
  return {
    shownAt,
    lifted,
    until,
    panels,
    levels: (ids, stretch) =>
      pathsOf(ids, drawn('level', stretch), stretch.until >= until.value ? finished : undefined),
    strip: (what, ids, stretch) => pathsOf(ids, drawn(what, stretch)),
    has: (what, ids) =>
      ids.some((id) => {
        const trace = traceOf(id)
        return trace !== undefined && mayBeDrawn(trace, what)
      }),
    byLevel: (what, ids) =>
      pathsOf(ids, (id) => {
        const trace = traceOf(id)
        return trace ? pointsOfSamples(samplesByLevel(trace, what), undefined, SHARED_PX) : []
      }),
    readOff: (at) =>
      runs.value
        .filter(({ id }) => inked.value.has(pathOf(id)))
        .slice(0, MOST_INKS)
        .flatMap(({ id }) => {
          const told = (['level', 'power', 'battery'] as const).flatMap((what) => {
            const value = shownAt(what, id, at)
            const where = what === 'battery' ? ' into the battery' : ''
            return Number.isNaN(value) ? [] : [`${figure(value, ...UNITS[what])}${where}`]
          })
          return told.length ? [`${names.value[id]} ${told.join(', ')}`] : []
        })
        .reduce((all, one) => `${all}${all.endsWith(':') ? ' ' : '; '}${one}`, `At ${clock(at)}:`),
  }
} // prettier-ignore
