import type { Analysis } from '@core/analysis/analyse'
import { duration, durationWithSpread, figure } from '@core/words/figures'

const row = (label: string, value: string): string => `  ${label.padEnd(18)}${value}\n`

/** The figures as a readable table. */
export function analysisTable(path: string, a: Analysis): string {
  let text = `${path}: ${a.samples} readings over ${duration(a.durationS)}\n`
  for (const m of a.milestones)
    text += row(
      `to ${m.percent} %`,
      m.reason ?? `${durationWithSpread(m.timeS, 2 * m.uncertaintyS)} (first seen ${duration(m.firstSeenS)})`,
    )
  for (const m of a.marks.filter((mark) => !mark.reason))
    text += row(
      `at ${m.atS / 60} min`,
      `${figure(m.percent, 1, '%')} (${m.low}–${m.high}), gain ${figure(m.gain, 1, 'points')}`,
    )
  for (const [i, p] of a.parts.entries())
    text += row(
      i === 0 ? 'parts' : '',
      `${p.kind} ${duration(p.startS)} to ${duration(p.endS)}, ${figure(p.meanW, 1, 'W')}, ${figure(p.energyWh, 2, 'Wh')}, ${figure(p.gain, 0, 'points')}`,
    )
  for (const [i, s] of a.supply.entries())
    text += row(
      i === 0 ? 'supply' : '',
      `${figure(s.volts, 1, 'V')} ${s.mode}, ${duration(s.startS)} to ${duration(s.endS)}`,
    )
  for (const [i, h] of a.heat.entries())
    text += row(
      i === 0 ? 'heat' : '',
      `${h.place || 'device'} ${figure(h.maxC, 1, '°C')} at ${duration(h.maxAtS)}, ${figure(h.riseC, 1, '°C')} over its start`,
    )
  if (a.spot)
    text += row(
      'to half, at this',
      `${duration(a.spot.toHalfLosslessS)} without losses, ${duration(a.spot.toHalfS)} at ${Math.round(100 * a.spot.efficiency)} %${a.spot.efficiencyAssumed ? ' (assumed)' : ''}`,
    )
  if (a.atBattery)
    text += row(
      'at the battery',
      `held peak ${figure(a.atBattery.power.heldPeakW, 1, 'W')}, ${figure(a.atBattery.energy.energyWh + a.atBattery.energy.bridgedWh, 2, 'Wh')}, as the device tells it${a.curveAt === 'battery' ? '; so do the parts' : ''}`,
    )
  text += powerRows(a)
  text += row('efficiency', figure(a.efficiency.value * 100, 0, '%'))
  text += row('taper end', duration(a.taperEndS))
  for (const f of a.findings) text += `  ${f.severity}: ${f.message}\n`
  return text
}

/** What the meter saw of power and energy; of a meter that told no watts, its counts. */
function powerRows(a: Analysis): string {
  const watts = Number.isNaN(a.power.peakW)
    ? row('power', 'none was read at the source')
    : row('peak', `${figure(a.power.peakW, 1, 'W')} at ${duration(a.power.peakAtS)}`) +
      row('held peak', figure(a.power.heldPeakW, 1, 'W') + (a.power.coarse ? ' (coarse)' : '')) +
      row('mean', figure(a.power.meanW, 1, 'W'))
  const energy = `${figure(a.energy.energyWh, 2, 'Wh')}, bridged ${figure(a.energy.bridgedWh, 2, 'Wh')}`
  return (
    watts +
    (Number.isNaN(a.energy.energyWh) ? '' : row('energy', energy)) +
    (Number.isNaN(a.energy.chargeAh) ? '' : row('charge', figure(a.energy.chargeAh, 2, 'Ah')))
  )
}
