import { expect, it } from 'vitest'
import { baselineAmong, choicesFor, type Choosable } from './choices'
import { learntRepeatability } from './learnt'

let n = 0
const run = (deviceId: string, sourceId: string, over: Partial<Choosable> = {}): Choosable => ({
  id: `r${++n}`,
  deviceId,
  sourceId,
  cableId: null,
  fedFromId: null,
  kind: deviceId.startsWith('p') ? 'phone' : 'laptop',
  sound: true,
  startedAt: `2026-03-0${1 + (n % 9)}`,
  setUp: '',
  campaignId: null,
  ...over,
})

it('offers every question that the runs can answer, and none of a spoilt run', () => {
  const runs = [
    run('p1', 'a', { id: '1', startedAt: '2026-03-02' }),
    run('p1', 'b', { id: '2', startedAt: '2026-03-01' }),
    run('p1', 'b', { id: '3', startedAt: '2026-03-03' }),
    run('p2', 'a', { id: '4', startedAt: '2026-03-04' }),
    run('l1', 'a', { id: '5', startedAt: '2026-03-05' }),
    run('p1', 'a', { id: '6', sound: false }),
  ]
  expect(choicesFor(runs).map((c) => [c.kind, c.runIds.join('')])).toEqual([
    ['sources', '213'],
    ['devices', '145'],
    ['generations', '14'],
    ['repeats', '23'],
  ])
})

it('tells repeats from before and after', () => {
  const kindOf = (over: Partial<Choosable>) =>
    choicesFor([run('p1', 'a', { setUp: 'p1 a' }), run('p1', 'a', over)]).map((c) => c.kind)
  expect(kindOf({ setUp: 'p1 a 2' })).toEqual(['before-after'])
  expect(kindOf({ setUp: 'p1 a' })).toEqual(['repeats'])
  // A pad behind two bricks is two set-ups of gear, and nothing of before and after.
  const pads = ['brick', 'brick', 'small'].map((fedFromId, i) =>
    run('p1', 'pad', { id: `pad${i}`, fedFromId, setUp: `pad ${fedFromId}`, startedAt: `2026-03-0${i + 1}` }),
  )
  expect(choicesFor(pads).map((c) => [c.kind, c.runIds.length])).toEqual([
    ['feeds', 3],
    ['repeats', 2],
  ])
})

it('sets runs against what came in the box, else the slowest that is owned, else the slowest', () => {
  const of = (slow: number, owned = false, inBox = false) => ({ slow, owned, inBox })
  expect(baselineAmong([of(9000), of(6000, true), of(7000, true), of(8000, true, true)])).toBe(3)
  // What came in the box is the fastest: against it every saving would be negative.
  expect(baselineAmong([of(9000), of(6000, true), of(7000, true), of(5000, true, true)])).toBe(2)
  expect(baselineAmong([of(9000), of(5000, true)])).toBe(0)
  expect(baselineAmong([of(NaN), of(5000, true)])).toBe(1)
  expect(baselineAmong([of(9000), of(6000, true), of(7000, true)])).toBe(2)
  expect(baselineAmong([of(5000), of(9000), of(NaN)])).toBe(1)
  expect(baselineAmong([])).toBe(-1)
})

it('learns how well runs repeat from a kind with enough repeats, else from all, else assumes it', () => {
  const repeats = (kind: string, setUps: number, apart: number) =>
    Array.from({ length: setUps }, (_, i) =>
      [1, -1].map((way) => ({ setUp: `${kind}${i}`, kind, value: 100 * (1 + way * apart) })),
    ).flat()
  const logbook = [...repeats('phone', 8, 0.01), ...repeats('laptop', 2, 0.03)]
  // Two values a share p off their mean on either side: s = p √2.
  expect(learntRepeatability(logbook, 'phone')).toMatchObject({ freedom: 8, assumed: false })
  expect(learntRepeatability(logbook, 'phone').share).toBeCloseTo(0.01 * Math.SQRT2, 10)
  expect(learntRepeatability(logbook, 'laptop').share).toBeCloseTo(
    Math.sqrt((8 * 2 * 0.01 ** 2 + 2 * 2 * 0.03 ** 2) / 10),
    10,
  )
  expect(learntRepeatability(repeats('laptop', 2, 0.03), 'laptop').assumed).toBe(true)
})
