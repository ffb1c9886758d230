import type { ReadingRule } from '../../protocol/rules'
import type { Trace } from '../../trace/trace'
import type { Efficiency } from '../efficiency'
import type { EnergyFigures } from '../energy'
import type { Mark } from '../marks'
import type { Milestone } from '../milestones'
import type { OnOff } from '../parts/onOff'
import type { Part } from '../parts/parts'
import type { PowerFigures } from '../power'
import type { Standstill } from '../standstill'
import type { Supply } from '../supply'

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

/** What is known of a run beside its trace, as far as a rule asks for it. */
export interface FindingContext {
  /** How it was to be read; null where there was no rule, as in a file. */
  reading: ReadingRule | null
  /** At which the bench said stop, °C. */
  stopLimitC: number
  /** On which source, cable and device should settle, V; NaN where it is not known. */
  expectedVolts: number
  /** What nobody noted, by name. */
  unknownConditions: readonly string[]
  /** When it was unplugged without being plugged in again, s; NaN where it was not. */
  unpluggedS: number
}

/** Everything a rule may look at. SI units, as in the analysis. */
export interface FindingInputs {
  trace: Trace
  milestones: readonly Milestone[]
  marks: readonly Mark[]
  power: PowerFigures
  energy: EnergyFigures
  efficiency: Efficiency
  taperEndS: number
  parts: readonly Part[]
  supply: readonly Supply[]
  switched: readonly OnOff[]
  standstills: readonly Standstill[]
  /** NaN where it is not known. */
  usableWh: number
  context: FindingContext
}

/** A rule looks at a run and says what it found, in any order; an empty list when there is nothing to say. */
export type Rule = (inputs: FindingInputs) => Finding[]

/** A finding about the whole run that asks for nothing at once. */
export const notice = (code: string, message: string, advice: string): Finding => ({
  code,
  severity: 'notice',
  atS: NaN,
  message,
  advice,
})

/** A figure as a finding says it, with a real minus sign. */
export const said = (value: number, decimals: number): string =>
  value.toFixed(decimals).replace('-', Number(value.toFixed(decimals)) === 0 ? '' : '−')
