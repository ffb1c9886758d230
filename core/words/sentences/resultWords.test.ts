import { expect, it } from 'vitest'
import type { Quantity } from '../../compare/quantities'
import type { Result } from '../../compare/results'
import { againstWords, groupTab, resultWords } from './resultWords'

const plain = (text: string) => text.replaceAll('\u00A0', ' ')
const words = (kind: Quantity['kind'], over: Partial<Result>) => {
  const { figure, verdict } = resultWords(
    { kind } as Quantity,
    { value: 5400, spread: 90, runs: 2, verdict: 'clear', atLeast: 300, ...over } as Result,
  )
  return [plain(figure), plain(verdict)]
}

it('writes each kind of figure in its unit, with its ± and the verdict', () => {
  expect(words('time', {})).toEqual(['1 h 30 min ± 2 min', 'clear, at least 5 min'])
  expect(words('share', { value: 0.79, spread: 0.02, atLeast: 0.05 })).toEqual(['79 % ± 2 %', 'clear, at least 5 %'])
  expect(words('wh', { value: 20.07, spread: 0.21, verdict: 'small', atLeast: 0.4 })).toEqual([
    '20.07 Wh ± 0.21 Wh',
    'small, at least 0.40 Wh',
  ])
  expect(words('celsius', { value: 41.2, spread: 1, verdict: 'cannot-tell' })).toEqual(['41.2 °C ± 1.0 °C', 'can’t tell apart'])
  expect(words('points', { value: 26.4, spread: 0.8, verdict: 'baseline' })).toEqual(['26.4 ± 0.8', 'baseline'])
}) // prettier-ignore

it('says nothing of what was not reached or read, and no ± of nothing', () => {
  expect(words('time', { runs: 0 })).toEqual(['not reached', ''])
  expect(words('time', { runs: 0, why: 'started above' })).toEqual(['started above', ''])
  expect(words('time', { verdict: 'cannot-tell', difference: NaN })[1]).toBe('the baseline has none')
  expect(words('watts', { runs: 0 })).toEqual(['–', ''])
  expect(words('watts', { value: 18, spread: NaN, verdict: 'not-reached' })).toEqual(['18.0 W', ''])
  expect(words('watts', { value: 18, spread: 0.01, verdict: 'baseline' })).toEqual(['18.0 W', 'baseline'])
})

it('names the three ways of being faster, and calls groups by what is in them', () => {
  // Common practice, no source: 3 h 21 min and 2 h 37 min are 44 min, 21.9 % of the time, 1.28 × the speed.
  const told = againstWords({ savedS: 2640, savedShare: 2640 / 12_060, speedRatio: 12_060 / 9420 })
  expect(told.map(plain)).toEqual(['44 min', '21.9 %', '1.28 ×'])
  expect(againstWords(null)).toEqual(['–', '–', '–'])
  expect((['times', 'levels', 'energy', 'power', 'heat'] as const).map(groupTab)).toEqual([
    'Times', 'Levels and gains', 'Energy', 'Power', 'Heat',
  ]) // prettier-ignore
})
