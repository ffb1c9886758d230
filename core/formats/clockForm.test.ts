import fc from 'fast-check'
import { expect, it } from 'vitest'
import { exactClock } from '../words/figures'
import {
  clockField,
  eventSchema,
  forgottenSchema,
  newEventSchema,
  powerOnSchema,
  readingTimeSchema,
  stretchSchema,
} from './clockForm'

const why = 'read off the film'

it('a moment that a form shows is the moment it stores, to the thousandth', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 24 * 3_600_000 }), (ms) => {
      const event = eventSchema(24 * 3600, 'cable').validateSync({
        time: exactClock(ms / 1000),
        text: 'Cable moved',
      })
      expect(event.time).toBeCloseTo(ms / 1000, 9)
    }),
  )
})

it('a reading stays between its neighbours, and the words say between which', () => {
  const between = readingTimeSchema(0.1, 0.3)
  expect(between.validateSync({ time: '0:00:00.2', why }).time).toBe(0.2)
  expect(() => between.validateSync({ time: '0:00:00.4', why })).toThrow('between 0:00:00.1 and 0:00:00.3')
  const last = readingTimeSchema(600, Infinity)
  expect(last.validateSync({ time: '0:20:00', why }).time).toBe(1200)
  expect(() => last.validateSync({ time: '0:09:59', why })).toThrow('from 0:10:00 on')
  expect(() => last.validateSync({ time: '80:00:00', why })).toThrow('from 0:10:00 on')
  expect(() => last.validateSync({ time: 'noon', why })).toThrow('from 0:10:00 on')
  expect(() => last.validateSync({ time: '0:20:00', why: ' ' })).toThrow('Say why')
})

it('an event lies within the run and the hour after it; a forgotten reading says something', () => {
  expect(() => eventSchema(60, 'own').validateSync({ time: '1:01:01', text: 'Cable moved' })).toThrow(
    'within the run',
  )
  expect(eventSchema(60, 'own').validateSync({ time: '1:01:00', text: 'Cable moved' }).time).toBe(3660)
  expect(() => eventSchema(60, 'own').validateSync({ time: '0:01:00', text: ' ' })).toThrow('a word or two')
  const forgotten = forgottenSchema(600)
  expect(forgotten.validateSync({ time: '0:05:00', percent: '12', why })).toMatchObject({
    time: 300,
    percent: 12,
  })
  expect(() => forgotten.validateSync({ time: '0:05:00', why })).toThrow('at least one value')
  expect(() => forgotten.validateSync({ time: '0:05:00', percent: '101', why })).toThrow()
})

it('power-on stands anywhere in a record, or before it, but leaves readings to keep', () => {
  const powerOn = powerOnSchema(3600)
  expect(powerOn.validateSync('')).toBeUndefined()
  expect(powerOn.validateSync(' 0:12:31 ')).toBe(751)
  expect(powerOn.validateSync('12:31,5')).toBe(751.5)
  expect(powerOn.validateSync('-0:00:40')).toBe(-40)
  expect(powerOn.validateSync('− 1:00:00')).toBe(-3600)
  for (const wrong of ['1:00:00', '-1:00:01', 'soon', '-', '12'])
    expect(() => powerOn.validateSync(wrong), wrong).toThrow('before the last reading at 1:00:00')
})

it('a stretch lies within the run and the hour after it, its end not before its beginning', () => {
  const stretch = stretchSchema(600)
  expect(stretch.validateSync({ from: '0:05:00', to: '0:07:30', why })).toEqual({ from: 300, to: 450, why })
  expect(stretch.validateSync({ from: '0:00:00', to: '1:10:00', why })).toMatchObject({ from: 0, to: 4200 })
  for (const [from, to, said] of [
    ['0:05:00', '0:04:59', 'The end comes after the beginning.'],
    ['0:05:00', '1:10:01', 'within the run'],
    ['1:10:01', '1:10:02', 'within the run'],
    ['soon', '0:04:59', 'within the run'],
    ['0:05:00', '', 'within the run'],
  ])
    expect(() => stretch.validateSync({ from, to, why }), `${from} to ${to}`).toThrow(said)
  expect(() => stretch.validateSync({ from: '0:00:00', to: '0:01:00', why: '  ' })).toThrow('Say why')
  expect(() => stretch.validateSync({ from: '0:00:00', to: '0:01:00', why: 'x'.repeat(401) })).toThrow('400')
  expect(stretch.validateSync({ from: '0:00:00', to: '0:01:00', why: ` ${why} ` }).why).toBe(why)
})

it('a moment to go to may lie past the end, and says how it is written', () => {
  expect(clockField.validateSync('99:00:00')).toBe(356_400)
  expect(() => clockField.validateSync('then')).toThrow('Write the time like 0:12:30.')
})

it('what is forgotten is told by its own name, within its own bounds and the run', () => {
  const forgotten = forgottenSchema(600)
  expect(() => forgotten.validateSync({ time: '1:10:01', percent: '12', why })).toThrow('within the run')
  expect(() => forgotten.validateSync({ time: '0:05:00', percent: '12', why: '' })).toThrow('Say why')
  expect(() => forgotten.validateSync({ time: '0:05:00', voltage: '-1000', why })).toThrow(/V\b/)
})

it('what happened is noted afterwards, with the words its kind asks for, and a benchmark with its number', () => {
  const late = newEventSchema(600)
  const at = { time: '0:05:00' }
  expect(late.validateSync({ ...at, kind: 'cable', words: '' })).toMatchObject({ kind: 'cable', time: 300 })
  expect(late.validateSync({ ...at, kind: 'load-start', words: ' Plotting ' }).words).toBe('Plotting')
  expect(() => late.validateSync({ ...at, kind: 'load-start', words: ' ' })).toThrow('a word or two')
  expect(() => late.validateSync({ ...at, kind: 'kettle', words: 'boils' })).toThrow()
  expect(late.validateSync({ ...at, kind: 'score', words: 'Deck plans 1,234' }).words).toBe(
    'Deck plans 1,234',
  )
  expect(() => late.validateSync({ ...at, kind: 'score', words: 'Deck plans' })).toThrow('no number in it')
  expect(() => eventSchema(600, 'score').validateSync({ ...at, text: 'crashed' })).toThrow('no number in it')
})
