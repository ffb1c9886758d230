import { readdir, readFile } from 'node:fs/promises'
import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
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
  const number = (key: string, scale: number): number | undefined => {
    const value = Number(uevent.get(key))
    return uevent.has(key) && Number.isFinite(value) ? value * scale : undefined
  }
  const status = uevent.get('STATUS') ?? ''
  const volts = number('VOLTAGE_NOW', 1e-6)
  const amps = number('CURRENT_NOW', 1e-6)
  const watts =
    number('POWER_NOW', 1e-6) ?? (volts !== undefined && amps !== undefined ? volts * amps : undefined)
  const celsius = number('TEMP', 0.1)
  const percent = number('CAPACITY', 1)
  // Drivers differ in the sign they give while draining; the status is the same everywhere.
  const batteryPower = watts === undefined ? undefined : status === 'Discharging' ? -Math.abs(watts) : watts
  return {
    t,
    ...(percent === undefined ? {} : { percent }),
    ...(batteryPower === undefined ? {} : { batteryPower: Math.round(batteryPower * 1000) / 1000 }),
    ...(celsius === undefined ? {} : { temperatures: { battery: Math.round(celsius * 10) / 10 } }),
    ...(status ? { status } : {}),
  }
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
    const read = () =>
      readFile(path, 'utf8').then(
        (text) => deliver(sampleFrom(readUevent(text), Math.round(performance.now() - began) / 1000)),
        (error: Error) => (clearInterval(timer), failed(`The battery cannot be read: ${error.message}`)),
      )
    const timer = setInterval(read, EVERY_MS)
    void read()
    return () => clearInterval(timer)
  },
})
