import { CHANNELS, type Channel, type Trace } from '../../trace/trace'

/** Columns that the device itself is the better witness of. */
const OF_DEVICE: readonly Channel[] = [
  'percent',
  'watched',
  'batteryPower',
  'batteryVoltage',
  'batteryCurrent',
]
/** What a device's file calls volts, amperes and watts are its battery's. */
const AS_BATTERY: Partial<Record<Channel, Channel>> = {
  voltage: 'batteryVoltage',
  current: 'batteryCurrent',
  power: 'batteryPower',
}

/**
 * Two records as one trace on the meter's clock, nothing resampled: every reading of either stands at its own moment,
 * and readings of one moment share a row. Of what both hold, volts, amperes, watts and counts are the meter's; level
 * and battery the device's. Places of temperature that both name are told apart.
 *
 * @param offsetS what is added to the device's clock
 * @param powerOnS moment of the meter's clock that becomes 0; readings before it are left out
 */
export function union(meter: Trace, device: Trace, offsetS: number, powerOnS: number): Trace {
  const rows: { t: number; meter: number; device: number }[] = []
  let [m, d] = [0, 0]
  const at = (trace: Trace, i: number, by: number) => (i < trace.time.length ? trace.time[i] + by : Infinity)
  while (m < meter.time.length || d < device.time.length) {
    const [tm, td] = [at(meter, m, 0), at(device, d, offsetS)]
    const t = Math.min(tm, td)
    rows.push({ t: t - powerOnS, meter: tm === t ? m++ : -1, device: td === t ? d++ : -1 })
  }
  const kept = rows.slice(rows.findIndex((row) => row.t >= 0))
  const side = { meter, device }
  const column = (of: 'meter' | 'device', from: Float64Array | undefined) =>
    from && Float64Array.from(kept, (row) => (row[of] >= 0 ? from[row[of]] : NaN))
  const trace: Trace = { time: Float64Array.from(kept, (row) => row.t), temperatures: {} }
  for (const c of CHANNELS) {
    const first = OF_DEVICE.includes(c) ? ('device' as const) : ('meter' as const)
    const found = side[first][c]
      ? column(first, side[first][c])
      : first === 'device' && column('meter', meter[c])
    if (found) trace[c] = found
  }
  for (const [from, to] of Object.entries(AS_BATTERY) as [Channel, Channel][])
    if (!trace[to] && device[from]) trace[to] = column('device', device[from])
  for (const of of ['meter', 'device'] as const)
    for (const [place, values] of Object.entries(side[of].temperatures)) {
      const both = place in meter.temperatures && place in device.temperatures
      trace.temperatures[both ? [place, of].filter(Boolean).join(' ') : place] = column(of, values)!
    }
  if (meter.notes || device.notes)
    trace.notes = kept.map((row) =>
      [meter.notes?.[row.meter], device.notes?.[row.device]].filter(Boolean).join('; '),
    )
  return trace
}
