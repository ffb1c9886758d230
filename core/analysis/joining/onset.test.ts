import { expect, it } from 'vitest'
import { onset } from './onset'

const at = (...rows: (readonly [t: number, v: number])[]) =>
  onset({ t: Float64Array.from(rows, ([t]) => t), v: Float64Array.from(rows, ([, v]) => v) })

it('lies between the last reading at which nothing flowed and the first at which it flowed for good', () => {
  expect(at([0, 0], [5, 9], [10, 9], [25, 9])).toEqual({ earliestS: 0, latestS: 5 })
  expect(at([0, 9], [20, 9])).toEqual({ earliestS: NaN, latestS: 0 })
  expect([at(), at([0, 0], [60, 0]), at([0, -3], [60, -3])]).toEqual([null, null, null])
})

it('takes a twentieth of what usually flows for nothing', () => {
  // Nine in ten readings that flow are at 20 or below: 1 is a twentieth.
  expect(at([0, 0], [5, 1], [10, 20], [15, 20], [25, 20])).toEqual({ earliestS: 5, latestS: 10 })
  expect(at([0, 0], [5, 1.1], [10, 20], [15, 20], [25, 20])).toEqual({ earliestS: 0, latestS: 5 })
})

it('asks for ten seconds without a break, in the record as well', () => {
  expect(at([0, 0], [5, 9], [8, 0], [20, 9], [40, 9])).toEqual({ earliestS: 8, latestS: 20 })
  expect([at([0, 0], [5, 9], [14.9, 9]), at([0, 0], [5, 9], [15, 9])]).toEqual([null, { earliestS: 0, latestS: 5 }])
  // What stands at the end of the ten seconds counts too, and a twentieth is a break.
  expect(at([0, 0], [5, 9], [10, 9], [16, 0], [30, 9], [50, 9])).toEqual({ earliestS: 16, latestS: 30 })
  expect(at([0, 0], [5, 20], [8, 1], [9, 20], [20, 20], [30, 20])).toEqual({ earliestS: 8, latestS: 9 })
  expect(at([0, 0], [5, 20], [15, 1], [16, 20], [30, 20], [40, 20])).toEqual({ earliestS: 15, latestS: 16 })
  // Two blips and an end that is too short.
  expect(at([0, 0], [5, 9], [7, 0], [9, 9], [12, 0], [60, 0])).toBeNull()
}) // prettier-ignore
