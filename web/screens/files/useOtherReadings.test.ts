import 'fake-indexeddb/auto'
import { expect, it } from 'vitest'
import { readLogbook, writeLogbook } from '@core/formats/logbookJson'
import { openWith } from '../../stores/logbook.fixture'
import { useLogbook } from '../../stores/logbook'
import { useOtherReadings } from './useOtherReadings'

it('finds the runs that are here with other readings, and takes a logbook that comes back for the same', async () => {
  await openWith('a', 'b')
  const file = readLogbook(writeLogbook(await useLogbook().readWhole(), 'now'))
  expect(useOtherReadings(() => file).value).toEqual(new Set())
  file.runs.push({ ...file.runs[0], run: { ...file.runs[0].run, id: 'new' } })
  file.runs.find(({ run }) => run.id === 'b')!.trace.percent![2] += 1
  const other = useOtherReadings(() => file)
  await expect.poll(() => other.value).toEqual(new Set(['b']))
})
