import type { Chart } from 'chart.js'
import type { ZoomPluginOptions } from 'chartjs-plugin-zoom/types/options'
import type { PathChartOptions } from './options'

/** So much at least stays in view, s. */
export const NARROWEST_S = 20

/** Looking closer and further by wheel and pinch, along the clock only; nothing where the view stands still. */
export function zoomOf({ whole, moved }: PathChartOptions): ZoomPluginOptions {
  const pan = { enabled: false }
  if (whole === undefined) return { zoom: { wheel: { enabled: false } }, pan }
  const tell = ({ chart }: { chart: Chart }) => moved?.(chart.scales.x.min, chart.scales.x.max)
  return {
    limits: { x: { min: 0, max: whole, minRange: Math.min(whole, NARROWEST_S) } },
    // The page scrolls under a bare wheel: it is the one with a key held down that looks closer.
    zoom: {
      wheel: { enabled: true, modifierKey: 'ctrl' },
      pinch: { enabled: true },
      mode: 'x',
      onZoom: tell,
    },
    // A drag would draw the picture under the hand at every move: see useSlide.
    pan,
  }
}
