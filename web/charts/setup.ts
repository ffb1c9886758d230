import { Chart, Filler, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js'
import annotation from 'chartjs-plugin-annotation'
import zoom from 'chartjs-plugin-zoom'
import { finishLine } from './finishLine'

Chart.register(
  LineController,
  LineElement,
  PointElement,
  LinearScale,
  Filler,
  Tooltip,
  annotation,
  zoom,
  finishLine,
)
Chart.defaults.font.family = "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif"
Chart.defaults.font.size = 13
Chart.defaults.animation = false

export { Chart }
