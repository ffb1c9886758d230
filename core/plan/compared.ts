import { groups } from 'd3-array'
import type { PairPlan } from './campaign'

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
