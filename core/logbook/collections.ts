import type { Schema } from 'yup'
import { joinCorrections } from '../gear/corrections'
import type { Cable, Device, Meter, Observation, RatingCorrection, Source } from '../gear/gear'
import { cableSchema, deviceSchema, meterSchema, observationSchema, sourceSchema } from '../gear/schema'
import type { Campaign } from '../plan/campaign'
import { campaignSchema } from '../plan/schema'
import type { Protocol } from '../protocol/protocol'
import { protocolSchema } from '../protocol/schema'
import { dayAndTime, fullDay } from '../words/moments'
import type { Correction } from '../trace/trace'
import type { Run } from './run'
import { runSchema } from './schema'
import { writeUpSchema, type WriteUp } from './writeUp'

/** What each collection of a logbook holds. A run's trace is kept beside its record. */
export interface Records {
  devices: Device
  sources: Source
  cables: Cable
  meters: Meter
  /** What was seen when a device was put on a source. */
  observations: Observation
  /** The reviewer's own protocols, and schools they changed. */
  protocols: Protocol
  campaigns: Campaign
  writeUps: WriteUp
  runs: Run
}
export type CollectionName = keyof Records

/** A record must find what it names: the collection and the id it points to, and the field that does. */
export interface Reference {
  field: string
  to: CollectionName
  id: string
}

/**
 * Everything that is to be known of one collection. Storage, import, export, merge, the store and the second copy
 * go by this table and nothing else, so that a collection is added here and nowhere besides.
 */
export interface Collection<T> {
  /** One of it, as a sentence calls it: "the device Skerry P5". */
  called: string
  schema: Schema<T>
  /** Names the record in a sentence. */
  nameOf(record: T): string
  /** The order in which screens show it. */
  order(a: T, b: T): number
  /** What a merge keeps where both sides hold a record of the same id. */
  merge(mine: T, theirs: T): T
  references(record: T): Reference[]
  /** Most records a logbook may hold. */
  most: number
}

const byName = (a: { name: string }, b: { name: string }) => a.name.localeCompare(b.name)
const nameOf = (record: { name: string }) => record.name
/** The file's wins, and no correction of a rating is lost on the way. */
const theirsCorrected = <T extends { corrections: RatingCorrection[] }>(mine: T, theirs: T): T => ({
  ...theirs,
  corrections: joinCorrections(mine.corrections, theirs.corrections),
})
const theirs = <T>(_mine: T, theirs: T): T => theirs
const nothing = () => []

const hasCorrection = ({ corrections }: Run, { when, row, what }: Correction): boolean =>
  corrections.some((c) => c.when === when && c.row === row && c.what === what)
const hasConditionCorrection = ({ conditionCorrections }: Run, { when, field }: RatingCorrection): boolean =>
  conditionCorrections.some((c) => c.when === when && c.field === field)
/** Whether a run holds every correction that another has got. */
const knowsAllOf = (run: Run, other: Run): boolean =>
  other.corrections.every((c) => hasCorrection(run, c)) &&
  other.leftOut.every(({ when }) => run.leftOut.some((l) => l.when === when)) &&
  other.conditionCorrections.every((c) => hasConditionCorrection(run, c)) &&
  other.answers.every(({ when, code }) => run.answers.some((a) => a.when === when && a.code === code))

interface Pair {
  deviceId: string
  sourceId: string
  cableId: string | null
}
const pairOf = ({ deviceId, sourceId, cableId }: Pair, at = ''): Reference[] => [
  { field: `${at}deviceId`, to: 'devices', id: deviceId },
  { field: `${at}sourceId`, to: 'sources', id: sourceId },
  ...(cableId === null ? [] : [{ field: `${at}cableId`, to: 'cables' as const, id: cableId }]),
]

/** What a run's conditions point at. */
const CONDITION_REFERENCES = { meterId: 'meters', thermometerId: 'meters', fedFromId: 'sources' } as const

/**
 * The one table of collections. Storage, import, export, merge and the store go by it: a collection is added here and
 * nowhere besides.
 */
export const COLLECTIONS: { [K in CollectionName]: Collection<Records[K]> } = {
  devices: {
    called: 'device',
    schema: deviceSchema,
    nameOf,
    order: byName,
    merge: theirsCorrected,
    references: nothing,
    most: 5000,
  },
  sources: {
    called: 'source',
    schema: sourceSchema,
    nameOf,
    order: (a, b) => a.ratedWatts - b.ratedWatts || byName(a, b),
    merge: theirsCorrected,
    references: ({ fedFromId }) =>
      fedFromId === null ? [] : [{ field: 'fedFromId', to: 'sources', id: fedFromId }],
    most: 5000,
  },
  cables: {
    called: 'cable',
    schema: cableSchema,
    nameOf,
    order: byName,
    merge: theirsCorrected,
    references: nothing,
    most: 5000,
  },
  meters: {
    called: 'meter',
    schema: meterSchema,
    nameOf,
    order: byName,
    merge: theirsCorrected,
    references: nothing,
    most: 1000,
  },
  observations: {
    called: 'observation',
    schema: observationSchema,
    nameOf: (o) => `of ${fullDay(o.when)}`,
    order: (a, b) => a.when.localeCompare(b.when),
    merge: theirs,
    references: (o) => pairOf(o),
    most: 20_000,
  },
  protocols: {
    called: 'protocol',
    schema: protocolSchema,
    nameOf,
    order: byName,
    merge: theirs,
    references: nothing,
    most: 1000,
  },
  campaigns: {
    called: 'campaign',
    schema: campaignSchema,
    nameOf,
    order: (a, b) => a.createdAt.localeCompare(b.createdAt),
    merge: theirs,
    references: (c) => [
      ...c.pairs.flatMap((p, i) => pairOf(p, `pairs[${i}].`)),
      ...c.planned.flatMap((p, i) => pairOf(p, `planned[${i}].`)),
    ],
    most: 1000,
  },
  writeUps: {
    called: 'write-up',
    schema: writeUpSchema,
    nameOf: ({ title }) => title,
    order: (a, b) => a.createdAt.localeCompare(b.createdAt),
    merge: (mine, theirs) => (mine.changedAt > theirs.changedAt ? mine : theirs),
    // Its runs are not among these: a write-up outlives them.
    references: nothing,
    most: 1000,
  },
  runs: {
    called: 'run',
    schema: runSchema,
    // By the clock on the reviewer's wall, as screens tell it.
    nameOf: (r) => `${r.dated ? 'of' : 'brought in on'} ${dayAndTime(r.startedAt)}`,
    order: (a, b) => a.startedAt.localeCompare(b.startedAt),
    // A run with a correction that the file has not got stays: corrections are never undone unasked.
    merge: (mine, theirs) => (knowsAllOf(theirs, mine) ? theirs : mine),
    // Its campaign is not among these: a run outlives the plan it was made for.
    references: (r) => [
      ...pairOf(r),
      ...(
        Object.entries(CONDITION_REFERENCES) as [keyof typeof CONDITION_REFERENCES, CollectionName][]
      ).flatMap(([field, to]) => {
        const id = r.conditions[field]
        return id === null ? [] : [{ field: `conditions.${field}`, to, id }]
      }),
    ],
    most: 50_000,
  },
}

/** Their names, in the order of the file. */
export const COLLECTION_NAMES = Object.keys(COLLECTIONS) as CollectionName[]

/** Names a record in a sentence: "the device Skerry P5". */
export const recordInWords = <K extends CollectionName>(name: K, record: Records[K]): string =>
  `the ${COLLECTIONS[name].called} ${COLLECTIONS[name].nameOf(record)}`
