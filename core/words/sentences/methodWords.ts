import { duration, figure } from '../figures'
import { counted, list } from '../lists'
import { itemsOf } from '../names'

/** What of a run tells how it was made; '' and NaN where nobody noted it. */
export interface Method {
  device: string
  unit: string
  source: string
  /** What fed the source; '' where nothing else did. */
  fedFrom: string
  cable: string
  /** What else stood between source and device; '' where nothing is noted. */
  chain: string
  /** Of the device; '' where it is not known. */
  software: string
  from: number
  /** The rule that was to end it; '' where there was none. */
  stop: string
  outcome: 'done' | 'short' | 'spoilt' | 'set-aside'
  reading: string
  state: string
  ambientC: number
  restMinutes: number
  meter: string
  thermometer: string
  healthPercent: number
  day: string
  /** Of the plan it was made by; '' where there was none. */
  protocol: string
  /** Whether readings were put right afterwards, or a stretch is left out; and how many readings were missed. */
  corrected: boolean
  cut: boolean
  missed: number
  simulated: boolean
  watched: boolean
  /** Names of the loads that it was put under; '' where there was none. */
  load: string
  /** How many others its source fed meanwhile; NaN where that is not known. */
  fedBeside: number
}

const distinct = (values: readonly string[]) => [...new Set(values.filter(Boolean))]
/** One value for all, several, or not noted everywhere. */
function either(values: readonly string[], one: (value: string) => string, none = ''): string {
  const known = distinct(values)
  if (known.length === 0) return none
  const missing = values.some((v) => v === '') ? ' (not noted of every run)' : ''
  return one(list(known) + missing)
}
/** What says the same in another order is said as it was first. */
function asFirstSpelt(values: readonly string[]): string[] {
  const keyOf = (value: string) => itemsOf(value).join('; ')
  const first = new Map(values.toReversed().map((value) => [keyOf(value), value]))
  return values.map((value) => first.get(keyOf(value))!)
}
function range(values: readonly number[], digits: number, unit: string): string {
  const known = values.filter((v) => !Number.isNaN(v))
  if (known.length === 0) return ''
  const [low, high] = [known.reduce((a, b) => Math.min(a, b)), known.reduce((a, b) => Math.max(a, b))]
  return low === high ? figure(low, digits, unit) : `${figure(low, digits)} to ${figure(high, digits, unit)}`
}

/** When they were made; days of some runs, or of all, may not be known. */
function whenWords(runs: readonly Method[]): string {
  const days = distinct(runs.map((r) => r.day))
  const undated = runs.filter((r) => r.day === '').length
  if (days.length === 0) return 'on days that nobody noted'
  const on = days.length > 1 ? `on ${days.length} days` : `on ${days[0]}`
  return undated ? `${on} (the day of ${undated} is not noted)` : on
}

/** How they ended: by their rule, before it, or without one. */
function endWords(runs: readonly Method[]): string {
  const rules = runs.map((r) => r.stop)
  if (distinct(rules).length === 0) return 'was stopped by no rule'
  const early = runs.filter((r) => r.outcome === 'short').length
  const rule = either(rules, (s) => s)
  // A run that was broken off may have come to its rule, or not.
  if (runs.some((r) => r.outcome === 'spoilt') && early === 0) return `was to stop ${rule}`
  if (early === 0) return `ended by its rule: ${rule}`
  const those = early === runs.length ? (early === 1 ? 'it' : 'all of them') : `${early} of ${runs.length}`
  return `was to stop ${rule}; ${those} stopped before that`
}

const inRuns = (some: number, all: number): string =>
  all === 1 ? 'in it' : some === all ? 'in all of them' : `in ${some} of the ${all}`

/** What was not as it was meant to be. */
function deviationWords(runs: readonly Method[]): string[] {
  const count = (is: (run: Method) => boolean) => runs.filter(is).length
  const unsound = count((r) => r.outcome === 'spoilt' || r.outcome === 'set-aside')
  const [corrected, cut] = [count((r) => r.corrected), count((r) => r.cut)]
  const missed = runs.reduce((sum, r) => sum + r.missed, 0)
  return [
    unsound ? `${unsound === 1 ? 'One of them is' : `${unsound} of them are`} spoilt or set aside.` : '',
    corrected ? `Readings were put right afterwards ${inRuns(corrected, runs.length)}; what they were stays on record.` : '',
    cut ? `A stretch is left out ${inRuns(cut, runs.length)}.` : '',
    missed ? `${missed === 1 ? 'One reading was' : `${missed} readings were`} missed.` : '',
  ]
} // prettier-ignore

