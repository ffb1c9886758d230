import type { Chart } from 'chart.js'
import type { ZoomPluginOptions } from 'chartjs-plugin-zoom/types/options'
import type { PathChartOptions } from './options'

/** So much at least stays in view, s. */
export const NARROWEST_S = 20

/** Moving the view by wheel, drag and pinch, along the clock only; nothing where the view stands still. */
export function zoomOf({ whole, moved }: PathChartOptions): ZoomPluginOptions {
  if (whole === undefined) return { zoom: { wheel: { enabled: false } }, pan: { enabled: false } }
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
    pan: { enabled: true, mode: 'x', onPan: tell },
  }
}
