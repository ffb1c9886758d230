import { expect, it } from 'vitest'
import { sameAgain, type LastSetUp } from './again'

const shelf = { devices: ['p', 'q'], sources: ['a', 'b', 'c'] }
const run = (deviceId: string, sourceId: string): LastSetUp => ({
  deviceId,
  sourceId,
  cableId: 'k',
  reading: { kind: 'every', seconds: 300 },
  stop: { kind: 'level', percent: 80 },
})
const next = (made: LastSetUp[], ...busy: string[]) => {
  const told = sameAgain(made, shelf, new Set(busy))
  return told && `${told.deviceId}${told.sourceId}`
}

it('offers the last set-up again with the next source that was not tried', () => {
  expect(sameAgain([], shelf)).toBeNull()
  expect(sameAgain([run('p', 'a')], shelf)).toMatchObject({
    cableId: 'k',
    stop: { percent: 80 },
    sourceId: 'b',
  })
  expect(next([run('p', 'b'), run('p', 'a')])).toBe('pc')
  // All tried: the one that follows.
  expect(next([run('p', 'b'), run('p', 'c'), run('p', 'a')])).toBe('pb')
  // The last source has left the shelf.
  expect(next([run('p', 'gone')])).toBe('pa')
})

it('passes over what is on the bench', () => {
  expect(next([run('p', 'a')], 'p', 'a')).toBe('qb')
  // All devices charge: another unit of the last one may be at hand.
  expect(next([run('p', 'a')], 'p', 'q', 'b')).toBe('pc')
  expect(next([run('p', 'a')], 'a', 'b', 'c')).toBe('pb')
  expect(sameAgain([run('p', 'a')], { devices: [], sources: ['a'] })).toBeNull()
})
