import { expect, it, vi } from 'vitest'
import { flagMarks } from './flags'
import { AXIS_WIDTH, RIGHT_PX, type PathChartOptions } from './options'

/** Letters of 8 px: no canvas measures them here. */
vi.stubGlobal('document', { createElement: () => ({ getContext: () => null }) })

it('puts a flag to the left of its pole, and further right where it would lie over the scale', () => {
  const flag = (x: number) => ({ x, y: 50, from: x, to: x, text: 'half 23 min' })
  const o = {
    flags: [flag(300), flag(1500)],
    until: 3000,
    width: AXIS_WIDTH + 300 + RIGHT_PX,
    colours: {},
  } as unknown as PathChartOptions
  const leftEdges = (of: PathChartOptions) =>
    [300, 1500].map((x, i) => {
      const { xAdjust } = flagMarks(of)[`flag${i}`] as { xAdjust: number }
      return x / 10 + xAdjust - (11 * 8 + 14)
    })
  expect(leftEdges(o)).toEqual([0, 150 - 6 - 102])
  expect(leftEdges({ ...o, width: 0 })[0]).toBe(30 - 6 - 102)
})
