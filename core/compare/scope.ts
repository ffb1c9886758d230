/** What a set-up is charged with, as far as it can be kept or bought: source, cable, and what feeds the source. */
export interface Charged {
  deviceId: string
  /** By id; undefined or null where there is none. */
  gear: readonly (string | null | undefined)[]
}

/**
 * What compared set-ups differ in: `gear` for one device, among which one can choose what to keep or buy; `devices` on
 * the same gear; `mixed`, both; `same`, neither, as before and after; `ways`, gear of which some was used in several ways,
 * as with a load and without: what such a one is worth depends on the way.
 */
export type Scope = 'gear' | 'devices' | 'mixed' | 'same' | 'ways'

/** @example scopeOf([{ deviceId: 'p', gear: ['a'] }, { deviceId: 'p', gear: ['b'] }]) // 'gear' */
export function scopeOf(setups: readonly Charged[]): Scope {
  const devices = new Set(setups.map(({ deviceId }) => deviceId)).size
  const gear = new Set(setups.map((s) => JSON.stringify(s.gear.map((id) => id ?? null)))).size
  if (devices > 1) return gear > 1 ? 'mixed' : 'devices'
  if (gear > 1 && gear < setups.length) return 'ways'
  return gear > 1 ? 'gear' : 'same'
}
