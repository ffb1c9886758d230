import type { Analysis } from '../../analysis/analyse'
import type { Heat } from '../../analysis/heat'
import type { Mark } from '../../analysis/marks'
import type { Part } from '../../analysis/parts/parts'
import { goneOver, type Spot } from '../../analysis/spot'
import type { Supply } from '../../analysis/supply'
import { clock, difference, duration, figure, UNKNOWN } from '../figures'
import { PART_END_WORDS } from './curve'
import { GUM, PLAIN, type Workings } from './workings'

/** Level and gain at a moment. `startPercent` is the first level that was read, %. */
export const markWorkings = (m: Mark, startPercent: number): Workings => ({
  title: `Level after ${duration(m.atS)}`,
  rule:
    m.low === m.high
      ? 'A reading within 10 s of the moment is the level then.'
      : 'Between the readings on either side, by the share of the energy that went in, or of the time where no watts were read. Nothing is read past the last reading.',
  formula: `${figure(m.percent, 1, '%')} − ${figure(startPercent, 0, '%')} = ${figure(m.gain, 1)} points, ± ${figure(2 * m.uncertainty, 1)} (twice the standard uncertainty)`,
  used: [
    { label: 'Level read before', value: figure(m.low, 0, '%') },
    { label: 'Level read after', value: figure(m.high, 0, '%') },
    ...(m.ceiling ? [{ label: 'Near the ceiling', value: 'it no longer tells sources apart' }] : []),
  ],
  assumed: ['A display shows whole points: a gain is the difference of two, 1/√6 point.'],
  source: GUM,
})

/** Mean power and rate over a band of levels. */
export const bandWorkings = ({
  fromPercent,
  toPercent,
  startS,
  endS,
  meanW,
  pointsPerMinute,
  partial,
}: Analysis['bands'][number]): Workings => ({
  title: `From ${fromPercent} to ${toPercent} %`,
  rule: 'The energy that went in while the level was in the band, over the time that took; and the points gained over the same time.',
  formula: `${clock(startS)} to ${clock(endS)}: ${figure(meanW, 2, 'W')}, ${figure(pointsPerMinute, 2)} points a minute`,
  used: partial ? [{ label: 'In part', value: 'the run covers some of the band only' }] : [],
  assumed: [],
  source: PLAIN,
})

/** A part of the power curve. */
export const partWorkings = (part: Part): Workings => ({
  title: part.kind === 'hold' ? 'A hold' : part.kind === 'taper' ? 'The taper' : 'A trickle',
  rule: {
    hold: 'Power, smoothed by a running median, that stays level for four minutes or more: falling by no more than about 0.3 % a minute, rising by no more than 2 %. The step that leads to it belongs to it.',
    taper: 'What is left after the last hold.',
    trickle: 'At the very end the charge is switched on and off in turn.',
  }[part.kind],
  formula: `${figure(part.energyWh, 2, 'Wh')} from ${clock(part.startS)} to ${clock(part.endS)}; mean of the ${part.kind} ${figure(part.meanW, 2, 'W')}`,
  used: [
    ...(part.levelS > part.startS ? [{ label: 'Level from', value: clock(part.levelS) }] : []),
    { label: 'Points gained', value: figure(part.gain, 1) },
    { label: 'It ended by', value: PART_END_WORDS[part.endedBy] },
  ],
  assumed: [],
  source: PLAIN,
})

/** A stretch of one supply voltage. */
export const supplyWorkings = (s: Supply): Workings => ({
  title: `Supply of ${figure(s.volts, s.mode === 'fixed' ? 0 : 1, 'V')}`,
  rule:
    s.mode === 'fixed'
      ? 'Volts that stay within −10 % and +5 % of one of the fixed levels 5, 9, 12, 15, 20, 28, 36 and 48 V.'
      : 'Volts that wander in small steps away from the fixed levels: the mean of them.',
  formula: `${clock(s.startS)} to ${clock(s.endS)}; load ${figure(s.ohms, 2, 'Ω')}, the median of volts over amperes`,
  used: [],
  assumed: [],
  source: 'Fixed levels of USB Power Delivery, from memory.',
})

