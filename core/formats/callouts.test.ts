import fc from 'fast-check'
import { expect, it } from 'vitest'
import { leadOf, placeCallouts, type Room, type Stroke } from './callouts'

const room: Room = { left: 0, right: 400, top: 0, bottom: 300 }
const at = fc.record({ x: fc.integer({ min: 0, max: 400 }), y: fc.integer({ min: 0, max: 300 }) })
const point = at.chain((of) =>
  fc.integer({ min: 20, max: 90 }).map((width) => ({ ...of, width, height: 13 })),
)
const isApart = (a: Room, b: Room) =>
  a.right <= b.left || b.right <= a.left || a.bottom <= b.top || b.bottom <= a.top
/** Points along a stroke, close enough that none slips through a box. */
const along = ([a, b]: Stroke) =>
  Array.from({ length: 501 }, (_, i) => ({
    x: a.x + ((b.x - a.x) * i) / 500,
    y: a.y + ((b.y - a.y) * i) / 500,
  }))

it('puts no name over another, over a line or over an edge', () => {
  fc.assert(
    fc.property(fc.array(point, { maxLength: 20 }), fc.array(fc.tuple(at, at), { maxLength: 12 }), (points, strokes) => {
      const boxes = placeCallouts(points, strokes, room)
      expect(boxes).toHaveLength(points.length)
      const placed = boxes.filter((box) => box !== null)
      placed.forEach((box, i) => {
        expect(box.left >= 0 && box.right <= 400 && box.top >= 0 && box.bottom <= 300).toBe(true)
        expect(placed.slice(i + 1).every((other) => isApart(box, other))).toBe(true)
        const leads = points.flatMap((from, k): Stroke[] => (boxes[k] && boxes[k] !== box ? [leadOf(from, boxes[k])] : []))
        const isCrossed = [...strokes, ...leads].flatMap(along).some(({ x, y }) => x > box.left && x < box.right && y > box.top && y < box.bottom)
        expect(isCrossed).toBe(false)
      })
    }),
  )
}) // prettier-ignore

it('stands close by where there is room, and nowhere where there is none', () => {
  const [beside] = placeCallouts([{ x: 100, y: 100, width: 50, height: 13 }], [], room)
  expect(beside).toEqual({ left: 107, right: 157, top: 80, bottom: 93 })
  // At the right edge it goes to the left; below a line that runs across, under it.
  const [left] = placeCallouts([{ x: 390, y: 100, width: 50, height: 13 }], [], room)
  expect(left).toMatchObject({ left: 333, right: 383 })
  const across: Stroke = [{ x: 0, y: 90 }, { x: 400, y: 90 }] // prettier-ignore
  const [under] = placeCallouts([{ x: 100, y: 90, width: 50, height: 13 }], [across], room)
  expect([under!.top > 92 || under!.bottom < 88, under!.left]).toEqual([true, 107])
  expect(placeCallouts([{ x: 100, y: 100, width: 500, height: 13 }], [], room)).toEqual([null])
})
