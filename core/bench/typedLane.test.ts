import { expect, it } from 'vitest'
import { ValidationError } from 'yup'
import { closeLane, laneChoiceSchema, laneField, type TypedLane } from './typedLane'

const typed = (over: Partial<TypedLane> = {}): TypedLane => ({
  deviceId: 'd',
  sourceId: 's',
  cableId: null,
  startPercent: '5',
  interval: 5,
  ownInterval: '',
  atMinutes: '',
  heatMinutes: '',
  heatPlaces: '',
  stopKind: 'shown-full',
  stopPercent: '80',
  stopMinutes: '30',
  feed: { kind: 'hand' },
  conditions: {
    deviceState: '',
    meterId: null,
    thermometerId: null,
    fedFromId: null,
    ambientC: '',
    restMinutes: '',
  },
  ...over,
})
const choose = (over: Partial<TypedLane>) => laneChoiceSchema.validateSync(closeLane(typed(over)))
const faults = (over: Partial<TypedLane>): Record<string, string> => {
  try {
    laneChoiceSchema.validateSync(closeLane(typed(over)), { abortEarly: false })
    return {}
  } catch (error) {
    const { inner, path, message } = error as ValidationError
    const all = inner.length ? inner : [{ path, message }]
    return Object.fromEntries(all.map((e) => [laneField(e.path ?? '', over), e.message]))
  }
}

it('takes minutes, a decimal comma, and a stop rule of its own', () => {
  expect(choose({ interval: 'own', ownInterval: '2,5', startPercent: '7,5' })).toMatchObject({
    start: { percent: 7.5, read: true },
    reading: { kind: 'every', seconds: 150 },
    stop: { kind: 'shown-full' },
  })
  expect(choose({ stopKind: 'duration', stopMinutes: '15' }).stop).toEqual({ kind: 'duration', seconds: 900 })
  expect(choose({ feed: { kind: 'simulated', seed: 1, speed: 60 } }).reading).toEqual({
    kind: 'meter',
    seconds: 1,
  })
})

it('takes minutes of its own, and when and where it gets warm', () => {
  const own = {
    interval: 'at',
    atMinutes: '5, 10, 15, 20, 30',
    heatMinutes: '10 20',
    heatPlaces: 'front, back',
  } as const
  expect(choose(own)).toMatchObject({
    reading: { kind: 'at', minutes: [5, 10, 15, 20, 30] },
    heat: { minutes: [10, 20], places: ['front', 'back'], stopLimitC: 45 },
  })
  expect(choose({}).heat).toEqual({ minutes: [], places: [], stopLimitC: 45 })
  expect(Object.keys(faults({ ...own, atMinutes: '10 5' }))).toEqual(['atMinutes'])
  expect(Object.keys(faults({ ...own, atMinutes: 'soon' }))).toEqual(['atMinutes'])
  expect(Object.keys(faults({ ...own, heatPlaces: '' }))).toEqual(['heatMinutes'])
  expect(Object.keys(faults({ ...own, heatMinutes: '' }))).toEqual(['heatMinutes'])
  // Two places that would be one column in a file would make readings that nothing can keep.
  expect(Object.keys(faults({ ...own, heatPlaces: 'front, Front' }))).toEqual(['heatPlaces'])
  expect(Object.keys(faults({ ...own, heatMinutes: '10 x' }))).toEqual(['heatMinutes'])
})

it('names what does not hold under its field', () => {
  expect(faults({ startPercent: '' })).toEqual({ startPercent: 'Give the start level.' })
  expect(faults({ startPercent: '101' })).toEqual({ startPercent: 'The start level must be at most 100 %.' })
  expect(Object.keys(faults({ interval: 'own', ownInterval: '' }))).toEqual(['ownInterval'])
  expect(Object.keys(faults({ stopKind: 'level', stopPercent: '0' }))).toEqual(['stopKind'])
  expect(faults({ feed: { kind: 'instruments', ids: [], simulated: false } })).toEqual({
    '': 'Choose at least one instrument, or read by hand.',
  })
})

it('takes what is said of the conditions, and says what cannot be', () => {
  const told = {
    deviceState: 'asleep',
    meterId: 'm1',
    thermometerId: null,
    fedFromId: 's2',
    ambientC: '21,5',
    restMinutes: '21',
  }
  expect(choose({ conditions: told }).conditions).toMatchObject({
    ...told,
    ambientC: 21.5,
    restMinutes: 21,
    protocol: '',
  })
  expect(faults({ conditions: { ...told, ambientC: '210' } })).toEqual({
    'conditions.ambientC': expect.stringMatching(/Room/),
  })
})
