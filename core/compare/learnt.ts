import { groups } from 'd3-array'
import { ASSUMED_REPEATABILITY, pooledRepeatability, type Repeatability } from './verdict'

/** A run's figure as far as repeatability is learnt from it. */
export interface Repeated {
  /** Everything that must be the same in a repeat: device, source, cable, start level. */
  setUp: string
  /** Kind of device and of source: such runs are taken to repeat alike. */
  kind: string
  /** NaN where the run has none. */
  value: number
}

/** With fewer degrees of freedom than this a kind has no repeatability of its own. */
const ENOUGH = ASSUMED_REPEATABILITY.freedom

/**
 * How well runs repeat, learnt from a logbook's own repeats: by the kind that is asked for where there are enough of
 * them, else from all; assumed without enough.
 */
export function learntRepeatability(runs: readonly Repeated[], kind: string): Repeatability {
  const of = (some: readonly Repeated[]) =>
    pooledRepeatability(
      groups(
        some.filter(({ value }) => value > 0),
        (r) => r.setUp,
      ).map(([, repeats]) => repeats.map((r) => r.value)),
    )
  const own = of(runs.filter((r) => r.kind === kind))
  if (own && own.freedom >= ENOUGH) return own
  const all = of(runs)
  return all && all.freedom >= ENOUGH ? all : ASSUMED_REPEATABILITY
}
