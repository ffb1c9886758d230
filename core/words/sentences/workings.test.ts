import { expect, it } from 'vitest'
import type { Analysis } from '../../analysis/analyse'
import type { Mark } from '../../analysis/marks'
import type { Milestone } from '../../analysis/milestones'
import { keyFigures } from './keyFigures'
import {
  bandWorkings,
  markWorkings,
  meanWorkings,
  partWorkings,
  peakWorkings,
  momentWords,
  placeWorkings,
  spotWorkings,
  supplyWorkings,
  taperWorkings,
} from './tableWorkings'
import {
  efficiencyWorkings,
  energyWorkings,
  heatWorkings,
  heldPeakWorkings,
  milestoneWorkings,
  type Workings,
} from './workings'

const plain = (text: string) => text.replaceAll('\u00A0', ' ')
const formula = (w: Workings) => plain(w.formula)
const used = (w: Workings) => w.used.map(({ label, value }) => plain(`${label}: ${value}`))
const milestone = (over: Partial<Milestone>): Milestone =>
  ({ percent: 50, timeS: 1470, earliestS: 1200, latestS: 1500, firstSeenS: 1500, uncertaintyS: 60, watched: false, reason: '', ...over }) as Milestone // prettier-ignore
const heat = {
  place: 'back',
  maxC: 43.84,
  maxAtS: 1200,
  maxAtPercent: 44,
  riseC: 18.1,
  overAmbientC: 21,
  uncertaintyC: 0.5,
  above: [
    { celsius: 35, seconds: 1800 },
    { celsius: 45, seconds: 0 },
  ],
}
const analysis = {
  durationS: 6480,
  startPercent: 5,
  milestones: [
    milestone({ percent: 10, reason: 'Started there.' }),
    milestone({}),
    milestone({ percent: 100, timeS: 6000, uncertaintyS: 2, watched: true }),
  ],
  power: { peakW: 26.4, peakAtS: 980, heldPeakW: 25.94, heldPeakAtS: 960, meanW: 11.2, coarse: false, spikes: [1, 2] },
  heldPeakUncertaintyW: 0.2,
  energy: { energyWh: 20.07, bridgedWh: 0.5, energyFrom: 'integral', gaps: [1], counter: { energyWh: 20.3, integralWh: 20.07 } },
  energyUncertaintyWh: NaN,
  efficiency: { value: 0.772, gain: 100, energyWh: 20.07, startS: 0, endS: 6000, uncertainty: 0.012, reason: '' },
  taperEndS: 6300,
  heat: [heat],
} as unknown as Analysis // prettier-ignore

it('tells a time that was watched, one between two checks, and the last, which the display cannot tell', () => {
  const between = milestoneWorkings(milestone({}))
  expect(between.title).toBe('Time to 50 %')
  expect(formula(between)).toBe(
    'between 0:20:00 and 0:25:00 → 0:24:30, ± 2 min (twice the standard uncertainty)',
  )
  expect(used(between)).toEqual([
    'Last reading below: 0:20:00',
    'First reading at or above: 0:25:00',
    'First seen, as reviewers quote it: 0:25:00',
  ])
  expect(between.rule).toContain('half a point above')
  expect(milestoneWorkings(milestone({ percent: 100 })).rule).toContain('the middle between')
  expect(milestoneWorkings(milestone({ percent: 100, watched: true })).rule).toContain('was watched')
})

it('tells a level at a moment that was read from one that lies between two readings', () => {
  const mark = { atS: 900, percent: 31.4, low: 29, high: 33, gain: 26.4, uncertainty: 0.41, ceiling: false } as Mark
  const w = markWorkings(mark, 5)
  expect([w.title, formula(w)].map(plain)).toEqual([
    'Level after 15 min',
    '31.4 % − 5 % = 26.4 points, ± 0.8 (twice the standard uncertainty)',
  ])
  expect(used(w)).toEqual(['Level read before: 29 %', 'Level read after: 33 %'])
  expect(w.rule).toContain('on either side')
  const read = markWorkings({ ...mark, low: 31, high: 31, ceiling: true }, 5)
  expect(read.rule).toContain('within 10 s')
  expect(used(read)[2]).toContain('no longer tells sources apart')
}) // prettier-ignore

