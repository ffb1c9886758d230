import { group } from 'd3-array'

/** When a run charged, and from what. */
export interface Spell {
  id: string
  /** The very device: one of a kind is told from another by its unit. */
  charged: string
  sourceId: string
  /** What feeds the source where that is a link of a chain itself. */
  fedFromId: string | null
  /** ISO 8601. */
  startedAt: string
  /** Whether that is when it was made. */
  dated: boolean
  /** NaN where it is not known. */
  durationS: number
}

/**
 * How many other runs a source fed while it fed this one, by id: each may then get less than it would alone. What stands
 * behind a pad or a dock counts as a source too. Runs of one and the same device were not made at once, whatever their
 * clocks say; and two on a source of one port were on two of its kind.
 * NaN where a run has no date, and may have shared a source.
 *
 * @param portsOf how many ports a source has, by its id
 */
export function fedBeside(all: readonly Spell[], portsOf: (sourceId: string) => number): Map<string, number> {
  const feedsOf = ({ sourceId, fedFromId }: Spell) => [
    ...new Set([sourceId, ...(fedFromId ? [fedFromId] : [])]),
  ]
  const found = new Map(
    // Of how many ports it has may not be known.
    all.map((spell) => [spell.id, spell.dated || feedsOf(spell).every((id) => portsOf(id) === 1) ? 0 : NaN]),
  )
  const placed = all.flatMap((spell) => {
    if (!spell.dated) return []
    const from = Date.parse(spell.startedAt)
    const to = from + 1000 * spell.durationS
    return feedsOf(spell).map((feeds) => ({ ...spell, from, to, feeds }))
  })
  const met = new Set<string>()
  for (const [feeds, alike] of group(placed, ({ feeds }) => feeds)) {
    if (portsOf(feeds) < 2) continue
    alike.sort((a, b) => a.from - b.from)
    alike.forEach((one, i) => {
      for (let k = i + 1; k < alike.length && alike[k].from < one.to; k++) {
        const other = alike[k]
        const pair = `${one.id} ${other.id}`
        // Two pads on one brick meet once, though both their pads and the brick may be the same.
        if (!(one.from < other.to) || one.charged === other.charged || met.has(pair)) continue
        met.add(pair)
        for (const { id } of [one, other]) found.set(id, found.get(id)! + 1)
      }
    })
  }
  return found
}

/** '' where it is not known. */
export const besideWords = (others: number): string =>
  Number.isNaN(others)
    ? ''
    : others === 0
      ? 'alone'
      : others === 1
        ? 'with another run'
        : `with ${others} other runs`
