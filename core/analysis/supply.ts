import { currentColumn, type Trace } from '../trace/trace'
import { allRead, samplesOf, type Samples } from '../trace/samples'
import { fitLine } from '../stats/line'
import { quantile } from '../stats/quantile'

/** A stretch at one supply level. */
export interface Supply {
  startS: number
  /** Where the next begins, or the last reading, s. */
  endS: number
  /** The fixed level it is, where it is near one; else the mean, V. */
  volts: number
  mode: 'fixed' | 'adjustable'
  /** Apparent load V/I, the median, Ω; NaN where no current flowed or none was read. */
  ohms: number
}

/** The fixed levels of USB Power Delivery (from memory), V. */
const LEVELS = [5, 9, 12, 15, 20, 28, 36, 48]
/** A source may be off by 5 %, and a cable takes its share: within −10 % and +5 % of a level. */
const BELOW = 0.9
const ABOVE = 1.05
/** Less is no supply at all, V. */
const OFF_BELOW_V = 2
/** Between readings a change of more than both is a change of level. */
const STEP_V = 0.5
const STEP_SHARE = 0.06
/** A stretch shorter than this, of fewer readings, is a slope or a spike and not a level: s, readings. */
const SHORTEST_S = 1
const FEWEST = 3
/** What remains of the wandering once the cable's drop is taken off, V and as a share: more is adjustable. */
const WANDER_V = 0.15
const WANDER_SHARE = 0.02
/** More readings make its figures no better. */
const MOST_FOR_STATISTICS = 4000
/** A cable and its plugs have no more resistance than this, Ω. */
const MOST_OHMS = 0.6

/**
 * Levels of the source's voltage in order, each fixed or adjustable (an adjustable supply wanders by small steps, 20 mV
 * in USB PD PPS, from memory, as the battery fills). Nothing where no voltage was read or the source was off.
 */
export function supplyOf(trace: Trace): Supply[] {
  const { t, v } = samplesOf(trace.time, trace.voltage)
  const amps = ampsBeside(trace)
  const kept = joinedAcross(stretchesOf({ t, v }), { t, v })
  const levels = kept.map((part, i): Supply => {
    const volts = thinned(within(v, part))
    const current = thinned(within(amps, part))
    const wanders = wanderOf(volts, current) > Math.max(WANDER_V, WANDER_SHARE * middle(volts))
    const level = LEVELS.find((l) => middle(volts) >= BELOW * l && middle(volts) <= ABOVE * l)
    return {
      startS: t[part[0].from],
      endS: i + 1 < kept.length ? t[kept[i + 1][0].from] : t[endOf(part) - 1],
      volts: wanders || level === undefined ? meanOf(volts) : level,
      mode: wanders ? 'adjustable' : 'fixed',
      ohms: middle(
        volts.map((u, j) => u / current[j]).filter((ohms, j) => current[j] > 0.01 && Number.isFinite(ohms)),
      ),
    }
  })
  return sameJoined(levels).filter(({ volts }) => volts >= OFF_BELOW_V)
}

/** Readings from index `from` up to, not including, `to`. */
interface Stretch {
  from: number
  to: number
}

function stretchesOf({ v }: Samples): Stretch[] {
  const found: Stretch[] = []
  for (let i = 0; i < v.length; i++) {
    const open = found.at(-1)
    if (open && !isStep(v[i - 1], v[i])) open.to = i + 1
    else found.push({ from: i, to: i + 1 })
  }
  return found
}
const isStep = (a: number, b: number): boolean =>
  Math.abs(b - a) > Math.max(STEP_V, STEP_SHARE * Math.min(Math.abs(a), Math.abs(b)))

/** Stretches of one level, with slopes and spikes left out between them. */
type Held = Stretch[]
const endOf = (held: Held): number => held[held.length - 1].to

/** Its readings, without those of the spikes between: a level is not what a spike was. */
function within(values: Float64Array, held: Held): Float64Array {
  const pieces = held.map(({ from, to }) => values.subarray(from, to))
  if (pieces.length === 1) return pieces[0]
  const together = new Float64Array(pieces.reduce((sum, piece) => sum + piece.length, 0))
  let at = 0
  for (const piece of pieces) {
    together.set(piece, at)
    at += piece.length
  }
  return together
}

/** Slopes and spikes left out; what goes on behind one as it was before is one level. */
function joinedAcross(stretches: readonly Stretch[], { t, v }: Samples): Held[] {
  const isLong = ({ from, to }: Stretch) => to - from >= FEWEST || t[to - 1] - t[from] >= SHORTEST_S
  // Where readings stand further apart than a change of level takes, each may be a level of its own.
  const alone = ({ from, to }: Stretch) =>
    to - from === 1 && (t[to] ?? Infinity) - (t[from - 1] ?? -Infinity) > 10
  const kept: Held[] = []
  for (const stretch of stretches) {
    if (!isLong(stretch) && !alone(stretch)) continue
    const before = kept.at(-1)
    if (before && !isStep(v[endOf(before) - 1], v[stretch.from])) before.push(stretch)
    else kept.push([stretch])
  }
  return kept
}

/** The spread of the middle nine tenths of the volts, without what the current drops in a cable, V. */
function wanderOf(volts: Float64Array, amps: Float64Array): number {
  const known = amps.every((a) => !Number.isNaN(a))
  const { slope, meanT } = known ? fitLine(amps, volts) : { slope: 0, meanT: 0 }
  const drop = Number.isFinite(slope) ? Math.min(0, Math.max(-MOST_OHMS, slope)) : 0
  const still = drop === 0 ? volts : volts.map((u, i) => u - drop * (amps[i] - meanT))
  return still.length < 2 ? 0 : quantile(still, 0.95) - quantile(still, 0.05)
}

/** Neighbours at one and the same level, or both adjustable, as one. */
function sameJoined(levels: readonly Supply[]): Supply[] {
  const joined: Supply[] = []
  for (const level of levels) {
    const before = joined.at(-1)
    if (before?.mode === level.mode && before.mode === 'fixed' && before.volts === level.volts)
      before.endS = level.endS
    else joined.push({ ...level })
  }
  return joined
}

/** Amperes beside each voltage that was read; NaN where they were not. */
function ampsBeside(trace: Trace): Float64Array {
  const { voltage, time } = trace
  if (!voltage) return new Float64Array(0)
  const amps = currentColumn(trace)
  if (!amps) return new Float64Array(voltage.length).fill(NaN)
  if (allRead(voltage) && allRead(time)) return amps
  return amps.filter((_, i) => !Number.isNaN(voltage[i]) && !Number.isNaN(time[i]))
}

/** A few thousand of many readings, evenly: enough for a median, a spread and a line. */
function thinned(values: Float64Array): Float64Array {
  const step = Math.ceil(values.length / MOST_FOR_STATISTICS)
  return step <= 1
    ? values
    : Float64Array.from({ length: Math.ceil(values.length / step) }, (_, i) => values[i * step])
}

const middle = (values: ArrayLike<number>): number => quantile(values, 0.5)
const meanOf = (values: Float64Array): number => values.reduce((sum, u) => sum + u, 0) / values.length
