import type { Analysis } from '@core/analysis/analyse'
import { ASSUMED_CELL_VOLTS, type Capacity } from '@core/gear/capacity'
import { batteryWorkings } from '@core/words/sentences/batteryWords'
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
  const { energy, efficiency } = a
  const rows: FigureRow[] = [...meterRows(a), ...ownRows(a), taperRow(a)]
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

/** What the meter saw. One line where it read nothing, or no watts. */
function meterRows(a: Analysis): FigureRow[] {
  const { power, energy } = a
  const charge = {
    label: 'Charge',
    value: figure(energy.chargeAh, 3, 'Ah'),
    note: 'at the meter’s own volts',
  }
  const charged = Number.isNaN(energy.chargeAh) ? [] : [charge]
  if (Number.isNaN(power.peakW))
    return [
      {
        label: 'Power',
        value: UNKNOWN,
        note: a.atBattery ? 'none was read at the source' : 'no power was read',
      },
      ...countedRows(a),
      ...charged,
    ]
  return [
    {
      label: 'Peak',
      value: withSpread(power.peakW, a.peakUncertaintyW, 2, 'W'),
      note: `at ${duration(power.peakAtS)}, a single reading`,
      workings: peakWorkings(a),
    },
    {
      label: 'Held peak',
      value: withSpread(power.heldPeakW, a.heldPeakUncertaintyW, 2, 'W'),
      note: HELD[power.coarse ? 'coarse' : 'fine'],
      workings: heldPeakWorkings(a),
    },
    {
      label: 'Mean',
      value: withSpread(power.meanW, a.meanUncertaintyW, 2, 'W'),
      note: 'over the time that was read',
      workings: meanWorkings(a),
    },
    ...countedRows(a),
    ...(energy.outOfWh > 0 ? [fedOut(energy)] : []),
    charge,
  ]
}
const HELD = { coarse: 'coarse: the highest reading', fine: 'best mean over 60 s' }
const fedOut = ({ outOfWh, intoWh }: Pick<Analysis['energy'], 'outOfWh' | 'intoWh'>): FigureRow => ({
  label: 'Fed out',
  value: figure(outOfWh, 2, 'Wh'),
  note: `by the device; ${figure(intoWh, 2, 'Wh')} went in`,
})

/** What the device told of its own battery. */
function ownRows(a: Analysis): FigureRow[] {
  const workings = batteryWorkings(a)
  if (!a.atBattery || !workings) return []
  const { power, energy } = a.atBattery
  const bridged = Math.abs(energy.bridgedWh) >= 0.005
  return [
    {
      label: 'Held peak, at the battery',
      value: figure(power.heldPeakW, 2, 'W'),
      note: `as the device tells it; ${HELD[power.coarse ? 'coarse' : 'fine']}`,
      workings: workings.heldPeak,
    },
    {
      label: 'Energy, at the battery',
      value: figure(energy.energyWh, 2, 'Wh'),
      note: `as the device tells it${bridged ? `; ${figure(energy.bridgedWh, 2, 'Wh')} more bridged while nobody read it` : ''}`,
      workings: workings.energy,
    },
    ...(energy.outOfWh > 0
      ? [
          {
            label: 'Drawn from the battery',
            value: figure(energy.outOfWh, 2, 'Wh'),
            note: `${figure(energy.intoWh, 2, 'Wh')} went in`,
          },
        ]
      : []),
  ]
}

/** Energy as far as it was read, and the meter's own count. */
const countedRows = (a: Analysis): FigureRow[] => [
  ...(Number.isNaN(a.energy.energyWh) ? [] : [energyRow(a)]),
  ...counterRow(a),
]

function energyRow(a: Analysis): FigureRow {
  const { energy, energyUncertaintyWh } = a
  const by = energy.energyFrom === 'counter' ? 'by the meter’s own count' : 'at the meter'
  const bridged = Math.abs(energy.bridgedWh) >= 0.005
  return {
    label: 'Energy',
    value: withSpread(energy.energyWh, energyUncertaintyWh, 2, 'Wh'),
    note: bridged
      ? `${by}; ${figure(energy.bridgedWh, 2, 'Wh')} more bridged while nobody read it`
      : energy.gaps.length
        ? by
        : `${by}, no gaps`,
    workings: energyWorkings(a),
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
      ? a.curveAt === 'source' && Number.isNaN(a.power.peakW)
        ? 'no power was read'
        : 'power never came down for good'
      : Number.isNaN(after)
        ? 'power down for good'
        : `${duration(Math.abs(after))} ${after < 0 ? 'before' : 'after'} it showed full`,
    ...(Number.isNaN(taperEndS) ? {} : { workings: taperWorkings(a) }),
  }
}
