import { readdir, readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import { BOUNDS, TEMPERATURE_BOUNDS } from '@core/trace/bounds'
import type { Instrument, Sample } from './instrument'

const EVERY_MS = 1000

/** The key=value lines of a `uevent` file of the Linux power-supply class. */
export function readUevent(text: string): Map<string, string> {
  const pairs = text.split('\n').flatMap((line): [string, string][] => {
    const at = line.indexOf('=')
    return at > 0 ? [[line.slice(0, at).replace(/^POWER_SUPPLY_/, ''), line.slice(at + 1).trim()]] : []
  })
  return new Map(pairs)
}

/** What a battery says of itself. The kernel counts in µV, µA, µW and tenths of °C (power-supply class ABI). */
export function sampleFrom(uevent: Map<string, string>, t: number): Sample {
  // An empty value is none: Number('') would make it a zero.
  const number = (key: string, scale: number): number | undefined => {
    const text = uevent.get(key) ?? ''
    return /^[+-]?\d+$/.test(text) ? Number(text) * scale : undefined
  }
  const status = uevent.get('STATUS') ?? ''
  const volts = number('VOLTAGE_NOW', 1e-6)
  const amps = number('CURRENT_NOW', 1e-6)
  const watts =
    number('POWER_NOW', 1e-6) ?? (volts !== undefined && amps !== undefined ? volts * amps : undefined)
  const celsius = within(number('TEMP', 0.1), TEMPERATURE_BOUNDS)
  const percent = within(number('CAPACITY', 1) ?? shareOf(number), BOUNDS.percent)
  const batteryPower = within(signed(watts, status), BOUNDS.batteryPower)
  return {
    t,
    ...(percent === undefined ? {} : { percent }),
    ...(batteryPower === undefined ? {} : { batteryPower: Math.round(batteryPower * 1000) / 1000 }),
    ...(celsius === undefined ? {} : { temperatures: { battery: Math.round(celsius * 10) / 10 } }),
    ...(status ? { status } : {}),
  }
}

const within = (v: number | undefined, [low, high]: readonly [number, number]): number | undefined =>
  v !== undefined && v >= low && v <= high ? v : undefined

/** Drivers differ in the sign they give; the status is the same everywhere. */
function signed(watts: number | undefined, status: string): number | undefined {
  if (watts === undefined) return undefined
  if (status === 'Discharging') return -Math.abs(watts)
  return status === 'Charging' ? Math.abs(watts) : watts
}

/** The level from what is stored against what it holds, in tenths of a percent, where the driver gives no capacity. */
function shareOf(number: (key: string, scale: number) => number | undefined): number | undefined {
  for (const kind of ['ENERGY', 'CHARGE']) {
    const now = number(`${kind}_NOW`, 1)
    const full = number(`${kind}_FULL`, 1)
    if (now !== undefined && full !== undefined && full > 0) return Math.round((now / full) * 1000) / 10
  }
  return undefined
}

/** The batteries in a folder laid out like /sys/class/power_supply; none where there is no such folder. */
export async function powerSupplies(folder: string): Promise<Instrument[]> {
  const names = await readdir(folder).catch(() => [])
  const found = await Promise.all(
    names.sort().map(async (name) => {
      const path = join(folder, name, 'uevent')
      const uevent = readUevent(await readFile(path, 'utf8').catch(() => ''))
      return uevent.get('TYPE') === 'Battery' || uevent.has('CAPACITY') ? battery(name, path) : null
    }),
  )
  return found.filter((i) => i !== null)
}

const battery = (name: string, path: string): Instrument => ({
  id: `battery-${name.replace(/[^\w.-]/g, '_')}`,
  name: `This machine’s battery ${name}`,
  kind: 'battery',
  simulated: false,
  stream(deliver, failed) {
    const began = performance.now()
    let stopped = false
    const read = () =>
      readFile(path, 'utf8').then(
        (text) =>
          stopped || deliver(sampleFrom(readUevent(text), Math.round(performance.now() - began) / 1000)),
        (error: Error) => stopped || failed(`The battery cannot be read: ${error.message}`),
      )
    const timer = setInterval(read, EVERY_MS)
    void read()
    return () => {
      stopped = true
      clearInterval(timer)
    }
  },
})
