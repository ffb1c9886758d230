import { createHash } from 'node:crypto'
import { readFileSync } from 'node:fs'
import Ajv4 from 'ajv-draft-04'
import { describe, expect, it } from 'vitest'
import { blankSource } from '../gear/blanks'
import { blankDevice } from '../gear/deviceFields'
import { blankRun } from '../logbook/run'
import { emptyLogbook, type Logbook } from '../logbook/logbook'
import { traceFromReadings } from '../trace/trace'
import { LICENCES } from './licences'
import { dataPackage, readDataPackage, type PackageOptions } from './dataPackage'
import { readLogbook } from './logbookJson'

const hashOf = (text: string) => Promise.resolve(createHash('sha256').update(text).digest('hex'))
const source = (id: string, fedFromId: string | null = null) =>
  blankSource({
    id,
    name: `Hawser ${id}`,
    kind: 'wall charger',
    ratedWatts: 20,
    price: 12,
    notes: '=cmd()',
    fedFromId,
  })
const run = (id: string, sourceId: string) => ({
  run: blankRun({
    id,
    deviceId: 'd',
    sourceId,
    startedAt: '2026-03-02T19:00:00.000Z',
    notes: 'mine alone',
    planned: null,
  }),
  trace: traceFromReadings(
    [0, 300].map((t, i) => ({ t, percent: 5 + i, power: 18, temperatures: { back: 21 } })),
  ),
})
const logbook: Logbook = {
  ...emptyLogbook(),
  devices: [
    blankDevice({ id: 'd', name: 'Skerry P5', kind: 'phone', capacityWh: 15 }),
    blankDevice({ id: 'x', name: 'Thwart', kind: 'tablet' }),
  ],
  sources: [source('a', 'b'), source('b'), source('c')],
  runs: [run('r1', 'a'), run('r2', 'c')],
}
const options: PackageOptions = {
  title: 'Which goes on board?',
  runIds: new Set(['r1']),
  createdAt: '2026-03-03T12:00:00.000Z',
  withoutPrivate: false,
  method: ['Read every five minutes.'],
  license: {
    name: 'CC-BY-4.0',
    title: 'Creative Commons Attribution 4.0',
    path: 'https://creativecommons.org/licenses/by/4.0/',
  },
  writeUpId: '',
}
/** The published schemas of version 1 (Frictionless Data, as the npm package datapackage 1.1.10 carries them, MIT). */
const published = (name: string) =>
  new Ajv4({ strict: false, validateFormats: false }).compile(
    JSON.parse(readFileSync(new URL(`./published/${name}.json`, import.meta.url), 'utf8')) as object,
  )

describe('a data package', () => {
  it('holds to the published schemas of packages and of tabular resources', async () => {
    const files = await dataPackage(logbook, options, hashOf)
    const descriptor = JSON.parse(files['datapackage.json']) as { resources: { profile?: string }[] }
    const isPackage = published('data-package')
    expect(isPackage(descriptor), JSON.stringify(isPackage.errors)).toBe(true)
    const isTable = published('tabular-data-resource')
    const tables = descriptor.resources.filter((r) => r.profile === 'tabular-data-resource')
    expect(tables).toHaveLength(4)
    for (const table of tables) expect(isTable(table), JSON.stringify(isTable.errors)).toBe(true)
    // Every licence on offer holds to it, and so does none at all.
    for (const license of [...LICENCES, null]) {
      const offered = JSON.parse(
        (await dataPackage(logbook, { ...options, license }, hashOf))['datapackage.json'],
      ) as { licenses?: unknown }
      expect(isPackage(offered)).toBe(true)
      expect(offered.licenses).toEqual(license ? [license] : undefined)
    }
    // The schema is no rubber stamp.
    expect(isPackage({ ...descriptor, resources: [] })).toBe(false)
    expect(isTable({ ...tables[0], path: undefined })).toBe(false)
  })

  it('says of every column its type, and of a trace’s what it is and in which unit', async () => {
    const files = await dataPackage(logbook, options, hashOf)
    const { resources } = JSON.parse(files['datapackage.json']) as {
      resources: { name: string; path: string; run?: string; schema?: { fields: Record<string, string>[]; missingValues: string[] } }[]
    }
    const of = (path: string) => resources.find((r) => r.path === path)!
    const told = (path: string) => Object.fromEntries(of(path).schema!.fields.map(({ name, ...rest }) => [name, Object.values(rest).join(', ')]))
    expect(told('runs.csv')).toMatchObject({ id: 'string', device_id: 'string', started_at: 'datetime', state: 'string', start_percent: 'number', room_c: 'number', health_percent: 'number', rated_wh: 'number' })
    expect(told('sources.csv')).toEqual({ id: 'string', name: 'string', kind: 'string', rated_watts: 'number', weight_g: 'number' })
    expect(told('devices.csv')).toMatchObject({ capacity_wh: 'number', kind: 'string' })
    expect(told('traces/run-1.csv')).toEqual({
      time_s: 'number, Time since power-on, s',
      battery_percent: 'number, level, %',
      power_w: 'number, watts, W',
      temperature_back_c: 'number, Temperature, °C',
    })
    expect([of('traces/run-1.csv').name, of('traces/run-1.csv').run, of('runs.csv').name, of('runs.csv').run]).toEqual(['traces-run-1', 'r1', 'runs', undefined])
    expect(of('runs.csv').schema!.missingValues).toEqual([''])
  }) // prettier-ignore

  it('holds the chosen runs and what they were made with, and reads back the same', async () => {
    const files = await dataPackage(logbook, options, hashOf)
    const { logbook: text, changed, checked } = await readDataPackage(files, hashOf)
    const back = readLogbook(text)
    expect([changed, checked]).toEqual([[], 5])
    expect(back.runs).toEqual([logbook.runs[0]])
    expect(back.devices.map((d) => d.id)).toEqual(['d'])
    // What feeds the source goes with it.
    expect(back.sources).toEqual([logbook.sources[0], logbook.sources[1]])
    expect(files['sources.csv']).not.toContain('=cmd')
  })

  it('leaves private fields at home where that is wanted', async () => {
    const files = await dataPackage(logbook, { ...options, withoutPrivate: true }, hashOf)
    expect(JSON.stringify(files)).not.toMatch(/mine alone|cmd\(\)|"price":12/)
    expect(readLogbook(files['logbook.json']).runs[0].trace).toEqual(logbook.runs[0].trace)
  })

  it('names a file that is not as it was written, and one that is gone', async () => {
    const files = await dataPackage(logbook, options, hashOf)
    const other = { ...files, 'traces/run-1.csv': files['traces/run-1.csv'].replace('18', '81') }
    expect((await readDataPackage(other, hashOf)).changed).toEqual(['traces/run-1.csv'])
    const { 'runs.csv': _runs, ...less } = files
    expect((await readDataPackage(less, hashOf)).changed).toEqual(['runs.csv'])
    const { 'logbook.json': _own, ...foreign } = files
    await expect(readDataPackage(foreign, hashOf)).rejects.toThrow('holds no logbook')
    await expect(readDataPackage({ 'logbook.json': '{}' }, hashOf)).rejects.toThrow('no data package')
  })
})
