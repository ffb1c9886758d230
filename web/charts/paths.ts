import type { ChartConfiguration, ChartDataset, ScriptableContext } from 'chart.js'
import type { AnnotationOptions } from 'chartjs-plugin-annotation'
import { clock, duration } from '@core/words/figures'
import { inkOf } from '../theme/inks'
import { placeLabels, roomFor, type FinishLabel } from './finishLine'
import type { FinishPlace } from './finishPlaces'

export interface Point {
  x: number
  y: number
}

/** One run on a chart. Points in seconds and the strip's own unit. */
export interface Path {
  label: string
  ink: number
  points: Point[]
  /** Drawn thin and pale, behind the others. */
  faded?: boolean
  /** What stands beside its name on the finish line: its time, or the level it stopped at. */
  finish?: string
}

/** A milestone's flag, with its bracket as a short bar along the line. Seconds, percent. */
export interface Flag {
  x: number
  y: number
  from: number
  to: number
  text: string
}

export interface Tick {
  x: number
  text: string
}

export interface PathChartOptions {
  paths: Path[]
  flags?: Flag[]
  events?: Tick[]
  unit: string
  dark: boolean
  min?: number
  max?: number
  /** Seconds shown, so that strips share one clock. */
  until: number
  /** Names the paths on the line at this level, in the order of arrival. */
  finishLevel?: number
  /** A single path is drawn solid: dashes are for telling several apart. */
  solid?: boolean
  showClock: boolean
  narrow: boolean
  /** Width of the frame, px: names are placed for it. */
  width: number
  /** Steps instead of slopes, for voltage. */
  stepped?: boolean
}

const PAPER = {
  text: '#17263a',
  quiet: '#4d5866',
  grid: 'rgba(23,38,58,0.09)',
  accent: '#a83517',
  ground: '#fefcf6',
  page: '#fbf7ee',
}
const NIGHT = {
  text: '#e9e4d8',
  quiet: '#a9b4c1',
  grid: 'rgba(233,228,216,0.10)',
  accent: '#f29a7e',
  ground: '#18202a',
  page: '#12181f',
}
const AXIS_WIDTH = 50
const RIGHT_PX = 14
const TOP_PX = 8
const FLAG_TOP_PX = 26
const PERCENT_TICKS = [0, 20, 40, 60, 80, 100]

export const coloursOf = (dark: boolean) => (dark ? NIGHT : PAPER)
export const inkColour = (index: number, dark: boolean) => inkOf(index)[dark ? 'dark' : 'light']

/** The names on the finish line and where they stand; none where the chart has no such line. */
export function finishOf(o: PathChartOptions): {
  labels: FinishLabel[]
  places: FinishPlace[]
  room: number
} {
  if (o.finishLevel === undefined || o.width <= 0) return { labels: [], places: [], room: 0 }
  const labels = o.paths.flatMap((path): FinishLabel[] => {
    const end = path.points.at(-1)
    if (path.faded || !end) return []
    const colour = inkColour(path.ink, o.dark)
    return [{ name: path.label, figure: path.finish ?? '', colour, atX: end.x, atY: end.y }]
  })
  const places = placeLabels(labels, {
    plotLeft: AXIS_WIDTH,
    plotRight: o.width - RIGHT_PX,
    right: o.width,
    until: lengthOf(o),
  })
  return { labels, places, room: roomFor(places) }
}

const lengthOf = (o: PathChartOptions): number => Math.max(60, o.until)

/** The whole chart: one frame, one scale, paths named on the finish line. */
export function pathChart(o: PathChartOptions): ChartConfiguration<'line', Point[]> {
  const c = coloursOf(o.dark)
  const until = lengthOf(o)
  const finish = finishOf(o)
  return {
    type: 'line',
    data: { datasets: o.paths.map((p) => dataset(p, o)) },
    options: {
      responsive: true,
      maintainAspectRatio: false,
      parsing: false,
      normalized: true,
      interaction: { mode: 'nearest', axis: 'x', intersect: false },
      layout: {
        padding: {
          right: RIGHT_PX,
          top: Math.max(o.flags?.length ? FLAG_TOP_PX : TOP_PX, finish.room),
        },
      },
      scales: {
        x: {
          type: 'linear',
          min: 0,
          max: until,
          grid: { color: c.grid },
          border: { color: c.quiet },
          afterBuildTicks: (scale) => void (scale.ticks = ticksUntil(until, o.narrow)),
          ticks: {
            display: o.showClock,
            color: c.quiet,
            maxRotation: 0,
            callback: (v) => tickText(Number(v)),
          },
        },
        y: {
          min: o.min,
          max: o.max,
          grace: '8%',
          afterBuildTicks: (scale) => {
            if (o.unit === '%') scale.ticks = PERCENT_TICKS.map((value) => ({ value }))
          },
          grid: { color: c.grid },
          border: { color: c.quiet },
          ticks: { color: c.quiet, maxTicksLimit: 6 },
          title: { display: true, text: o.unit, color: c.quiet },
          afterFit: (scale) => void (scale.width = AXIS_WIDTH),
        },
      },
      plugins: {
        decimation: { enabled: true, algorithm: 'min-max' },
        finishLine: {
          labels: finish.labels,
          places: finish.places,
          level: o.finishLevel ?? 0,
          line: c.text,
          ground: c.page,
        },
        tooltip: {
          displayColors: false,
          backgroundColor: c.text,
          titleColor: c.ground,
          bodyColor: c.ground,
          callbacks: {
            title: ([item]) => clock(item.parsed.x ?? 0),
            label: (item) =>
              `${o.paths[item.datasetIndex].label}: ${Math.round((item.parsed.y ?? 0) * 100) / 100} ${o.unit}`,
          },
        },
        annotation: { clip: false, annotations: { ...flagMarks(o), ...eventMarks(o) } },
      },
    },
  }
}

