import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { emptyLogbook, type Logbook } from '@core/logbook/logbook'
import { demoLike } from './storage.fixture'
import { apply, makeLane, type LaneSetup } from '../stores/lane'
import { appendLine, dropJournal, readJournal, readJournalFrom } from './journal'
import { importLogbook, loadLogbook, loadShelf, wipeLogbook } from './logbookStorage'
import { metaStore, runStore } from './stores'

const sorted = (l: Logbook) => ({ ...l, runs: [...l.runs].sort((a, b) => a.run.id.localeCompare(b.run.id)) })

describe('the logbook in storage', () => {
  beforeEach(wipeLogbook)

  it('comes back as it went in, readings that were not read included', async () => {
    await importLogbook(demoLike('a', 'b'), 'replace')
    expect(sorted(await loadLogbook())).toEqual(sorted(demoLike('a', 'b')))
  })

  it('merges by id and replaces whole', async () => {
    await importLogbook(demoLike('a'), 'replace')
    await importLogbook(demoLike('b'), 'merge')
    expect((await loadShelf()).runs.map((r) => r.id).sort()).toEqual(['a', 'b'])
    await importLogbook(demoLike('c'), 'replace')
    expect((await loadShelf()).runs.map((r) => r.id)).toEqual(['c'])
  })

  it('is never half imported: one that was cut off is finished on the next start', async () => {
    await importLogbook(demoLike('a'), 'replace')
    const broken = vi.spyOn(runStore, 'setItem').mockRejectedValueOnce(new Error('killed'))
    await expect(importLogbook(demoLike('a', 'b', 'c'), 'replace')).rejects.toThrow(/killed/)
    broken.mockRestore()
    expect((await loadShelf()).runs.map((r) => r.id).sort()).toEqual(['a', 'b', 'c'])
  })

  it('keeps what it has when there is no room for the import, and says what to do', async () => {
    await importLogbook(demoLike('a'), 'replace')
    const full = Object.assign(new Error('no room'), { name: 'QuotaExceededError' })
    const refusing = vi.spyOn(metaStore, 'setItem').mockRejectedValueOnce(full)
    await expect(importLogbook(demoLike('b'), 'replace')).rejects.toThrow(/storage is full.*export/)
    refusing.mockRestore()
    expect((await loadShelf()).runs.map((r) => r.id)).toEqual(['a'])
  })

  it('refuses storage of a newer program without touching it', async () => {
    await metaStore.setItem('version', 99)
    await expect(loadShelf()).rejects.toThrow(/newer version/)
    await metaStore.setItem('version', 1)
    expect(await loadLogbook()).toEqual(emptyLogbook())
  })
})

describe('the journal', () => {
  it('replays in order, a reading taken back included, and leaves other lanes alone', async () => {
    await appendLine('x', 0, { kind: 'readings', readings: [{ t: 0, percent: 5 }] })
    await appendLine('y', 0, { kind: 'readings', readings: [{ t: 0, percent: 90 }] })
    for (let i = 1; i <= 12; i++)
      await appendLine('x', i, { kind: 'readings', readings: [{ t: i, percent: 5 + i }] })
    await appendLine('x', 13, { kind: 'take-back' })
    await appendLine('x', 14, { kind: 'event', event: { t: 12.5, kind: 'note', text: 'cable moved' } })
    const lane = makeLane({} as LaneSetup, 0)
    for (const line of await readJournal('x')) apply(lane, line)
    const { readings, events } = lane
    expect(await readJournalFrom('x', 13)).toHaveLength(2)
    expect(readings.map((r) => r.t)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11])
    expect(events).toHaveLength(1)
    await dropJournal('x')
    expect(await readJournal('x')).toEqual([])
    expect(await readJournal('y')).toHaveLength(1)
  })
})
