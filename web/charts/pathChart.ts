import type { ChartConfiguration, ChartDataset } from 'chart.js'
import { ticks } from 'd3-array'
import { asRead, clock, keptValue, writtenUnit, writtenValue } from '@core/words/figures'
import { inkOf } from '../theme/inks'
import { clockTicks, tickText } from './clockTicks'
import { inkColour } from './colours'
import { finishOf } from './finish'
import { eventMarks } from './eventMarks'
import { findingMarks, flagMarks, ringMarks } from './flags'
import { zoomOf } from './zoom'
import { AXIS_WIDTH, lengthOf, RIGHT_PX, type Path, type PathChartOptions, type Point } from './options'

const TOP_PX = 8
/** Decimals of a figure at a scale, at most. */
const TICK_DIGITS = 3
const WRITTEN_TICKS = 4
const FLAG_TOP_PX = 26
const PERCENT_TICKS = [0, 20, 40, 60, 80, 100]

type DrawnPath = ChartDataset<'line', Point[]>

/** The whole chart: one frame, one scale, paths named on the finish line. */
export function pathChart(o: PathChartOptions): ChartConfiguration<'line', Point[]> {
  const c = o.colours
  const until = lengthOf(o)
  const finish = finishOf(o)
  const byLevel = o.across === 'level'
  return {
    type: 'line',
    data: { datasets: [...o.paths.map((p) => dataset(p, o)), ...o.paths.flatMap((p) => endMark(p, o))] },
    options: {
      responsive: true,
      maintainAspectRatio: false,
      parsing: false,
      normalized: true,
      interaction: { mode: 'nearest', axis: 'x', intersect: false },
      // Where all strips are read off together, no point of one is lifted out: it would be drawn anew under every hand.
      ...(o.pointed ? { hover: { mode: 'none' as never } } : {}),
      onHover: (event, _, chart) => {
        const { left, right } = chart.chartArea
        const x = event.x ?? -1
        o.pointed?.(x >= left && x <= right ? (chart.scales.x.getValueForPixel(x) ?? null) : null)
      },
      layout: {
        padding: {
          right: RIGHT_PX,
          top: Math.max(o.flags?.length ? FLAG_TOP_PX : TOP_PX, finish.room),
        },
      },
      scales: {
        x: {
          type: 'linear',
          min: o.from ?? 0,
          max: until,
          grid: { display: !o.bare, color: c.grid },
          border: { color: c.quiet },
          afterBuildTicks: (scale) =>
            void (scale.ticks = byLevel
              ? PERCENT_TICKS.map((value) => ({ value }))
              : clockTicks(until, o.narrow, o.from)),
          ticks: {
            display: o.showClock && !o.bare,
            color: c.quiet,
            maxRotation: 0,
            callback: (v) => (byLevel ? `${v}\u00a0%` : tickText(Number(v))),
          },
        },
        y: {
          min: o.min,
          max: o.max,
          grace: '8%',
          afterBuildTicks: (scale) => {
            if (o.unit === '%') scale.ticks = PERCENT_TICKS.map((value) => ({ value }))
            else if (writtenUnit(o.unit) !== o.unit)
              scale.ticks = roundAsWritten(scale.min, scale.max, o.unit)
          },
          grid: { display: !o.bare, color: c.grid },
          border: { color: c.quiet },
          ticks: {
            display: !o.bare,
            color: c.quiet,
            maxTicksLimit: 6,
            callback: (v) => asRead(writtenValue(Number(v), o.unit), TICK_DIGITS),
          },
          title: {
            display: o.unit !== '' && !o.bare && !o.untitled,
            text: writtenUnit(o.unit),
            color: c.quiet,
          },
          afterFit: (scale) => void (scale.width = o.bare ? 2 : AXIS_WIDTH),
        },
      },
      plugins: {
        finishLine: {
          labels: finish.labels,
          places: finish.places,
          level: o.finishLevel ?? 0,
          line: c.text,
          ground: c.page,
        },
        tooltip: {
          // Where all strips are read off together, their line says it.
          enabled: o.pointed === undefined,
          displayColors: false,
          filter: (item) => item.datasetIndex < o.paths.length,
          backgroundColor: c.text,
          titleColor: c.ground,
          bodyColor: c.ground,
          callbacks: {
            title: ([item]) =>
              byLevel ? `${Math.round(item.parsed.x ?? 0)}\u00a0%` : clock(item.parsed.x ?? 0),
            label: (item) => `${o.paths[item.datasetIndex].label}: ${asRead(item.parsed.y, 2, o.unit)}`,
          },
        },
        zoom: zoomOf(o),
        annotation: { clip: false, annotations: marksOf(inView(o)) },
      },
    },
  }
}

