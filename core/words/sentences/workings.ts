import type { Analysis } from '../../analysis/analyse'
import type { Milestone } from '../../analysis/milestones'
import { clock, difference, duration, figure } from '../figures'

/** How a figure was worked out: what was read, by which rule, with the numbers in it, what was assumed, and who says so. */
export interface Workings {
  title: string
  rule: string
  /** The rule with its numbers in it. */
  formula: string
  used: { label: string; value: string }[]
  /** What was not known and taken to be so. */
  assumed: string[]
  source: string
}

export const PLAIN = 'Definitions of this program; no outside source.'
export const GUM =
  'GUM, JCGM 100:2008, §4.3.7: what is only known to lie within bounds has a rectangular spread.'

/** Time to a level. */
export function milestoneWorkings(m: Milestone): Workings {
  const isFull = m.percent >= 100
  return {
    title: `Time to ${m.percent} %`,
    rule: m.watched
      ? 'The display was watched as it turned: its moment counts, known to seconds.'
      : isFull
        ? 'A display that shows 100 says nothing of when it turned: the middle between the last check below and the first at 100.'
        : 'Between the last check below and the first at or above it, by the share of the step: the level under a display is half a point above what it shows. Where the meter covers the stretch, the share is one of energy.',
    formula: `between ${clock(m.earliestS)} and ${clock(m.latestS)} → ${clock(m.timeS)}, ± ${duration(2 * m.uncertaintyS)} (twice the standard uncertainty)`,
    used: [
      { label: 'Last reading below', value: clock(m.earliestS) },
      { label: 'First reading at or above', value: clock(m.latestS) },
      { label: 'First seen, as reviewers quote it', value: clock(m.firstSeenS) },
    ],
    assumed: ['A display is up to 5 s late.'],
    source: GUM,
  }
}

/** Highest mean over a minute. */
export const heldPeakWorkings = ({
  power,
  heldPeakUncertaintyW,
}: Pick<Analysis, 'power' | 'heldPeakUncertaintyW'>): Workings => ({
  title: 'Held peak',
  rule: power.coarse
    ? 'Readings are more than 30 s apart: the highest of them.'
    : 'The highest mean of the watts over any 60 s without a gap.',
  formula: `${figure(power.heldPeakW, 2, 'W')} from ${clock(power.heldPeakAtS)} on`,
  used: [
    { label: 'Highest single reading', value: `${figure(power.peakW, 2, 'W')} at ${clock(power.peakAtS)}` },
  ],
  assumed: Number.isNaN(heldPeakUncertaintyW) ? ['No accuracy of the meter is known, so there is no ±.'] : [],
  source: PLAIN,
})

/** Energy at the meter. */
export const energyWorkings = ({
  energy,
  energyUncertaintyWh,
}: Pick<Analysis, 'energy' | 'energyUncertaintyWh'>): Workings => ({
  title: 'Energy at the meter',
  rule:
    energy.energyFrom === 'counter'
      ? 'The meter’s own count, through its resets: its watts were read more coarsely than every minute.'
      : 'The area under the watts along straight lines between readings. Across gaps it is bridged, and told apart.',
  formula: `${figure(energy.energyWh, 2, 'Wh')} seen + ${figure(energy.bridgedWh, 2, 'Wh')} bridged = ${figure(energy.energyWh + energy.bridgedWh, 2, 'Wh')}`,
  used: [
    { label: 'Stretches without a reading', value: String(energy.gaps.length) },
    ...(energy.counter
      ? [{ label: 'The meter’s count', value: figure(energy.counter.energyWh, 2, 'Wh') }]
      : []),
    ...(energy.counter && Number.isFinite(energy.counter.integralWh)
      ? [{ label: 'Its watts add up to', value: figure(energy.counter.integralWh, 2, 'Wh') }]
      : []),
  ],
  assumed: Number.isNaN(energyUncertaintyWh) ? ['No accuracy of the meter is known.'] : [],
  source: 'Trapezoidal rule (textbooks of numerical analysis); accuracy by GUM, JCGM 100:2008, §5.1.2.',
})

/** Charging efficiency. */
export function efficiencyWorkings(
  { efficiency: e }: Analysis,
  capacity: { usableWh: number; assumedVolts: boolean },
): Workings {
  const stored = (e.gain / 100) * capacity.usableWh
  return {
    title: 'Into the battery',
    rule: 'What the battery gained over what went past the meter, both over the same stretch: from the first level to the first 100 %, or to the last level.',
    formula: `${figure(e.gain, 0)} points × ${figure(capacity.usableWh, 2, 'Wh')} ÷ 100 = ${figure(stored, 2, 'Wh')}; ÷ ${figure(e.energyWh, 2, 'Wh')} = ${figure(100 * e.value, 0, '%')}`,
    used: [
      { label: 'Stretch', value: `${clock(e.startS)} to ${clock(e.endS)}` },
      { label: 'Usable capacity', value: figure(capacity.usableWh, 2, 'Wh') },
    ],
    assumed: capacity.assumedVolts ? ['3.85 V for one lithium-ion cell, since only mAh are known.'] : [],
    source: PLAIN,
  }
}

/** The hottest place. */
export const heatWorkings = ({ heat: [top] }: Analysis): Workings => ({
  title: top.place ? `Hottest, ${top.place}` : 'Hottest',
  rule: 'The highest temperature that was read there.',
  formula: `${figure(top.maxC, 1, '°C')} at ${clock(top.maxAtS)}, ${difference(top.riseC, 1, '°C')} over its first reading`,
  used: top.above
    .filter(({ seconds }) => seconds > 0)
    .map(({ celsius, seconds }) => ({
      label: `At ${figure(celsius, 0, '°C')} or more`,
      value: duration(seconds),
    })),
  assumed: Number.isNaN(top.uncertaintyC) ? ['No accuracy of the thermometer is known.'] : [],
  source: PLAIN,
})
