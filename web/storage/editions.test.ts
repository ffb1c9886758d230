import { blankCable } from '@core/gear/blanks'
import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { emptyLogbook } from '@core/logbook/logbook'
import { traceFromReadings } from '@core/trace/trace'
import { editionDrawers } from './database'
import { importLogbook, openLogbook, readWhole, undoEdition, wipeLogbook } from './logbookStorage'
import { demoLike, emptyBrowser, ids, put, refuseWrite, runLike } from './storage.fixture'

const trace = traceFromReadings([{ t: 0, percent: 5 }, { t: 60, percent: 9 }]) // prettier-ignore

beforeEach(async () => {
  vi.restoreAllMocks()
  await emptyBrowser()
  await openLogbook()
})

describe('an import', () => {
  it.each(['merge', 'replace'] as const)(
    '(%s) refused at any write leaves the logbook as it was, what it was before too, and nothing of it comes later',
    async (mode) => {
      await importLogbook(demoLike('before'), 'replace')
      await importLogbook(demoLike('a'), 'replace')
      let went = false
      let nth = 0
      for (; !went; nth++) {
        const allowAgain = refuseWrite(nth)
        const outcome = await importLogbook(demoLike('b', 'c'), mode).catch((e: Error) => e.message)
        allowAgain()
        went = typeof outcome !== 'string'
        if (went) break
        expect(outcome).toMatch(/storage is full.*export/)
        const opened = await openLogbook()
        expect([ids(opened), opened.apart]).toEqual([['a'], []])
        expect(ids(await undoEdition())).toEqual(['before'])
        expect(ids(await undoEdition())).toEqual(['a'])
      }
      // Two pieces of gear, its runs, the two traces that are new, the revision, the pointer.
      expect(nth).toBe(mode === 'merge' ? 9 : 8)
    },
  )

  it('and its undoing, refused at any write, is not done or done', async () => {
    await importLogbook(demoLike('a'), 'replace')
    await importLogbook(demoLike('b'), 'replace')
    await put({ put: 'runs', record: runLike('since'), trace })
    for (let nth = 0; ; nth++) {
      const allowAgain = refuseWrite(nth)
      const went = await undoEdition().catch(() => null)
      allowAgain()
      if (went) break
      expect(ids(await openLogbook())).toEqual(['b', 'since'])
    }
    expect(ids(await openLogbook())).toEqual(['a', 'since'])
  })

  it('can be undone, and costs no run made since', async () => {
    await importLogbook(demoLike('a'), 'replace')
    const [device] = demoLike().devices
    await importLogbook({ ...demoLike('b'), devices: [{ ...device, name: 'Other' }] }, 'replace')
    await put(
      { put: 'cables', record: blankCable({ id: 'c', name: 'Grey' }) },
      { put: 'runs', record: runLike('made-since', { cableId: 'c' }), trace },
    ) // prettier-ignore
    const back = await undoEdition()
    expect(ids(back)).toEqual(['a', 'made-since'])
    expect(back.lists.devices[0].name).toBe('Skerry P5')
    expect(back.apart).toEqual([])
    expect((await readWhole()).logbook.runs).toHaveLength(2)
    // And undoing the undoing brings the import back.
    expect(ids(await undoEdition())).toContain('b')
  })

  it('opens though the browser refuses to take out what is left of others', async () => {
    await importLogbook(demoLike('a'), 'replace')
    const refusals = Object.values(editionDrawers).map((drawer) =>
      vi.spyOn(drawer, 'clear').mockRejectedValue(new Error('refused')),
    )
    expect(ids(await openLogbook())).toEqual(['a'])
    expect(refusals.some((spy) => spy.mock.calls.length > 0)).toBe(true)
  })

  it('wiping is one too', async () => {
    await importLogbook(demoLike('a', 'b'), 'replace')
    expect(ids(await wipeLogbook(emptyLogbook()))).toEqual([])
    // Pressed twice: there is still the logbook to go back to.
    await wipeLogbook(emptyLogbook())
    expect(ids(await undoEdition())).toEqual(['a', 'b'])
    expect((await readWhole()).logbook.runs[0].trace.time).toHaveLength(3)
  })

  it('keeps a run that was corrected here after the file was made', async () => {
    await importLogbook(demoLike('a'), 'replace')
    const correction = { row: 0, t: 0, what: 'percent' as const, from: 4, to: 5, why: 'misread', when: '2026-03-02T19:00:00Z' } // prettier-ignore
    await put({ put: 'runs', record: runLike('a', { corrections: [correction] }), trace })
    // The file may know none of it, or as many corrections of its own: what was corrected here is not undone unasked.
    const corrected = demoLike('a')
    corrected.runs[0].run.corrections = [{ ...correction, row: 1, when: '2026-03-03T19:00:00Z' }]
    for (const file of [demoLike('a'), corrected]) {
      await importLogbook(file, 'merge')
      const [{ run, trace: kept }] = (await readWhole()).logbook.runs
      expect([run.corrections, kept.time.length]).toEqual([[correction], 2])
    }
  })
})
