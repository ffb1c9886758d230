import { expect, it } from 'vitest'
import { answerTo, withAnswer } from './answers'
import { blankRun } from './run'
import { runSchema } from './schema'

const run = blankRun({ id: 'r', deviceId: 'd', sourceId: 's', startedAt: '2026-03-02T19:00:00.000Z' })

it('keeps every answer to a finding; the last one counts, where the finding still stands', () => {
  const stuck = { code: 'stuck', atS: 1200 }
  const whole = { code: 'bridged', atS: NaN }
  const once = withAnswer(run, stuck, 'screen was off', '2026-03-02T21:00:00.000Z')
  const twice = withAnswer(once, stuck, 'the app froze', '2026-03-02T22:00:00.000Z')
  const all = withAnswer(twice, whole, 'the lead was loose', '2026-03-02T22:01:00.000Z')
  expect(answerTo(all, stuck)?.text).toBe('the app froze')
  // A reading was put right, and the finding moved by half a minute.
  expect(answerTo(all, { ...stuck, atS: 1230 })?.text).toBe('the app froze')
  expect(answerTo(all, { ...stuck, atS: 1261 })).toBeUndefined()
  expect(answerTo(all, { code: 'stalled', atS: 1200 })).toBeUndefined()
  expect(answerTo(all, whole)?.text).toBe('the lead was loose')
  expect(answerTo(all, { ...whole, atS: 5 })).toBeUndefined()
  expect(all.answers).toHaveLength(3)
  expect(runSchema.validateSync(all)).toEqual(all)
})
