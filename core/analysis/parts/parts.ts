import { energyFlow, passed, type Flow } from '../flow'
import { marks } from '../marks'
import type { Supply } from '../supply'
import { powerColumn, type Trace } from '../../trace/trace'
import { firstAtOrAfter, samplesOf } from '../../trace/samples'
import { holdsOf, type Hold } from './holds'
import type { OnOff } from './onOff'

/** Why a part came to its end, as far as the record tells. */
export type PartEnd = 'supply' | 'heat' | 'level' | 'unknown' | 'record'

/** A part of the power curve: a hold with the step that leads into it, the last taper, or an on–off trickle. */
export interface Part {
  kind: 'hold' | 'taper' | 'trickle'
  /** Where the step down to it begins, and where it ends, s. */
  startS: number
  endS: number
  /** Where the hold itself begins, s; the start for other kinds. */
  levelS: number
  /** Mean watts of the hold; of the whole part for other kinds. */
  meanW: number
  /** Over the whole part, Wh; what was bridged within it is in. */
  energyWh: number
  /** Points gained over the whole part, and the level at its end; NaN where no level was read there. */
  gain: number
  endPercent: number
  endedBy: PartEnd
}

/** A supply that steps down so long before or after the end of a hold ended it, s. */
const SUPPLY_BEFORE_S = 60
const SUPPLY_AFTER_S = 180
/** Heat: so warm, °C, within so many seconds of the end, and below this level. */
export const HOT_C = 40
const HOT_WITHIN_S = 300
export const HEAT_BELOW_PERCENT = 60
/** What is shorter than this at the end is no part of its own, s. */
const SHORTEST_REST_S = 60

export interface PartsInputs {
  supply: readonly Supply[]
  /** Stretches in which the charge was switched on and off. */
  switched: readonly OnOff[]
  /** Where power is down for good, s; a flat draw after it is no hold. NaN where it never is. */
  taperEndS: number
}

/**
 * Parts of the curve in order; together they are the whole of the watts that were read. None without watts.
 */
export function partsOf(trace: Trace, { supply, switched, taperEndS }: PartsInputs): Part[] {
  const watts = samplesOf(trace.time, powerColumn(trace))
  if (watts.t.length < 2) return []
  const endS = watts.t[watts.t.length - 1]
  // Each "on" of a switched charge is flat, and no hold; the last one too, unless the charge goes on after it.
  const isOn = ({ startS, endS: to }: Hold) =>
    switched.some((o) => startS >= o.startS && to <= o.endS + (2 * (o.endS - o.startS)) / o.cycles)
  const holds = holdsOf(watts).filter((hold) => !(hold.startS > taperEndS - SHORTEST_REST_S) && !isOn(hold))
  const lastHoldS = holds.at(-1)?.endS ?? watts.t[0]
  const trickle = switched.find((o) => o.startS >= lastHoldS - SHORTEST_REST_S)
  const spans = holds.map((hold, i): Piece => {
    const startS = i === 0 ? watts.t[0] : holds[i - 1].endS
    return { kind: 'hold', startS, levelS: hold.startS, endS: hold.endS }
  })
  const rest = (kind: 'taper' | 'trickle', from: number, to: number) => {
    if (to - from >= SHORTEST_REST_S) spans.push({ kind, startS: from, levelS: from, endS: to })
    else if (spans.length) spans[spans.length - 1].endS = to
  }
  const trickleS = trickle ? Math.max(trickle.startS, lastHoldS) : endS
  rest('taper', lastHoldS, trickleS)
  if (trickle) rest('trickle', trickleS, endS)
  const flow = energyFlow(trace)
  const levels = marks(
    trace,
    spans.flatMap(({ startS, endS: to }) => [startS, to]),
  )
  return spans.map((piece, i): Part => {
    const [from, to] = [levels[2 * i].percent, levels[2 * i + 1].percent]
    return {
      ...piece,
      meanW: meanWatts(flow, { startS: piece.levelS, endS: piece.endS }),
      energyWh: wattHours(flow, piece),
      gain: to - from,
      endPercent: to,
      endedBy: i === spans.length - 1 ? 'record' : endOf(trace, supply, piece.endS, to),
    }
  })
}

type Piece = Pick<Part, 'kind' | 'startS' | 'levelS' | 'endS'>

function wattHours(flow: Flow, span: Hold): number {
  const { measured, bridged } = passed(flow, span)
  return measured + bridged
}
const meanWatts = (flow: Flow, span: Hold): number =>
  (wattHours(flow, span) * 3600) / (span.endS - span.startS)

/** The supply stepped down, or it was hot while there was still room; else the battery's own level, where one was read. */
function endOf(trace: Trace, supply: readonly Supply[], atS: number, percent: number): PartEnd {
  const stepped = supply.some(
    ({ startS, volts }, i) =>
      i > 0 &&
      volts < supply[i - 1].volts &&
      startS >= atS - SUPPLY_BEFORE_S &&
      startS <= atS + SUPPLY_AFTER_S,
  )
  if (stepped) return 'supply'
  if (Number.isNaN(percent)) return 'unknown'
  return percent < HEAT_BELOW_PERCENT && hottestNear(trace, atS) >= HOT_C ? 'heat' : 'level'
}

/** The highest temperature read within five minutes of a moment, °C; −Infinity where none was. */
export function hottestNear({ time, temperatures }: Trace, atS: number): number {
  let top = -Infinity
  const to = atS + HOT_WITHIN_S
  for (const column of Object.values(temperatures))
    for (let i = firstAtOrAfter(time, atS - HOT_WITHIN_S); i < time.length && time[i] <= to; i++)
      if (column[i] > top) top = column[i]
  return top
}
