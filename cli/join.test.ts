import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { beforeAll, describe, expect, it } from 'vitest'
import { inkpath } from './inkpath.fixture'

const folder = mkdtempSync(join(tmpdir(), 'inkpath-join-'))
const file = (name: string) => join(folder, name)

beforeAll(() => {
  // The current begins between 30 and 31 s here, and between 10 and 11 s there.
  const lines = (from: number, row: (on: boolean, i: number) => string) =>
    Array.from({ length: 120 }, (_, i) => `${i},${row(i > from, i)}`).join('\n')
  writeFileSync(file('meter.csv'), `time_s,power_w\n${lines(30, (on) => (on ? '18' : '0'))}\n`)
  writeFileSync(
    file('device.csv'),
    `time_s,battery_percent,battery_current_a\n${lines(10, (on, i) => `${i < 60 ? 5 : 6},${on ? '3' : '-0.1'}`)}\n`,
  )
  writeFileSync(file('levels.csv'), 'time_s,battery_percent\n0,5\n60,6\n')
})

describe('join', () => {
  it('prints the stable object and writes the trace', async () => {
    const out = file('joined.csv')
    const run = await inkpath('join', file('meter.csv'), file('device.csv'), '--out', out, '--json')
    expect(JSON.parse(run.stdout)).toEqual({
      offsetS: 20,
      uncertaintyS: Math.hypot(1, 1, 2) / Math.sqrt(12),
      by: 'start-of-current',
      powerOnS: 30.5,
      samples: 109,
      findings: [],
    })
    const [header, first] = readFileSync(out, 'utf8').split('\r\n')
    expect(header).toBe('time_s,battery_percent,power_w,battery_current_a')
    expect(first).toBe('0.5,5,18,3')
    const analysed = await inkpath('analyse', out, '--json')
    expect(analysed.status).toBe(0)
  })
  it('takes an offset as given, and says so', async () => {
    const run = await inkpath('join', file('meter.csv'), file('levels.csv'), '--offset', '-2.5', '--json')
    expect(JSON.parse(run.stdout)).toMatchObject({
      offsetS: -2.5,
      uncertaintyS: null,
      by: 'given',
      findings: [{ code: 'given-offset', file: file('levels.csv') }],
    })
    const table = await inkpath('join', file('meter.csv'), file('levels.csv'), '--offset', '-2.5')
    expect(table.stdout).toContain('as given')
  })
  it('fails in one line', async () => {
    const run = await inkpath('join', file('meter.csv'), file('levels.csv'))
    expect(run).toMatchObject({ status: 2, stdout: '' })
    expect(run.stderr).toMatch(/^inkpath: .*meter\.csv, .*levels\.csv: .*Give the offset\.\n$/)
    const nowhere = await inkpath(
      'join',
      file('meter.csv'),
      file('device.csv'),
      '--out',
      join(folder, 'no', 'x.csv'),
    )
    expect(nowhere.status).toBe(2)
  })
})
