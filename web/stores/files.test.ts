import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { writeLogbook } from '@core/formats/logbookJson'
import { importLogbook, openLogbook } from '../storage/logbookStorage'
import { demoLike, emptyBrowser } from '../storage/storage.fixture'
import { useFiles } from './files'
import { importedRun, type Given } from './importedRun'
import { useLogbook } from './logbook'

/** A file that begins "trace" holds as many records as it has words after that. */
const open = async (file: Blob, _: boolean, __: unknown, part: number) => {
  const text = await file.text()
  if (!text.startsWith('trace')) return { logbook: text }
  const parts = text.split(' ').slice(1)
  if (slow || parts[0] === 'slow') await new Promise(() => undefined)
  return {
    table: {
      ok: true,
      value: {
        called: parts.length > 1 ? parts[part] : '',
        headers: [],
        meanings: [],
        words: 'Of this page',
      },
    },
    parts,
  }
}
const readTrace = async () =>
  unreadable ? { ok: false, message: 'No.', problems: [] } : { ok: true, value: record }
let record: object = {}
let unreadable = false
let slow = false
vi.mock('../workers/files', () => ({
  filesWork: () => ({ open, readTrace, close: () => undefined }),
  stopFilesWork: () => undefined,
  toldByWorker: (f: unknown) => f,
}))

beforeEach(async () => {
  vi.stubGlobal('navigator', {})
  await emptyBrowser()
  await openLogbook()
  await importLogbook(demoLike('mine'), 'replace')
  setActivePinia(createPinia())
  await useLogbook().load()
})

it('takes a file once, however often it is asked to, so that undoing goes back to what was there', async () => {
  const [files, logbook] = [useFiles(), useLogbook()]
  await files.open(new File([writeLogbook(demoLike('theirs'), '2026-03-02T19:00:00Z')], 'theirs.json'))
  const taken = await Promise.all([files.takeLogbook('replace'), files.takeLogbook('replace')])
  expect(taken).toEqual([true, false])
  await logbook.undoEdition()
  expect(logbook.runs.map((r) => r.id)).toEqual(['mine'])
})

it('keeps a run of a file without a date as not dated, unless somebody says when it was made', () => {
  const given = { deviceId: 'd', sourceId: 's', cableId: null, meterId: null, startedAt: null, notes: '', planned: null, asPlanned: false, fromS: 0 } // prettier-ignore
  const trace = { time: Float64Array.of(0, 300), percent: Float64Array.of(5, 11), temperatures: {} }
  const made = (said: string | null, ofFile: string | null) =>
    importedRun({ ...given, startedAt: said }, trace, ofFile, 'a.csv', useLogbook(), () => [])
  const at = '2026-03-02T19:00:00.000Z'
  expect(made(null, null).dated).toBe(false)
  expect(made(at, null)).toMatchObject({ dated: true, startedAt: at })
  expect(made(null, at)).toMatchObject({ dated: true, startedAt: at })
})

it('gives a run the place in the plan that was chosen, or the first that waits for its pair', () => {
  const given = { deviceId: 'd', sourceId: 's', cableId: 'c', meterId: null, startedAt: null, notes: '', asPlanned: false, fromS: 0 } // prettier-ignore
  const trace = { time: Float64Array.of(0, 300), percent: Float64Array.of(5, 11), temperatures: {} }
  const asked: unknown[] = []
  const cellsFor = (pair: unknown) => {
    asked.push(pair)
    return [
      {
        campaignId: 'board',
        plannedId: 'p2',
        name: 'On board',
        since: '2026-03-01T12:00:00.000Z',
        repeat: 2,
      },
    ]
  }
  const placeOf = (planned: Given['planned'], cells: Parameters<typeof importedRun>[5] = cellsFor) =>
    importedRun({ ...given, planned }, trace, null, 'a.csv', useLogbook(), cells).planned
  const chosen = { campaignId: 'board', plannedId: 'p1' }
  expect([placeOf(null), placeOf(chosen)]).toEqual([null, chosen])
  expect(asked).toEqual([])
  expect(placeOf('first')).toEqual({ campaignId: 'board', plannedId: 'p2' })
  expect(asked).toEqual([{ deviceId: 'd', sourceId: 's', cableId: 'c' }])
  expect(placeOf('first', () => [])).toBeNull()
  const before = importedRun(
    { ...given, planned: 'first' },
    trace,
    '2026-02-28T19:00:00.000Z',
    'a.csv',
    useLogbook(),
    cellsFor,
  )
  expect(before.planned).toBeNull()
})

