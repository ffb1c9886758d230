import { groups } from 'd3-array'
import { loadNames } from '../protocol/events'
import { itemsOf } from '../words/names'
import { isSimulated, type Run } from './run'

/** Health that differs by more than this, points, makes another battery of it. */
const HEALTH_POINTS = 3

/** The gear of a run, as one text: device, unit and software, source, what feeds it, cable. */
const gearKey = ({ deviceId, sourceId, cableId, conditions }: Run): string =>
  [deviceId, sourceId, cableId, conditions.fedFromId, conditions.unitLabel, conditions.software].join(' ')

/** Of which set-up a run is. */
export interface SetUpOfRun {
  /** What is the same in every repeat, as one text. */
  key: string
  /** What tells it from other set-ups of the same gear; '' for what does not. Health in %. */
  chain: string
  state: string
  /** Under which load the device was; "no load" beside one that was. */
  load: string
  /** "simulated" beside one that was measured, and the other way round. */
  made: string
  /** With how many others its source fed it; "alone" beside one that was not. */
  beside: string
  health: string
}

/**
 * The set-up of each run, by id. Runs of the same gear are none of each other where the battery had aged, or the device
 * was set otherwise or under another load, or something else stood in the chain, or the source fed another meanwhile, or
 * a charge model made one and a bench the other. What nobody noted goes with the others where those are all alike, and
 * stands by itself where they differ.
 *
 * @param besideOf in words, with how many others the source fed a run; '' where that is not known
 * @example new Set([...setUpsOf(runs).values()].map(({ key }) => key)).size // so many set-ups
 */
export function setUpsOf(
  runs: readonly Run[],
  besideOf: (runId: string) => string = () => '',
): Map<string, SetUpOfRun> {
  return apartWithin(groups(runs, gearKey), besideOf)
}

/** The unit of a device with its software, as one text. */
const unitKey = ({ deviceId, conditions }: Run): string =>
  [deviceId, conditions.unitLabel, conditions.software].join(' ')

/**
 * In which way each run of a unit was made, by id: what of a set-up is left without the gear that it was charged with.
 * Runs of one way can be compared for their gear, whichever it is.
 */
export const waysOf = (
  runs: readonly Run[],
  besideOf: (runId: string) => string = () => '',
): Map<string, SetUpOfRun> => apartWithin(groups(runs, unitKey), besideOf)

/** What tells the runs of each group apart, by id; the key begins with the group's. */
function apartWithin(
  alikes: readonly [key: string, runs: Run[]][],
  besideOf: (runId: string) => string,
): Map<string, SetUpOfRun> {
  const found = new Map<string, SetUpOfRun>()
  for (const [group, alike] of alikes) {
    const chains = told(alike.map((r) => itemsOf(r.conditions.chain).join('; ')))
    const states = told(alike.map((r) => itemsOf(r.conditions.deviceState).join('; ')))
    const loads = told(alike.map(loadWords))
    const made = told(alike.map((r) => (isSimulated(r) ? 'simulated' : 'measured')))
    const beside = told(alike.map((r) => besideOf(r.id)))
    const health = told(ages(alike.map((r) => r.conditions.healthPercent)))
    alike.forEach(({ id }, i) => {
      const own = {
        chain: chains[i],
        state: states[i],
        load: loads[i],
        made: made[i],
        beside: beside[i],
        health: health[i],
      }
      found.set(id, { key: [group, ...Object.values(own)].join(' ').trim(), ...own })
    })
  }
  return found
}

/** A load is noted as it is started: without one there was none. */
const loadWords = ({ events }: Run): string => {
  const names = loadNames(events)
  return names.length > 0 ? `under ${names.join('; ').toLowerCase()}` : 'no load'
}

/** Words that tell runs apart; '' for all where there is one kind of them at most. */
const told = (words: readonly string[]): readonly string[] =>
  new Set(words.filter(Boolean)).size > 1 ? words : words.map(() => '')

/** Of each health the least that it is alike to, in words; '' where it is not known. */
function ages(health: readonly (number | null)[]): string[] {
  const known = health.filter((h) => h !== null).sort((a, b) => a - b)
  const least = new Map<number, number>()
  let from = known[0]
  for (const h of known) {
    if (h - from > HEALTH_POINTS) from = h
    least.set(h, from)
  }
  return health.map((h) => (h === null ? '' : String(least.get(h))))
}
