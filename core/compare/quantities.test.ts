import { expect, it } from 'vitest'
import type { Analysis } from '../analysis/analyse'
import { QUANTITIES, QUANTITY_GROUPS, quantityOf } from './quantities'

const analysis = {
  milestones: [50, 80, 90].map((percent) => ({ percent, timeS: 60 * percent, uncertaintyS: percent / 10 })).concat([{ percent: 100, timeS: NaN, uncertaintyS: NaN, reason: 'never' } as never]),
  marks: [{ atS: 900, percent: 31, gain: 29, uncertainty: 0.41 }, { atS: 1800, percent: NaN, gain: NaN, uncertainty: NaN, reason: 'ended' }],
  power: { peakW: 27, heldPeakW: 26, meanW: 11 },
  atBattery: { power: { heldPeakW: 20, meanW: 9 } },
  peakUncertaintyW: 0.3,
  heldPeakUncertaintyW: NaN,
  meanUncertaintyW: 0.1,
  energy: { energyWh: 19, bridgedWh: 1 },
  energyUncertaintyWh: 0.2,
  efficiency: { value: 0.77, uncertainty: 0.01, energyWh: 20 },
  heat: [{ maxC: 44, riseC: 18, uncertaintyC: NaN }],
} as unknown as Analysis // prettier-ignore
const side = { analysis, usableWh: 15.5, hoursPerPoint: 0.4 }
const told = (key: string, of = side) => {
  const { value, uncertainty } = quantityOf(key).figure(of)
  return [value, uncertainty].map((n) => Math.round(n * 1e4) / 1e4)
}

it('takes every figure with its own doubt; what nobody stated is taken to be usual', () => {
  expect(told('to-50')).toEqual([3000, 5])
  expect(told('to-90')).toEqual([5400, 9])
  expect(told('to-100')).toEqual([NaN, NaN])
  // A level is one display, a gain the difference of two.
  expect(told('level-15')).toEqual([31, 0.2899])
  expect(told('gain-15')).toEqual([29, 0.41])
  expect(told('wh-15')).toEqual([4.495, 0.0636])
  expect(told('use-15')).toEqual([11.6, 0.164])
  expect(told('gain-30')).toEqual([NaN, NaN])
  expect(told('level-30')).toEqual([NaN, NaN])
  expect(told('gain-60')).toEqual([NaN, NaN])
  expect(told('peak')).toEqual([27, 0.3])
  expect(told('held')).toEqual([26, 0.26])
  expect(told('mean')).toEqual([11, 0.1])
  // A device's own watts are less to be trusted than a meter's.
  expect(told('battery-held')).toEqual([20, 0.4])
  expect(told('battery-mean')).toEqual([9, 0.18])
  expect(told('energy')).toEqual([20, 0.2])
  expect(told('efficiency')).toEqual([0.77, 0.01])
  expect(told('lost')).toEqual([4.6, 0.2])
  expect(told('hottest')).toEqual([44, 0.5])
  expect(told('rise')).toEqual([18, 0.7071])
  const bare = { ...side, analysis: { ...analysis, power: { peakW: NaN }, energy: { energyWh: NaN, bridgedWh: 0 }, efficiency: { reason: 'no meter' }, heat: [] } as unknown as Analysis } // prettier-ignore
  for (const key of ['peak', 'energy', 'efficiency', 'lost', 'hottest', 'rise']) expect(told(key, bare)).toEqual([NaN, NaN]) // prettier-ignore
})

it('names each once, says which way is better, and what is worth noticing', () => {
  const keys = QUANTITIES.map((q) => q.key)
  expect(new Set(keys).size).toBe(keys.length)
  const of = (key: string) => {
    const { group, label, kind, better, worthNoticing } = quantityOf(key)
    return [group, label, kind, better, worthNoticing.atLeast, worthNoticing.share]
  }
  expect(of('to-80')).toEqual(['times', 'to 80 %', 'time', 'lower', 300, 0.05])
  expect(of('level-15')).toEqual(['levels', 'level at 15 min', 'percent', 'higher', 2, 0])
  expect(of('gain-15')).toEqual(['levels', 'points gained in 15 min', 'points', 'higher', 2, 0])
  expect(of('wh-5')).toEqual(['levels', 'energy gained in 5 min', 'wh', 'higher', 0, 0.05])
  expect(of('use-120')).toEqual(['levels', 'use gained in 120 min', 'hours', 'higher', 0, 0.05])
  expect(of('peak')).toEqual(['power', 'peak', 'watts', 'higher', 0, 0.05])
  expect(of('held')).toEqual(['power', 'held peak', 'watts', 'higher', 0, 0.05])
  expect(of('mean')).toEqual(['power', 'mean', 'watts', 'higher', 0, 0.05])
  expect(of('energy')).toEqual(['energy', 'at the meter', 'wh', 'lower', 0, 0.05])
  expect(of('efficiency')).toEqual(['energy', 'into the battery', 'share', 'higher', 0, 0.05])
  expect(of('lost')).toEqual(['energy', 'lost', 'wh', 'lower', 0, 0.05])
  expect(of('hottest')).toEqual(['heat', 'hottest', 'celsius', 'lower', 2, 0])
  expect(of('rise')).toEqual(['heat', 'rise', 'celsius', 'lower', 2, 0])
  // Figures under load are named by the loads that were noted.
  expect([...new Set(QUANTITIES.map((q) => q.group)), 'load'].sort()).toEqual([...QUANTITY_GROUPS].sort())
})
