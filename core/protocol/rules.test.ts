import { expect, it } from 'vitest'
import { EVENTS, eventText } from './events'
import { temperatureDue, tooHot } from './heat'
import { readingInWords } from './rules'
import { readingRuleSchema, stopRuleSchema } from './schema'
import { STOP_CHOICES, stopInWords } from './stopping'

it('says the reading rules in words', () => {
  expect(readingInWords({ kind: 'every', seconds: 59 })).toBe('every 59 s')
  expect(readingInWords({ kind: 'every', seconds: 60 })).toBe('every 1 min')
  expect(readingInWords({ kind: 'every', seconds: 150 })).toBe('every 2.5 min')
  expect(readingInWords({ kind: 'closing-in', seconds: 600, thenSeconds: 300, abovePercent: 90 })).toBe(
    'every 10 min, then every 5 min once any lane shows 90 %',
  )
  expect(readingInWords({ kind: 'at', minutes: [5, 10] })).toBe('at 5, 10 min')
  expect(readingInWords({ kind: 'meter', seconds: 1 })).toBe('once a second, by a meter')
  expect(readingInWords({ kind: 'meter', seconds: 10 })).toBe('every 10 s, by a meter')
})

it('says the stop rules in words, each to choose', () => {
  expect(stopInWords({ kind: 'duration', seconds: 1800 })).toBe('after 30 min')
  expect(stopInWords({ kind: 'level', percent: 80 })).toBe('at 80 %')
  expect(stopInWords({ kind: 'shown-full' })).toBe('when the display shows 100 %')
  expect(stopInWords({ kind: 'taper-end' })).toBe('when the current has all but stopped')
  expect(stopInWords({ kind: 'open' })).toBe('when I say so')
  expect(new Set(STOP_CHOICES.map((c) => c.value)).size).toBe(5)
  for (const { title } of STOP_CHOICES) expect(title.length).toBeGreaterThan(5)
})

it('takes rules within their bounds, with what belongs to their kind and nothing else', () => {
  const reading = (rule: unknown) =>
    readingRuleSchema.isValidSync(rule) ? readingRuleSchema.cast(rule) : null
  expect(reading({ kind: 'every', seconds: 300, minutes: [1] })).toEqual({ kind: 'every', seconds: 300 })
  expect(reading({ kind: 'meter', seconds: 1, x: 1 })).toEqual({ kind: 'meter', seconds: 1 })
  expect(reading({ kind: 'every', seconds: 7200 })).not.toBeNull()
  for (const seconds of [0.9, 7201, NaN, '300']) expect(reading({ kind: 'every', seconds })).toBeNull()
  const closing = { kind: 'closing-in', seconds: 600, thenSeconds: 300, abovePercent: 90 }
  expect(reading({ ...closing, x: 1 })).toEqual(closing)
  for (const over of [
    { thenSeconds: 601 },
    { thenSeconds: 0.5 },
    { abovePercent: 0.5 },
    { abovePercent: 101 },
    { seconds: 7201 },
  ])
    expect(reading({ ...closing, ...over })).toBeNull()
  expect(reading({ kind: 'at', minutes: [5, 10], x: 1 })).toEqual({ kind: 'at', minutes: [5, 10] })
  for (const minutes of [[], [10, 5], [5, 5], [0], [1441], 'x', Array.from({ length: 201 }, (_, i) => i + 1)])
    expect(reading({ kind: 'at', minutes })).toBeNull()
  for (const odd of [null, 5, { kind: 'sometimes' }]) expect(reading(odd)).toBeNull()

  const stop = (rule: unknown) => (stopRuleSchema.isValidSync(rule) ? stopRuleSchema.cast(rule) : null)
  expect(stop({ kind: 'level', percent: 80, seconds: 1 })).toEqual({ kind: 'level', percent: 80 })
  expect(stop({ kind: 'level', percent: 100 })).not.toBeNull()
  for (const percent of [0, -1, 100.5, '80']) expect(stop({ kind: 'level', percent })).toBeNull()
  expect(stop({ kind: 'duration', seconds: 259_200, x: 1 })).toEqual({ kind: 'duration', seconds: 259_200 })
  for (const seconds of [0, 259_201]) expect(stop({ kind: 'duration', seconds })).toBeNull()
  for (const kind of ['shown-full', 'taper-end', 'open']) expect(stop({ kind, x: 1 })).toEqual({ kind })
  for (const odd of [null, 'open', { kind: 'never' }]) expect(stop(odd)).toBeNull()
})

it('gives every event a key of its own, and keeps what was said', () => {
  expect(new Set(EVENTS.map((e) => e.key)).size).toBe(EVENTS.length)
  const text = (kind: string, own = 'x') =>
    eventText(
      EVENTS.find((e) => e.kind === kind)!,
      own,
    )
  expect(text('cable')).toBe('Cable moved')
  expect(text('own', 'The cat came')).toBe('The cat came')
  expect(text('load-start', 'render')).toBe('render')
  expect(text('score', 'render 1200')).toBe('Benchmark score: render 1200')
})

it('asks for temperatures at their minutes, once; half the way before counts as early', () => {
  const due = (lastReadS: number, elapsedS: number) =>
    temperatureDue([10, 20, 30], ['back'], lastReadS, elapsedS)
  expect(due(NaN, 599)).toBeNull()
  expect(due(NaN, 600)).toBe(600)
  expect(due(300, 600)).toBeNull()
  expect(due(299, 600)).toBe(600)
  expect(due(620, 1199)).toBeNull()
  expect(due(899, 1200)).toBe(1200)
  expect(due(900, 1300)).toBeNull()
  expect(due(NaN, 4000)).toBe(1800)
  expect(temperatureDue([10], [], NaN, 700)).toBeNull()
})

it('says stop at the limit itself, and where', () => {
  expect(tooHot({ front: 44.9, back: 45 }, 45)).toEqual({ place: 'back', celsius: 45 })
  expect(tooHot({ front: 44.9 }, 45)).toBeNull()
  expect(tooHot({}, 45)).toBeNull()
})
