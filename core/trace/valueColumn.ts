import { BOUNDS, TEMPERATURE_BOUNDS } from './bounds'
import { channel, columnTitle, type Channel } from './channels'
import type { Trace } from './trace'

/** A column of values that can be put right: a channel, or the temperature of a place ('' is the unnamed one). */
export type TemperatureColumn = `temperature:${string}`
export type ValueColumn = Channel | TemperatureColumn

const PREFIX = 'temperature:'
const DEGREES_DIGITS = 1

/** The column of a place's temperatures. */
export const temperatureOf = (place: string): TemperatureColumn => `${PREFIX}${place}`

/** Which place a column of temperatures is of; null for a channel. */
export const placeOf = (column: string): string | null =>
  column.startsWith(PREFIX) ? column.slice(PREFIX.length) : null

/** The values of a column; undefined where the trace has none of it. */
export function valuesOf(trace: Trace, column: ValueColumn): Float64Array | undefined {
  const place = placeOf(column)
  return place === null ? trace[column as Channel] : trace.temperatures[place]
}

/** What is to be known of a column: its name, unit (SI, % or °C), digits and bounds. */
export function aboutColumn(column: ValueColumn): {
  label: string
  title: string
  unit: string
  digits: number
  bounds: readonly [number, number]
} {
  const place = placeOf(column)
  if (place !== null) {
    const label = place ? `Temperature, ${place}` : 'Temperature'
    return {
      label,
      title: `${place || label}, °C`,
      unit: '°C',
      digits: DEGREES_DIGITS,
      bounds: TEMPERATURE_BOUNDS,
    }
  }
  const { label, unit, digits } = channel(column as Channel)
  return { label, title: columnTitle(column as Channel), unit, digits, bounds: BOUNDS[column as Channel] }
}
