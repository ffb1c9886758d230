import { spawn } from 'node:child_process'
import { mkdtemp, mkdir, writeFile } from 'node:fs/promises'
import { createServer, type AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterEach, describe, expect, it } from 'vitest'
import type { Sample } from './instrument'
import { powerSupplies, readUevent, sampleFrom } from './powerSupply'
import { instrumentsFor } from './all'
import { parseScpiNumber } from './scpi'
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

  /** An instrument that answers as told: the nth question, and what to say to it; null is silence. */
  const speaking = async (answer: (question: string, nth: number) => string | null, greeting = '') => {
    const questions: string[] = []
    const server = createServer((socket) => {
      if (greeting) socket.write(greeting)
      socket.on('error', () => undefined)
      socket.on('data', (data) => {
        for (const question of data.toString().split('\n').filter(Boolean)) {
          questions.push(question)
          const said = answer(question, questions.length)
          if (said === 'HANG UP') socket.destroy()
          else if (said !== null) socket.write(said)
        }
      })
    })
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
    cleanup.push(() => server.close())
    return { instrument: scpiInstrument('127.0.0.1', (server.address() as AddressInfo).port), questions }
  }
  const usual: Record<string, string> = {
    '*IDN?': 'A,B\r\n',
    'MEAS:VOLT?': '+5.0012E+00\r\n',
    'MEAS:CURR?': '1.5\n',
    'MEAS:TEMP?': '9.91E37\r\n',
  }

  it('leaves out what an instrument cannot measure, and says when the line is cut', async () => {
    const { instrument } = await speaking((q, nth) => (nth > 7 ? 'HANG UP' : usual[q]))
    const { samples, reason } = await listen(instrument, 9)
    expect(samples).toHaveLength(1)
    expect(samples[0]).toMatchObject({ voltage: 5.0012, current: 1.5 })
    expect(samples[0].temperatures).toBeUndefined()
    expect(reason).toMatch(/closed the line/)
  }, 20_000)

  it('never takes volts for amperes where a line comes unasked: it throws the round away and goes on', async () => {
    let rounds = 0
    const { instrument } = await speaking(
      (q) => (q === 'MEAS:VOLT?' && ++rounds === 2 ? `12.5\n${usual[q]}` : usual[q]),
      'Ready.\r\n',
    )
    const { samples } = await listen(instrument, 3)
    for (const s of samples) expect(s).toMatchObject({ voltage: 5.0012, current: 1.5 })
    expect(rounds).toBeGreaterThan(3)
  }, 30_000)

  it('delivers the others where it is silent on one question', async () => {
    const { instrument, questions } = await speaking((q) => (q === 'MEAS:TEMP?' ? null : usual[q]))
    const { samples } = await listen(instrument, 4)
    expect(samples.every((s) => s.current === 1.5)).toBe(true)
    expect(questions.filter((q) => q === 'MEAS:TEMP?')).toHaveLength(2)
  }, 30_000)

  it('counts a value that its channel cannot hold as not read', async () => {
    const { instrument } = await speaking((q) => (q === 'MEAS:VOLT?' ? '5000\n' : usual[q]))
    expect((await listen(instrument, 1)).samples[0].voltage).toBeUndefined()
  }, 20_000)

  it('hangs up on one that sends without end', async () => {
    const { instrument } = await speaking((q) => (q === 'MEAS:VOLT?' ? 'x'.repeat(5000) : usual[q]))
    expect((await listen(instrument, 1)).reason).toMatch(/more than 1024 characters/)
  }, 20_000)

  it.each([
    ['+5.0012E+00', 5.0012],
    ['-.5', -0.5],
    ['12', 12],
    ['0x1F', undefined],
    ['1,2,3', undefined],
    ['5.0abc', undefined],
    ['', undefined],
    ['NaN', undefined],
    ['9.91E37', undefined],
    ['1e999', undefined],
  ])('reads %j as %j', (text, value) => expect(parseScpiNumber(text)).toBe(value))

  it('holds up no list: one that does not answer goes by its address', async () => {
    const { instrument } = await speaking(() => null)
    const port = Number(/(\d+)$/.exec(instrument.id)![1])
    const began = Date.now()
    const list = await instrumentsFor({ scpi: [{ host: '127.0.0.1', port }], powerSupply: '/nowhere', simulatedSpeed: 1 })() // prettier-ignore
    expect(Date.now() - began).toBeLessThan(5000)
    expect(list.map((i) => i.name)).toContain(`Instrument at 127.0.0.1:${port}`)
    expect(list.map((i) => i.id)).toContain('simulated-meter')
  })

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

  it('has no level where the driver leaves it empty or says what cannot be, and signs follow the status', () => {
    const of = (text: string) => sampleFrom(readUevent(text), 0)
    expect(of('POWER_SUPPLY_CAPACITY=\n').percent).toBeUndefined()
    expect(of('POWER_SUPPLY_CAPACITY=103\n').percent).toBeUndefined()
    expect(of('POWER_SUPPLY_CAPACITY=unknown\n').percent).toBeUndefined()
    expect(of('POWER_SUPPLY_CAPACITY=0\n').percent).toBe(0)
    // Where there is no capacity, what is stored against what it holds.
    expect(of('POWER_SUPPLY_ENERGY_NOW=31920000\nPOWER_SUPPLY_ENERGY_FULL=56000000\n').percent).toBe(57)
    expect(of('POWER_SUPPLY_CHARGE_NOW=2000\nPOWER_SUPPLY_CHARGE_FULL=4000\n').percent).toBe(50)
    const watts = (status: string, w: number) =>
      of(`POWER_SUPPLY_STATUS=${status}\nPOWER_SUPPLY_POWER_NOW=${w * 1e6}\n`).batteryPower
    expect([watts('Charging', -30), watts('Discharging', 12), watts('Not charging', -2)]).toEqual([
      30, -12, -2,
    ])
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
