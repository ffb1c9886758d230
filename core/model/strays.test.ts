import { expect, it } from 'vitest'
import { strays } from './strays'

const full = (timeS: number, uncertaintyS = 30) =>
  ({ percent: 100, timeS, uncertaintyS, earliestS: 0, latestS: 0, firstSeenS: 0, watched: false }) as const
const expected = { seconds: 6000, uncertaintyS: 120 }

it('is more than 15 %, and more than run and forecast are known to', () => {
  expect(strays(full(6899), expected)).toEqual([])
  expect(strays(full(6901), expected)).toMatchObject([
    { severity: 'warning', message: expect.stringMatching(/15 % later/) },
  ])
  expect(strays(full(5000), expected)).toMatchObject([
    { severity: 'notice', message: expect.stringMatching(/17 % sooner/) },
  ])
  expect(strays(full(7000, 500), expected)).toEqual([])
  expect(strays({ ...full(7000), reason: 'The run ended below it.' }, expected)).toEqual([])
  expect(strays(undefined, expected)).toEqual([])
  expect(strays(full(7000), { seconds: NaN, uncertaintyS: 0 })).toEqual([])
})
