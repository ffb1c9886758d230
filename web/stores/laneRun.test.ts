import { expect, it } from 'vitest'
import { blankSource } from '@core/gear/blanks'
import { blankDevice } from '@core/gear/deviceFields'
import { noConditions } from '@core/protocol/runConditions'
import type { LaneChoice } from '@core/bench/setup'
import { gearOf } from './laneRun'
import type { useLogbook } from './logbook'

it('a lane keeps its chain with references to its own links alone', () => {
  const wall = blankSource({ id: 'w', name: 'W', kind: 'wall charger', ratedWatts: 20, fedFromId: 'gone' })
  const pad = blankSource({
    id: 'p',
    name: 'P',
    kind: 'wireless pad',
    ratedWatts: 10,
    takes: '9V2A',
    fedFromId: 'x',
  })
  const sources = [wall, pad]
  const shelf = {
    sources,
    meters: [],
    device: () => blankDevice({ id: 'd', name: 'D', kind: 'phone' }),
    source: (id: string) => sources.find((s) => s.id === id),
    cable: () => undefined,
  } as unknown as ReturnType<typeof useLogbook>
  const choice = (sourceId: string, fedFromId: string | null) =>
    ({
      deviceId: 'd',
      sourceId,
      cableId: null,
      conditions: { ...noConditions(), fedFromId },
    }) as unknown as LaneChoice
  const links = (sourceId: string, fedFromId: string | null) => {
    const { before, source } = gearOf(choice(sourceId, fedFromId), shelf)!
    return [...before, source].map((s) => [s.id, s.fedFromId])
  }
  expect(links('p', 'w')).toEqual([['w', null], ['p', 'w']]) // prettier-ignore
  expect(links('p', null)).toEqual([['p', null]])
  // What takes from nobody is fed by nobody, whatever its record says.
  expect(links('w', 'gone')).toEqual([['w', null]])
})
