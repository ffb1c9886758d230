import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Logbook } from '@core/logbook/logbook'
import type { Run } from '@core/logbook/run'
import { traceFromReadings } from '@core/trace/trace'
import { editionDrawers, metaDrawer, oldGearDrawer, oldRunDrawer, traceDrawer } from './database'
import { readPointer } from './editions'
import type { Envelope } from './envelope'
import { change, importLogbook, openLogbook, readWhole, undoEdition, type Change } from './logbookStorage'
import { demoLike, emptyBrowser, ids, put, refuseWrite, runLike } from './storage.fixture'
import { readRevision } from './writer'

const sorted = (l: Logbook) => ({ ...l, runs: [...l.runs].sort((a, b) => a.run.id.localeCompare(b.run.id)) })
const trace = traceFromReadings([{ t: 0, percent: 5 }, { t: 60, percent: 9 }]) // prettier-ignore
beforeEach(async () => {
  vi.restoreAllMocks()
  await emptyBrowser()
  await openLogbook()
})

describe('the logbook in storage', () => {
  it('comes back as it went in, readings that were not read included', async () => {
    await importLogbook(demoLike('a', 'b'), 'replace')
    expect(sorted((await readWhole()).logbook)).toEqual(sorted(demoLike('a', 'b')))
  })

  it('is taken out whole while another tab corrects a run', async () => {
    await importLogbook(demoLike('a'), 'replace')
    // Made since the import, so that no edition before holds on to its readings.
    await put({ put: 'runs', record: runLike('b'), trace })
    const getItem = traceDrawer.getItem.bind(traceDrawer)
    vi.spyOn(traceDrawer, 'getItem').mockImplementation(async (key) => {
      await new Promise((resolve) => setTimeout(resolve, 100))
      return getItem(key) as never
    })
    const whole = readWhole()
    await put({ put: 'runs', record: runLike('b', { notes: 'corrected' }), trace })
    expect((await whole).logbook.runs).toHaveLength(2)
  })

  it('merges by id and replaces whole', async () => {
    await importLogbook(demoLike('a'), 'replace')
    await importLogbook(demoLike('b'), 'merge')
    expect(ids(await openLogbook())).toEqual(['a', 'b'])
    await importLogbook(demoLike('c'), 'replace')
    expect(ids(await openLogbook())).toEqual(['c'])
  })

  it('opens when a record in it does not hold: it is set apart, named, kept, and goes along in a merge', async () => {
    await importLogbook(demoLike('a', 'b', 'c', 'e'), 'replace')
    const { edition } = (await readPointer())!
    const drawer = editionDrawers[edition]
    const spoil = async (id: string, how: (e: { item: Record<string, unknown> } & Envelope) => void) => {
      const envelope = (await drawer.getItem<Envelope>(`runs/${id}`)) as never
      how(envelope)
      await drawer.setItem(`runs/${id}`, envelope)
    }
    await spoil('a', (e) => (e.item.stop = { kind: 'level', percent: -3 }))
    await spoil('b', (e) => (e.item.deviceId = 'nobody'))
    await spoil('c', (e) => (e.trace = 'gone'))
    const opened = await openLogbook()
    expect(ids(opened)).toEqual(['e'])
    expect(Object.fromEntries(opened.apart.map((a) => [a.id, a.reason]))).toEqual({
      a: expect.stringMatching(/stop rule does not hold/) as string,
      b: 'deviceId names a device that is not there',
      c: 'its readings are missing',
    })
    const merged = await importLogbook(demoLike('f'), 'merge')
    expect(ids(merged)).toEqual(['e', 'f'])
    expect(merged.apart.map((a) => a.id).sort()).toEqual(['a', 'b', 'c'])
  })

  it('never writes what it would refuse to read', async () => {
    await importLogbook(demoLike('a'), 'replace')
    const falling = { ...trace, time: Float64Array.from([60, 0]) }
    const infinite = { ...trace, time: Float64Array.from([0, Infinity]) }
    for (const [record, readings] of [
      [runLike('x'), falling],
      [runLike('x'), infinite],
      [runLike('x', { stop: { kind: 'level', percent: 0 } }), trace],
      [runLike('x', { startedAt: 'soon' }), trace],
    ] as const)
      await expect(put({ put: 'runs', record, trace: readings })).rejects.toThrow()
    await expect(put({ put: 'runs', record: runLike('x') })).rejects.toThrow(/without its readings/)
    const opened = await openLogbook()
    expect([ids(opened), opened.apart]).toEqual([['a'], []])
  })

  it('keeps the old run whole when a correction is refused at any of its writes, and sweeps what is left', async () => {
    await importLogbook(demoLike('a'), 'replace')
    const before = sorted((await readWhole()).logbook)
    for (const drawer of [editionDrawers[(await readPointer())!.edition], traceDrawer, metaDrawer]) {
      const refuse = vi.spyOn(drawer, 'setItem').mockRejectedValueOnce(new Error('killed'))
      const outcome = await put({ put: 'runs', record: runLike('a', { notes: 'changed' }), trace }).catch(
        (e: Error) => e.message,
      )
      refuse.mockRestore()
      expect(outcome).toMatch(/killed/)
      await openLogbook()
      expect(sorted((await readWhole()).logbook)).toEqual(before)
      expect(await traceDrawer.keys()).toHaveLength(1)
    }
    await put({ put: 'runs', record: runLike('a', { notes: 'changed' }), trace })
    const [{ run, trace: now }] = (await readWhole()).logbook.runs
    expect([run.notes, now.time.length]).toEqual(['changed', 2])
  })

  it('takes changes that belong together whole or not at all, whichever write is refused or never made', async () => {
    await importLogbook(demoLike('a'), 'replace')
    const together: Change[] = [
      { put: 'runs', record: runLike('b'), trace },
      { put: 'runs', record: runLike('c'), trace },
      { drop: 'runs', id: 'a' },
    ]
    for (const kill of [false, true])
      for (let nth = 0; ; nth++) {
        const allowAgain = refuseWrite(nth, kill)
        const went = await put(...together).catch(() => null)
        allowAgain()
        const now = ids(await openLogbook())
        expect((await readWhole()).apart).toEqual([])
        if (!kill && !went) expect(now).toEqual(['a'])
        else expect([['a'], ['b', 'c']]).toContainEqual(now)
        if (now.length === 2) await undoEdition().then(() => importLogbook(demoLike('a'), 'replace'))
        if (went) break
      }
  })

  it('reads anew before it writes where another tab wrote meanwhile', async () => {
    await importLogbook(demoLike('a'), 'replace')
    const stale = await readRevision()
    await put({ put: 'runs', record: runLike('b'), trace })
    const seen: string[][] = []
    await change(
      stale,
      (now) => seen.push(ids(now)),
      () => [{ put: 'runs', record: runLike('c'), trace }],
    )
    expect(seen).toEqual([['a', 'b']])
    expect(ids(await openLogbook())).toEqual(['a', 'b', 'c'])
  })

  it('runs two writes one after the other, so that neither is lost', async () => {
    await importLogbook(demoLike('a'), 'replace')
    await Promise.all([
      importLogbook(demoLike('m'), 'merge'),
      put({ put: 'runs', record: runLike('n'), trace }),
      put({ put: 'runs', record: runLike('o'), trace }),
    ])
    expect(ids(await openLogbook())).toEqual(['a', 'm', 'n', 'o'])
  })
})

