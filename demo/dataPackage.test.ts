import { createHash } from 'node:crypto'
import { describe, expect, it } from 'vitest'
import { demoLogbook } from './logbook'
import { dataPackage, readDataPackage, type PackageOptions } from '@core/formats/dataPackage'
import { readLogbook } from '@core/formats/logbookJson'
import { readTraceCsv } from '@core/formats/traceCsv'

const hashOf = (text: string) => Promise.resolve(createHash('sha256').update(text).digest('hex'))
const logbook = demoLogbook()
const runIds = new Set(['demo-8', 'demo-21', 'demo-39'])
const options: PackageOptions = {
  title: 'Three runs',
  runIds,
  createdAt: '2026-03-20T12:00:00.000Z',
  withoutPrivate: true,
  method: ['Levels were read.'],
  license: { name: 'CC-BY-4.0', title: 'Creative Commons Attribution 4.0', path: 'https://creativecommons.org/licenses/by/4.0/' },
  writeUpId: '',
} // prettier-ignore

describe('a data package', async () => {
  const files = await dataPackage(logbook, options, hashOf)
  const descriptor = JSON.parse(files['datapackage.json'])

  it('names every file with its fields, units and checksum', () => {
    // Frictionless Data Package 1 (from memory): a name of a–z, 0–9, ".", "_", "-"; each resource has a name and a path.
    for (const { name, path, hash } of descriptor.resources) {
      expect(name).toMatch(/^[-a-z0-9._]+$/)
      expect(files[path]).toBeDefined()
      expect(hash).toMatch(/^sha256:[0-9a-f]{64}$/)
    }
    const trace = descriptor.resources.find((r: { path: string }) => r.path === 'traces/run-1.csv')
    expect(trace.schema.fields).toContainEqual({
      name: 'voltage_v',
      type: 'number',
      description: expect.any(String),
      unit: 'V',
    })
    expect(new Set(descriptor.resources.map((r: { name: string }) => r.name)).size).toBe(
      descriptor.resources.length,
    )
  })

  it('holds the runs with their gear, what feeds it too, and leaves prices and notes at home', () => {
    const back = readLogbook(files['logbook.json'])
    expect(back.runs.map(({ run }) => run.id).sort()).toEqual(['demo-21', 'demo-39', 'demo-8'])
    expect(back.sources.map((s) => s.id).sort()).toEqual(['b12', 'bp', 'h20'])
    expect(back.sources.every((s) => s.price === null && s.notes === '')).toBe(true)
    expect(back.runs.every(({ run }) => run.notes === '')).toBe(true)
    const mine = logbook.runs.find(({ run }) => run.id === 'demo-8')!
    expect(back.runs.find(({ run }) => run.id === 'demo-8')!.trace).toEqual(mine.trace)
    const open = readTraceCsv(files['traces/run-1.csv']).trace
    expect([...open.time]).toEqual([...mine.trace.time])
    expect([...open.percent!]).toEqual([...mine.trace.percent!])
  })

  it('is read back, and a changed file is found', async () => {
    expect(await readDataPackage(files, hashOf)).toMatchObject({
      changed: [],
      checked: descriptor.resources.length,
    })
    const spoilt = { ...files, 'traces/run-2.csv': files['traces/run-2.csv'].replace('300,', '301,') }
    expect((await readDataPackage(spoilt, hashOf)).changed).toEqual(['traces/run-2.csv'])
    const { 'runs.csv': _gone, ...without } = files
    expect((await readDataPackage(without, hashOf)).changed).toEqual(['runs.csv'])
    await expect(readDataPackage({}, hashOf)).rejects.toThrow(/no data package/)
    await expect(readDataPackage({ 'datapackage.json': '{"resources":[]}' }, hashOf)).rejects.toThrow(
      /no logbook/,
    )
  })
})
