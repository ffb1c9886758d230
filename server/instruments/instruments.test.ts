import { spawn } from 'node:child_process'
import { mkdtemp, mkdir, writeFile } from 'node:fs/promises'
import { createServer, type AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, describe, expect, it } from 'vitest'
import type { Sample } from './instrument'
import { powerSupplies, readUevent, sampleFrom } from './powerSupply'
import { identify, scpiInstrument } from './scpiInstrument'

const cleanup: (() => void)[] = []
afterEach(() => cleanup.splice(0).forEach((undo) => undo()))

/** Listens until so many samples or a failure came. */
const listen = (i: { stream: ReturnType<typeof scpiInstrument>['stream'] }, count: number) =>
  new Promise<{ samples: Sample[]; reason: string }>((resolve) => {
    const samples: Sample[] = []
    const stop = i.stream(
      (s) => samples.push(s) >= count && resolve({ samples, reason: '' }),
      (reason) => resolve({ samples, reason }),
    )
    cleanup.push(stop)
  })

describe('an instrument that speaks SCPI over a real socket', () => {
  it('is the simulated one in a process of its own: named, and read once a second', async () => {
    const child = spawn(process.execPath, [
      '--import',
      'tsx',
      'server/scpiSimulator.ts',
      '--port',
      '0',
      '--speed',
      '60',
    ])
    cleanup.push(() => child.kill())
    const said = await new Promise<string>((resolve) =>
      child.stdout.once('data', (d: Buffer) => resolve(d.toString())),
    )
    const port = Number(/:(\d+)/.exec(said)![1])
    expect(await identify('127.0.0.1', port)).toBe('Inkpath Log Simulated instrument')
    await new Promise((resolve) => setTimeout(resolve, 500))
    const { samples } = await listen(scpiInstrument('127.0.0.1', port), 2)
    expect(samples[1].t - samples[0].t).toBeGreaterThan(0.8)
    // A 20 W charger at 9 V: the level is that of the fixed 9 V supply, within its ±5 %.
    expect(samples[1].voltage).toBeGreaterThan(8.55)
    expect(samples[1].voltage).toBeLessThan(9.45)
    expect(samples[1].temperatures!.probe).toBeGreaterThan(20)
  }, 20_000)

  it('leaves out what an instrument cannot measure, and says when the line is cut', async () => {
    const server = createServer((socket) => {
      let asked = 0
      socket.on('error', () => undefined)
      socket.on('data', (d) => {
        const question = d.toString().trim()
        if (++asked > 5) return socket.destroy()
        socket.write(
          question === 'MEAS:VOLT?' ? '+5.0012E+00\r\n' : question === '*IDN?' ? 'A,B\r\n' : '9.91E37\r\n',
        )
      })
    })
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
    cleanup.push(() => server.close())
    const { samples, reason } = await listen(
      scpiInstrument('127.0.0.1', (server.address() as AddressInfo).port),
      9,
    )
    expect(samples).toHaveLength(1)
    expect(samples[0].voltage).toBeCloseTo(5.0012, 6)
    expect(samples[0].current).toBeUndefined()
    expect(reason).toMatch(/closed the line/)
  }, 20_000)

  it('says that nobody answers', async () => {
    const { reason } = await listen(scpiInstrument('127.0.0.1', 1), 1)
    expect(reason).toMatch(/ECONNREFUSED/)
  })
})

describe('this machine’s battery', () => {
  const UEVENT =
    'POWER_SUPPLY_NAME=BAT0\nPOWER_SUPPLY_TYPE=Battery\nPOWER_SUPPLY_STATUS=Discharging\n' +
    'POWER_SUPPLY_CAPACITY=57\nPOWER_SUPPLY_VOLTAGE_NOW=11400000\nPOWER_SUPPLY_CURRENT_NOW=1500000\nPOWER_SUPPLY_TEMP=312\n'

  it('is read in the kernel’s units: µV, µA and tenths of a degree', () => {
    expect(sampleFrom(readUevent(UEVENT), 4)).toEqual({
      t: 4,
      percent: 57,
      batteryPower: -17.1,
      temperatures: { battery: 31.2 },
      status: 'Discharging',
    })
    const charging = UEVENT.replace('Discharging', 'Charging').replace(/VOLTAGE.*\n/, 'POWER_NOW=30000000\n')
    expect(sampleFrom(readUevent(charging), 0).batteryPower).toBe(30)
  })

  it('is found in the folder, next to supplies that are none; a missing folder has none', async () => {
    const folder = await mkdtemp(join(tmpdir(), 'supply-'))
    for (const [name, text] of [
      ['BAT0', UEVENT],
      ['AC', 'POWER_SUPPLY_TYPE=Mains\nPOWER_SUPPLY_ONLINE=1\n'],
    ]) {
      await mkdir(join(folder, name))
      await writeFile(join(folder, name, 'uevent'), text)
    }
    const found = await powerSupplies(folder)
    expect(found.map((i) => i.id)).toEqual(['battery-BAT0'])
    expect((await listen(found[0], 1)).samples[0].percent).toBe(57)
    expect(await powerSupplies(join(folder, 'none'))).toEqual([])
  })
})
