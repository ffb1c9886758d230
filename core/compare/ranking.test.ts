import { expect, it } from 'vitest'
import { analyse, type Analysis } from '../analysis/analyse'
import { noConditions } from '../protocol/runConditions'
import { traceFromReadings } from '../trace/trace'
import { fairness, type FairSide } from './fairness'
import { figuresOf, GOALS, rank, slownessOf, usualGoal, usualLadder } from './ranking'

const full = GOALS.find((g) => g.key === 'full')!
const ran = (timeS: number, uncertaintyS = 5, gain = 30) =>
  ({
    milestones: [
      {
        percent: 100,
        timeS,
        uncertaintyS,
        ...(Number.isNaN(timeS) ? { reason: 'The run ended below it.' } : {}),
      },
    ],
    marks: [{ atS: 900, gain, uncertainty: 0.41 }],
    heat: [],
    efficiency: { reason: 'The device states no capacity.' },
  }) as unknown as Analysis

it('ranks set-ups by their means, with leaders, verdicts, and those without a figure last', () => {
  const { places } = rank([[ran(6600)], [ran(NaN)], [ran(4920), ran(4930)], [ran(5000)]], full)
  expect(places.map((p) => [p.index, p.verdict, p.leads, p.runs])).toEqual([
    [2, 'first', true, 2],
    [3, 'cannot-tell', true, 1],
    [0, 'clear', false, 1],
    [1, 'not-reached', false, 0],
  ])
  expect(places[0]).toMatchObject({ value: 4925, behind: 0 })
  expect(places[2].behind).toBe(6600 - 4925)
  expect(places[2].atLeast).toBeGreaterThan(1000)
  // One degree of freedom more than the eight assumed; a single run scatters by √2 more than two.
  expect(places[1].spread / places[0].spread).toBeCloseTo((5000 / 4925) * Math.SQRT2, 1)
})

it('takes the higher for the better where it is, and no figure where there is none', () => {
  const fifteen = GOALS.find((g) => g.key === 'fifteen')!
  expect(rank([[ran(1, 1, 20)], [ran(1, 1, 35)]], fifteen).places.map((p) => p.index)).toEqual([1, 0])
  for (const key of ['coolest', 'least-lost', 'half'])
    expect(
      figuresOf(
        GOALS.find((g) => g.key === key)!,
        [ran(1)],
      ).values,
    ).toEqual([])
  const warm = { ...ran(1), heat: [{ maxC: 41, uncertaintyC: NaN }] } as unknown as Analysis
  expect(
    figuresOf(
      GOALS.find((g) => g.key === 'coolest')!,
      [warm],
    ),
  ).toEqual({ values: [41], uncertainty: 0.5 })
})

const side = (over: Partial<FairSide> = {}, conditions: Partial<FairSide['conditions']> = {}): FairSide => ({
  startPercent: 2,
  conditions: { ...noConditions(), deviceState: 'asleep', healthPercent: 100, ambientC: 21, ...conditions },
  cable: 'Long grey',
  meter: 'Tally',
  reading: 'every 5 min',
  corrected: false,
  fedBeside: 0,
  loads: [],
  simulated: false,
  ...over,
})
const stateOf = (label: string, sides: FairSide[], isAligned = false) => {
  const { state, weight } = fairness(sides, isAligned).find((r) => r.label === label)!
  return [state, weight]
}

it('does not know who was alone where a run has no date', () => {
  expect(stateOf('On its source', [side(), side({ fedBeside: NaN })])).toEqual(['unknown', 'warning'])
})

