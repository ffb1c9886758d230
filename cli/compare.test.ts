import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { beforeAll, expect, it } from 'vitest'
import { inkpath } from './inkpath.fixture'

const folder = mkdtempSync(join(tmpdir(), 'inkpath-compare-'))
const at = (name: string) => join(folder, name)
const rows = (name: string, all: [minute: number, percent: number][]) =>
  writeFileSync(at(name), ['time_s,battery_percent', ...all.map(([m, p]) => `${m * 60},${p}`)].join('\n'))

beforeAll(() => {
  // Common practice, no source: 1 % to 100 % watched at 3 h 21 min; another 90 % at 2 h, 100 % watched at 2 h 37 min.
  rows('slow.csv', [[0, 1], [60, 40], [120, 70], [180, 95], [201, 100]]) // prettier-ignore
  rows('fast.csv', [[0, 1], [60, 55], [120, 90], [157, 100]]) // prettier-ignore
})

it('compares to the last key of the contract, against the slowest', async () => {
  const { stdout, stderr, status } = await inkpath(
    'compare',
    at('fast.csv'),
    at('slow.csv'),
    '--watched',
    '90,100',
    '--json',
  )
  expect([status, stderr]).toEqual([0, ''])
  const said = JSON.parse(stdout)
  expect(Object.keys(said)).toEqual([
    'baseline',
    'alignedAtPercent',
    'milestones',
    'marks',
    'leaders',
    'leadChanges',
    'findings',
  ])
  expect(said.findings.filter((f: { code: string }) => f.code !== 'no-level')).toEqual([])
  expect([said.baseline, said.alignedAtPercent]).toEqual([at('slow.csv'), null])
  const full = said.milestones.find((m: { percent: number }) => m.percent === 100)
  // 44 min saved, 21.9 % of the time, 1.28 × the speed (common practice, no source).
  expect(full.runs[0]).toEqual({
    file: at('fast.csv'),
    timeS: 9420,
    uncertaintyS: expect.any(Number),
    savedS: 2640,
    savedShare: expect.closeTo(0.219, 3),
    speedRatio: expect.closeTo(1.28, 2),
    verdict: 'clear',
    // 2640 less 2.306 × 2 % of both in quadrature, 706 s, and the seconds of the watching.
    atLeastS: expect.closeTo(2640 - 706, -1),
  })
  expect(full.runs[1]).toMatchObject({
    timeS: 12060,
    savedS: 0,
    speedRatio: 1,
    verdict: 'baseline',
    atLeastS: 0,
  })
  const hour = said.marks.find((m: { atS: number }) => m.atS === 3600)
  expect(hour.runs[0]).toEqual({
    file: at('fast.csv'),
    percent: 55,
    gain: 54,
    uncertainty: expect.closeTo(Math.sqrt(1 / 6), 9),
    verdict: 'clear',
    ceiling: false,
  })
  expect(said.leaders.find((l: { goal: string }) => l.goal === 'full')).toEqual({
    goal: 'full',
    files: [at('fast.csv')],
  })
  expect(said.leadChanges).toEqual([])
})

it('sets the clocks to a common level, and says what is amiss in one line', async () => {
  rows('late.csv', [[0, 40], [60, 70], [120, 100]]) // prettier-ignore
  const said = JSON.parse(
    (
      await inkpath(
        'compare',
        at('slow.csv'),
        at('late.csv'),
        '--align',
        'level',
        '--baseline',
        at('late.csv'),
        '--json',
      )
    ).stdout,
  )
  expect([said.baseline, said.alignedAtPercent]).toEqual([at('late.csv'), 40])
  expect((await inkpath('compare', at('slow.csv'), at('late.csv'))).stdout).toMatch(/clear|can’t tell apart/)
  for (const args of [
    ['compare', at('slow.csv')],
    ['compare', at('slow.csv'), at('late.csv'), '--baseline', 'nobody.csv'],
    ['ladder', 'A.csv', '--at', '3600'],
    ['ladder', `${at('slow.csv')}=5`, '--at', '0'],
  ]) {
    const refused = await inkpath(...args)
    expect([refused.status, refused.stdout]).toEqual([2, ''])
    expect(refused.stderr.trim().split('\n')).toHaveLength(1)
  }
})

it('says why what is null is not known, and of which file; nothing is judged against a baseline that has none', async () => {
  rows('short.csv', [[0, 10], [10, 30], [20, 48]]) // prettier-ignore
  rows('hour.csv', [[0, 20], [10, 28], [60, 60]]) // prettier-ignore
  const [short, hour] = [at('short.csv'), at('hour.csv')]
  const { stdout } = await inkpath('compare', short, hour, '--baseline', short, '--json')
  const half = JSON.parse(stdout).milestones[0].runs
  expect([half[0].timeS, half[1].savedS, half[1].verdict]).toEqual([null, null, 'cannot-tell'])
  const known = { severity: 'notice', file: short }
  expect(JSON.parse(stdout).findings).toEqual(
    expect.arrayContaining([
      { ...known, code: 'not-reached', message: '50 % has no time. The run ended below it, at 48 %.' },
      { ...known, code: 'no-baseline', message: 'Nothing is saved to 50 %: the baseline has no time to it.' },
      { ...known, code: 'no-level', message: 'No level at 30, 45, 60 min. The run ended before it.' },
      { ...known, file: hour, code: 'not-reached', message: '80 % has no time. The run ended below it, at 60 %.' },
    ]),
  )
  expect((await inkpath('compare', short, hour, '--baseline', short)).stdout).toMatch(/hour\.csv +\d+\smin +the baseline has none\n/)
  // Neither came to half with the other: the slowest is the one that had gained less when the shorter ended.
  expect((await inkpath('compare', short, hour)).stdout).toMatch(/^against .*hour\.csv\n/)
  const ladder = JSON.parse((await inkpath('ladder', `${short}=20`, `${hour}=10`, '--at', '2700', '--json')).stdout)
  expect(ladder.steps[1].gain).toBeNull()
  expect(ladder.findings).toEqual([{ ...known, code: 'no-level', message: 'No level at 45 min. The run ended before it.' }])
}) // prettier-ignore

it('finds the smallest source that will do (common practice, no source: one hour from 50 %)', async () => {
  const gains = { 5: 1, 10: 8, 18: 20, 35: 44, 61: 48, 96: 48 }
  for (const [watts, gain] of Object.entries(gains)) rows(`${watts}.csv`, [[0, 50], [30, 50 + gain / 2], [60, 50 + gain]]) // prettier-ignore
  const files = Object.keys(gains).map((watts) => `${at(`${watts}.csv`)}=${watts}`)
  const said = JSON.parse((await inkpath('ladder', ...files, '--at', '3600', '--json')).stdout)
  expect(said.smallest).toEqual({ file: at('35.csv'), ratedW: 35 })
  expect(said.steps[0]).toEqual({
    file: at('5.csv'),
    ratedW: 5,
    gain: 1,
    uncertainty: expect.closeTo(Math.sqrt(1 / 6), 9),
    shareOfBest: expect.closeTo(1 / 48, 9),
    ceiling: false,
  })
  expect(said.steps.map((s: { ceiling: boolean }) => s.ceiling)).toEqual([
    false,
    false,
    false,
    false,
    true,
    true,
  ])
  expect((await inkpath('ladder', ...files, '--at', '3600')).stdout).toMatch(/35.W .*smallest that will do/)
})
