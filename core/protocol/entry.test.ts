import { describe, expect, it } from 'vitest'
import { temperatureDue, tooHot } from './heat'
import { suspicion } from './suspicion'

describe('an odd entry', () => {
  const context = { last: { t: 0, percent: 40 }, lastWatts: 15, t: 600, usableWh: 15, expectedWatts: 20 }
  it.each([
    // 20 W for ten minutes are 3.3 Wh, 22 points of 15 Wh.
    [{ percent: 62 }, null],
    [{ percent: 70 }, /more than the energy allows \(about 22\)/],
    // A display may waver by a point: only a fall of more is asked about.
    [{ percent: 39 }, null],
    [{ percent: 38 }, /fell from 40 to 38/],
    [{ percent: 50, power: 60 }, /more than the two should settle on/],
    [{ power: 19 }, null],
  ])('%j', (entry, expected) => {
    const said = suspicion(entry, context)
    if (expected === null) expect(said).toBeNull()
    else expect(said).toMatch(expected)
  })
  it('is not called odd where capacity or power are not known', () => {
    expect(suspicion({ percent: 99 }, { ...context, usableWh: NaN })).toBeNull()
  })
})

it('asks for temperatures at their times, once, and names what is too hot', () => {
  expect(temperatureDue([0, 10, 20], ['back'], NaN, 5)).toBe(0)
  expect(temperatureDue([0, 10, 20], ['back'], 3, 590)).toBeNull()
  expect(temperatureDue([0, 10, 20], ['back'], 3, 610)).toBe(600)
  expect(temperatureDue([0, 10, 20], ['back'], 590, 610)).toBeNull()
  expect(temperatureDue([0, 10], [], NaN, 700)).toBeNull()
  expect(tooHot({ back: 45 }, 45)).toEqual({ place: 'back', celsius: 45 })
  expect(tooHot({ back: 44 }, 45)).toBeNull()
})
