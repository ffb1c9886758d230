import type { Cable, Device, Meter, RatingCorrection, Source } from './gear'
import { DEVICE_FIELDS, type DeviceField } from './deviceFields'
import { formatOffers } from './offers'

type Item = Device | Source | Cable | Meter

/** Fields that say what a thing is rated for: changing one changes what its runs mean. */
const RATINGS: Record<string, string> = {
  ...Object.fromEntries(
    Object.entries(DEVICE_FIELDS as Record<string, DeviceField>).flatMap(([key, { rating }]) =>
      rating ? [[key, rating]] : [],
    ),
  ),
  ratedWatts: 'rated watts',
  ports: 'offers',
  maxAmps: 'current limit, A',
  marked: 'marker chip',
  extendedRange: 'extended range',
  maxVolts: 'most volts',
  familyAmps: 'amperes for its family',
  takes: 'what it takes',
  efficiencyPercent: 'efficiency, %',
  drawsW: 'own draw, W',
  lengthM: 'length, m',
  resolution: 'resolution',
  resolutionAmps: 'resolution, A',
  accuracyPercent: 'accuracy, %',
  accuracyDigits: 'accuracy, digits',
}

export interface RatingChange {
  field: string
  label: string
  from: string
  to: string
}

/** The ratings that differ between an item as it stood and as it is now, in words. */
export function ratingChanges(before: Item, after: Item): RatingChange[] {
  const old = before as unknown as Record<string, unknown>
  const now = after as unknown as Record<string, unknown>
  return Object.entries(RATINGS).flatMap(([field, label]) => {
    const [from, to] = [inWords(field, old[field]), inWords(field, now[field])]
    return from === to ? [] : [{ field, label, from, to }]
  })
}

/** The changes as they are kept for good. */
export const asCorrections = (
  changes: readonly RatingChange[],
  why: string,
  when: string,
): RatingCorrection[] => changes.map(({ field, from, to }) => ({ field, from, to, why, when }))

/** Both lists as one, in order of time; a correction that stands in both is there once. */
export function joinCorrections(
  mine: readonly RatingCorrection[],
  theirs: readonly RatingCorrection[],
): RatingCorrection[] {
  const all = new Map([...mine, ...theirs].map((c) => [`${c.when} ${c.field} ${c.from} ${c.to}`, c]))
  return [...all.values()].sort((a, b) => a.when.localeCompare(b.when))
}

/** What a rating is called, by its field. */
export const ratingLabel = (field: string): string => RATINGS[field] ?? field

function inWords(field: string, value: unknown): string {
  if (value === null || value === undefined || value === '') return 'not known'
  if (field === 'ports') {
    const ports = value as Source['ports']
    return (
      ports
        .map(
          (p) =>
            `${p.name}: ${formatOffers(p.offers)}${p.ratedWatts === null ? '' : `; rated ${p.ratedWatts}W`}`,
        )
        .join(' | ') || 'none'
    )
  }
  if (field === 'adjustable') {
    const range = value as NonNullable<Device['adjustable']>
    return `${range.minVolts}–${range.maxVolts} V`
  }
  if (Array.isArray(value)) return value.length ? [...value].sort((a, b) => a - b).join(', ') : 'none'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  return String(value)
}
