import { execFileSync } from 'node:child_process'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { inkpath } from './inkpath.fixture'

// A phone's power along straight lines, minutes and watts. Common practice, no source.
const PHONE: [number, number][] = [
  [0, 24.1], [2, 24.6], [17, 25.9], [24, 19.2], [32, 19.5], [35, 13.4], [42, 13.6], [47, 8.0],
  [53, 7.7], [65, 6.5], [76, 5.8], [80, 4.7], [90, 2.4], [100, 1.0], [108, 0.5],
] // prettier-ignore
const folder = mkdtempSync(join(tmpdir(), 'inkpath-cli-'))
const file = (name: string, text: string) => {
  const path = join(folder, name)
  writeFileSync(path, text)
  return path
}

it('prints one JSON object: the times on weaker sources, null where the start is above the goal', async () => {
  const full = file('full.csv', 'time_s,power_w\n' + PHONE.map(([m, w]) => `${m * 60},${w}`).join('\n'))
  const text = execFileSync(
    process.execPath,
    ['--import', 'tsx', 'cli/inkpath.ts', 'forecast', full, '--source-w', '12,4.75', '--json'],
    { encoding: 'utf8' },
  )
  const said = JSON.parse(text)
  expect(Object.keys(said)).toEqual(['forecasts', 'findings'])
  expect(said.findings).toEqual([])
  const [twelve, five] = said.forecasts
  expect(Object.keys(twelve)).toEqual(['sourceW', 'to50S', 'to80S', 'to100S'])
  expect(twelve.sourceW).toBe(12)
  // Common practice, no source: 3042, 5000 and 8390 s at 12 W; about 4 h 32 min at 4.75 W.
  expect(Math.abs(twelve.to50S - 3042)).toBeLessThan(10)
  expect(Math.abs(twelve.to80S - 5000)).toBeLessThan(20)
  expect(Math.abs(twelve.to100S - 8390)).toBeLessThan(30)
  expect(Math.abs(five.to100S - 272 * 60)).toBeLessThan(120)
  const from60 = await inkpath('forecast', full, '--source-w', '12', '--from', '60', '--to', '90', '--json')
  expect(JSON.parse(from60.stdout).forecasts[0]).toMatchObject({ to50S: null })
  expect(JSON.parse(from60.stdout).forecasts[0].to90S).toBeGreaterThan(0)
  expect(JSON.parse(from60.stdout).findings).toEqual([
    {
      code: 'not-reached',
      severity: 'notice',
      file: full,
      message: '12 W has no time to 50 %. It is not above the start, 60 %.',
    },
  ])
  // Level for its last five minutes, it draws two watts when full: a source of one watt brings it nothing.
  const rests = [...PHONE.map(([m, w]) => [m, Math.max(2, w)]), [112, 2], [116, 2], [120, 2]]
  const resting = file('resting.csv', 'time_s,power_w\n' + rests.map(([m, w]) => `${m * 60},${w}`).join('\n'))
  const weak = JSON.parse((await inkpath('forecast', resting, '--source-w', '1', '--json')).stdout)
  expect(weak.forecasts[0]).toEqual({ sourceW: 1, to50S: null, to80S: null, to100S: null })
  expect(weak.findings[0].message).toBe(
    '1 W has no time to 50, 80, 100 %. The device draws as much when it is full.',
  )
})

it('ends with 2 and one line for what it cannot use', async () => {
  const half = file('half.csv', 'time_s,battery_percent,power_w\n0,40,10\n600,50,10\n1200,60,10\n')
  const refused = await inkpath('forecast', half, '--source-w', '12', '--json')
  expect([refused.status, refused.stdout]).toEqual([2, ''])
  expect(refused.stderr.trim().split('\n')).toHaveLength(1)
  expect(refused.stderr).toMatch(/half\.csv: not a full run/)
  expect((await inkpath('forecast', half, '--source-w', 'many')).status).toBe(2)
})
