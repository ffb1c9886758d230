import { bridged } from './bridged'
import { clockGap } from './clockGap'
import { counter } from './counter'
import type { Finding, FindingInputs, Rule } from './finding'
import { impossibleEfficiency } from './impossibleEfficiency'
import { standing } from './standing'
import { jumped } from './jumped'
import { gainExceeds } from './gainExceeds'
import { onOff } from './onOff'
import { startDelay } from './startDelay'
import { draining } from './draining'
import { hot } from './hot'
import { thermalStep } from './thermalStep'
import { coarseFull } from './coarseFull'
import { ceiling } from './ceiling'
import { oneEnd } from './oneEnd'
import { offSchedule } from './offSchedule'
import { wrongSupply } from './wrongSupply'
import { conditionsMissing } from './conditionsMissing'
import { levelFell } from './levelFell'
import { notReached } from './notReached'
import { powerDisagrees } from './powerDisagrees'
import { spikes } from './spikes'
import { unknownFigures } from './unknownFigures'

export type { Finding, Severity } from './finding'

/** Every rule there is. A new one is a file of its own and a line here. */
export const RULES: readonly Rule[] = [
  hot,
  draining,
  standing,
  jumped,
  offSchedule,
  wrongSupply,
  startDelay,
  thermalStep,
  onOff,
  levelFell,
  powerDisagrees,
  clockGap,
  bridged,
  counter,
  spikes,
  impossibleEfficiency,
  gainExceeds,
  coarseFull,
  ceiling,
  oneEnd,
  conditionsMissing,
  notReached,
  unknownFigures,
]

/** What the figures of a run give cause to say, in order of time; what concerns the whole run comes last. */
export function findings(inputs: FindingInputs): Finding[] {
  const at = (f: Finding) => (Number.isNaN(f.atS) ? Infinity : f.atS)
  return RULES.flatMap((rule) => rule(inputs)).sort((a, b) => (at(a) === at(b) ? 0 : at(a) - at(b)))
}
