import { expect, it } from 'vitest'
import { correctableLabel } from './corrections'
import { blankRun } from './run'
import { closeRules, correctRule, openRules, ruleFrom, ruleInWords, ruleSchema } from './runRules'
import { runSchema } from './schema'

const because = { why: 'as the notebook has it', when: '2026-03-02T20:00:00.000Z' }
const run = blankRun({ id: 'r', deviceId: 'd', sourceId: 's', startedAt: '2026-03-02T19:00:00.000Z' })

it('puts a rule right and keeps what it said before', () => {
  const heat = { minutes: [10, 20], places: ['front', 'back'], stopLimitC: 42 }
  const right = correctRule(
    correctRule(run, 'stop', { kind: 'level', percent: 92.5 }, because),
    'heat',
    heat,
    because,
  )
  expect(right.stop).toEqual({ kind: 'level', percent: 92.5 })
  expect(
    right.conditionCorrections.map(({ field, from, to }) => [correctableLabel(field), from, to]),
  ).toEqual([
    ['To stop', 'when I say so', 'at 92.5 %'],
    [
      'Temperatures',
      'none asked for; stop at 45\u00A0°C',
      'read at 10, 20 min (front, back); stop at 42\u00A0°C',
    ],
  ])
  expect(runSchema.validateSync(right)).toEqual(right)
  expect(run.stop).toEqual({ kind: 'open' })
  expect(ruleInWords({ ...run, heat: { ...heat, places: [] } }, 'heat')).toBe(
    'read at 10, 20 min; stop at 42\u00A0°C',
  )
})

it('checks what is typed of one rule, as a protocol’s, and nothing of the others', () => {
  const typed = { ...openRules(run), why: 'misread' }
  const kept = (over: Partial<typeof typed>, rule: 'reading' | 'stop' | 'heat') =>
    ruleFrom(rule, ruleSchema(rule).validateSync(closeRules({ ...typed, ...over })))
  for (const rule of ['reading', 'stop', 'heat'] as const) expect(kept({}, rule)).toEqual(run[rule])
  expect(kept({ temperatureMinutes: '0 10', temperaturePlaces: 'back', stopLimitC: '40,5' }, 'heat')).toEqual(
    {
      minutes: [0, 10],
      places: ['back'],
      stopLimitC: 40.5,
    },
  )
  expect(kept({ readingKind: 'at', atMinutes: '5, 10' }, 'reading')).toEqual({ kind: 'at', minutes: [5, 10] })
  expect(kept({ stopLimitC: 'hot' }, 'stop')).toEqual(run.stop)
  expect(() => kept({ stopLimitC: '70' }, 'heat')).toThrow('60')
  expect(() => kept({ stopKind: 'level', stopPercent: '0' }, 'stop')).toThrow('stop rule does not hold')
  expect(() => kept({ why: ' ' }, 'heat')).toThrow('Say why')
})
