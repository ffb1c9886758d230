import { expect, it } from 'vitest'
import { analyse } from '../../analysis/analyse'
import { traceFromReadings } from '../../trace/trace'
import { everyWorking } from './everyWorking'

const capacity = { usableWh: 15, assumedVolts: true }
const minutes = (count: number, of: (m: number) => object) =>
  traceFromReadings(Array.from({ length: count }, (_, m) => ({ t: m * 60, ...of(m) })))

it('says of every kind of figure how it was worked out, once, with numbers in it', () => {
  const run = minutes(111, (m) => ({
    percent: Math.min(100, Math.floor(1 + m)),
    voltage: 9,
    power: m < 60 ? 12 : 12 * Math.exp((60 - m) / 12),
    temperatures: { back: 25 + Math.min(15, m / 4) },
  }))
  const spot = minutes(6, () => ({ power: 12, percent: 10 }))
  const all = everyWorking(analyse(run, { usableWh: 15 }), capacity, analyse(spot, { usableWh: 15 }))
  const titles = all.map((w) => w.title)
  expect(titles).toEqual(
    expect.arrayContaining([
      'Time to 50 %',
      'Time to 100 %',
      'Peak',
      'Held peak',
      'Mean power',
      'Into the battery',
      'Spot check',
      'Hottest, back',
    ]),
  )
  expect(new Set(titles).size).toBe(titles.length)
  for (const { rule, formula, source } of all) {
    expect(rule).not.toBe('')
    expect(formula).toMatch(/\d/)
    expect(formula).not.toContain('NaN')
    expect(source).not.toBe('')
  }
})

it('leaves out what a run does not have', () => {
  const titles = everyWorking(analyse(minutes(3, () => ({ percent: 10 }))), {
    usableWh: NaN,
    assumedVolts: false,
  }).map((w) => w.title)
  expect(titles).not.toContain('Into the battery')
  expect(titles.some((t) => t.startsWith('Time to') || t.startsWith('Hottest'))).toBe(false)
})