/** How a test was done, from what its runs carry: a sentence a point; what nobody noted is said to be so. */
export function methodWords(runs: readonly Method[]): string[] {
  if (runs.length === 0) return []
  const of = (what: keyof Method) => runs.map((r) => String(r[what]))
  const numbers = (what: 'from' | 'ambientC' | 'restMinutes' | 'healthPercent') => runs.map((r) => r[what])
  const devices = distinct(runs.map((r) => (r.unit ? `${r.device} (${r.unit})` : r.device)))
  const sources = distinct(runs.map((r) => (r.fedFrom ? `${r.source} (fed from ${r.fedFrom})` : r.source)))
  const chained = runs.filter((r) => r.chain !== '')
  const levels = range(numbers('from'), 0, '%')
  const ambient = range(numbers('ambientC'), 0, '°C')
  const rest = range(numbers('restMinutes'), 0, 'min')
  const health = range(numbers('healthPercent'), 0, '%')
  const watched = runs.filter((r) => r.watched).length
  const simulated = runs.filter((r) => r.simulated).length
  const loaded = runs.filter((r) => r.load !== '')
  const beside = runs.filter((r) => r.fedBeside > 0).length
  return [
    simulated === runs.length
      ? 'All of these runs are simulated: a charge model made them, not a bench.'
      : simulated > 0
        ? `${simulated} of the ${runs.length} runs ${simulated === 1 ? 'is' : 'are'} simulated.`
        : '',
    `${list(devices)} charged from ${list(sources)}: ${counted(runs.length, 'run')}, ${whenWords(runs)}.`,
    `Each ${levels ? `began at ${levels} and ` : ''}${endWords(runs)}.`,
    either(of('protocol'), (s) => `Protocol: ${s}.`),
    ...deviationWords(runs),
    either(
      asFirstSpelt(of('state')),
      (s) => `The device was ${s}.`,
      'The state of the device was not noted.',
    ),
    loaded.length > 0
      ? `It was put under load${runs.length > 1 ? ` ${inRuns(loaded.length, runs.length)}` : ''}: ${list(distinct(loaded.map((r) => r.load)))}.`
      : '',
    beside > 0
      ? `Its source fed another device meanwhile${runs.length > 1 ? ` ${inRuns(beside, runs.length)}` : ''}, and may have given each less for it.`
      : '',
    ambient ? `The room had ${ambient}.` : 'The temperature of the room was not noted.',
    rest ? `Before the switch it rested for ${rest}.` : '',
    health ? `Battery health: ${health}.` : 'Battery health was not noted.',
    either(of('cable'), (s) => `Cable: ${s}.`, 'The cable was not noted.'),
    chained.length > 0
      ? `In the chain besides${runs.length > 1 ? ` ${inRuns(chained.length, runs.length)}` : ''}: ${list(distinct(asFirstSpelt(chained.map((r) => r.chain))))}.`
      : '',
    either(of('software'), (s) => `Software: ${s}.`),
    `Readings were taken ${either(of('reading'), (s) => s)}${watched === runs.length ? ', and the display was watched as it turned' : watched > 0 ? `, and in ${watched} of the runs the display was watched as it turned` : ''}.`,
    either(of('meter'), (s) => `Watts by ${s}.`, 'No meter was noted.'),
    either(of('thermometer'), (s) => `Temperatures by ${s}.`),
  ].filter(Boolean)
}

/** What is uncertain about a comparison. */
export const doubtWords = (told: {
  differing: readonly string[]
  unknown: readonly string[]
  accepted: readonly string[]
  repeatPercent: number
  assumed: boolean
  worthS: number
}): string[] =>
  [
    `Runs are taken to repeat within ${figure(told.repeatPercent, 1, '%')}${told.assumed ? ', which is assumed: too few repeats tell' : ', as repeats tell'}.`,
    `What follows a ± is twice the standard uncertainty. Differences under ${duration(told.worthS)} count as small.`,
    told.accepted.length ? `Compared although these differ: ${list(told.accepted)}.` : '',
    told.differing.length ? `Not equal between the runs: ${list(told.differing)}.` : '',
    told.unknown.length ? `Not noted of every run: ${list(told.unknown)}.` : '',
  ].filter(Boolean)

/** The usual cautions. */
export const CAUTIONS: readonly string[] = [
  'Stop charging on swelling, smell, hissing, smoke or discolouration; do not charge a damaged pack.',
  'Charge on a hard, non-flammable surface, within the battery’s temperature range, and do not leave a test unattended.',
  'Do not use a frayed cable or a source of unknown make on a device you care about; prefer certified parts.',
  'An outlet in the wall is work for a licensed electrician under local code.',
]
