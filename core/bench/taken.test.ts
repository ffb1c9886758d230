import { expect, it } from 'vitest'
import { portOf } from '../gear/blanks'
import { takenBy, type UsedShelf, type Uses } from './taken'

const shelf: UsedShelf = {
  device: (id) => (id === 'gone' ? undefined : { name: `Skerry ${id}` }),
  source: (id) => ({ name: `Hawser ${id}`, ports: id === 'wide' ? [portOf('9V3A'), portOf('9V3A'), portOf('5V3A')] : [portOf('9V3A')] }),
  meter: (id) => (id === null ? undefined : { name: `Tally ${id}` }),
} // prettier-ignore
const uses = (deviceId: string, sourceId: string, meterId: string | null = null): Uses => ({
  deviceId,
  sourceId,
  conditions: { meterId },
})
const beside = (wanted: Uses, ...lanes: Uses[]) =>
  takenBy(wanted, lanes.map((of, i) => ({ place: `lane ${i + 1}`, uses: of })), shelf) // prettier-ignore

it('says nothing where all of it is free, or nothing is known of it', () => {
  expect(beside(uses('p', 'a', 'm'))).toEqual([])
  expect(beside(uses('p', 'a', 'm'), uses('q', 'b', 'n'))).toEqual([])
  expect(beside(uses('gone', 'a'), uses('gone', 'b'))).toEqual([])
})

it('says on which lanes a device, a source and a meter are already', () => {
  expect(beside(uses('p', 'a', 'm'), uses('q', 'b', 'm'), uses('p', 'a'), uses('p', 'c', 'm'))).toEqual([
    'Skerry p is on lane 2 and lane 3 already: go on only with another unit of it.',
    'Hawser a feeds lane 2 already: go on only with another one of it.',
    'Tally m is on lane 1 and lane 3 already: go on only with another one of it.',
  ])
  const [device] = beside(uses('p', 'a'), uses('p', 'b'), uses('p', 'c'), uses('p', 'd'))
  expect(device).toContain('lane 1, lane 2 and lane 3')
})

it('counts the ports of a source before it calls it taken', () => {
  const two = [uses('q', 'wide'), uses('r', 'wide')]
  expect(beside(uses('p', 'wide'), ...two)).toEqual([
    'Hawser wide feeds lane 1 and lane 2 too: its ports may share its watts.',
  ])
  expect(beside(uses('p', 'wide'), ...two, uses('s', 'wide'))[0]).toContain(
    'go on only with another one of it',
  )
})