function dataset(path: Path, o: PathChartOptions): ChartDataset<'line', Point[]> {
  const ink = inkOf(path.ink)
  const colour = inkColour(path.ink, o.dark)
  const last = path.points.length - 1
  const sparse = last < 60
  const onlyAtEnd = (end: number, else_: number) => (context: ScriptableContext<'line'>) =>
    context.dataIndex === (context.dataset.data.length || 1) - 1 ? end : else_
  return {
    label: path.label,
    data: path.points,
    borderColor: path.faded ? (o.dark ? '#5b6672' : '#b5b3aa') : colour,
    backgroundColor: colour,
    borderDash: path.faded || o.solid ? [] : ink.dash,
    borderWidth: path.faded ? 1 : 2.25,
    pointStyle: ink.mark,
    // The mark at the full level is whole: it stands on the line, not under it.
    clip: 8,
    pointRadius: path.faded ? 0 : onlyAtEnd(5.5, sparse ? 2 : 0),
    pointBorderWidth: onlyAtEnd(2, 1),
    pointHoverRadius: 5,
    stepped: o.stepped ? 'before' : false,
    spanGaps: false,
  }
}

function flagMarks(o: PathChartOptions): Record<string, AnnotationOptions> {
  const c = coloursOf(o.dark)
  const marks: Record<string, AnnotationOptions> = {}
  o.flags?.forEach((flag, i) => {
    marks[`bar${i}`] = {
      type: 'line',
      xMin: flag.from,
      xMax: flag.to,
      yMin: flag.y,
      yMax: flag.y,
      borderColor: c.accent,
      borderWidth: 5,
    }
    marks[`pole${i}`] = {
      type: 'line',
      xMin: flag.x,
      xMax: flag.x,
      yMin: 0,
      yMax: flag.y,
      borderColor: c.accent,
      borderWidth: 1,
      borderDash: [1, 3],
    }
    marks[`flag${i}`] = {
      type: 'label',
      xValue: flag.x,
      yValue: flag.y,
      content: flag.text,
      color: c.text,
      backgroundColor: c.ground,
      borderColor: c.accent,
      borderWidth: 1,
      borderRadius: 2,
      padding: { x: 6, y: 2 },
      font: { size: 12, weight: 600 },
      position: { x: 'end', y: 'end' },
      xAdjust: -6,
      yAdjust: -6,
    }
  })
  return marks
}

function eventMarks(o: PathChartOptions): Record<string, AnnotationOptions> {
  const c = coloursOf(o.dark)
  return Object.fromEntries(
    (o.events ?? []).map((event, i) => [
      `event${i}`,
      {
        type: 'line',
        xMin: event.x,
        xMax: event.x,
        yMin: o.min ?? 0,
        yMax: (o.min ?? 0) + ((o.max ?? 100) - (o.min ?? 0)) * 0.06,
        borderColor: c.text,
        borderWidth: 2,
        label: {
          display: true,
          content: event.text,
          position: 'end',
          yAdjust: -12,
          color: c.text,
          backgroundColor: 'transparent',
          font: { size: 11 },
        },
      } satisfies AnnotationOptions,
    ]),
  )
}

/** A step that gives five to ten ticks (fewer on a narrow screen), on round minutes. */
function tickStep(until: number, narrow: boolean): number {
  const wanted = until / (narrow ? 4 : 8)
  return [15, 30, 60, 120, 300, 600, 900, 1200, 1800, 3600, 7200, 14_400].find((s) => s >= wanted) ?? 28_800
}

/** Chart.js would move the steps off the round minutes to make the last one fit. */
function ticksUntil(until: number, narrow: boolean): { value: number }[] {
  const step = tickStep(until, narrow)
  return Array.from({ length: Math.floor(until / step) + 1 }, (_, i) => ({ value: i * step }))
}

function tickText(seconds: number): string {
  if (seconds < 0) return ''
  if (seconds === 0) return '0'
  return seconds < 3600 ? duration(seconds) : clock(seconds).slice(0, -3) + ' h'
}

/** Pairs a trace's times with one of its columns, leaving out what was not read. */
export function pointsOf(time: Float64Array, column: Float64Array | undefined): Point[] {
  const points: Point[] = []
  if (column)
    for (let i = 0; i < time.length; i++)
      if (!Number.isNaN(column[i])) points.push({ x: time[i], y: column[i] })
  return points
}
