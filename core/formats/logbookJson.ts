import { array, object, string, ValidationError } from 'yup'
import { cableSchema, deviceSchema, meterSchema, observationSchema, sourceSchema } from '../gear/schema'
import { emptyLogbook, type Logbook } from '../logbook/logbook'
import type { RunWithTrace } from '../logbook/run'
import { runSchema } from '../logbook/schema'
import { campaignSchema } from '../plan/schema'
import { protocolSchema } from '../protocol/schema'
import { LOGBOOK_SCHEMA_VERSION, migrate } from './logbookVersions'
import { UnreadableFile, type Problem } from './problem'
import { traceFromJson, traceToJson } from './traceJson'

/** The mark by which the program knows its own files. */
export const LOGBOOK_FORMAT = 'inkpath-logbook'
export { LOGBOOK_SCHEMA_VERSION }

/** Writes the whole logbook as one JSON text. */
export function writeLogbook(logbook: Logbook, exportedAt: string): string {
  const { runs, ...gear } = logbook
  return JSON.stringify({
    format: LOGBOOK_FORMAT,
    schemaVersion: LOGBOOK_SCHEMA_VERSION,
    exportedAt,
    ...gear,
    runs: runs.map(({ run, trace }) => ({ ...run, trace: traceToJson(trace) })),
  })
}

/**
 * Reads a logbook. It is all or nothing: a file with any part that does not hold is refused whole, with every
 * such part named, so that a logbook is never half imported.
 * @throws UnreadableFile
 */
export function readLogbook(text: string): Logbook {
  const file = parse(text)
  const problems: Problem[] = []
  const gear = checkGear(file, problems)
  const runs = checkRuns(file.runs, problems)
  checkReferences(gear, runs, problems)
  if (problems.length > 0)
    throw new UnreadableFile('The logbook has parts that do not hold; nothing was imported.', problems)
  return { ...gear, runs }
}

function parse(text: string): Record<string, unknown> {
  if (text.trim() === '') throw new UnreadableFile('The file is empty.')
  let file: unknown
  try {
    file = JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch {
    throw new UnreadableFile(
      'The file is not whole JSON: it may be cut short, or of another kind. Export it again.',
    )
  }
  if (typeof file !== 'object' || file === null || (file as { format?: unknown }).format !== LOGBOOK_FORMAT)
    throw new UnreadableFile(
      'This JSON is not a logbook of this program: it does not say "format": "inkpath-logbook".',
    )
  const { schemaVersion } = file as { schemaVersion?: unknown }
  if (typeof schemaVersion !== 'number' || !Number.isInteger(schemaVersion) || schemaVersion < 1)
    throw new UnreadableFile('The logbook does not say which schema version it has.')
  if (schemaVersion > LOGBOOK_SCHEMA_VERSION)
    throw new UnreadableFile(
      `The logbook has schema version ${schemaVersion}; this program reads up to ${LOGBOOK_SCHEMA_VERSION}. Update the program first.`,
    )
  return migrate(file as Record<string, unknown>, schemaVersion)
}

const gearSchema = object({
  devices: array(deviceSchema).required(),
  sources: array(sourceSchema).required(),
  cables: array(cableSchema).defined().default([]),
  meters: array(meterSchema).defined().default([]),
  observations: array(observationSchema).defined().default([]),
  protocols: array(protocolSchema).defined().default([]),
  campaigns: array(campaignSchema).defined().default([]),
  gearCorrections: array(
    object({
      itemId: string().required(),
      field: string().required(),
      from: string().defined(),
      to: string().defined(),
      why: string().required(),
      when: string().required(),
    }),
  )
    .defined()
    .default([]),
})

type Gear = Omit<Logbook, 'runs'>

function checkGear(file: unknown, problems: Problem[]): Gear {
  const nothing: Gear = emptyLogbook()
  return (
    attempt(
      () => gearSchema.validateSync(file, { abortEarly: false, stripUnknown: true }) as Gear,
      '',
      problems,
    ) ?? nothing
  )
}

function checkRuns(given: unknown, problems: Problem[]): RunWithTrace[] {
  if (!Array.isArray(given)) {
    problems.push({ line: null, where: 'runs', message: 'is missing' })
    return []
  }
  return given.flatMap((item: unknown, i) => {
    const where = `runs[${i}]`
    const run = attempt(
      () => runSchema.validateSync(item, { abortEarly: false, stripUnknown: true }),
      where,
      problems,
    )
    const trace = attempt(() => traceFromJson((item as { trace?: unknown } | null)?.trace), where, problems)
    return run && trace ? [{ run, trace }] : []
  })
}

/** A run must not point at gear that the file does not carry, nor may two things share an id. */
function checkReferences(gear: Gear, runs: RunWithTrace[], problems: Problem[]): void {
  if (problems.length > 0) return
  const devices = new Set(gear.devices.map((d) => d.id))
  const sources = new Set(gear.sources.map((s) => s.id))
  runs.forEach(({ run }, i) => {
    if (!devices.has(run.deviceId))
      problems.push({
        line: null,
        where: `runs[${i}].deviceId`,
        message: 'names a device that is not in the file',
      })
    if (!sources.has(run.sourceId))
      problems.push({
        line: null,
        where: `runs[${i}].sourceId`,
        message: 'names a source that is not in the file',
      })
  })
  const { gearCorrections: _, ...withIds } = gear
  const lists = { ...withIds, runs: runs.map((r) => r.run) }
  for (const [where, items] of Object.entries(lists))
    if (new Set(items.map((item) => item.id)).size < items.length)
      problems.push({ line: null, where, message: 'holds the same id twice' })
}

function attempt<T>(read: () => T, where: string, problems: Problem[]): T | undefined {
  try {
    return read()
  } catch (error) {
    const messages = error instanceof ValidationError ? error.errors : [(error as Error).message]
    for (const message of messages) problems.push({ line: null, where, message })
    return undefined
  }
}
