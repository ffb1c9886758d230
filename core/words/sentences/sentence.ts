import type { Analysis } from '../../analysis/analyse'
import { duration, durationWithSpread, figure, UNKNOWN } from '../figures'

/** The result of a run in plain words. */
export function resultSentence(device: string, source: string, a: Analysis): string {
  const full = a.milestones.find((m) => m.percent === 100)
  const half = a.milestones.find((m) => m.percent === 50)
  const start = figure(a.startPercent, 0, '%')
  if (start === UNKNOWN) return powerOnly(device, source, a)
  const parts: string[] = []
  if (full && !full.reason)
    parts.push(
      `The ${device} went from ${start} to full on the ${source} in ${withDoubt(full.timeS, full.uncertaintyS)}`,
    )
  else
    parts.push(
      `The ${device} went from ${start} to ${figure(a.endPercent, 0, '%')} on the ${source} in ${duration(a.durationS)}`,
    )
  if (half && !half.reason) parts.push(`half full after ${duration(half.timeS)}`)
  if (Number.isFinite(a.power.heldPeakW))
    parts.push(
      `drawing at most ${figure(a.power.heldPeakW, 1, 'W')}${a.power.coarse ? '' : ' over a minute'}`,
    )
  return parts.join(', ') + '.'
}

function powerOnly(device: string, source: string, a: Analysis): string {
  return `The ${device} drew ${figure(a.energy.energyWh, 1, 'Wh')} from the ${source} in ${duration(a.durationS)}, at most ${figure(a.power.heldPeakW, 1, 'W')}; no level was read.`
}

/** A time with its expanded uncertainty (k = 2), left out where it rounds to nothing. */
export function withDoubt(timeS: number, uncertaintyS: number): string {
  const spreadS = 2 * uncertaintyS
  return spreadS < 30 ? duration(timeS) : durationWithSpread(timeS, spreadS)
}
