import { expect, it } from 'vitest'
import { mendTrace } from './mend'

it('says of every column how many values it took out, however many they are', () => {
  const time = Float64Array.from({ length: 40 }, (_, i) => i * 60)
  const { mended, said } = mendTrace({
    time,
    percent: time.map((_, i) => (i < 10 ? 5 : 104)),
    power: time.map((_, i) => (i === 2 ? 9000 : 20)),
    temperatures: {},
  })
  expect(said).toEqual([
    'percent 104 at 600 s, and 29 more of its values, are beyond what can be and counted as not read.',
    'power 9000 at 120 s is beyond what can be and counted as not read.',
  ])
  expect([...mended.percent!].filter(Number.isNaN)).toHaveLength(30)
  expect(mended.power![3]).toBe(20)
})
