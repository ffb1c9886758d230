import type { ChartConfiguration, ChartDataset, ScriptableContext } from 'chart.js'
import { clock } from '@core/words/figures'
import { inkOf } from '../theme/inks'
import { clockTicks, tickText } from './clockTicks'
import { inkColour } from './colours'
import { finishOf } from './finish'
import { eventMarks, flagMarks, ringMarks } from './flags'
import { AXIS_WIDTH, lengthOf, RIGHT_PX, type Path, type PathChartOptions, type Point } from './options'

const TOP_PX = 8
const FLAG_TOP_PX = 26
const PERCENT_TICKS = [0, 20, 40, 60, 80, 100]

/** The whole chart: one frame, one scale, paths named on the finish line. */
export function pathChart(o: PathChartOptions): ChartConfiguration<'line', Point[]> {
  const c = o.colours
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
          afterBuildTicks: (scale) => void (scale.ticks = clockTicks(until, o.narrow)),
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
        annotation: { clip: false, annotations: { ...flagMarks(o), ...ringMarks(o), ...eventMarks(o) } },
      },
    },
  }
}

function dataset(path: Path, o: PathChartOptions): ChartDataset<'line', Point[]> {
  const ink = inkOf(path.ink)
  const colour = inkColour(path.ink, o.colours)
  const last = path.points.length - 1
  const sparse = last < 60
  const onlyAtEnd = (end: number, else_: number) => (context: ScriptableContext<'line'>) =>
    context.dataIndex === (context.dataset.data.length || 1) - 1 ? end : else_
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
    // The mark at the full level is whole: it stands on the line, not under it.
    clip: 8,
    pointRadius: path.faded ? 0 : onlyAtEnd(5.5, sparse ? 2 : 0),
    pointBorderWidth: onlyAtEnd(2, 1),
    pointHoverRadius: 5,
    stepped: o.stepped ? 'before' : false,
    spanGaps: false,
  }
}