/** A moment, with the level that was shown then where that is known. */
export const momentWords = (atS: number, percent: number): string =>
  Number.isNaN(atS)
    ? UNKNOWN
    : Number.isNaN(percent)
      ? clock(atS)
      : `${clock(atS)}, ${figure(percent, 0, '%')}`

/** The hottest that one place became. */
export const placeWorkings = (h: Heat): Workings => ({
  title: h.place ? `Hottest, ${h.place}` : 'Hottest',
  rule: 'The highest temperature that was read there; between readings along straight lines.',
  formula: `${figure(h.maxC, 1, '°C')} at ${momentWords(h.maxAtS, h.maxAtPercent)} = first reading + ${difference(h.riseC, 1, '°C')}${Number.isNaN(h.overAmbientC) ? '' : ` = room + ${difference(h.overAmbientC, 1, '°C')}`}`,
  used: h.above
    .filter(({ seconds }) => seconds > 0)
    .map(({ celsius, seconds }) => ({
      label: `At ${figure(celsius, 0, '°C')} or more`,
      value: duration(seconds),
    })),
  assumed: Number.isNaN(h.uncertaintyC) ? ['No accuracy of the thermometer is known.'] : [],
  source: PLAIN,
})

/** What a few minutes say of the time to half. `usableWh` is of the battery, Wh. */
export function spotWorkings(
  spot: Spot,
  analysis: Pick<Analysis, 'durationS' | 'energy'>,
  usableWh: number,
): Workings {
  const { durationS } = analysis
  const { wh } = goneOver(analysis)
  return {
    title: 'Spot check',
    rule: 'Half the usable capacity over the mean power of the record; and once more with what arrives of it. It holds below about half full only.',
    formula: `½ × ${figure(usableWh, 2, 'Wh')} ÷ (${figure(wh, 3, 'Wh')} in ${duration(durationS)}) = ${duration(spot.toHalfLosslessS)}; ÷ ${figure(100 * spot.efficiency, 0, '%')} = ${duration(spot.toHalfS)}`,
    used: [],
    assumed: spot.efficiencyAssumed
      ? [`${figure(100 * spot.efficiency, 0, '%')} of the energy arrives.`]
      : [],
    source: PLAIN,
  }
}

/** The end of the taper. */
export const taperWorkings = ({ taperEndS, milestones, power }: Analysis): Workings => {
  const full = milestones.find((m) => m.percent === 100)
  return {
    title: 'Taper end',
    rule: 'The first moment after the held peak from which power stays down for good, for a minute at least: below what the device draws when full, and a twentieth of the way from there to the held peak.',
    formula: `held peak ${figure(power.heldPeakW, 2, 'W')} → down for good from ${clock(taperEndS)}`,
    used: full && !full.reason ? [{ label: 'It showed full', value: clock(full.timeS) }] : [],
    assumed: [],
    source: PLAIN,
  }
}

/** Mean power. */
export const meanWorkings = ({ power, durationS, energy }: Analysis): Workings => ({
  title: 'Mean power',
  rule: 'The energy over the time that was read; gaps count in neither.',
  formula: `${figure(energy.energyWh, 2, 'Wh')} → ${figure(power.meanW, 2, 'W')}`,
  used: [{ label: 'Length of the run', value: clock(durationS) }],
  assumed: [],
  source: PLAIN,
})

/** Highest single reading. */
export const peakWorkings = ({ power }: Analysis): Workings => ({
  title: 'Peak',
  rule: 'The highest single reading. One above 1.1 times the held peak is a spike.',
  formula: `${figure(power.peakW, 2, 'W')} at ${clock(power.peakAtS)}`,
  used: [{ label: 'Spikes', value: String(power.spikes.length) }],
  assumed: [],
  source: PLAIN,
})
