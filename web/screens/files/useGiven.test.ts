import 'fake-indexeddb/auto'
import { expect, it } from 'vitest'
import { blankCable, blankSource } from '@core/gear/blanks'
import { notebookTable } from '@core/formats/notebook'
import { useFiles } from '../../stores/files'
import { openWith } from '../../stores/logbook.fixture'
import { useLogbook } from '../../stores/logbook'
import { useGiven } from './useGiven'

const READINGS = ['start 5 %', '5 min 12 %', '10 min 19 %']
const wordsOf = (...lines: string[]) => notebookTable([...lines, ...READINGS].join('\n'))!.words!

it('takes what a page says above its readings as the run’s notes, and the gear it names there', async () => {
  await openWith()
  const logbook = useLogbook()
  await logbook.put('sources', blankSource({ id: 'pad', name: 'Gangway 15', kind: 'wireless pad', ratedWatts: 15 })) // prettier-ignore
  await logbook.put('cables', blankCable({ id: 'grey', name: 'Long grey' }))
  const page = wordsOf('Skerry P5 on the Gangway 15,', '', 'long grey cable, case off.')
  const { given } = useGiven('pasted table', page)
  expect(given).toMatchObject({ deviceId: 'd', sourceId: 'pad', cableId: 'grey', meterId: null })
  expect(given.notes).toBe('Skerry P5 on the Gangway 15; long grey cable, case off')
  // A file's own name says more of it than a word within.
  expect(useGiven('hawser 20.txt', page).given.sourceId).toBe('s')
  // Without such words, what was given last holds.
  useFiles().lastGiven = { ...given, notes: 'by the window', startedAt: null, fromS: 0 }
  expect(useGiven('b.csv', '').given).toMatchObject({
    sourceId: 'pad',
    cableId: 'grey',
    notes: 'by the window',
  })
  expect(wordsOf()).toBe('')
})