describe('what versions 1 and 2 of the program kept', () => {
  const old = async (version: number) => {
    await emptyBrowser()
    await metaDrawer.setItem('version', version)
    const { runs, devices, sources } = demoLike('a', 'hot', 'late')
    const { corrections: _, ...device } = devices[0]
    await oldGearDrawer.setItem('devices/d', device)
    await oldGearDrawer.setItem('sources/s', { ...sources[0], corrections: undefined })
    await oldGearDrawer.setItem('gearCorrections/d healthPercent x', {
      itemId: 'd',
      field: 'healthPercent',
      from: '100',
      to: '96',
      why: 'measured',
      when: '2026-03-02T19:00:00.000Z',
    })
    for (const { run } of runs) {
      const { planned: _p, checklist: _c, ...bare } = run
      await oldRunDrawer.setItem(run.id, version === 1 ? bare : run)
    }
    await traceDrawer.setItem('a', runs[0].trace)
    // A lane with a simulated thermometer, whose times fell; a level no display shows; a time that never came.
    await traceDrawer.setItem('hot', { ...runs[1].trace, time: Float64Array.from([0, 600, 300]) })
    await traceDrawer.setItem('late', {
      ...runs[2].trace,
      time: Float64Array.from([0, 300, Infinity]),
      percent: Float64Array.from([5, 104, 30]),
    })
  }

  it('a run kept by version 3 takes over what its device says of the battery', async () => {
    await importLogbook(demoLike('v'), 'replace')
    const { pointer, lists } = await openLogbook()
    const drawer = editionDrawers[pointer.edition]
    const [{ id }] = lists.runs
    const envelope = (await drawer.getItem<Envelope>(`runs/${id}`))!
    const { conditions: _c, conditionCorrections: _k, heat: _h, ...bare } = envelope.item as Run
    await drawer.setItem(`runs/${id}`, { ...envelope, v: 3, item: bare })
    const run = (await openLogbook()).lists.runs.find((r) => r.id === id)!
    const device = lists.devices.find((d) => d.id === run.deviceId)!
    expect(run.conditions.healthPercent).toBe(device.healthPercent)
    expect(run.conditions.ratedWh).toBe(
      device.capacityWh ?? (device.capacityMah! * (device.nominalVolts ?? 3.85)) / 1000,
    )
  })

  it.each([1, 2])(
    'version %i is brought over: fields that came since, corrections with their items',
    async (v) => {
      await old(v)
      const opened = await openLogbook()
      expect(opened.apart).toEqual([])
      expect(ids(opened)).toEqual(['a', 'hot', 'late'])
      expect(opened.lists.devices[0].corrections).toEqual([
        { field: 'healthPercent', from: '100', to: '96', why: 'measured', when: '2026-03-02T19:00:00.000Z' },
      ])
      expect(opened.lists.runs[0].checklist).toEqual([])
      expect(await oldRunDrawer.keys()).toEqual([])
    },
  )

  it('has its faults mended and says so in the run’s notes', async () => {
    await old(2)
    await openLogbook()
    const { runs } = (await readWhole()).logbook
    const of = (id: string) => runs.find((r) => r.run.id === id)!
    expect([...of('hot').trace.time]).toEqual([0, 300, 600])
    expect(of('hot').run.notes).toMatch(/put in the order of their times/)
    expect([...of('late').trace.percent!]).toEqual([5, NaN])
    expect(of('late').run.notes).toMatch(/1 reading without a time was left out.*percent 104 at 300 s/)
  })

  it('is finished when an import of it was cut off, and the runs made since stay', async () => {
    await old(2)
    const text = JSON.stringify({
      format: 'inkpath-logbook',
      schemaVersion: 2,
      devices: [{ id: 'd', name: 'Skerry P5', kind: 'phone', healthPercent: 100 }],
      sources: [{ id: 's', name: 'Hawser 20', kind: 'wall charger', ratedWatts: 20 }],
      runs: [],
    })
    await metaDrawer.setItem('pending-import', text)
    expect(ids(await openLogbook())).toEqual(['a', 'hot', 'late'])
    expect(await metaDrawer.getItem('pending-import')).toBeNull()
  })

  it('is begun anew when bringing it over was cut off', async () => {
    await old(2)
    const cut = vi.spyOn(editionDrawers.a, 'setItem').mockRejectedValueOnce(new Error('killed'))
    await expect(openLogbook()).rejects.toThrow(/killed/)
    cut.mockRestore()
    expect(ids(await openLogbook())).toEqual(['a', 'hot', 'late'])
  })

  it('of a newer program is not touched', async () => {
    await emptyBrowser()
    await metaDrawer.setItem('version', 99)
    await expect(openLogbook()).rejects.toThrow(/newer version/)
    expect(await readPointer()).toBeNull()
  })
})

describe('a field that came with a new version', () => {
  it('stands in every record of every browser, though the record was written before', async () => {
    await importLogbook(demoLike('a'), 'replace')
    const { edition } = (await readPointer())!
    const envelope = (await editionDrawers[edition].getItem<Envelope>('devices/d'))!
    const { corrections: _, unitLabel: _u, ...before } = envelope.item as Record<string, unknown>
    await editionDrawers[edition].setItem('devices/d', { ...envelope, item: before })
    const [device] = (await openLogbook()).lists.devices
    expect([device.corrections, device.unitLabel]).toEqual([[], ''])
  })
})
