import { groups } from 'd3-array'
import type { Campaign, PairPlan } from './campaign'
import type { Expectation } from './durations'

/** Pairs of a campaign that are set against each other: of one device, or of one source. */
export interface Compared<Pair> {
  by: 'device' | 'source'
  /** Of that device or source. */
  id: string
  pairs: Pair[]
}

/** By device; where each device has one pair alone, by source: there the devices are what is compared. */
export function comparedPairs<Pair extends Pick<PairPlan, 'deviceId' | 'sourceId'>>(
  pairs: readonly Pair[],
): Compared<Pair>[] {
  const of = (by: Compared<Pair>['by'], idOf: (pair: Pair) => string) =>
    groups(pairs, idOf)
      .filter(([, own]) => own.length > 1)
      .map(([id, own]) => ({ by, id, pairs: own }))
  const byDevice = of('device', (p) => p.deviceId)
  return byDevice.length > 0 ? byDevice : of('source', (p) => p.sourceId)
}

/** Questions that points do not answer. */
const NO_POINTS: readonly string[] = ['under-load', 'at-all']

/**
 * What a campaign's pairs will be compared by: the time to its stop rule, or the points gained in its fixed time. Null
 * where it is something else: a meter's count, a load, or whether it charges at all.
 */
export function comparedBy({
  protocol,
  questionId,
}: Pick<Campaign, 'protocol' | 'questionId'>): 'time' | 'points' | null {
  if (protocol.stop.kind !== 'duration') return 'time'
  return protocol.reading.kind === 'meter' || NO_POINTS.includes(questionId) ? null : 'points'
}

/** What a pair is expected to come to by that, s or points; NaN where it is not expected to charge, or nobody knows. */
export function expectedFigure(
  by: 'time' | 'points',
  expected: Pick<Expectation, 'basis' | 'chargeS' | 'endPercent'> | undefined,
  startPercent: number,
): number {
  if (!expected || expected.basis === 'watched') return NaN
  if (by === 'time') return expected.chargeS
  const gain = expected.endPercent - startPercent
  return gain > 0 ? gain : NaN
}