it('has the numbers of power, energy and what reached the battery in its formulas', () => {
  expect(formula(heldPeakWorkings(analysis))).toBe('25.94 W from 0:16:00 on')
  expect(used(heldPeakWorkings(analysis))).toEqual(['Highest single reading: 26.40 W at 0:16:20'])
  expect(heldPeakWorkings(analysis).assumed).toEqual([])
  const coarse = { ...analysis, power: { ...analysis.power, coarse: true }, heldPeakUncertaintyW: NaN }
  expect(heldPeakWorkings(coarse).rule).toContain('more than 30 s apart')
  expect(heldPeakWorkings(coarse).assumed[0]).toContain('no ±')
  expect(formula(peakWorkings(analysis))).toBe('26.40 W at 0:16:20')
  expect(used(peakWorkings(analysis))).toEqual(['Spikes: 2'])
  expect(formula(meanWorkings(analysis))).toBe('20.07 Wh → 11.20 W')
  expect(used(meanWorkings(analysis))).toEqual(['Length of the run: 1:48:00'])
  expect(formula(energyWorkings(analysis))).toBe('20.07 Wh seen + 0.50 Wh bridged = 20.57 Wh')
  expect(used(energyWorkings(analysis))).toEqual([
    'Stretches without a reading: 1',
    'The meter’s count: 20.30 Wh',
    'Its watts add up to: 20.07 Wh',
  ])
  expect(energyWorkings(analysis).assumed[0]).toContain('accuracy of the meter')
  const counted = { ...analysis, energyUncertaintyWh: 0.1, energy: { ...analysis.energy, energyFrom: 'counter', counter: { energyWh: 20.3, integralWh: NaN } } } as Analysis
  expect(energyWorkings(counted).rule).toContain('own count')
  expect(used(energyWorkings(counted))).toHaveLength(2)
  expect(energyWorkings(counted).assumed).toEqual([])
  // Common practice, no source: a 15.5 Wh pack took 20.07 Wh at the meter, 77 %.
  const battery = efficiencyWorkings(analysis, { usableWh: 15.5, assumedVolts: true })
  expect(formula(battery)).toBe('100 points × 15.50 Wh ÷ 100 = 15.50 Wh; ÷ 20.07 Wh = 77 %')
  expect(used(battery)).toEqual(['Stretch: 0:00:00 to 1:40:00', 'Usable capacity: 15.50 Wh'])
  expect(battery.assumed[0]).toContain('3.85 V')
  expect(efficiencyWorkings(analysis, { usableWh: 15.5, assumedVolts: false }).assumed).toEqual([])
}) // prettier-ignore

it('tells how warm, over what, and how long', () => {
  for (const w of [heatWorkings(analysis), placeWorkings(analysis.heat[0])]) {
    expect(w.title).toBe('Hottest, back')
    expect(used(w)).toEqual(['At 35 °C or more: 30 min'])
    expect(w.assumed).toEqual([])
  }
  expect(formula(heatWorkings(analysis))).toBe('43.8 °C at 0:20:00, 18.1 °C over its first reading')
  expect(formula(placeWorkings(analysis.heat[0]))).toBe(
    '43.8 °C at 0:20:00, 44 % = first reading + 18.1 °C = room + 21.0 °C',
  )
  const bare = { ...analysis.heat[0], place: '', maxAtPercent: NaN, overAmbientC: NaN, uncertaintyC: NaN }
  expect(formula(placeWorkings(bare))).toContain('at 0:20:00 =')
  expect(momentWords(NaN, 44)).toBe('–')
  expect([placeWorkings(bare).title, heatWorkings({ ...analysis, heat: [bare] }).title]).toEqual([
    'Hottest',
    'Hottest',
  ])
  expect(formula(placeWorkings(bare))).not.toContain('room')
  expect(placeWorkings(bare).assumed[0]).toContain('thermometer')
  expect(heatWorkings({ ...analysis, heat: [bare] }).assumed[0]).toContain('thermometer')
})

