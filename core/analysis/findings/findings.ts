import { anotherCharge } from './anotherCharge'
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
import { openPause } from './openPause'
import { powerDisagrees } from './powerDisagrees'
import { reversed } from './reversed'
import { spikes } from './spikes'
import { unknownFigures } from './unknownFigures'

export type { Finding, Severity } from './finding'

/** Every rule there is. A new one is a file of its own and a line here. */
export const RULES: readonly Rule[] = [
  anotherCharge,
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
  reversed,
  clockGap,
  bridged,
  counter,
  spikes,
  impossibleEfficiency,
  gainExceeds,
  coarseFull,
  ceiling,
  oneEnd,
  openPause,
  conditionsMissing,
  notReached,
  unknownFigures,
]

/** Of one kind no more are told one by one: a broken log may have a hundred thousand, and nobody reads them. */
const MOST_OF_A_KIND = 25

/** The first of each kind, and how many more there are. */
function bounded(found: readonly Finding[]): Finding[] {
  const counts = new Map<string, number>()
  for (const { code } of found) counts.set(code, (counts.get(code) ?? 0) + 1)
  const told = new Map<string, number>()
  return found.flatMap((finding): Finding[] => {
    const place = (told.get(finding.code) ?? 0) + 1
    told.set(finding.code, place)
    const more = counts.get(finding.code)! - MOST_OF_A_KIND
    if (place > MOST_OF_A_KIND) return []
    return place === MOST_OF_A_KIND && more > 0
      ? [{ ...finding, message: `${finding.message} And ${more} more like it.` }]
      : [finding]
  })
}

/** What the figures of a run give cause to say, in order of time; what concerns the whole run comes last. */
export function findings(inputs: FindingInputs): Finding[] {
  const at = (f: Finding) => (Number.isNaN(f.atS) ? Infinity : f.atS)
  const found = RULES.flatMap((rule) => rule(inputs))
  return bounded(found.sort((a, b) => (at(a) === at(b) ? 0 : at(a) - at(b))))
}
