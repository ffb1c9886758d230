import { expect, it } from 'vitest'
import { timeDifference } from './times'

it('says "faster by" in three ways (common practice, no source): 3 h 21 min against 2 h 37 min', () => {
  const d = timeDifference((2 * 60 + 37) * 60, (3 * 60 + 21) * 60)
  expect(d.savedS / 60).toBe(44)
  expect(d.savedShare * 100).toBeCloseTo(21.9, 1)
  expect(d.speedRatio).toBeCloseTo(1.28, 2)
})

it('knows nothing of a time that was not reached', () => {
  expect(timeDifference(0, 600).speedRatio).toBeNaN()
  expect(timeDifference(600, 0)).toEqual({ savedS: -600, savedShare: NaN, speedRatio: 0 })
  expect(timeDifference(NaN, 600)).toEqual({ savedS: NaN, savedShare: NaN, speedRatio: NaN })
})
