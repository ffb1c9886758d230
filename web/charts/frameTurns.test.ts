import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { drawInTurn, drawNoMore } from './frameTurns'

let now = 0
let next: FrameRequestCallback[] = []
/** The browser's next frame, and what comes right after it. */
const frame = () => {
  const due = next
  next = []
  due.forEach((callback) => callback(now))
  vi.runAllTimers()
}
/** A picture that takes so long, ms, and writes down that it was drawn. */
const picture = (name: string, ms: number, drawn: string[]) => () => {
  now += ms
  drawn.push(name)
}

beforeEach(() => {
  vi.useFakeTimers({ toFake: ['setTimeout'] })
  vi.stubGlobal('requestAnimationFrame', (callback: FrameRequestCallback) => next.push(callback))
  vi.spyOn(performance, 'now').mockImplementation(() => now)
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

it('draws each once a frame, and leaves to the next what one has no room for', () => {
  const drawn: string[] = []
  const [path, watts, heat] = [
    picture('path', 6, drawn),
    picture('watts', 6, drawn),
    picture('heat', 6, drawn),
  ]
  for (let asked = 0; asked < 5; asked++) for (const draw of [path, watts, heat]) drawInTurn(draw)
  expect(drawn).toEqual([])
  // Nothing is drawn in the frame itself: it has its own things to lay out.
  next.splice(0).forEach((callback) => callback(now))
  expect(drawn).toEqual([])
  vi.runAllTimers()
  expect(drawn).toEqual(['path', 'watts'])
  // What is asked for again waits its turn: none is forgotten for the others.
  drawInTurn(path)
  frame()
  expect(drawn.slice(2)).toEqual(['heat', 'path'])
  frame()
  expect(drawn).toHaveLength(4)
})

it('draws one that takes longer than a frame all the same, and none that has gone', () => {
  const drawn: string[] = []
  const [slow, gone] = [picture('slow', 90, drawn), picture('gone', 1, drawn)]
  drawInTurn(gone)
  drawInTurn(slow)
  drawNoMore(gone)
  frame()
  frame()
  expect(drawn).toEqual(['slow'])
})
