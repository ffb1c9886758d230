import { expect, it } from 'vitest'
import { loadNames } from './events'

it('names each load of a run once, as it was first written, in one order', () => {
  const start = (text: string) => ({ kind: 'load-start', text })
  const events = [start(' Film '), start('chart plotting'), { kind: 'load-stop', text: 'Load stopped' }, start('film'), start('')]
  expect(loadNames(events)).toEqual(['chart plotting', 'Film'])
  expect(loadNames([{ kind: 'score', text: 'Tiles 3 points' }])).toEqual([])
}) // prettier-ignore
