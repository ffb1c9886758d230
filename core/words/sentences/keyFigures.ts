import type { Analysis } from '../../analysis/analyse'
import type { Milestone } from '../../analysis/milestones'
import { durationParts, figure } from '../figures'
import { batteryWorkings } from './batteryWords'
import {
  efficiencyWorkings,
  energyWorkings,
  heatWorkings,
  heldPeakWorkings,
  milestoneWorkings,
  type Workings,
} from './workings'

/** One of the figures that a run comes to. */
export interface KeyFigure {
  label: string
  value: string
  /** Twice its standard uncertainty; '' where that is not known. */
  spread: string
  workings: Workings
}

const LABELS: Record<number, string> = { 50: 'Half', 80: '80 %', 100: 'Full' }

/** The figures of the first view, in order; those that cannot be known are left out. */
export function keyFigures(a: Analysis, capacity: { usableWh: number; assumedVolts: boolean }): KeyFigure[] {
  const rows = a.milestones.filter((m) => !m.reason && m.percent in LABELS).map(timeRow)
  const { heldPeakW } = a.power
  const energyWh = a.energy.energyWh + a.energy.bridgedWh
  if (Number.isFinite(heldPeakW))
    rows.push({
      label: 'Held peak',
      value: figure(heldPeakW, 1, 'W'),
      spread: plusMinus(a.heldPeakUncertaintyW, 1),
      workings: heldPeakWorkings(a),
    })
  if (Number.isFinite(energyWh))
    rows.push({
      label: 'At the meter',
      value: figure(energyWh, 2, 'Wh'),
      spread: plusMinus(a.energyUncertaintyWh, 2),
      workings: energyWorkings(a),
    })
  if (a.curveAt === 'battery') rows.push(...ownRows(a))
  if (!a.efficiency.reason)
    rows.push({
      label: 'Into the battery',
      value: figure(100 * a.efficiency.value, 0, '%'),
      spread: plusMinus(100 * a.efficiency.uncertainty, 0),
      workings: efficiencyWorkings(a, capacity),
    })
  if (a.heat.length)
    rows.push({
      label: a.heat[0].place ? `Hottest, ${a.heat[0].place}` : 'Hottest',
      value: figure(a.heat[0].maxC, 1, '°C'),
      spread: plusMinus(a.heat[0].uncertaintyC, 1),
      workings: heatWorkings(a),
    })
  return rows
}

/** What the device told of itself, where no meter stood beside it. */
function ownRows(a: Analysis): KeyFigure[] {
  const workings = batteryWorkings(a)
  if (!a.atBattery || !workings) return []
  const { power, energy } = a.atBattery
  return [
    {
      label: 'Held peak, at the battery',
      value: figure(power.heldPeakW, 1, 'W'),
      spread: '',
      workings: workings.heldPeak,
    },
    {
      label: 'At the battery',
      value: figure(energy.energyWh + energy.bridgedWh, 2, 'Wh'),
      spread: '',
      workings: workings.energy,
    },
  ]
}

function timeRow(m: Milestone): KeyFigure {
  const { value, spread } = durationParts(m.timeS, 2 * m.uncertaintyS)
  return {
    label: m.watched ? `${LABELS[m.percent]}, watched` : LABELS[m.percent],
    value,
    spread: spread && `± ${spread}`,
    workings: milestoneWorkings(m),
  }
}

/** Nothing where it is not known, or rounds to nothing. */
function plusMinus(uncertainty: number, digits: number): string {
  const said = figure(2 * uncertainty, digits)
  return Number.isFinite(uncertainty) && Number(said) > 0 ? `± ${said}` : ''
}
