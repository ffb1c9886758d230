import { powerColumn, type Trace } from '../trace/trace'
import { samplesOf } from '../trace/samples'
import type { EnergyFigures } from './energy'
import type { Mark } from './marks'
import type { Milestone } from './milestones'
import type { PowerFigures } from './power'

export type Severity = 'notice' | 'warning' | 'blocking'

/** Something about a run that its reader must know: where in time, what, and what to do. */
export interface Finding {
  code: string
  severity: Severity
  /** Seconds since power-on; NaN when it concerns the whole run. */
  atS: number
  /** One plain sentence. */
  message: string
  advice: string
}

/** Watts and volts × amperes may differ by this share before it is a finding. */
const POWER_DISAGREEMENT = 0.03

interface FindingInputs {
  trace: Trace
  milestones: readonly Milestone[]
  marks: readonly Mark[]
  power: PowerFigures
  energy: EnergyFigures
  efficiency: number
  taperEndS: number
}

/** What the figures of the run give cause to say, in order of time. */
export function findings(inputs: FindingInputs): Finding[] {
  const { trace, power, energy, efficiency } = inputs
  return [
    ...levelFell(trace),
    ...powerDisagrees(trace),
    ...energy.gaps.map((gap) => ({
      code: 'clock-gap',
      severity: 'warning' as const,
      atS: gap.startS,
      message: `No power was read for ${Math.round(gap.endS - gap.startS)} s; the energy across it is bridged, not measured.`,
      advice: 'Check the meter’s lead and the recording app; repeat the run if the gap covers the peak.',
    })),
    ...spikes(power),
    ...impossibleEfficiency(efficiency),
    ...unknowns(inputs),
  ].sort((a, b) => (Number.isNaN(a.atS) ? Infinity : a.atS) - (Number.isNaN(b.atS) ? Infinity : b.atS))
}

function levelFell(trace: Trace): Finding[] {
  const { t, v } = samplesOf(trace.time, trace.percent)
  const found: Finding[] = []
  for (let i = 1; i < t.length; i++) {
    if (v[i - 1] - v[i] <= 1) continue
    found.push({
      code: 'level-fell',
      severity: 'warning',
      atS: t[i],
      message: `The level fell from ${v[i - 1]} % to ${v[i]} %.`,
      advice:
        'Check the reading; if it is right, the source was not keeping up or the gauge corrected itself.',
    })
  }
  return found
}

/** Given watts against volts × amperes: named once, at the first place, with how often. */
function powerDisagrees(trace: Trace): Finding[] {
  const { time, power, voltage, current } = trace
  if (!power || !voltage || !current) return []
  let first = -1
  let count = 0
  for (let i = 0; i < time.length; i++) {
    const product = voltage[i] * current[i]
    // Below half a watt the last digits of a small meter are a larger share than the limit.
    if (!(Math.abs(power[i] - product) > POWER_DISAGREEMENT * Math.max(Math.abs(power[i]), 0.5))) continue
    count++
    if (first < 0) first = i
  }
  if (first < 0) return []
  const product = voltage[first] * current[first]
  return [
    {
      code: 'power-disagrees',
      severity: 'warning',
      atS: time[first],
      message: `Watts and volts × amperes differ by more than 3 % (${power[first]} W against ${product.toFixed(2)} W, ${count} ${count === 1 ? 'reading' : 'readings'}).`,
      advice: 'Check which columns the meter wrote; the watts as read are the ones used.',
    },
  ]
}

function spikes(power: PowerFigures): Finding[] {
  if (power.spikes.length === 0) return []
  const top = power.spikes.reduce((a, b) => (b.watts > a.watts ? b : a))
  return [
    {
      code: 'spike',
      severity: 'notice',
      atS: top.atS,
      message: `${power.spikes.length} ${power.spikes.length === 1 ? 'reading stands' : 'readings stand'} more than a tenth above the held peak; the highest is ${top.watts.toFixed(1)} W.`,
      advice: 'Quote the held peak.',
    },
  ]
}

function impossibleEfficiency(efficiency: number): Finding[] {
  if (!(efficiency > 1)) return []
  return [
    {
      code: 'impossible-efficiency',
      severity: 'blocking',
      atS: NaN,
      message: `The battery would have gained more than the meter delivered (${Math.round(efficiency * 100)} %).`,
      advice:
        'Check capacity and health, whether the meter missed time, and whether the start level had settled.',
    },
  ]
}

/** The reasons behind every figure that could not be known. */
function unknowns(inputs: FindingInputs): Finding[] {
  const { trace, milestones, marks, power } = inputs
  const notice = (code: string, message: string, advice: string): Finding => ({
    code,
    severity: 'notice',
    atS: NaN,
    message,
    advice,
  })
  const found = milestones
    .filter((m) => m.reason)
    .map((m) =>
      notice(
        'not-reached',
        `${m.percent} % has no time. ${m.reason}`,
        'Nothing to do, unless it was the goal.',
      ),
    )
  const missing = marks.filter((m) => m.reason)
  for (const reason of new Set(missing.map((m) => m.reason))) {
    const minutes = missing.filter((m) => m.reason === reason).map((m) => m.atS / 60)
    found.push(
      notice(
        'no-level',
        `No level at ${minutes.join(', ')} min. ${reason}`,
        'Nothing to do, unless it was the goal.',
      ),
    )
  }
  if (!powerColumn(trace))
    found.push(notice('no-power', 'No power was read.', 'Put a meter in the chain to know watts and energy.'))
  if (power.coarse)
    found.push(
      notice(
        'coarse-power',
        'The held peak is the highest reading: readings are more than 30 s apart.',
        'Read a meter more often to know the held peak.',
      ),
    )
  if (Number.isNaN(inputs.energy.chargeAh))
    found.push(
      notice(
        'no-charge',
        'No current was read, so the charge in Ah is unknown.',
        'Record amperes, or volts beside watts.',
      ),
    )
  if (Number.isNaN(inputs.taperEndS))
    found.push(
      notice(
        'no-taper-end',
        'Power never stayed below the taper threshold for 60 s.',
        'Let the meter run on after the display shows full.',
      ),
    )
  if (Number.isNaN(inputs.efficiency))
    found.push(
      notice(
        'no-efficiency',
        'No efficiency: it needs a capacity, a gain in level and energy at the meter.',
        'Give the device’s capacity and put a meter in the chain.',
      ),
    )
  return found
}
