import type { Condition, ConditionKind, Protocol } from './protocol'

interface ConditionText {
  label: string
  /** Preset of the required value. */
  usual: string
  /** What the reviewer sets and must later undo; absent where nothing protective was changed. */
  putBack?: string
  /** Asks for a value rather than a tick. */
  asks?: string
}

/** What may have to be equal: its label, what is usual, and what must be put back after it. */
export const CONDITIONS: Record<ConditionKind, ConditionText> = {
  'flight-mode': { label: 'Flight mode', usual: 'on', putBack: 'Flight mode off again' },
  'apps-closed': { label: 'Apps', usual: 'all closed' },
  screen: { label: 'Screen', usual: 'off', putBack: 'Screen brightness and time-out as they were' },
  'low-power-mode-off': { label: 'Low-power mode', usual: 'off', putBack: 'Low-power mode as it was' },
  'optimised-charging-off': {
    label: 'Optimised or delayed charging',
    usual: 'off',
    putBack: 'Optimised or delayed charging on again: it spares the battery',
  },
  'background-refresh-off': {
    label: 'Background refresh',
    usual: 'off',
    putBack: 'Background refresh as it was',
  },
  'same-cable': { label: 'Cable', usual: 'the one planned, the same for all' },
  ambient: { label: 'Room temperature', usual: '21 ± 2 °C', asks: '°C' },
  state: { label: 'Device is', usual: 'asleep' },
  position: { label: 'Position on the pad', usual: 'centred, marked with tape' },
  own: { label: '', usual: '' },
}

/** A condition in words, as a checklist has it. */
export const conditionInWords = ({ kind, required }: Condition): string =>
  kind === 'own' ? required : `${CONDITIONS[kind].label}: ${required}`

/** The settings to put back once a campaign is over; each but once. */
export function putBackList(protocol: Protocol): string[] {
  return protocol.conditions.flatMap(({ kind }) => CONDITIONS[kind].putBack ?? [])
}
