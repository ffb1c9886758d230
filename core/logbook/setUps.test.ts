import { expect, it } from 'vitest'
import { noConditions, type RunConditions } from '../protocol/runConditions'
import { blankRun, learnable, type Run } from './run'
import { setUpsOf, waysOf } from './setUps'

const run = (conditions: Partial<RunConditions>, over: Partial<Run> = {}, i = 0): Run =>
  blankRun({
    id: `r${i}`,
    deviceId: 'd',
    sourceId: 's',
    startedAt: '2026-03-02T19:00:00.000Z',
    ...over,
    conditions: { ...noConditions(), ...conditions },
  })
/** Which of the runs are repeats of each other, by number: [0, 0, 1] where the third is none of the others. */
const repeats = (...of: Parameters<typeof run>[]) => {
  const runs = of.map(([conditions, over], i) => run(conditions, over, i))
  const keys = [...setUpsOf(runs).values()].map(({ key }) => key)
  return keys.map((key) => [...new Set(keys)].indexOf(key))
}

it('parts runs by their gear', () => {
  const parts = repeats([{}], [{}], [{}, { cableId: 'c' }], [{}, { sourceId: 't' }], [{ fedFromId: 'b' }], [{ software: '2' }], [{ unitLabel: 'B' }]) // prettier-ignore
  expect(parts).toEqual([0, 0, 1, 2, 3, 4, 5])
})

it('takes no run for a repeat whose device was set otherwise, or whose battery had aged', () => {
  expect(repeats([{ deviceState: 'asleep' }], [{ deviceState: 'screen on' }])).toEqual([0, 1])
  expect(repeats([{ chain: 'dock' }], [{ chain: 'pad, askew' }], [{ chain: 'Dock' }])).toEqual([0, 1, 0])
  expect(repeats([{ healthPercent: 100 }], [{ healthPercent: 88 }], [{ healthPercent: 98 }])).toEqual([
    0, 1, 0,
  ])
  expect(repeats([{ healthPercent: 97 }], [{ healthPercent: 100 }], [{ healthPercent: 94 }])).toEqual([
    0, 1, 0,
  ])
})

it('takes a run under load for no repeat of one without, nor of one under another', () => {
  const under = (text: string) => ({ events: [{ t: 60, kind: 'load-start' as const, text }] })
  expect(repeats([{}], [{}, under('Chart plotting')], [{}], [{}, under(' chart plotting ')], [{}, under('Film')])).toEqual([0, 1, 0, 1, 2])
  const [idle, loaded] = [run({}, {}, 0), run({}, under('Film'), 1)]
  const found = setUpsOf([idle, loaded])
  expect([found.get('r0')!.load, found.get('r1')!.load, setUpsOf([loaded]).get('r1')!.load]).toEqual(['no load', 'under film', ''])
}) // prettier-ignore

it('takes a run whose source fed another meanwhile for no repeat of one alone, where that is known', () => {
  const runs = [0, 1, 2, 3].map((i) => run({}, {}, i))
  const beside = ['alone', 'with another run', 'alone', '']
  const found = setUpsOf(runs, (id) => beside[Number(id.slice(1))])
  expect(runs.map(({ id }) => found.get(id)!.beside)).toEqual(beside)
  expect(new Set([...found.values()].map(({ key }) => key)).size).toBe(3)
  expect(new Set([...setUpsOf(runs, () => 'alone').values()].map(({ key }) => key)).size).toBe(1)
})

it('takes what a charge model made for no repeat of what was measured', () => {
  expect(repeats([{}], [{}, { provenance: 'simulation' }], [{}, { provenance: 'import' }])).toEqual([0, 1, 0])
  const [real, made] = [run({}, {}, 0), run({}, { provenance: 'simulation' }, 1)]
  expect(setUpsOf([real, made]).get('r1')!.made).toBe('simulated')
  // It tells of the model: others learn of it only where there is nothing else.
  expect(learnable([real, made])).toEqual([real])
  expect(learnable([made])).toEqual([made])
})

it('does not mind in which order a state was typed', () => {
  expect(repeats([{ deviceState: 'asleep, flight mode' }], [{ deviceState: ' Flight mode; asleep ' }])).toEqual([0, 0])
}) // prettier-ignore

it('lets what nobody noted go with the others, unless those differ', () => {
  expect(repeats([{}], [{ deviceState: 'asleep' }], [{ healthPercent: 99 }])).toEqual([0, 0, 0])
  expect(repeats([{}], [{ deviceState: 'asleep' }], [{ deviceState: 'awake' }])).toEqual([0, 1, 2])
})

it('says what tells set-ups of the same gear apart, and nothing else', () => {
  const state = 'asleep; case on'
  const runs = [
    run({ deviceState: 'case on, asleep', healthPercent: 99 }, {}, 0),
    run({ deviceState: state, healthPercent: 88 }, {}, 1),
  ]
  expect(setUpsOf(runs).get('r1')).toMatchObject({ chain: '', state: '', health: '88' })
  const others = [
    run({ deviceState: state, healthPercent: 99 }, {}, 0),
    run({ deviceState: 'awake', healthPercent: 97 }, {}, 1),
  ]
  expect(setUpsOf(others).get('r0')).toMatchObject({ chain: '', state, health: '' })
})

it('tells in which way a unit was charged, whatever the gear', () => {
  const of: Parameters<typeof run>[] = [
    [{ unitLabel: 'A', deviceState: 'asleep' }],
    [
      { unitLabel: 'A', deviceState: 'asleep' },
      { sourceId: 't', cableId: 'c' },
    ],
    [{ unitLabel: 'B', deviceState: 'asleep' }],
    // Of this charger alone nothing differs; beside the others of its unit it does.
    [{ unitLabel: 'A', deviceState: 'screen on' }, { sourceId: 'u' }],
    [{ unitLabel: 'B' }, { deviceId: 'e' }],
  ]
  const runs = of.map(([conditions, over], i) => run(conditions, over, i))
  const found = waysOf(runs)
  const ways = runs.map(({ id }) => found.get(id)!)
  const keys = ways.map(({ key }) => key)
  expect(keys.map((key) => [...new Set(keys)].indexOf(key))).toEqual([0, 0, 1, 2, 3])
  expect(ways.map(({ state }) => state)).toEqual(['asleep', 'asleep', '', 'screen on', ''])
})
