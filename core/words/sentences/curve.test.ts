import { expect, it } from 'vitest'
import type { Part } from '../../analysis/parts/parts'
import type { Supply } from '../../analysis/supply'
import { claimInWords, curveSentence, slowedBy } from './curve'

const part = (over: Partial<Part>): Part => ({
  kind: 'hold',
  startS: 0,
  endS: 900,
  levelS: 0,
  meanW: 26.52,
  energyWh: 6.6,
  gain: 34,
  endPercent: 36,
  endedBy: 'level',
  ...over,
})
const level = (startS: number, endS: number, volts: number, mode: Supply['mode'] = 'fixed'): Supply => ({
  startS,
  endS,
  volts,
  mode,
  ohms: NaN,
})
const source = { curveAt: 'source' } as const
const plain = (text: string) => text.replaceAll('\u00A0', ' ')

it('tells the shape of a charge: its parts, and the levels that count', () => {
  const parts = [part({}), part({ startS: 900, kind: 'taper' })]
  expect(
    plain(
      curveSentence({ ...source, parts, supply: [level(0, 5, 5), level(5, 2820, 9), level(2820, 5000, 5)] }),
    ),
  ).toBe('Two parts, 26.5 W for the first 15 min; at 9 V until 47 min, then 5 V.')
  expect(plain(curveSentence({ curveAt: 'battery', parts, supply: [] }))).toBe(
    'Two parts, 26.5 W into the battery for the first 15 min.',
  )
  expect(plain(curveSentence({ ...source, parts: [], supply: [level(0, 5000, 8.47, 'adjustable')] }))).toBe(
    'At about 8.5 V, adjustable throughout.',
  )
  const late = [part({ levelS: 600 }), part({ startS: 900, kind: 'taper' })]
  expect(plain(curveSentence({ ...source, parts: late, supply: [] }))).toBe(
    'Two parts, 26.5 W from 10 min to 15 min.',
  )
  expect(curveSentence({ ...source, parts: [part({ kind: 'taper' })], supply: [] })).toBe('')
  const many = Array.from({ length: 5 }, (_, i) => level(i * 100, i * 100 + 100, i % 2 ? 5 : 9))
  expect(curveSentence({ ...source, parts: [], supply: many })).toBe('')
})

it('says of a claim whether it is met, by how much, and why it is open', () => {
  const claim = { percent: 50, seconds: 1800, marginS: 240, uncertaintyS: 10, reason: '' }
  expect(plain(claimInWords({ ...claim, verdict: 'met' }))).toBe(
    '“50 % in 30 min” is met, by 4 min 0 s ± 20 s.',
  )
  expect(plain(claimInWords({ ...claim, percent: 100, marginS: -300, verdict: 'missed' }))).toBe(
    '“Full in 30 min” is missed, by 5 min 0 s ± 20 s.',
  )
  const short = { ...claim, marginS: NaN, uncertaintyS: NaN, reason: 'The run ended below it, at 40 %.' }
  expect(plain(claimInWords({ ...short, verdict: 'missed' }))).toBe(
    '“50 % in 30 min” is missed: the run ended below it, at 40 %.',
  )
  expect(plain(claimInWords({ ...short, verdict: 'not decided' }))).toBe(
    '“50 % in 30 min” is not decided. The run ended below it, at 40 %.',
  )
})

it('says by how much the charge slowed after a part', () => {
  const parts = [part({ meanW: 25 }), part({ meanW: 20 }), part({ meanW: 22 })]
  expect([0, 1, 2].map((i) => plain(slowedBy(parts, i)))).toEqual(['−20 %', '10 %', ''])
})
