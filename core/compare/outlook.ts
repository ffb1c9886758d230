import { SAME_SHARE } from './beforehand'

/** What a planned pair is expected to come to, s or points; NaN where nothing can be said. */
export interface ExpectedFigure {
  id: string
  value: number
  repeats: number
}
/** Two groups of pairs that a test will leave undecided: each of the one against each of the other. */
export interface OpenGroups<Told> {
  a: readonly string[]
  b: readonly string[]
  told: Told
}
/** What a test as planned will be able to tell apart. */
export interface Outlook<Told> {
  /** How many pairs there are of which something is expected, and how many of them it will not tell apart. */
  all: number
  undecided: number
  /** Those that are expected to come to the same, by id: the device takes no more from the stronger. */
  alike: (readonly string[])[]
  open: OpenGroups<Told>[]
}

/**
 * What is expected to come to the same is told of together: of thirty sources, twenty of which give a device all that it
 * takes, there are not 190 lines to read.
 *
 * @param tell which of some figures will be left undecided, by their ids
 */
export function outlookOf<Told extends { a: string; b: string }>(
  expected: readonly ExpectedFigure[],
  tell: (of: readonly ExpectedFigure[]) => readonly Told[],
): Outlook<Told> {
  const groups = alikeOf(expected)
  const pairsOf = (n: number) => (n < 2 ? 0 : (n * (n - 1)) / 2)
  const open = tell(groups.map(({ value, repeats }, i) => ({ id: String(i), value, repeats }))).map(
    (told): OpenGroups<Told> => ({ a: groups[Number(told.a)].ids, b: groups[Number(told.b)].ids, told }),
  )
  const alike = groups.filter(({ ids }) => ids.length > 1).map(({ ids }) => ids)
  const between = open.reduce((sum, { a, b }) => sum + a.length * b.length, 0)
  const within = alike.reduce((sum, ids) => sum + pairsOf(ids.length), 0)
  const known = groups.reduce((sum, { ids }) => sum + ids.length, 0)
  return { all: pairsOf(known), undecided: between + within, alike, open }
}

/** Figures within half a percent of the least of their group, and as often repeated, in order. */
function alikeOf(expected: readonly ExpectedFigure[]): { ids: string[]; value: number; repeats: number }[] {
  const found: { ids: string[]; value: number; repeats: number }[] = []
  const known = expected.filter(({ value }) => Number.isFinite(value)).sort((a, b) => a.value - b.value)
  for (const { id, value, repeats } of known) {
    const group = found.find((g) => g.repeats === repeats && value - g.value <= SAME_SHARE * g.value)
    if (group) group.ids.push(id)
    else found.push({ ids: [id], value, repeats })
  }
  return found
}
