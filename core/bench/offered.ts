import type { RunConditions } from '../protocol/runConditions'
import type { ReadingRule } from '../protocol/rules'
import { openStop } from '../protocol/typedRules'
import { sameAgain, type LastSetUp } from './again'
import { isSpot, USUAL_SPOT_MINUTES, type TypedSpot } from './spot'
import type { TypedLane } from './typedLane'

/** A run or a lane as far as the next one is offered from it. */
export interface MadeBefore extends LastSetUp {
  conditions: Pick<RunConditions, 'deviceState' | 'meterId' | 'thermometerId'>
}
/** What stands on the shelf now: what was used and has left it is not offered. */
export interface OnShelf {
  devices: readonly { id: string }[]
  sources: readonly { id: string; fedFromId: string | null }[]
  cables: readonly { id: string }[]
  meters: readonly { id: string }[]
}

/** Steps between readings that the form has a name for, min. */
export const NAMED_INTERVALS: readonly number[] = [1, 5, 10]
const USUAL_INTERVAL = 5
const S_PER_MIN = 60
const ids = (of: readonly { id: string }[]) => of.map(({ id }) => id)
const still = (id: string | null | undefined, of: readonly { id: string }[]): string | null =>
  of.some((there) => there.id === id) ? (id ?? null) : null

/** What was true of the last one is offered again; the room and the rest are not: they are read anew. */
const conditionsOf = (
  last: MadeBefore | undefined,
  sourceId: string,
  { meters, sources }: OnShelf,
): TypedLane['conditions'] => ({
  deviceState: last?.conditions.deviceState ?? '',
  meterId: still(last?.conditions.meterId, meters),
  thermometerId: still(last?.conditions.thermometerId, meters),
  fedFromId: sources.find(({ id }) => id === sourceId)?.fedFromId ?? null,
  ambientC: '',
  restMinutes: '',
})

function intervalOf(reading: ReadingRule | undefined): Pick<TypedLane, 'interval' | 'ownInterval' | 'atMinutes'> {
  const usual = { interval: USUAL_INTERVAL, ownInterval: '', atMinutes: '' }
  if (reading?.kind === 'at') return { ...usual, interval: 'at', atMinutes: reading.minutes.join(' ') }
  if (reading?.kind !== 'every') return usual
  const minutes = reading.seconds / S_PER_MIN
  return NAMED_INTERVALS.includes(minutes)
    ? { ...usual, interval: minutes }
    : { ...usual, interval: 'own', ownInterval: String(minutes) }
} // prettier-ignore

/**
 * The lane that a form begins with: the same again, with the next source; what was never said is as usual.
 *
 * @param made every run and lane, the last one made last
 * @param busy ids of what is on the bench now
 */
export function offeredLane(
  made: readonly MadeBefore[],
  shelf: OnShelf,
  busy: ReadonlySet<string> = new Set(),
): { lane: TypedLane; isAgain: boolean } {
  const again = sameAgain(made, { devices: ids(shelf.devices), sources: ids(shelf.sources) }, busy)
  const sourceId = again?.sourceId ?? shelf.sources[0]?.id ?? ''
  const lane: TypedLane = {
    deviceId: again?.deviceId ?? shelf.devices[0]?.id ?? '',
    sourceId,
    cableId: still(again?.cableId, shelf.cables),
    startPercent: '',
    ...intervalOf(again?.reading),
    heatMinutes: again?.heat?.minutes.join(' ') ?? '',
    heatPlaces: again?.heat?.places.join(', ') ?? '',
    feed: { kind: 'hand' },
    conditions: conditionsOf(made.at(-1), sourceId, shelf),
    ...openStop(again?.stop ?? { kind: 'shown-full' }),
  }
  return { lane, isAgain: again !== null }
}

/** The spot check that a form begins with: as the last one, with the next source. Other runs say nothing of it. */
export function offeredSpot(made: readonly MadeBefore[], shelf: OnShelf): TypedSpot {
  const spots = made.filter(isSpot)
  const { lane } = offeredLane(spots, shelf)
  const { deviceId, sourceId, cableId, startPercent, feed, conditions } = lane
  const stop = spots.at(-1)?.stop
  return {
    deviceId,
    sourceId,
    cableId,
    startPercent,
    countAtStart: '',
    minutes: stop?.kind === 'duration' ? String(stop.seconds / S_PER_MIN) : USUAL_SPOT_MINUTES,
    feed,
    conditions,
  }
}