/**
 * What is to be drawn now, in the objects that the chart has where they look alike. It knows a path by its object: given
 * another for the same path it would throw all its points away and make them anew, at every move. But points once made
 * keep their look, so that one which looks different is a new one.
 */
export function carriedOn<Drawn extends object>(had: readonly Drawn[], now: readonly Drawn[]): Drawn[] {
  const left = [...had]
  return now.map((next) => {
    const at = left.findIndex((before) => looksLike(before, next))
    return at < 0 ? next : Object.assign(left.splice(at, 1)[0], next)
  })
}

/** What may change of a path that goes on: where it is and where it is cut off. */
const MAY_CHANGE = ['data', 'clip']

function looksLike(before: object, next: object): boolean {
  const look = (of: object) => Object.entries(of).filter(([key]) => !MAY_CHANGE.includes(key))
  const was: Record<string, unknown> = { ...before }
  return (
    Object.keys(was).length === Object.keys(next).length &&
    look(next).every(([key, value]) => String(was[key]) === String(value))
  )
}

/** Marks at round values of the unit as it is written, not of the one in which values are kept. */
const roundAsWritten = (min: number, max: number, unit: string) =>
  ticks(writtenValue(min, unit), writtenValue(max, unit), WRITTEN_TICKS).map((value) => ({
    value: keptValue(value, unit),
  }))

/** The mark at the end of a path, which tells it apart. */
function endMark(path: Path, o: PathChartOptions): DrawnPath[] {
  const end = path.points.at(-1)
  // Looked at closely, the last point is the one beside the view, and no end.
  if (!end || path.faded || path.as || end.x > lengthOf(o)) return []
  const colour = inkColour(path.ink, o.colours)
  return [
    {
      data: [end],
      borderColor: colour,
      backgroundColor: colour,
      pointStyle: inkOf(path.ink).mark,
      pointRadius: 5.5,
      pointBorderWidth: 2,
      clip: clipOf(o),
    },
  ]
}

/**
 * A mark at the full level or at the end is whole: it stands on the line, not under it. A path that goes on outside the
 * view ends at the frame.
 */
function clipOf(o: PathChartOptions) {
  const over = 8
  const left = (o.from ?? 0) > 0 ? 0 : over
  const right = o.whole !== undefined && lengthOf(o) < o.whole ? 0 : over
  return { left, right, top: over, bottom: over }
}

const marksOf = (o: PathChartOptions) => ({
  ...flagMarks(o),
  ...ringMarks(o),
  ...eventMarks(o),
  ...findingMarks(o),
})

/** Marks outside the view would stand beside the plot. */
function inView(o: PathChartOptions): PathChartOptions {
  const { from = 0 } = o
  const seen = <T extends { x: number }>(marks?: T[]) =>
    marks?.filter(({ x }) => x >= from && x <= lengthOf(o))
  return {
    ...o,
    flags: seen(o.flags),
    rings: seen(o.rings),
    events: seen(o.events),
    findings: seen(o.findings),
  }
}

function dataset(path: Path, o: PathChartOptions): DrawnPath {
  const ink = inkOf(path.ink)
  const colour = inkColour(path.ink, o.colours)
  const last = path.points.length - 1
  const sparse = last < 60
  return {
    label: path.label,
    data: path.points,
    borderColor: path.faded ? o.colours.faded : colour,
    backgroundColor: colour,
    borderDash: path.faded || o.solid ? [] : ink.dash,
    borderWidth: path.faded ? 1 : 2.25,
    // A mitred corner of a steep step stands out as a spike that nobody measured.
    borderJoinStyle: 'round',
    pointStyle: ink.mark,
    clip: clipOf(o),
    // The same for every point: a rule for each would be asked of thousands at every move.
    pointRadius: path.faded || !sparse ? 0 : 2,
    pointBorderWidth: 1,
    pointHoverRadius: 5,
    stepped: o.stepped ? 'before' : false,
    spanGaps: false,
    ...(path.as === 'points' ? { showLine: false, pointRadius: 2.5, borderColor: o.colours.quiet } : {}),
    ...(path.as === 'stairs'
      ? { stepped: 'before', borderWidth: 1, borderColor: o.colours.faded, pointRadius: 0, order: 1 }
      : {}),
  }
}