it('names every condition that differs, and takes unknown for no equal', () => {
  expect(stateOf('Start level', [side(), side({ startPercent: 3 })])).toEqual(['equal', 'blocking'])
  expect(stateOf('Start level', [side(), side({ startPercent: 4 })])).toEqual(['different', 'blocking'])
  expect(stateOf('Start level', [side(), side({ startPercent: 4 })], true)).toEqual(['different', 'warning'])
  expect(stateOf('Start level', [side(), side({ startPercent: NaN })])).toEqual(['unknown', 'blocking'])
  expect(stateOf('Battery health', [side(), side({}, { healthPercent: 97 })])).toEqual(['equal', 'blocking'])
  expect(stateOf('Battery health', [side(), side({}, { healthPercent: 96 })])).toEqual([
    'different',
    'blocking',
  ])
  expect(stateOf('Room temperature', [side(), side({}, { ambientC: 24.5 })])).toEqual([
    'different',
    'warning',
  ])
  expect(
    stateOf('Room temperature', [side({}, { ambientC: null }), side({}, { ambientC: 18 }), side()]),
  ).toEqual(['unknown', 'warning'])
  expect(stateOf('State of the device', [side(), side({}, { deviceState: ' Asleep ' })])).toEqual([
    'equal',
    'blocking',
  ])
  // The same in another order is the same.
  const set = (deviceState: string) => side({}, { deviceState })
  expect(stateOf('State of the device', [set('asleep, case off'), set('Case off; asleep')])[0]).toBe('equal')
  expect(stateOf('State of the device', [set('asleep, case off'), set('asleep, case on')])[0]).toBe(
    'different',
  )
  expect(stateOf('Made by', [side(), side({ simulated: true })])).toEqual(['different', 'blocking'])
  // No load noted is none; another load is another test.
  expect(stateOf('Load', [side(), side({ loads: ['chart plotting'] })])).toEqual(['different', 'blocking'])
  expect(stateOf('Load', [side({ loads: ['film'] }), side({ loads: ['film'] })])).toEqual([
    'equal',
    'blocking',
  ])
  expect(stateOf('Cable', [side(), side({ cable: '' })])).toEqual(['unknown', 'warning'])
  expect(stateOf('Put right later', [side(), side({ corrected: true })])).toEqual(['different', 'warning'])
  const [alone, one, two] = [0, 1, 2].map((others) => side({ fedBeside: others }))
  expect(fairness([alone, one, two], false).find((r) => r.label === 'On its source')).toMatchObject({
    values: ['alone', 'with another run', 'with 2 other runs'],
    state: 'different',
    weight: 'warning',
  })
})

it('compares by the farthest that two set-ups reached, where nobody says by what', () => {
  const short = (gain: number) => ran(NaN, 5, gain)
  expect(usualGoal([[ran(6600)], [ran(4920)], [short(20)]])).toBe('full')
  expect(usualGoal([[ran(6600)], [short(35)], [short(20)]])).toBe('fifteen')
  // Two of four came to half: all four tell what a quarter of an hour brings.
  const early = [short(20), short(21)].map((a) => [a])
  const late = [ran(6600), ran(4920)].map((a) => [a])
  expect(usualGoal([...early, ...late])).toBe('fifteen')
  // One set-up's repeats are one.
  expect(usualGoal([[short(35), short(36)]])).toBe('full')
  // Later to full is slower, and so is what brought fewer points.
  expect(slownessOf([ran(6600), ran(4920), short(20)])).toEqual([6600, 4920, NaN])
  expect(slownessOf([short(35), short(20)])).toEqual([-35, -20])
  const half = (a: Analysis): Analysis => ({ ...a, milestones: [...a.milestones, { ...ran(1200).milestones[0], percent: 50 }] }) // prettier-ignore
  expect(usualGoal([[half(short(35))], [half(short(20))]])).toBe('half')
})

it('sets sources against their watts after an hour, or as far as most runs went', () => {
  const until = (...atS: number[]) => ({ marks: [900, 1800, 3600].map((s) => ({ atS: s, gain: atS.includes(s) ? 20 : NaN })) as Analysis['marks'] })
  expect(usualLadder([until(900, 1800, 3600), until(900, 1800, 3600), until(900)])).toBe(3600)
  expect(usualLadder([until(900, 1800), until(900, 1800, 3600)])).toBe(1800)
  expect(usualLadder([until(), until(900)])).toBe(3600)
  expect(usualLadder([])).toBe(3600)
}) // prettier-ignore

it('compares by when the current stops where no display shows a level, as of a camera', () => {
  // Level for so many minutes, then down to 2 % of it for ten more, read every 60 s.
  const camera = (minutes: number) =>
    analyse(
      traceFromReadings(
        Array.from({ length: minutes + 11 }, (_, i) => ({ t: i * 60, power: i <= minutes ? 5 : 0.1 })),
      ),
    )
  const setups = [[camera(120)], [camera(80)]]
  expect(usualGoal(setups)).toBe('current-stops')
  const goal = GOALS.find((g) => g.key === 'current-stops')!
  const [first, second] = rank(setups, goal).places
  expect([first.index, first.value, second.value]).toEqual([1, 81 * 60, 121 * 60])
  expect(second.verdict).toBe('clear')
  // A step of 60 s, rectangular.
  expect(figuresOf(goal, setups[0]).uncertainty).toBeCloseTo(60 / Math.sqrt(12), 9)
  expect(
    goal.why(
      analyse(
        traceFromReadings([
          { t: 0, power: 5 },
          { t: 600, power: 5 },
        ]),
      ),
    ),
  ).toContain('did not stop')
  expect(goal.why(setups[0][0])).toBe('')
})
