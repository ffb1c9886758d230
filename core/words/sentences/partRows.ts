import type { Analysis } from '../../analysis/analyse'
import type { Part } from '../../analysis/parts/parts'
import { clock, figure, points } from '../figures'
import { PART_END_WORDS } from './curve'

const KINDS: Record<Part['kind'], string> = { hold: 'hold', taper: 'taper', trickle: 'trickle' }

/** Parts of a curve as lines of a table: kind, stretch, mean watts, points gained, why it ended. */
export const PART_HEAD = ['Part', 'From', 'To', 'Mean', 'Gained', 'Ended by'] as const
export const partRows = ({ parts, curveAt }: Pick<Analysis, 'parts' | 'curveAt'>): string[][] =>
  parts.map((p) => [
    curveAt === 'battery' ? `${KINDS[p.kind]}, at the battery` : KINDS[p.kind],
    clock(p.startS),
    clock(p.endS),
    figure(p.meanW, 1, 'W'),
    points(p.gain),
    PART_END_WORDS[p.endedBy],
  ])
