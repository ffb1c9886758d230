import type { ReadingRule, StopRule } from './rules'

/** How the start level is reached, in words. */
export const START_WAYS = {
  'dead-rested': 'dead and switched off, then rested',
  'as-it-dies': 'as soon as it dies',
  drained: 'drained to the level, then rested',
  'as-found': 'as found',
} as const
export type StartWay = keyof typeof START_WAYS

/** Kinds of what may have to be equal. */
export const CONDITION_KINDS = [
  'flight-mode',
  'apps-closed',
  'screen',
  'low-power-mode-off',
  'optimised-charging-off',
  'background-refresh-off',
  'same-cable',
  'ambient',
  'state',
  'position',
  'own',
] as const
export type ConditionKind = (typeof CONDITION_KINDS)[number]

/** One thing that must be equal, and the value it must have: "off", "50 %", "21 ± 2 °C". */
export interface Condition {
  kind: ConditionKind
  required: string
}

/** How one kind of run is made. Percent, minutes, °C. */
export interface Protocol {
  id: string
  name: string
  goodFor: string
  hides: string
  startPercent: number
  startWay: StartWay
  restMinutes: number
  reading: ReadingRule
  /** Minutes since power-on at which temperatures are read, and where. */
  temperatureMinutes: number[]
  temperaturePlaces: string[]
  /** The bench says stop at this temperature, °C. */
  stopLimitC: number
  stop: StopRule
  conditions: Condition[]
}

/** The usual upper limit for charging lithium-ion cells, °C (JEITA guideline, from memory). */
export const DEFAULT_STOP_LIMIT_C = 45
