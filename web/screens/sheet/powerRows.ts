import type { Analysis } from '@core/analysis/analyse'
import { ASSUMED_CELL_VOLTS, type Capacity } from '@core/gear/capacity'
import {
  efficiencyWorkings,
  energyWorkings,
  heldPeakWorkings,
  type Workings,
} from '@core/words/sentences/workings'
import { meanWorkings, peakWorkings, placeWorkings, taperWorkings } from '@core/words/sentences/tableWorkings'
import { asRead, difference, duration, figure, UNKNOWN, withSpread } from '@core/words/figures'

/** One line of the sheet's figures of power, energy and heat: what, how much, and what is to be known of it. */
export interface FigureRow {
  label: string
  value: string
  note: string
  /** What was assumed for it, in words. */
  assumed?: string
  /** How it was worked out, where there is something to say. */
  workings?: Workings
}

/** The lines in order. What cannot be known has a dash and the reason. */
export function powerRows(a: Analysis, capacity: Capacity): FigureRow[] {
  const { power, energy, efficiency } = a
  const rows: FigureRow[] = [
    {
      label: 'Peak',
      value: withSpread(power.peakW, a.peakUncertaintyW, 2, 'W'),
      note: `at ${duration(power.peakAtS)}, a single reading`,
      workings: peakWorkings(a),
    },
    {
      label: 'Held peak',
      value: withSpread(power.heldPeakW, a.heldPeakUncertaintyW, 2, 'W'),
      note: power.coarse ? 'coarse: the highest reading' : 'best mean over 60 s',
      workings: heldPeakWorkings(a),
    },
    {
      label: 'Mean',
      value: withSpread(power.meanW, a.meanUncertaintyW, 2, 'W'),
      note: 'over the time that was read',
      workings: meanWorkings(a),
    },
    energyRow(a),
    ...counterRow(a),
  ]
  if (energy.outOfWh > 0)
    rows.push({
      label: 'Fed out',
      value: figure(energy.outOfWh, 2, 'Wh'),
      note: `by the device; ${figure(energy.intoWh, 2, 'Wh')} went in`,
    })
  rows.push({ label: 'Charge', value: figure(energy.chargeAh, 3, 'Ah'), note: 'at the meter’s own volts' })
  rows.push(taperRow(a))
  rows.push({
    label: 'Efficiency',
    value: withSpread(efficiency.value * 100, efficiency.uncertainty * 100, 0, '%'),
    note: efficiency.reason ?? `of ${figure(capacity.usableWh, 1, 'Wh')} usable`,
    ...(efficiency.reason ? {} : { workings: efficiencyWorkings(a, capacity) }),
    ...(capacity.assumedVolts && !efficiency.reason
      ? { assumed: `Worked out with ${asRead(ASSUMED_CELL_VOLTS, 2, 'V')} assumed for one lithium-ion cell` }
      : {}),
  })
  if (Number.isFinite(energy.transferEfficiency))
    rows.push({
      label: 'Received ÷ sent',
      value: figure(energy.transferEfficiency * 100, 0, '%'),
      note: 'battery side over meter',
    })
  for (const h of a.heat)
    rows.push({
      label: h.place ? `Hottest, ${h.place}` : 'Hottest',
      value: withSpread(h.maxC, h.uncertaintyC, 1, '°C'),
      note: `at ${duration(h.maxAtS)}, ${difference(h.riseC, 1, '°C')} over its first reading`,
      workings: placeWorkings(h),
    })
  return rows
}

function energyRow(a: Analysis): FigureRow {
  const { energy, energyUncertaintyWh } = a
  const by = energy.energyFrom === 'counter' ? 'by the meter’s own count' : 'at the meter'
  const bridged = Math.abs(energy.bridgedWh) >= 0.005
  return {
    label: 'Energy',
    value: withSpread(energy.energyWh, energyUncertaintyWh, 2, 'Wh'),
    note: Number.isNaN(energy.energyWh)
      ? 'no power was read'
      : bridged
        ? `${by}; ${figure(energy.bridgedWh, 2, 'Wh')} more bridged while nobody read it`
        : energy.gaps.length
          ? by
          : `${by}, no gaps`,
    ...(Number.isNaN(energy.energyWh) ? {} : { workings: energyWorkings(a) }),
  }
}

/** The meter's own count beside what its watts add up to. */
function counterRow({ energy }: Analysis): FigureRow[] {
  const { counter } = energy
  if (!counter) return []
  const counted = [figure(counter.energyWh, 3, 'Wh'), figure(counter.chargeAh, 3, 'Ah')].filter(
    (said) => said !== UNKNOWN,
  )
  const beside = Number.isFinite(counter.integralWh)
    ? `its watts add up to ${figure(counter.integralWh, 2, 'Wh')} meanwhile`
    : 'no watts to check it by'
  return [{ label: 'Counted', value: counted.join(', '), note: beside }]
}

function taperRow(a: Analysis): FigureRow {
  const { taperEndS, milestones } = a
  const full = milestones.find((m) => m.percent === 100)
  const after = taperEndS - (full?.timeS ?? NaN)
  return {
    label: 'Taper end',
    value: duration(taperEndS),
    note: Number.isNaN(taperEndS)
      ? 'power never came down for good'
      : Number.isNaN(after)
        ? 'power down for good'
        : `${duration(Math.abs(after))} ${after < 0 ? 'before' : 'after'} it showed full`,
    ...(Number.isNaN(taperEndS) ? {} : { workings: taperWorkings(a) }),
  }
}
