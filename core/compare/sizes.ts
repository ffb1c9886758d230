import { mean } from '../stats/mean'
import { figuresOf } from './results'
import { quantityOf, type Side } from './quantities'
import { leadingGroup, type Repeatability } from './verdict'

/** Batteries that differ by less than this share give points of about the same energy. */
const SAME_SIZE = 0.05

/**
 * Where batteries of different size are compared, points are not energy: into which of them most energy went by a
 * moment, with all that can't be told from it, Wh; none where nobody knows. Null where the batteries are alike, or the
 * size of one is not known.
 *
 * @param setups the runs of each
 * @param minutes one of the usual marks
 */
export function mostEnergy(
  setups: readonly (readonly Side[])[],
  minutes: number,
  repeatability: Repeatability,
): { index: number; wh: number }[] | null {
  const sizes = setups.flatMap(([side]) => (side && side.usableWh > 0 ? [side.usableWh] : []))
  if (sizes.length < 2 || sizes.length < setups.length) return null
  const [least, most] = [sizes.reduce((a, b) => Math.min(a, b)), sizes.reduce((a, b) => Math.max(a, b))]
  if (most - least <= SAME_SIZE * most) return null
  const gained = setups.map((sides) => figuresOf(sides, quantityOf(`wh-${minutes}`)))
  if (gained.filter(({ values }) => values.length > 0).length < 2) return []
  return leadingGroup(gained, 'higher', repeatability).map((index) => ({
    index,
    wh: mean(gained[index].values),
  }))
}
