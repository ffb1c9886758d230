import { pairKey, type PairPlan } from './campaign'

/** Sets how often a pair is run; 0 takes it out. */
export function withRepeats(
  pairs: readonly PairPlan[],
  pair: Omit<PairPlan, 'repeats'>,
  repeats: number,
): PairPlan[] {
  const key = pairKey(pair)
  const known = pairs.some((p) => pairKey(p) === key)
  if (repeats <= 0) return pairs.filter((p) => pairKey(p) !== key)
  if (!known) return [...pairs, { ...pair, repeats }]
  return pairs.map((p) => (pairKey(p) === key ? { ...p, repeats } : p))
}

/** Sets many pairs at once. Where `keepRepeats` is given, pairs already in keep theirs. */
export function withAll(
  pairs: readonly PairPlan[],
  deviceIds: readonly string[],
  sourceIds: readonly string[],
  cableId: string | null,
  repeats: number,
): PairPlan[] {
  let result = [...pairs]
  for (const sourceId of sourceIds)
    for (const deviceId of deviceIds) {
      const before = result.find((p) => pairKey(p) === pairKey({ deviceId, sourceId, cableId }))
      if (repeats > 0 && before) continue
      result = withRepeats(result, { deviceId, sourceId, cableId }, repeats)
    }
  return result
}