it('makes a run of each charge that a record holds, dated all once one of them is, and then opens the next file', async () => {
  const [files, logbook] = [useFiles(), useLogbook()]
  const trace = {
    time: Float64Array.of(0, 300, 600, 900, 1200, 1500),
    percent: Float64Array.of(90, 96, 100, 5, 11, 17),
    temperatures: {},
  }
  const charges = [{ fromS: 0, toS: 600 }, { fromS: 900, toS: Infinity }] // prettier-ignore
  record = { trace, startedAt: null, preview: { charges } }
  const [{ deviceId, sourceId }] = logbook.runs
  const given = { deviceId, sourceId, cableId: null, meterId: null, notes: 'Lid shut', planned: null, asPlanned: false } // prettier-ignore
  await files.openAll([new File(['trace x'], 'evening.csv'), new File(['trace x'], 'next.csv')])
  const second = await files.takeTrace({ ...given, startedAt: '2026-03-02T19:15:00.000Z', fromS: 900, charge: { at: 1, untilS: Infinity } }) // prettier-ignore
  expect(files.opened).toMatchObject({
    file: 'evening.csv',
    taken: [{ charge: 1, runId: second }],
    result: { startedAt: '2026-03-02T19:00:00.000Z' },
  })
  // Another file chosen meanwhile comes first, and what was taken of this one is not offered again.
  await files.openAll([new File(['trace x'], 'between.csv')])
  expect(files.opened?.file).toBe('between.csv')
  await files.openNext()
  expect(files.opened).toMatchObject({ file: 'evening.csv', taken: [{ charge: 1, runId: second }] })
  const first = await files.takeTrace({ ...given, startedAt: null, fromS: 0, charge: { at: 0, untilS: 600 } })
  expect(files.opened?.file).toBe('next.csv')
  const made = [first, second].map((id) => logbook.run(id!)!)
  expect(made.map((r) => [r.startedAt, r.dated, r.startPercent, r.notes])).toEqual([
    ['2026-03-02T19:00:00.000Z', true, 90, 'Lid shut. Read from evening.csv, charge 1.'],
    ['2026-03-02T19:15:00.000Z', true, 5, 'Lid shut. Read from evening.csv, charge 2.'],
  ])
  const times = await Promise.all(made.map(async ({ id }) => [...(await logbook.traceOf(id))!.time]))
  expect(times).toEqual([[0, 300, 600], [0, 300, 600]]) // prettier-ignore
  record = {}
})

