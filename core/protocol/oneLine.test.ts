import { expect, test } from 'vitest'
import { lineOrder, oneLine } from './oneLine'

const FIELDS = ['percent', 'power', 'batteryPower'] as const

test.each([
  ['38 18.9', { percent: '38', power: '18.9' }],
  ['38 18,9', { percent: '38', power: '18,9' }],
  ['38, 18,9', { percent: '38', power: '18,9' }],
  [' 38;18.9 ; 7.2 ', { percent: '38', power: '18.9', batteryPower: '7.2' }],
  ['38', { percent: '38' }],
  ['38 % 18.9 W', { percent: '38%', power: '18.9W' }],
  ['38% @ 18,9 w', { percent: '38%', power: '18,9w' }],
  ['38 %', { percent: '38%' }],
  ['', {}],
])('%j is laid out over the fields in their order', (text, fields) =>
  expect(oneLine(text, FIELDS)).toEqual(fields),
)

test('more numbers than fields are none of them guessed', () =>
  expect(oneLine('38 18.9 7.2 4', FIELDS)).toBeUndefined())

test('the battery’s end comes last, and only where display and meter are both read by hand', () => {
  expect(lineOrder(['percent', 'power'])).toEqual(FIELDS)
  expect(lineOrder(['percent', 'voltage', 'current', 'counterWh'])).toEqual([
    'percent',
    'voltage',
    'current',
    'counterWh',
    'batteryPower',
  ])
  expect(lineOrder(['percent', 'power', 'batteryPower', 'counterWh'])).toEqual([
    'percent',
    'power',
    'batteryPower',
    'counterWh',
  ])
  // A meter is heard by itself, or the battery is: a number more would be dropped without a word.
  expect(lineOrder(['percent'])).toEqual(['percent'])
  expect(lineOrder(['power', 'counterWh'])).toEqual(['power', 'counterWh'])
  expect(oneLine('38 18.9', lineOrder(['percent']))).toBeUndefined()
})
