import { expect, it } from 'vitest'
import { traceFromReadings } from '../trace/trace'
import { heat, warmth } from './heat'

const minutes = (rows: Record<string, number>[], step = 10) =>
  traceFromReadings(rows.map((temperatures, i) => ({ t: i * step * 60, temperatures })))

it('gives each place its temperature at the agreed minutes, and its rise over start and room', () => {
  // Common practice, no source: at 25 °C, front and back at 10, 20 and 30 min.
  const trace = minutes([
    { front: 26, back: 27 },
    { front: 40.5, back: 40.8 },
    { front: 43.8, back: 44.2 },
    { front: 42.4, back: 42.9 },
  ])
  const [back, front] = heat(trace, { ambientC: 25 })
  expect([back.place, front.place]).toEqual(['back', 'front'])
  expect(back.at.map((m) => m.thenC)).toEqual([40.8, 44.2, 42.9])
  expect(front.at.map((m) => m.thenC)).toEqual([40.5, 43.8, 42.4])
  // The highest until then never falls.
  expect(back.at.map((m) => [m.atS, m.maxC])).toEqual([
    [600, 40.8],
    [1200, 44.2],
    [1800, 44.2],
  ])
  expect(back).toMatchObject({ maxC: 44.2, maxAtS: 1200 })
  expect([back.riseC, back.overAmbientC]).toEqual([expect.closeTo(17.2, 9), expect.closeTo(19.2, 9)])
  expect(back.backToStartS).toBeNaN()
  expect(heat(trace)[0].overAmbientC).toBeNaN()
})

it('counts the time at or above 35, 40 and 45 °C along straight lines, and when it was back', () => {
  // Up from 25 to 45 in twenty minutes, down to 25 in forty: a degree a minute, then half a degree.
  const trace = traceFromReadings(
    [
      [0, 25],
      [20, 45],
      [60, 25],
      [70, 24],
    ].map(([m, c]) => ({ t: m * 60, temperatures: { back: c } })),
  )
  const [back] = heat(trace, { marksS: [1200, 9000] })
  expect(back.above).toEqual([
    { celsius: 35, seconds: (10 + 20) * 60 },
    { celsius: 40, seconds: (5 + 10) * 60 },
    { celsius: 45, seconds: 0 },
  ])
  expect(back.backToStartS).toBe(3600)
  expect(back.at).toEqual([{ atS: 1200, maxC: 45, thenC: 45 }])
})

it('tells the level at which it peaked, and at which it was back', () => {
  const trace = traceFromReadings([
    { t: 0, percent: 5, temperatures: { back: 25 } },
    { t: 900, percent: 40 },
    { t: 1200, temperatures: { back: 44 } },
    { t: 1500, percent: 60 },
    { t: 3000, percent: 90, temperatures: { back: 24 } },
  ])
  // 40 % at 900 s and 60 % at 1,500 s: 50 % between; back to 25 °C a twentieth of the way before 3,000 s.
  const [back] = heat(trace)
  expect([back.maxAtS, back.maxAtPercent]).toEqual([1200, 50])
  expect([back.backToStartS, back.backAtPercent]).toEqual([2910, expect.closeTo(88.2, 9)])
  expect(heat(minutes([{ back: 25 }, { back: 30 }, { back: 25 }]))[0].backAtPercent).toBeNaN()
})

it('has a line for every place that was read, and none for the others', () => {
  expect(heat(traceFromReadings([{ t: 0, percent: 5 }]))).toEqual([])
  const [only] = heat(traceFromReadings([{ t: 60, temperatures: { pad: 31 } }, { t: 120 }]))
  expect(only).toMatchObject({ place: 'pad', maxC: 31, riseC: 0, at: [] })
  expect(only.backToStartS).toBeNaN()
})

const one = (...at: [minute: number, celsius: number][]) =>
  heat(traceFromReadings(at.map(([m, c]) => ({ t: m * 60, temperatures: { back: c } }))))[0]

it('was back where the line from the peak meets the first reading, and only after the peak', () => {
  expect(one([0, 25], [10, 35], [20, 27], [30, 23]).backToStartS).toBe(25 * 60)
  expect(one([0, 25], [10, 35], [20, 25]).backToStartS).toBe(1200)
  // Cooler at first is not back; nor is what never rose, or never came back.
  expect(one([0, 25], [10, 24], [20, 40], [30, 30]).backToStartS).toBeNaN()
  expect(one([0, 25], [10, 25], [20, 24]).backToStartS).toBeNaN()
})

it('peaked at the earliest of equals, and a mark within the record counts, its ends included', () => {
  expect(one([0, 25], [10, 40], [20, 40], [30, 30])).toMatchObject({ maxC: 40, maxAtS: 600 })
  const marks = (...at: [number, number][]) => one(...at).at.map((m) => [m.atS / 60, m.maxC, m.thenC])
  expect(marks([0, 25], [20, 45])).toEqual([[10, 35, 35], [20, 45, 45]]) // prettier-ignore
  expect(marks([10, 30], [15, 40], [25, 20])).toEqual([[10, 30, 30], [20, 40, 30]]) // prettier-ignore
  expect(marks([11, 30], [19, 40])).toEqual([])
  // A level stretch is all at or above what it is at, and nothing above it.
  expect(one([0, 40], [10, 40]).above.map((a) => a.seconds)).toEqual([600, 600, 0])
  expect(one([0, 45], [10, 35]).above.map((a) => a.seconds)).toEqual([600, 300, 0])
})

it('knows a temperature as the thermometer does: a degree either way, rectangular (GUM JCGM 100:2008 §4.3.7)', () => {
  const trace = minutes([{ back: 25 }, { back: 40 }])
  const thermometer = { accuracyPercent: null, accuracyDigits: 1, resolution: 1, resolutionAmps: null }
  expect(heat(trace, { thermometer })[0].uncertaintyC).toBeCloseTo(1 / Math.sqrt(3), 9)
  expect(heat(trace)[0].uncertaintyC).toBeNaN()
})

it('draws a temperature along a bar from 20 to 45 °C', () => {
  expect([10, 20, 32.5, 45, 60, NaN].map(warmth)).toEqual([0, 0, 0.5, 1, 1, 0])
})
