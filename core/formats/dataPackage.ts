import Papa from 'papaparse'
import { CHANNELS, channel } from '../trace/channels'
import type { Logbook } from '../logbook/logbook'
import type { Run } from '../logbook/run'
import type { Licence } from './licences'
import { writeLogbook } from './logbookJson'
import { UnreadableFile } from './problem'
import { guardCell } from './textCell'
import { writeTraceCsv } from './traceCsvOut'

/** A checksum of a text, as hexadecimal SHA-256. Whoever calls brings it: the core has no platform. */
export type HashOf = (text: string) => Promise<string>
/** Files of a package by path. */
export type PackageFiles = Record<string, string>

export interface PackageOptions {
  title: string
  /** Runs that go into it, by id. */
  runIds: ReadonlySet<string>
  /** ISO 8601. */
  createdAt: string
  /** Notes, prices and what was seen of other pairs stay at home. */
  withoutPrivate: boolean
  /** How it was measured, in sentences. */
  method: readonly string[]
  /** Null where others may not use it without asking. */
  license: Licence | null
  /** Of the write-up that goes with it; '' for none. */
  writeUpId: string
}

const DESCRIPTOR = 'datapackage.json'
const LOGBOOK = 'logbook.json'

/** A logbook with some runs, and of the shelf only what they were made with. */
export function partOf(logbook: Logbook, { runIds, withoutPrivate, writeUpId }: Pick<PackageOptions, 'runIds' | 'withoutPrivate' | 'writeUpId'>): Logbook {
  const runs = logbook.runs.filter(({ run }) => runIds.has(run.id))
  const used = new Set(
    runs.flatMap(({ run: r }) => [r.deviceId, r.sourceId, r.cableId, r.conditions.meterId, r.conditions.thermometerId, r.conditions.fedFromId]),
  )
  // What feeds a source is needed with it, and what feeds that.
  for (let grown = -1; grown !== used.size; ) {
    grown = used.size
    for (const s of logbook.sources) if (used.has(s.id)) used.add(s.fedFromId)
  }
  const here = <T extends { id: string }>(list: readonly T[]) => list.filter(({ id }) => used.has(id))
  const bare = <T extends { notes?: string; price?: number | null }>(item: T): T =>
    withoutPrivate
      ? { ...item, ...(item.notes === undefined ? {} : { notes: '' }), ...(item.price === undefined ? {} : { price: null }) }
      : item
  return {
    devices: here(logbook.devices).map(bare),
    sources: here(logbook.sources).map(bare),
    cables: here(logbook.cables).map(bare),
    meters: here(logbook.meters).map(bare),
    observations: [],
    protocols: [],
    campaigns: [],
    writeUps: logbook.writeUps.filter(({ id }) => id === writeUpId),
    runs: runs.map(({ run, trace }) => ({ run: { ...bare(run), planned: null }, trace })),
  }
} // prettier-ignore

const csv = (rows: readonly Record<string, string | number | null>[]): string =>
  Papa.unparse(
    rows.map((row) => Object.fromEntries(Object.entries(row).map(([k, v]) => [k, typeof v === 'string' ? guardCell(v) : v]))),
    { newline: '\r\n' },
  ) + '\r\n' // prettier-ignore

const runRow = (run: Run) => ({
  id: run.id,
  device_id: run.deviceId,
  source_id: run.sourceId,
  cable_id: run.cableId,
  started_at: run.dated ? run.startedAt : null,
  state: run.state,
  start_percent: run.startPercent,
  provenance: run.provenance,
  room_c: run.conditions.ambientC,
  health_percent: run.conditions.healthPercent,
  rated_wh: run.conditions.ratedWh,
})

interface Field {
  name: string
  type: 'string' | 'number' | 'datetime'
  description?: string
  unit?: string
}
const NUMBERS = /_(percent|c|w|wh|s|v|a|ah)$|^(rated_watts|weight_g|max_amps|length_m|watched)$/
const fieldOf = (name: string): Field => {
  const own = CHANNELS.find((c) => channel(c).header === name)
  if (own) return { name, type: 'number', description: channel(own).called, unit: channel(own).unit }
  if (name === 'time_s') return { name, type: 'number', description: 'Time since power-on', unit: 's' }
  if (name.startsWith('temperature')) return { name, type: 'number', description: 'Temperature', unit: '°C' }
  if (name === 'started_at') return { name, type: 'datetime' }
  return { name, type: NUMBERS.test(name) ? 'number' : 'string' }
}