describe('files on their way in', () => {
  const file = (name: string, text: string) => new File([text], name)
  const all = async (files: ReturnType<typeof useFiles>) => {
    const seen: string[] = []
    for (; files.opened; await files.openNext()) seen.push(files.opened.file)
    return seen
  }

  it('come one after the other, each of their records too; what cannot be opened keeps none from it', async () => {
    const files = useFiles()
    await files.openAll([file('a.json', '{'), file('b.xlsx', 'trace Phone Tablet'), file('c.json', 'no'), file('d.csv', 'trace x')]) // prettier-ignore
    expect(files.opened?.file).toBe('b.xlsx, Phone')
    expect(files.refusals.map((r) => r.file)).toEqual(['a.json'])
    expect(await all(files)).toEqual(['b.xlsx, Phone', 'b.xlsx, Tablet', 'd.csv'])
    expect(files.refusals.map((r) => r.file)).toEqual(['a.json', 'c.json'])
    await files.openAll([file('e.csv', 'trace x')])
    expect([files.refusals, files.waiting]).toEqual([[], []])
  })

  it('wait again where others are chosen before they were taken or left', async () => {
    const files = useFiles()
    await files.openAll([file('b.xlsx', 'trace Phone Tablet')])
    await files.openAll([file('c.csv', 'trace x'), file('d.csv', 'trace x')])
    expect(await all(files)).toEqual(['c.csv', 'd.csv', 'b.xlsx, Phone', 'b.xlsx, Tablet'])
    // Who chooses another file because one could not be read is done with it.
    unreadable = true
    await files.openAll([file('e.csv', 'trace x')])
    unreadable = false
    await files.openAll([file('f.csv', 'trace x')])
    expect(await all(files)).toEqual(['f.csv'])
  })

  it('wait again where others are chosen while one is being read', async () => {
    const files = useFiles()
    slow = true
    const opening = files.openAll([file('a.csv', 'trace x'), file('b.csv', 'trace x')])
    await vi.waitFor(() => expect(files.busy).toBe(true))
    slow = false
    await files.openAll([file('c.csv', 'trace x')])
    await opening
    expect(await all(files)).toEqual(['c.csv', 'a.csv', 'b.csv'])
  })

  it('wait where reading one was stopped', async () => {
    const files = useFiles()
    const opening = files.openAll([file('a.csv', 'trace slow'), file('b.csv', 'trace x')])
    await vi.waitFor(() => expect(files.busy).toBe(true))
    files.cancel()
    await opening
    expect([files.opened, files.waiting.length]).toEqual([null, 1])
    await files.openNext()
    expect(files.opened?.file).toBe('b.csv')
  })
})

it('keeps what else two files hold of which one charge each was joined, until those are joined too', async () => {
  const [files, logbook] = [useFiles(), useLogbook()]
  const trace = { time: Float64Array.of(0, 300, 900, 1200), percent: Float64Array.of(90, 100, 5, 11), temperatures: {} } // prettier-ignore
  const charges = [{ fromS: 0, toS: 300 }, { fromS: 900, toS: Infinity }] // prettier-ignore
  record = { trace, startedAt: null, preview: { charges } }
  const [{ deviceId, sourceId }] = logbook.runs
  const given = { deviceId, sourceId, cableId: null, meterId: null, notes: '', planned: null, asPlanned: false, startedAt: null, fromS: 0 } // prettier-ignore
  const end = (file: string) => ({ file, trace, startedAt: null, fromS: 0 })
  const joined = { trace, startedAt: '2026-03-02T19:00:00.000Z', files: 'meter.csv and device.csv' }
  const open = () => [
    files.opened?.file,
    files.opened?.kind === 'trace' ? files.opened.taken?.map(({ charge }) => charge) : [],
  ]
  await files.openAll([new File(['trace x'], 'meter.csv'), new File(['trace x'], 'device.csv')])
  await files.joinNext(end('meter.csv'), 0)
  expect(open()).toEqual(['device.csv', undefined])
  const first = await files.takeTrace({ ...given, joined, charge: { at: 0, untilS: 300 } })
  expect([...open(), files.otherEnd]).toEqual(['device.csv', [0], null])
  // When the joined run began tells nothing of this file's own clock.
  expect(files.opened).toMatchObject({ taken: [{ runId: first }], result: { startedAt: null } })
  await files.joinNext(end('device.csv'), 1)
  expect(open()).toEqual(['meter.csv', [0]])
  await files.takeTrace({ ...given, joined, charge: { at: 1, untilS: Infinity } })
  expect([files.opened, files.waiting.length, logbook.runs.length]).toEqual([null, 0, 3])
  record = {}
})
