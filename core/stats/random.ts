import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { probit } from 'simple-statistics'

/** A stream of random numbers: same seed, same numbers. */
export interface Random {
  /** In [0, 1). */
  uniform(): number
  /** Standard normal. */
  normal(): number
}

/** Numbers that look random and are the same for the same seed. */
export function randomFrom(seed: number): Random {
  const generator = xoroshiro128plus(seed)
  const uniform = () => uniformFloat64(generator)
  // The inverse of the normal distribution turns an even draw into a normal one; its ends are kept finite.
  return { uniform, normal: () => probit(Math.min(1 - 1e-12, Math.max(1e-12, uniform()))) }
}