/**
 * Runs with their gear as a package after the Frictionless Data Package specification (version 1, from memory): tables
 * as CSV with their fields and units, a trace a run, a checksum a file, and the logbook's own file, which reads back.
 */
export async function dataPackage(logbook: Logbook, options: PackageOptions, hashOf: HashOf): Promise<PackageFiles> {
  const part = partOf(logbook, options)
  const files: PackageFiles = {
    'devices.csv': csv(part.devices.map((d) => ({ id: d.id, name: d.name, kind: d.kind, capacity_wh: d.capacityWh, capacity_mah: d.capacityMah, health_percent: d.healthPercent }))),
    'sources.csv': csv(part.sources.map((s) => ({ id: s.id, name: s.name, kind: s.kind, rated_watts: s.ratedWatts, weight_g: s.weightG }))),
    'cables.csv': csv(part.cables.map((c) => ({ id: c.id, name: c.name, max_amps: c.maxAmps, length_m: c.lengthM }))),
    'runs.csv': csv(part.runs.map(({ run }) => runRow(run))),
  }
  for (const name of Object.keys(files)) if (files[name].trim() === '') delete files[name]
  part.runs.forEach(({ trace }, i) => (files[`traces/run-${i + 1}.csv`] = writeTraceCsv(trace)))
  const resources = await Promise.all(
    Object.entries(files).map(async ([path, text]) => ({
      name: path.replace(/\.csv$/, '').replace('/', '-'),
      path,
      profile: 'tabular-data-resource',
      format: 'csv',
      mediatype: 'text/csv',
      encoding: 'utf-8',
      hash: `sha256:${await hashOf(text)}`,
      ...(path.startsWith('traces/') ? { run: part.runs[Number(/\d+/.exec(path)![0]) - 1].run.id } : {}),
      schema: { fields: text.slice(0, text.indexOf('\r\n')).split(',').map(fieldOf), missingValues: [''] },
    })),
  )
  files[LOGBOOK] = writeLogbook(part, options.createdAt)
  const own = { name: 'logbook', path: LOGBOOK, format: 'json', mediatype: 'application/json', encoding: 'utf-8', hash: `sha256:${await hashOf(files[LOGBOOK])}` }
  files[DESCRIPTOR] = JSON.stringify(
    {
      name: 'charging-runs',
      title: options.title,
      profile: 'data-package',
      created: options.createdAt,
      description: options.method.join(' '),
      ...(options.license ? { licenses: [options.license] } : {}),
      resources: [...resources, own],
    },
    null,
    2,
  )
  return files
} // prettier-ignore

/** A package that was read: the logbook's text, and which of its files are not as they were written. */
export interface ReadPackage {
  logbook: string
  changed: string[]
  checked: number
}

/**
 * Reads a package of ours back, and holds every file against its checksum.
 *
 * @throws UnreadableFile where it is no such package, or its logbook is missing
 */
export async function readDataPackage(files: Readonly<PackageFiles>, hashOf: HashOf): Promise<ReadPackage> {
  const resources = resourcesOf(files[DESCRIPTOR])
  const logbook = files[LOGBOOK]
  if (logbook === undefined)
    throw new UnreadableFile('This data package holds no logbook of this program: bring its tables in one by one.')
  const told = await Promise.all(
    resources.map(async ({ path, hash }) =>
      files[path] !== undefined && hash === `sha256:${await hashOf(files[path])}` ? [] : [path],
    ),
  )
  return { logbook, changed: told.flat(), checked: resources.length }
} // prettier-ignore

function resourcesOf(text: string | undefined): { path: string; hash: string }[] {
  try {
    const { resources } = JSON.parse(text ?? '') as { resources: { path: unknown; hash: unknown }[] }
    return resources.map(({ path, hash }) => ({ path: String(path), hash: String(hash) }))
  } catch {
    throw new UnreadableFile('This zip is no data package: its datapackage.json is missing or broken.')
  }
}
