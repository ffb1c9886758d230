import { ValidationError } from 'yup'
import { readAnchor, type Anchor } from './clock'
import { laneSetupSchema, NO_HEAT, type LaneSetup } from './setup'
import { riggedSchema, type RiggedLane } from './strip'

/** The bench as it survives a reload. */
export interface Session {
  schemaVersion: 3
  /** Counts up with every write: a copy that is ahead of the store tells that the store lost something. */
  number: number
  /** How far this machine's clock was moved while lanes ran, ms: taken out of every elapsed time. */
  wallShiftMs: number
  anchor: Anchor | null
  lanes: LaneSetup[]
  /** Lanes as found in storage that cannot be read, kept as they are until somebody takes them out. */
  apart: unknown[]
}

/** A bench without lanes. */
export const emptySession = (): Session => ({
  schemaVersion: 3,
  number: 0,
  wallShiftMs: 0,
  anchor: null,
  lanes: [],
  apart: [],
})

type Raw = Record<string, unknown>
const isRaw = (v: unknown): v is Raw => typeof v === 'object' && v !== null
const finiteOr = (v: unknown, otherwise: number): number =>
  typeof v === 'number' && Number.isFinite(v) ? v : otherwise

/** A session as stored, brought forward and checked lane by lane: one that does not hold is set apart. */
export function readSession(stored: unknown): Session {
  if (!isRaw(stored)) return emptySession()
  const lanes = Array.isArray(stored.lanes) ? stored.lanes : []
  const session: Session = {
    ...emptySession(),
    number: finiteOr(stored.number, 0),
    wallShiftMs: finiteOr(stored.wallShiftMs, 0),
    anchor: readAnchor(stored.anchor),
    apart: Array.isArray(stored.apart) ? stored.apart : [],
  }
  for (const raw of lanes as unknown[]) {
    const lane = readSetup(raw)
    if (lane) session.lanes.push(lane)
    else session.apart.push(raw)
  }
  return session
}

/** A lane's setup as stored by this or an earlier version; undefined when it does not hold. */
export function readSetup(raw: unknown): LaneSetup | undefined {
  if (!isRaw(raw)) return undefined
  return cast(laneSetupSchema, {
    planned: null,
    checklist: [],
    heat: NO_HEAT,
    gear: null,
    // Version 1 knew an interval only, and until version 2 the start level passed for a reading.
    reading: { kind: 'every', seconds: finiteOr(raw.intervalS, 300) },
    start: { percent: finiteOr(raw.startPercent, 0), read: true },
    ...raw,
  })
}

/** The strip as stored: lanes that do not hold are left out, as nothing was read on them yet. */
export function readStrip(stored: unknown): RiggedLane[] {
  if (!Array.isArray(stored)) return []
  return stored.flatMap((raw: unknown) => {
    if (!isRaw(raw) || !isRaw(raw.choice)) return []
    const { choice } = raw
    const before = { percent: finiteOr(choice.startPercent, 0), read: false }
    const start = isRaw(choice.start) ? choice.start : before
    const lane = cast(riggedSchema, {
      plannedPercent: before.percent,
      ...raw,
      choice: { ...choice, start },
    })
    return lane ? [lane] : []
  })
}

function cast<T>(schema: { validateSync(v: unknown, o: object): T }, raw: unknown): T | undefined {
  try {
    return schema.validateSync(raw, { stripUnknown: true })
  } catch (error) {
    if (error instanceof ValidationError) return undefined
    throw error
  }
}
