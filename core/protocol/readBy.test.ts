import { expect, it } from 'vitest'
import { ruleReadBy } from './readBy'

const rule = (...time: number[]) => ruleReadBy({ time: Float64Array.from(time) })

it('reads few moments on whole minutes, unevenly apart, as minutes that were chosen', () => {
  expect(rule(0, 300, 600, 903, 1200, 1795)).toEqual({ kind: 'at', minutes: [5, 10, 15, 20, 30] })
  expect(rule(0, 600, 1200, 1500)).toEqual({ kind: 'at', minutes: [10, 20, 25] })
  expect(rule(0, 1800, 5400)).toEqual({ kind: 'at', minutes: [30, 90] })
})

it('reads what stands evenly apart by its usual step, whatever was late or left out by then', () => {
  expect(rule(0, 300, 605, 900, 1200)).toEqual({ kind: 'every', seconds: 300 })
  expect(rule(0, 20, 40, 60, 80)).toEqual({ kind: 'every', seconds: 20 })
  expect(rule(0, 1, 2, 3, 3600, 3601, 3602)).toEqual({ kind: 'every', seconds: 1 })
  expect(rule(0, 0.1, 0.2)).toEqual({ kind: 'meter', seconds: 0.1 })
  expect(rule(0, 300)).toEqual({ kind: 'every', seconds: 300 })
  // One moment besides the start is no choice of minutes, and forty are a rule.
  expect(rule(0, 5, 600)).toMatchObject({ kind: 'every' })
  expect(rule(...Array.from({ length: 26 }, (_, i) => 60 * (i < 20 ? i : 2 * i)))).toMatchObject({ kind: 'every' })
}) // prettier-ignore
