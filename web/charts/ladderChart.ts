import type { ChartConfiguration, Point as XY } from 'chart.js'
import type { ChartColours } from './colours'
import { AXIS_WIDTH } from './options'

/** A measured step of a ladder: W as rated, points gained with what is known of them. */
export interface LadderPoint {
  watts: number
  gain: number
  spread: number
  name: string
}
export interface LadderChartOptions {
  points: readonly LadderPoint[]
  /** What is forecast but was not tested: drawn hollow. */
  foreseen: readonly LadderPoint[]
  curve: readonly { watts: number; gain: number }[]
  /** What is enough, points. */
  enough: number
  colours: ChartColours
}

const FORECAST_DASH = [4, 4]
const ROOM = 1.12
/** No gain is more; below this there is room to look closer. */
const [ALL, CLOSER_BELOW] = [100, 60]

/** Gain against rated watts: the forecast as a pale curve behind, what was measured as points with their spread. */
export function ladderChart({ points, foreseen, curve, enough, colours: c }: LadderChartOptions): ChartConfiguration<'line', XY[]> {
  const ink = c.accent
  const most = [...points, ...foreseen].reduce((top, p) => Math.max(top, p.watts), 0)
  const top = [...points, ...foreseen].reduce((best, p) => Math.max(best, p.gain + p.spread), 0)
  const name = (x: number, y: number) => [...points, ...foreseen].find((p) => p.watts === x && p.gain === y)?.name ?? ''
  const xy = (of: readonly LadderPoint[]) => of.map(({ watts, gain }) => ({ x: watts, y: gain }))
  const bars = points.map(({ watts, gain, spread }) => ({
    data: [{ x: watts, y: gain - spread }, { x: watts, y: gain + spread }],
    borderColor: ink,
    borderWidth: 2,
    pointRadius: 0,
  }))
  return {
    type: 'line',
    data: {
      datasets: [
        { label: 'Measured', data: xy(points), showLine: false, pointRadius: 5, backgroundColor: ink, borderColor: ink },
        { label: 'Forecast', data: xy(foreseen), showLine: false, pointRadius: 5, pointBorderWidth: 2, backgroundColor: c.page, borderColor: c.quiet },
        { data: curve.map(({ watts, gain }) => ({ x: watts, y: gain })), borderColor: c.quiet, borderDash: FORECAST_DASH, borderWidth: 1.5, pointRadius: 0 },
        ...bars,
      ],
    },
    options: {
      responsive: true,
      maintainAspectRatio: false,
      parsing: false,
      scales: {
        x: { type: 'linear', min: 0, max: Math.ceil((most * ROOM) / 5) * 5, grid: { color: c.grid }, ticks: { color: c.quiet, maxTicksLimit: 8, includeBounds: false }, title: { display: true, text: 'rated, W', color: c.quiet } },
        y: { min: 0, ...(top > CLOSER_BELOW ? { max: ALL } : { grace: '10%' }), grid: { color: c.grid }, ticks: { color: c.quiet, maxTicksLimit: 6 }, title: { display: true, text: 'points gained', color: c.quiet }, afterFit: (scale) => void (scale.width = AXIS_WIDTH + 8) },
      },
      plugins: {
        tooltip: {
          displayColors: false,
          filter: (item) => item.datasetIndex < 2,
          callbacks: {
            title: ([item]) => (item ? name(item.parsed.x ?? NaN, item.parsed.y ?? NaN) : ''),
            label: (item) => `${Math.round((item.parsed.y ?? 0) * 10) / 10} points`,
          },
        },
        annotation: {
          annotations: Number.isFinite(enough)
            ? { enough: { type: 'line', yMin: enough, yMax: enough, borderColor: c.quiet, borderWidth: 1, label: { display: true, content: 'enough', position: 'end', backgroundColor: c.page, color: c.quiet, padding: 2 } } }
            : {},
        },
      },
    },
  }
} // prettier-ignore
