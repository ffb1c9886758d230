import { expect, it } from 'vitest'
import { answerTo, checklistFor, spanOf } from './checklist'
import { CONDITIONS, conditionInWords, putBackList } from './conditions'
import { CONDITION_KINDS, type Protocol } from './protocol'
import { protocolsWith, SCHOOLS } from './schools'

const protocol = (over: Partial<Protocol> = {}): Protocol => ({
  ...SCHOOLS.find((p) => p.id === 'one-to-full')!,
  conditions: [],
  ...over,
})
const textsOf = (p: Protocol, cable: string | null = null) => checklistFor(p, cable).map((i) => i.text)

it('ends every checklist with the cautions: sound gear on a hard surface, a dead strip', () => {
  for (const school of SCHOOLS)
    expect(textsOf(school).slice(-2)).toEqual([
      'No swelling, smell or damage on device, cable and source; a hard, non-flammable surface',
      'Everything plugged in, the strip still off',
    ])
})

it('asks for the start level within a point, or as found; and for rest only where there is one', () => {
  const [start, rest] = checklistFor(
    protocol({ startPercent: 5, startWay: 'drained', restMinutes: 21 }),
    null,
  )
  expect(start).toEqual({
    id: 'start-level',
    text: 'Start level 5 %, drained to the level, then rested',
    asks: '%',
    low: 4,
    high: 6,
  })
  expect(rest).toEqual({
    id: 'rest',
    text: 'Rested for 21 min',
    asks: 'min',
    low: 19,
    high: 23,
    offered: 21,
  })
  const found = checklistFor(protocol({ startWay: 'as-found', restMinutes: 0 }), null)
  expect(found[0]).toEqual({
    id: 'start-level',
    text: 'Start level, as found',
    asks: '%',
    low: 0,
    high: 100,
  })
  expect(found[1].id).toBe('sound')
})

it('names each condition, the cable by its name, and keeps own ones apart', () => {
  const conditions = [
    { kind: 'same-cable', required: 'the one planned' },
    { kind: 'ambient', required: '21 ± 2 °C' },
    { kind: 'own', required: 'Curtains drawn' },
    { kind: 'own', required: 'Fan off' },
  ] as const
  const p = protocol({ conditions: [...conditions], restMinutes: 0 })
  const [cable, ambient, first, second] = checklistFor(p, 'the marked one').slice(1)
  expect(cable).toEqual({ id: 'same-cable', text: 'Cable: the marked one, the same for all' })
  expect(ambient).toEqual({
    id: 'ambient',
    text: 'Room temperature: 21 ± 2 °C',
    asks: '°C',
    low: 19,
    high: 23,
  })
  expect([first.text, second.text]).toEqual(['Curtains drawn', 'Fan off'])
  expect(first.id).not.toBe(second.id)
  expect(textsOf(p, null)[1]).toBe('Cable: the one planned')
})

it('reads a span from what is required, and none where there is none', () => {
  expect(spanOf('21 ± 2 °C')).toEqual({ low: 19, high: 23 })
  expect(spanOf('about 20.25+/-10.75')).toEqual({ low: 9.5, high: 31 })
  expect(spanOf('22,5  ±  1,25 °C')).toEqual({ low: 21.25, high: 23.75 })
  for (const minus of ['-', '−']) expect(spanOf(`${minus}5 ± 2 °C`)).toEqual({ low: -7, high: -3 })
  expect(spanOf('-3,5 +/- 0,5')).toEqual({ low: -4, high: -3 })
  expect(spanOf('about 21')).toEqual({})
})

it('keeps what was measured, and says when it lies outside; a skipped item has no value', () => {
  const item = { id: 'ambient', text: 'Room', asks: '°C', low: 19, high: 23 }
  const when = '2026-03-02T18:00:00Z'
  const outside = (value: number | null) => answerTo(item, 'done', value, when).outside
  expect([18.9, 19, 23, 23.1].map(outside)).toEqual([true, false, false, true])
  expect(answerTo(item, 'skipped', 30, when)).toEqual({
    id: 'ambient',
    text: 'Room',
    answer: 'skipped',
    value: null,
    outside: false,
    when,
  })
  expect(answerTo(item, 'done', 21, when)).toMatchObject({ answer: 'done', value: 21 })
  expect(answerTo({ id: 'sound', text: 'x' }, 'done', null, when).outside).toBe(false)
  expect(answerTo({ id: 'l', text: 'x', asks: '%' }, 'done', -5, when).outside).toBe(false)
})

it('puts back what protects the battery, and only what was set', () => {
  const p = protocol({
    conditions: [
      { kind: 'optimised-charging-off', required: 'off' },
      { kind: 'apps-closed', required: 'all closed' },
    ],
  })
  expect(putBackList(p)).toEqual(['Optimised or delayed charging on again: it spares the battery'])
  const all = CONDITION_KINDS.map((kind) => ({ kind, required: 'x' }))
  expect(putBackList(protocol({ conditions: all }))).toHaveLength(5)
  for (const kind of CONDITION_KINDS.filter((k) => k !== 'own'))
    expect(conditionInWords({ kind, required: 'so' })).toBe(`${CONDITIONS[kind].label}: so`)
  expect(conditionInWords({ kind: 'own', required: 'Fan off' })).toBe('Fan off')
})

it('lets the reviewer’s own protocol stand where it was made from, and others after', () => {
  const mine = { ...SCHOOLS[2], name: 'Mine' }
  const other = { ...SCHOOLS[0], id: 'other', name: 'Another' }
  const all = protocolsWith([other, mine])
  expect(all).toHaveLength(SCHOOLS.length + 1)
  expect(all[2].name).toBe('Mine')
  expect(all.at(-1)!.name).toBe('Another')
})
