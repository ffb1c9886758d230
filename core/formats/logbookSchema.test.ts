import Ajv from 'ajv'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { logbookJsonSchema } from './logbookSchema'
import { readLogbook, writeLogbook } from './logbookJson'

/** A logbook with something in every collection, as the program wrote it once. */
const stored = readFileSync(new URL('./fuzz.logbook.json', import.meta.url), 'utf8')
const file = () => JSON.parse(writeLogbook(readLogbook(stored), '2026-03-02T12:00:00.000Z')) as Logbook
interface Logbook {
  schemaVersion: number
  devices: Record<string, unknown>[]
  runs: { trace: { time: unknown[]; percent: unknown[] }; state: string }[]
}
const faults = (change: (logbook: Logbook) => void): string[] => {
  const holds = new Ajv({ strict: false, allErrors: true }).compile(logbookJsonSchema())
  const logbook = file()
  change(logbook)
  holds(logbook)
  return (holds.errors ?? []).map((e) => e.instancePath)
}

describe('the JSON Schema of a logbook (held by Ajv, draft-07)', () => {
  it('holds for what the program writes', () => {
    const logbook = file()
    expect(logbook.runs.length).toBeGreaterThan(0)
    expect(faults(() => undefined)).toEqual([])
  })

  it('refuses what the program would refuse, and says where', () => {
    expect(faults((l) => void (l.devices[0].healthPercent = 500))).toEqual(['/devices/0/healthPercent'])
    expect(faults((l) => void (l.devices[0].kind = 'toaster'))).toEqual(['/devices/0/kind'])
    expect(faults((l) => void (l.runs[0].state = 'lost'))).toEqual(['/runs/0/state'])
    expect(faults((l) => void (l.runs[0].trace.percent[0] = 101))).toEqual(['/runs/0/trace/percent/0'])
    expect(faults((l) => void (l.runs[0].trace.time = []))).toEqual(['/runs/0/trace/time'])
    expect(faults((l) => void Object.assign(l, { format: 'other', exportedAt: 5 }))).toEqual(['/format', '/exportedAt']) // prettier-ignore
    for (const name of ['format', 'schemaVersion', 'runs'])
      expect(
        faults((l) => void Reflect.deleteProperty(l, name)),
        name,
      ).toEqual([''])
    expect(new Ajv({ strict: false }).compile(logbookJsonSchema())([])).toBe(false)
    expect(logbookJsonSchema().$schema).toBe('http://json-schema.org/draft-07/schema#')
    expect(faults((l) => void (l.schemaVersion = 1))).toEqual(['/schemaVersion'])
    expect(faults((l) => void delete (l as Partial<Logbook>).devices)).toEqual([''])
  })

  it('says what a trace holds, and in which unit', () => {
    const { properties } = logbookJsonSchema() as unknown as {
      properties: { runs: { items: { properties: { trace: { properties: Record<string, object> } } } } }
    }
    const { trace } = properties.runs.items.properties
    expect(trace).toMatchObject({ type: 'object', required: ['time'] })
    const { time, percent, voltage, watched, temperatures, notes } = trace.properties
    expect(time).toMatchObject({ description: 'Seconds since power-on, never falling' })
    expect(percent).toMatchObject({ type: 'array', items: { type: ['number', 'null'], minimum: 0, maximum: 100 } })
    expect([percent, voltage, watched]).toMatchObject([{ description: 'level, %' }, { description: 'volts, V' }, { description: 'watched' }])
    expect(temperatures).toEqual({ type: 'object', additionalProperties: { type: 'array', items: { type: ['number', 'null'] } }, description: '°C by place' })
    expect(notes).toEqual({ type: 'array', items: { type: 'string' } })
  }) // prettier-ignore
})

it('reads a logbook with a mark before it, and says of anything else why it is none', () => {
  expect(readLogbook(`\uFEFF${stored}`)).toEqual(readLogbook(stored))
  expect(() => readLogbook(`x\uFEFF${stored}`)).toThrow('not whole JSON')
  for (const none of ['null', '5', '"inkpath-logbook"', '[]', '{}', '{"format":"other"}'])
    expect(() => readLogbook(none), none).toThrow('not a logbook of this program')
  for (const empty of ['', ' \n ']) expect(() => readLogbook(empty)).toThrow('The file is empty.')
  for (const version of ['"2"', '1.5', '0', 'null'])
    expect(() => readLogbook(`{"format":"inkpath-logbook","schemaVersion":${version}}`), version).toThrow(
      'which schema version',
    )
})
