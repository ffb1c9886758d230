import { notice, type Rule } from './finding'

/** Marks so near full that they no longer tell sources apart. */
export const ceiling: Rule = ({ marks }) => {
  const near = marks.filter((m) => m.ceiling && !m.reason)
  if (near.length === 0) return []
  return [
    notice(
      'near-ceiling',
      `At ${near.map((m) => m.atS / 60).join(', ')} min the level is so near full, or so slow, that a lead vanishes there.`,
      'Compare at earlier minutes.',
    ),
  ]
}
