import type { Analysis } from '../../analysis/analyse'
import {
  bandWorkings,
  markWorkings,
  meanWorkings,
  partWorkings,
  peakWorkings,
  placeWorkings,
  spotWorkings,
  supplyWorkings,
  taperWorkings,
} from './tableWorkings'
import {
  efficiencyWorkings,
  energyWorkings,
  heldPeakWorkings,
  milestoneWorkings,
  type Workings,
} from './workings'

/**
 * How each kind of figure of a run is worked out, once each, with that run's own numbers: the texts that stand behind
 * every figure of its sheet. What the run does not have is left out.
 *
 * @param capacity of its battery, Wh; NaN where it is not known, and whether its volts were assumed
 */
export function everyWorking(
  a: Analysis,
  capacity: { usableWh: number; assumedVolts: boolean },
  spot?: Analysis,
): Workings[] {
  const reached = a.milestones.filter((m) => !m.reason)
  const between = reached.find((m) => m.percent < 100)
  const full = reached.find((m) => m.percent === 100)
  const mark = a.marks.find((m) => Number.isFinite(m.percent))
  const band = a.bands.find((b) => Number.isFinite(b.startS))
  return [
    ...(between ? [milestoneWorkings(between)] : []),
    ...(full ? [milestoneWorkings(full)] : []),
    ...(mark ? [markWorkings(mark, a.startPercent)] : []),
    peakWorkings(a),
    heldPeakWorkings(a),
    meanWorkings(a),
    energyWorkings(a),
    ...(a.efficiency.reason ? [] : [efficiencyWorkings(a, capacity)]),
    ...(Number.isFinite(a.taperEndS) ? [taperWorkings(a)] : []),
    ...(band ? [bandWorkings(band)] : []),
    ...a.parts.slice(0, 1).map(partWorkings),
    ...a.supply.slice(0, 1).map(supplyWorkings),
    ...(a.heat.length ? [placeWorkings(a.heat[0])] : []),
    ...(spot?.spot ? [spotWorkings(spot.spot, spot, capacity.usableWh)] : []),
  ]
}

/** The rules of a comparison, which are worked out between runs. */
export const COMPARISON_RULES: readonly Pick<Workings, 'title' | 'rule' | 'source'>[] = [
  {
    title: 'Whether a difference is real',
    rule: 'A difference counts when it is larger than U, with U² = k²·s²·(1/n₁ + 1/n₂) + (2u₁)² + (2u₂)². Here u is what the readings themselves leave open, which repeats do not shrink; s is how well runs repeat, pooled from this logbook’s own repeats (2 % until there are some); k is Student’s t at 97.5 %. Below U: can’t tell apart. Above it, but under what you call worth noticing: real but small.',
    source: 'A moderated variance (Smyth 2004, from memory); Student’s t.',
  },
  {
    title: 'What a repeat is',
    rule: 'Runs of the same device, unit and software from the same source through the same cable, fed from the same, are repeats of each other; not where the device was set otherwise or under another load, something else stood in the chain, the source fed another run meanwhile, its battery had aged by more than three points, or a charge model made one of them. What nobody noted goes with the others, unless those differ.',
    source: 'Definitions of this program; no outside source.',
  },
  {
    title: 'Under load',
    rule: 'The watts of the source are those of the battery and of the system together, losses counted with the system; as means over each named load. Benchmark scores are judged like any other figure: s is learnt from runs that noted one several times (2 % until there are enough), and u is what the last digit leaves open.',
    source: 'Rectangular, GUM JCGM 100:2008 §4.3.7.',
  },
  {
    title: 'The leading group',
    rule: 'Everything that cannot be told apart from the best. With more than two set-ups the choice of the best is itself uncertain: k is then the studentised range at 95 % over √2. The recommendation is the cheapest, lightest or smallest of the group, as you choose.',
    source: 'Tukey’s studentised range.',
  },
  {
    title: 'Saved, share saved, speed ratio',
    rule: 'Of a run of time t against b: saved is b − t, the share is (b − t)/b, the ratio of speeds is b/t. The three give different percentages for one pair, so each is named.',
    source: 'Definitions of this program; no outside source.',
  },
  {
    title: 'A forecast',
    rule: 'One full run on a strong source tells what the battery accepts at each level. On a weaker source each step of energy takes dE over the lesser of that and what the source can give, less what the device draws beside. The spread holds what the run leaves open, how well the device repeats, and what was assumed.',
    source: 'Definitions of this program; no outside source.',
  },
]
