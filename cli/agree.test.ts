import { expect, it } from 'vitest'
import { inkpath } from './inkpath.fixture'

const agree = (...args: string[]) => inkpath('agree', ...args)
const json = async (source: string, device: string, ...more: string[]): Promise<unknown> =>
  JSON.parse((await agree('--source', source, '--device', device, ...more, '--json')).stdout)

it('prints the object of the contract, to the last key', async () => {
  expect(await json('5V3A, 9V3A; rated 20W', '9V3A; max 27W')).toEqual({
    outcome: 'charges',
    protocol: 'pd-fixed',
    volts: 9,
    amps: expect.closeTo(20 / 9, 9),
    watts: 20,
    limit: 'source',
  })
  expect(await json('wireless 15W', '9V3A')).toEqual({
    outcome: 'no-connection',
    protocol: null,
    volts: null,
    amps: null,
    watts: 0,
    limit: 'no-common-protocol',
  })
})

it('knows cables of 3 A and 5 A, of extended range and of a family', async () => {
  const watts = async (cable: string, offers = '20V5A, 28V5A') =>
    ((await json(offers, '20V5A, 28V5A; Tideway 10V5A', '--cable', cable)) as { watts: number }).watts
  expect(await Promise.all(['3A', '5A', 'EPR'].map((c) => watts(c)))).toEqual([60, 100, 140])
  expect(await Promise.all(['Tideway:5A', '3A'].map((c) => watts(c, 'Tideway 10V5A')))).toEqual([50, 30])
})

it('says in one line what it does not understand', async () => {
  const refused = await agree('--source', 'lots of power', '--device', '9V3A')
  expect([refused.status, refused.stdout]).toEqual([2, ''])
  expect(refused.stderr.trim().split('\n')).toHaveLength(1)
  expect(refused.stderr).toContain('lots of power')
  expect((await agree('--source', '9V3A', '--device', '9V3A', '--cable', 'thick')).status).toBe(2)
  expect((await agree('--source', '9V3A', '--device', '9V3A; min 30W')).stdout).toMatch(
    /^connected .*at least 30 W/,
  )
})