it('tells bands, parts, supply, taper and spot checks with their numbers', () => {
  const band = { fromPercent: 20, toPercent: 50, startS: 600, endS: 1500, meanW: 24.3, pointsPerMinute: 2.04, partial: true, uncertaintyW: 0.2 }
  expect(formula(bandWorkings(band))).toBe('0:10:00 to 0:25:00: 24.30 W, 2.04 points a minute')
  expect(used(bandWorkings(band))).toHaveLength(1)
  expect(used(bandWorkings({ ...band, partial: false }))).toEqual([])
  const part = { kind: 'hold', startS: 0, levelS: 60, endS: 1020, meanW: 25.2, energyWh: 7.1, gain: 35, endedBy: 'supply' }
  const hold = partWorkings(part as never)
  expect([hold.title, formula(hold)]).toEqual(['A hold', '7.10 Wh from 0:00:00 to 0:17:00; mean of the hold 25.20 W'])
  expect(used(hold)).toEqual(['Level from: 0:01:00', 'Points gained: 35.0', 'It ended by: supply step'])
  expect(used(partWorkings({ ...part, levelS: 0 } as never))).toHaveLength(2)
  expect(partWorkings({ ...part, kind: 'taper' } as never).title).toBe('The taper')
  expect(partWorkings({ ...part, kind: 'trickle' } as never).rule).toContain('on and off in turn')
  const supply = { startS: 0, endS: 2820, volts: 9, mode: 'fixed', ohms: 3.21 } as Analysis['supply'][number]
  expect([supplyWorkings(supply).title, supplyWorkings(supply).formula].map(plain)).toEqual([
    'Supply of 9 V',
    '0:00:00 to 0:47:00; load 3.21 Ω, the median of volts over amperes',
  ])
  const wandering = supplyWorkings({ ...supply, mode: 'adjustable', volts: 8.36 })
  expect([plain(wandering.title), wandering.rule.includes('wander')]).toEqual(['Supply of 8.4 V', true])
  expect(formula(taperWorkings(analysis))).toBe('held peak 25.94 W → down for good from 1:45:00')
  expect(used(taperWorkings(analysis))).toEqual(['It showed full: 1:40:00'])
  expect(used(taperWorkings({ ...analysis, milestones: [milestone({ percent: 100, reason: 'Not reached.' })] }))).toEqual([])
  // Common practice, no source: 0.42 Wh in 5 min on a 14.1 Wh pack are 84 min to half, without losses.
  const spot = { toHalfLosslessS: 5036, toHalfS: 6295, efficiency: 0.8, efficiencyAssumed: true }
  const five = { durationS: 300, energy: { energyWh: 0.42, bridgedWh: 0 } } as Analysis
  const half = spotWorkings(spot as never, five, 14.1)
  expect(formula(half)).toBe('½ × 14.10 Wh ÷ (0.420 Wh in 5 min) = 1 h 24 min; ÷ 80 % = 1 h 45 min')
  expect(half.assumed.map(plain)).toEqual(['80 % of the energy arrives.'])
  expect(spotWorkings({ ...spot, efficiencyAssumed: false } as never, five, 14.1).assumed).toEqual([])
}) // prettier-ignore

it('puts the key figures in their order, each with its ±, and leaves out what is not known', () => {
  const rows = keyFigures(analysis, { usableWh: 15.5, assumedVolts: false })
  expect(rows.map((r) => plain(`${r.label}: ${r.value} ${r.spread}`).trim())).toEqual([
    'Half: 25 min ± 2 min',
    'Full, watched: 1 h 40 min 0 s ± 4 s',
    'Held peak: 25.9 W ± 0.4',
    'At the meter: 20.57 Wh',
    'Into the battery: 77 % ± 2',
    'Hottest, back: 43.8 °C ± 1.0',
  ])
  const bare = {
    ...analysis,
    milestones: [],
    heat: [],
    power: { ...analysis.power, heldPeakW: NaN },
    energy: { ...analysis.energy, energyWh: NaN },
    efficiency: { ...analysis.efficiency, reason: 'No meter.' },
  } as unknown as Analysis
  expect(keyFigures(bare, { usableWh: NaN, assumedVolts: false })).toEqual([])
})
