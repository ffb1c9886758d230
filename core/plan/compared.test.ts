import { expect, it } from 'vitest'
import { comparedPairs } from './compared'

it('sets the sources of a device against each other, and devices where each has one source alone', () => {
  const pair = (deviceId: string, sourceId: string) => ({ deviceId, sourceId })
  const told = (...pairs: ReturnType<typeof pair>[]) =>
    comparedPairs(pairs).map(({ by, id, pairs: own }) => `${by} ${id} ${own.length}`)
  expect(told(pair('p', 'a'), pair('p', 'b'), pair('t', 'a'))).toEqual(['device p 2'])
  expect(told(pair('p', 'a'), pair('t', 'a'), pair('l', 'b'))).toEqual(['source a 2'])
  expect(told(pair('p', 'a'))).toEqual([])
})
