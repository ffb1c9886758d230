import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { inkpath } from './inkpath.fixture'

const path = join(mkdtempSync(join(tmpdir(), 'inkpath-cli-')), 'ten.csv')
const analyse = (...args: string[]) => inkpath('analyse', path, ...args)

it('prints the object of the contract to the last key; what cannot be known is null', async () => {
  // Twelve watts at nine volts for ten minutes, read each minute, a point a minute: all of it can be done in the head.
  const rows = Array.from({ length: 11 }, (_, i) => `${i * 60},${10 + i},9,12`)
  writeFileSync(path, ['time_s,battery_percent,voltage_v,power_w', ...rows].join('\n'))
  const { stdout, stderr, status } = await analyse('--json', '--capacity-wh', '15')
  expect([status, stderr]).toEqual([0, ''])
  const nowhere = { timeS: null, earliestS: null, latestS: null, firstSeenS: null, uncertaintyS: null }
  const never = { percent: null, low: null, high: null, gain: null, uncertainty: null }
  const said = JSON.parse(stdout)
  // Two displays of whole points: 1/√6 (GUM, rectangular).
  const uncertainty = expect.closeTo(Math.sqrt(1 / 6), 9)
  expect(said).toEqual({
    samples: 11,
    durationS: 600,
    milestones: [50, 80, 90, 100].map((percent) => ({ percent, ...nowhere })),
    marks: [
      { atS: 300, percent: 15, low: 15, high: 15, gain: 5, uncertainty },
      { atS: 600, percent: 20, low: 20, high: 20, gain: 10, uncertainty },
      ...[15, 20, 30, 45, 60, 90, 120].map((minutes) => ({ atS: minutes * 60, ...never })),
    ],
    bands: [
      // A point a minute from 10 to 20 %, at twelve watts; the other bands were not entered.
      { from: 0, to: 20, meanW: 12, pointsPerMinute: 1 },
      ...[20, 50, 80].map((from, i) => ({ from, to: [50, 80, 100][i], meanW: null, pointsPerMinute: null })),
    ],
    power: { peakW: 12, peakAtS: 0, heldPeakW: 12, meanW: 12 },
    energyWh: 2,
    chargeAh: expect.closeTo(2 / 9, 9),
    bridgedWh: 0,
    energyFrom: 'integral',
    counter: null,
    // A tenth of 15 Wh gained from 2 Wh.
    efficiency: expect.closeTo(0.75, 9),
    taperEndS: null,
    parts: [{ kind: 'hold', startS: 0, endS: 600, meanW: 12, energyWh: 2, gain: 10 }],
    supply: [{ startS: 0, endS: 600, volts: 9, mode: 'fixed' }],
    heat: [],
    // Half of 15 Wh at twelve watts, and at what usually arrives of them.
    spot: { toHalfLosslessS: 2250, toHalfS: 2812.5, efficiency: 0.8, efficiencyAssumed: true },
    findings: said.findings,
  })
  for (const finding of said.findings)
    expect(Object.keys(finding).sort()).toEqual(['atS', 'code', 'message', 'severity'])
})

it('prints a table without --json, and one line for what it cannot use', async () => {
  expect((await analyse()).stdout).toMatch(/2\.0+\sWh/)
  writeFileSync(path, 'time_s,battery_percent\n0,10\n60,x\n')
  const refused = await analyse('--json', '--health', '0')
  expect([refused.status, refused.stdout]).toEqual([2, ''])
  expect(refused.stderr.trim().split('\n')).toHaveLength(1)
})

it('says what was assumed about a file that is not written its own way, and of one that is, nothing', async () => {
  const readAs = async () =>
    JSON.parse((await analyse('--json')).stdout)
      .findings.filter((f: { code: string }) => f.code === 'read-as')
      .map((f: { message: string }) => f.message)
  writeFileSync(path, 'time_s,battery_percent,power_w\n0,10,5.5\n60,11,5.5\n')
  expect(await readAs()).toEqual([])
  writeFileSync(path, 'time_s;battery_percent;power_w\n0:00:00;10;5,5\n0:01:00;11;5,5\n')
  expect(await readAs()).toEqual(expect.arrayContaining(['A comma inside a number is a decimal comma.']))
  for (const [command, ...more] of [['analyse'], ['compare', path], ['ladder', '--at', '60']]) {
    const { stdout } = await inkpath(command, command === 'ladder' ? `${path}=5` : path, ...more)
    expect(stdout, command).toContain(`${path}: A comma inside a number is a decimal comma.`)
  }
  // Nothing is left out where nothing goes on.
  writeFileSync(path, 'time_s,battery_percent\n0,10\n60,11\n30,12\n')
  expect((await analyse()).stderr).toMatch(/line 4, time_s: Time goes backwards, from 60 s to 30 s\.$/m)
})

it('says what a meter’s own count says, and how hot which place became', async () => {
  const rows = ['0,1.2,24,10', '300,1.615,40.8,12', '600,1.5,38,12']
  writeFileSync(path, ['time_s,counter_wh,temperature_back_c,battery_percent', ...rows].join('\n'))
  // Common practice, no source: 0.415 Wh on the counter after 5 minutes. Then it was set back and counted 1.5.
  const said = JSON.parse((await analyse('--json', '--ambient', '25')).stdout)
  expect(said).toMatchObject({ energyFrom: 'counter', bridgedWh: 0, chargeAh: null })
  expect(said.energyWh).toBeCloseTo(1.915, 9)
  expect(said.counter).toEqual({ energyWh: expect.closeTo(1.915, 9), chargeAh: null, resets: 1 })
  expect(said.heat).toEqual([
    {
      place: 'back',
      maxC: 40.8,
      riseC: expect.closeTo(16.8, 9),
      maxAtS: 300,
      overAmbientC: expect.closeTo(15.8, 9),
      at: [{ atS: 600, maxC: 40.8 }],
      backToStartS: null,
    },
  ])
})

it('takes the first reading of a named level as watched', async () => {
  const rows = ['0,1', '10260,98', '12060,100', '12120,100']
  writeFileSync(path, ['time_s,battery_percent', ...rows].join('\n'))
  const full = async (...args: string[]) =>
    JSON.parse((await analyse('--json', ...args)).stdout).milestones[3]
  // Common practice, no source: 1 % to 100 % watched at 3 h 21 min, the last check half an hour before.
  expect(await full('--watched', '90,100')).toMatchObject({ percent: 100, timeS: 12060, earliestS: 12055 })
  expect(await full()).toMatchObject({ timeS: 11160, earliestS: 10260 })
  expect((await analyse('--watched', 'soon')).status).toBe(2)
})

it('takes one charge of a trace that ran on into the next, and says so where it is taken whole', async () => {
  const charge = (from: number) => Array.from({ length: 60 }, (_, m) => `${60 * (from + m)},${5 + m},12`)
  writeFileSync(path, ['time_s,battery_percent,power_w', ...charge(0), ...charge(60)].join('\n'))
  const said = JSON.parse((await analyse('--json', '--charge', '2')).stdout)
  expect([said.samples, said.durationS, said.milestones[0].earliestS]).toEqual([60, 3540, 2640])
  const codes = JSON.parse((await analyse('--json')).stdout).findings.map((f: { code: string }) => f.code)
  expect(codes).toContain('another-charge')
  expect(said.findings.map((f: { code: string }) => f.code)).not.toContain('another-charge')
  expect(await analyse('--charge', '3')).toMatchObject({ status: 2, stderr: expect.stringMatching(/ten\.csv: it holds 2 charges\.$/m) }) // prettier-ignore
})
