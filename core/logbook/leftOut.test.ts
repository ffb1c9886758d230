import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { traceFromReadings } from '../trace/trace'
import { addReading, correctValue } from './corrections'
import { leaveOut, takeBackIn } from './leftOut'
import { blankRun, type RunWithTrace } from './run'
import { runSchema } from './schema'

const because = { why: 'the camera stopped', when: '2026-03-02T20:00:00.000Z' }
const run = blankRun({ id: 'r', deviceId: 'd', sourceId: 's', startedAt: '2026-03-02T19:00:00.000Z' })
const charge = (): RunWithTrace => ({
  run,
  trace: traceFromReadings(
    [0, 300, 600, 900, 1200].map((t, i) => ({
      t,
      percent: 5 + i * 4,
      ...(i > 1 ? { power: 18 } : {}),
      temperatures: { back: 20 + i },
      ...(i === 2 ? { note: 'screen on' } : {}),
    })),
  ),
})

describe('a spoilt stretch', () => {
  it('is taken out, both ends included, and stays with the run, readings, corrections and reason', () => {
    const put = [1, 2, 4].reduce((of, row) => correctValue(of, row, 'percent', 50 + row, because), charge())
    const cut = leaveOut(put, { fromS: 300, toS: 600 }, because)
    expect([...cut.trace.time]).toEqual([0, 900, 1200])
    expect(cut.run.corrections.map(({ row, to }) => [row, to])).toEqual([[2, 54]])
    expect(cut.run.leftOut).toEqual([
      {
        fromS: 300,
        toS: 600,
        ...because,
        readings: {
          time: [300, 600],
          percent: [51, 52],
          power: [null, 18],
          temperatures: { back: [21, 22] },
          notes: ['', 'screen on'],
        },
        corrections: [
          expect.objectContaining({ row: 0, to: 51 }),
          expect.objectContaining({ row: 1, to: 52 }),
        ],
      },
    ])
    // What is written is what would be read.
    expect(runSchema.validateSync(cut.run, { strict: true })).toEqual(cut.run)
  })

  it('comes back as it was, whatever was cut and in whichever order, with what was put right since', () => {
    fc.assert(
      fc.property(
        fc.subarray([0, 1, 2, 3, 4], { minLength: 1, maxLength: 4 }),
        fc.boolean(),
        (rows, first) => {
          const put = correctValue(charge(), 3, 'percent', 40, because)
          const at = (row: number) => ({ ...because, when: `2026-03-0${row + 1}T20:00:00.000Z` })
          const cut = rows.reduce(
            (of, row) => leaveOut(of, { fromS: row * 300 - 1, toS: row * 300 + 1 }, at(row)),
            put,
          )
          const order = first ? rows : [...rows].reverse()
          const back = order.reduce((of, row) => takeBackIn(of, at(row).when), cut)
          expect(back).toEqual(put)
        },
      ),
    )
  })

  it('comes back around a reading that was added meanwhile', () => {
    const cut = leaveOut(charge(), { fromS: 300, toS: 900 }, because)
    const added = addReading(cut, { t: 700, percent: 15 }, because)
    const back = takeBackIn(added, because.when)
    expect([...back.trace.time]).toEqual([0, 300, 600, 700, 900, 1200])
    expect(back.run.corrections).toEqual([expect.objectContaining({ row: 3, what: 'reading' })])
  })

  it('is refused where nothing lies in it, or nothing would remain', () => {
    expect(() => leaveOut(charge(), { fromS: 310, toS: 590 }, because)).toThrow('No reading lies')
    expect(() => leaveOut(charge(), { fromS: 0, toS: 1200 }, because)).toThrow('whole run')
    expect(() => takeBackIn(charge(), because.when)).toThrow('counted already')
    const [stretch] = leaveOut(charge(), { fromS: 300, toS: 600 }, because).run.leftOut
    const broken = { ...run, leftOut: [{ ...stretch, readings: { time: [600, 300] } }] }
    expect(() => runSchema.validateSync(broken)).toThrow('is no trace')
  })
})
