import { expect, it } from 'vitest'
import { farthest } from './farthest'

type Reached = Parameters<typeof farthest>[0][number]
const stopped = (endPercent: number): Reached => ({ milestones: [], endPercent })
const mark = { percent: 100, timeS: 6000 } as Reached['milestones'][number]
const full: Reached = { milestones: [{ ...mark, reason: undefined }], endPercent: 100 }
/** Its level fell again once it was unplugged. */
const fallen: Reached = { ...full, endPercent: 97 }
const half = { milestones: [{ ...full.milestones[0], percent: 50 }], endPercent: 60 }
const unknown: Reached = { milestones: [{ ...mark, reason: 'Never shown.' }], endPercent: 99 }

it('is the first of those that came farthest', () => {
  expect(farthest([stopped(61), stopped(80), stopped(80)])).toBe(1)
  expect(farthest([unknown, full, full])).toBe(1)
  expect(farthest([unknown, fallen])).toBe(1)
  expect(farthest([half, stopped(80)])).toBe(1)
  expect(farthest([stopped(NaN), stopped(5), stopped(NaN)])).toBe(1)
  expect(farthest([stopped(NaN), stopped(NaN)])).toBe(0)
  expect(farthest([])).toBe(-1)
})
