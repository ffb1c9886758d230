import { boolean, object, type AnySchema, type InferType } from 'yup'
import { capacityOf, heldCapacity, type Capacity } from '../gear/capacity'
import type { Device } from '../gear/gear'
import { text } from '../gear/fields'
import { optionalId } from '../trace/fields'
import { optionalNumber } from '../trace/typedNumber'
import type { ChecklistAnswer } from './checklist'
import { conditionInWords } from './conditions'
import type { Protocol } from './protocol'

/** Everything that is to be known of one condition of a run. */
export interface RunCondition {
  schema: AnySchema
  /** On the sheet and on its field; one without is not shown by itself. */
  label?: string
  unit?: string
  /** Chosen from the shelf rather than typed. */
  pick?: 'power meter' | 'thermometer' | 'source'
  hint?: string
}

/**
 * The one table of what a run was made under, as it was at the time: later changes of the shelf leave it alone. The
 * type, the check, the sheet and the corrections go by it: a condition is added here and nowhere besides.
 */
export const RUN_CONDITIONS = {
  protocol: { schema: text(80), label: 'Protocol' },
  deviceState: { schema: text(400), label: 'State of the device', hint: 'Like asleep, flight mode' },
  unitLabel: { schema: text(40), label: 'Unit' },
  software: { schema: text(80), label: 'Software version' },
  /** Rated capacity; with health it gives what was usable then. */
  ratedWh: { schema: optionalNumber('Capacity', 0, 1000, ' Wh'), label: 'Capacity, rated', unit: 'Wh' },
  /** True where the capacity was worked out with an assumed voltage. */
  voltsAssumed: { schema: boolean().defined().default(false) },
  healthPercent: { schema: optionalNumber('Health', 1, 120, ' %'), label: 'Battery health', unit: '%' },
  fedFromId: { schema: optionalId(), label: 'Fed from', pick: 'source' },
  chain: { schema: text(200), label: 'In the chain besides', hint: 'Like a dock, a pad, a power bank' },
  meterId: { schema: optionalId(), label: 'Meter', pick: 'power meter' },
  thermometerId: { schema: optionalId(), label: 'Thermometer', pick: 'thermometer' },
  ambientC: { schema: optionalNumber('Room', -30, 60, ' °C'), label: 'Room', unit: '°C' },
  restMinutes: { schema: optionalNumber('Rest', 0, 10_000, ' min'), label: 'Rested before', unit: 'min' },
} satisfies Record<string, RunCondition>

type Fields = typeof RUN_CONDITIONS
export type RunConditionName = keyof Fields

/** The conditions of a run as they are kept. */
export const runConditionsSchema = object(
  Object.fromEntries(Object.entries(RUN_CONDITIONS).map(([key, { schema }]) => [key, schema])) as {
    [K in RunConditionName]: Fields[K]['schema']
  },
)
export type RunConditions = InferType<typeof runConditionsSchema>

/** Nothing known. */
export const noConditions = (): RunConditions => runConditionsSchema.getDefault() as unknown as RunConditions

/** Those that can be seen and put right, in the order of the sheet. */
export const shownConditions = (Object.keys(RUN_CONDITIONS) as RunConditionName[]).flatMap((name) => {
  const entry: RunCondition = RUN_CONDITIONS[name]
  return entry.label ? [{ name, ...entry, label: entry.label }] : []
})

/** What a comparison will ask for. */
const ASKED_FOR = ['deviceState', 'ratedWh', 'ambientC'] as const satisfies readonly RunConditionName[]

/**
 * What a comparison will ask for and nobody noted, by its label.
 *
 * @example unknownConditions({ ...noConditions(), ambientC: 21 }, 'c1') // ['State of the device', 'Capacity, rated']
 */
export function unknownConditions(conditions: RunConditions, cableId: string | null): string[] {
  const missing = ASKED_FOR.filter((name) => conditions[name] === null || conditions[name] === '')
  return [...(cableId === null ? ['Cable'] : []), ...missing.map((name) => RUN_CONDITIONS[name].label)]
}

/** What a device brings to a run, frozen. */
export function deviceConditions(
  device: Device,
): Pick<RunConditions, 'unitLabel' | 'software' | 'ratedWh' | 'voltsAssumed' | 'healthPercent'> {
  const { ratedWh, assumedVolts } = capacityOf(device)
  return {
    unitLabel: device.unitLabel,
    software: device.software,
    ratedWh: Number.isNaN(ratedWh) ? null : ratedWh,
    voltsAssumed: !Number.isNaN(ratedWh) && assumedVolts,
    healthPercent: device.healthPercent,
  }
}

/** Kinds that say how the device was set, not what stands about it. */
const OF_THE_DEVICE = new Set<string>([
  'flight-mode',
  'apps-closed',
  'screen',
  'low-power-mode-off',
  'optimised-charging-off',
  'background-refresh-off',
  'state',
  'own',
])

/** What a protocol brings to a run. The rest counts once it was ticked off: {@link checkedConditions}. */
export const protocolConditions = (protocol: Protocol): Pick<RunConditions, 'protocol' | 'deviceState'> => ({
  protocol: protocol.name,
  deviceState: protocol.conditions
    .filter(({ kind }) => OF_THE_DEVICE.has(kind))
    .map(conditionInWords)
    .join('; ')
    .slice(0, 400),
})

/** What the answers to a checklist say of a run: the room as it was read, the rest as it was measured. */
export function checkedConditions(answers: readonly ChecklistAnswer[]): Partial<RunConditions> {
  const done = (id: string) => answers.find((a) => a.id === id && a.answer === 'done')
  const ambient = done('ambient')?.value ?? null
  const rest = done('rest')
  // An earlier version asked for a tick alone: what was ticked is what the protocol wanted.
  const rested = rest?.value ?? /(\d+)\s*min/.exec(rest?.text ?? '')?.[1]
  return {
    ...(ambient === null ? {} : { ambientC: ambient }),
    ...(rested === undefined ? {} : { restMinutes: Number(rested) }),
  }
}

/** The capacity of a run's battery at the time; NaN where it is not known. */
export const capacityThen = ({ ratedWh, healthPercent, voltsAssumed }: RunConditions): Capacity =>
  heldCapacity(ratedWh ?? NaN, healthPercent ?? NaN, voltsAssumed)
