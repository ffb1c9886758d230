import { expect, it } from 'vitest'
import type { Trace } from '@core/trace/trace'
import { heldTraces } from './heldTraces'

/** So many bytes of time alone. */
const trace = (bytes: number): Trace => ({ time: new Float64Array(bytes / 8), temperatures: {} })

it('lets the readings go that were looked at longest ago, once those of screens that were left take more than their room', () => {
  const held = heldTraces(1000)
  for (const id of ['a', 'b', 'c']) held.hold(id, trace(400))
  held.touch('a')
  held.letGo(held.moment())
  expect([...held.traces.keys()].sort()).toEqual(['a', 'c'])
})

it('keeps what was asked for since, however large: a screen shows it', () => {
  const held = heldTraces(1000)
  held.hold('old', trace(800))
  const left = held.moment()
  for (const id of ['x', 'y', 'z']) held.hold(id, trace(800))
  held.letGo(left)
  expect([...held.traces.keys()]).toEqual(['x', 'y', 'z'])
  held.letGo(held.moment())
  expect([...held.traces.keys()]).toEqual(['z'])
})

it('keeps the last one even where it is larger than the room: whoever goes back finds it', () => {
  const held = heldTraces(1000)
  held.hold('large', trace(4000))
  held.letGo(held.moment())
  expect([...held.traces.keys()]).toEqual(['large'])
})
