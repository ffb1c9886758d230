import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { emptyLogbook, mergeRecords, type Logbook } from '../logbook/logbook'
import { SCHOOLS } from '../protocol/schools'
import { traceFromReadings } from '../trace/trace'
import { blankDevice } from '../gear/deviceFields'
import { blankSource, portOf } from '../gear/blanks'
import { blankRun } from '../logbook/run'
import { logbookProblems, readLogbook, writeLogbook } from './logbookJson'
import { UnreadableFile } from './problem'

const text = fc.string({ maxLength: 20 }).map((s) => s.trim())
const name = text.map((s) => `n${s}`)
const some = <T>(arb: fc.Arbitrary<T>) => fc.option(arb, { nil: null })

const device = fc.record({
  name,
  kind: fc.constantFrom('phone', 'tablet', 'laptop', 'other'),
  capacityMah: some(fc.integer({ min: 1, max: 99_999 })),
  nominalVolts: some(fc.double({ min: 1, max: 20, noNaN: true })),
  capacityWh: fc.constant(null),
  healthPercent: fc.integer({ min: 1, max: 120 }),
  maxWatts: some(fc.integer({ min: 1, max: 240 })),
  minWatts: fc.constant(null),
  minVolts: fc.constant(null),
  fixedVolts: fc.subarray([5, 9, 12, 15, 20]),
  adjustable: some(fc.constant({ minVolts: 3.3, maxVolts: 11 })),
  family: text,
  wirelessWatts: fc.constant(null),
  enduranceHours: fc.constant(null),
  realUseFactor: fc.constant(null),
  claims: text,
  unitLabel: text,
  software: text,
  legacyAmps: fc.constant(null),
  notes: text,
  corrections: fc.constant<never[]>([]),
})

const logbook: fc.Arbitrary<Logbook> = fc
  .tuple(
    fc.array(device, { minLength: 1, maxLength: 3 }),
    fc.array(fc.array(some(fc.integer({ min: 0, max: 100 })), { minLength: 1 })),
  )
  .map(([devices, runs]) => ({
    devices: devices.map((d, i) => ({
      ...blankDevice({ id: '', name: '', kind: 'phone' }),
      ...d,
      id: `d${i}`,
    })),
    sources: [
      {
        ...blankSource({ id: 's0', name: 'Hawser 20', kind: 'wall charger', ratedWatts: 20, weightG: 40 }),
        ports: [portOf('9V2.22A')],
      },
    ],
    cables: [],
    meters: [],
    observations: [],
    protocols: [SCHOOLS[3]],
    campaigns: [],
    writeUps: [],
    runs: runs.map((levels, i) => ({
      run: blankRun({
        id: `r${i}`,
        deviceId: 'd0',
        sourceId: 's0',
        cableId: null,
        ink: i % 8,
        startedAt: '2026-03-01T19:00:00.000Z',
        state: 'done',
        stateReason: '',
        startPercent: levels[0] ?? null,
        reading: { kind: 'every', seconds: 300 },
        stop: { kind: 'level', percent: 80 },
        provenance: 'hand',
        events: [{ t: 4, kind: 'note', text: 'screen came on' }],
        corrections: [
          {
            row: 0,
            t: 0,
            what: 'percent',
            from: 1,
            to: levels[0],
            why: 'misread',
            when: '2026-03-01T20:00:00.000Z',
          },
        ],
        conditionCorrections: [
          { field: 'ambientC', from: '21', to: '24', why: 'misread', when: '2026-03-01T20:00:00.000Z' },
        ],
      }),
      trace: traceFromReadings(levels.map((p, t) => ({ t: t * 300, percent: p ?? NaN, power: 10 }))),
    })),
  })) as fc.Arbitrary<Logbook>

const sample = (): Logbook =>
  fc.sample(
    logbook.filter((l) => l.runs.length > 1 && l.runs[0].trace.time.length > 1),
    { seed: 7, numRuns: 1 },
  )[0]
type LogbookFile = {
  schemaVersion: number
  devices: { healthPercent: number }[]
  runs: { deviceId: string; trace: { percent: unknown[] } }[]
}
// eslint-disable-next-line @typescript-eslint/no-explicit-any -- a file that is wrong has no type
type Any = any
const spoil = (change: (file: LogbookFile) => void): string => {
  const file = JSON.parse(writeLogbook(sample(), 'now')) as LogbookFile
  change(file)
  return JSON.stringify(file)
}

describe('the logbook file', () => {
  it('gives the same logbook back', () => {
    fc.assert(
      fc.property(logbook, (l) => {
        expect(readLogbook(writeLogbook(l, 'now'))).toEqual(l)
      }),
    )
  })

  it('is refused whole when any part does not hold, with every place named', () => {
    const broken = spoil((file) => {
      file.devices[0].healthPercent = -4
      file.runs[1].trace.percent = ['x']
    })
    let refusal: unknown
    try {
      readLogbook(broken)
    } catch (error) {
      refusal = error
    }
    expect(refusal).toBeInstanceOf(UnreadableFile)
    const places = (refusal as UnreadableFile).problems.map((p) => `${p.where} ${p.message}`).join('\n')
    expect(places).toMatch(/Health/)
    expect(places).toMatch(/runs\[1\].*percent/)
  })

  it.each<[string, (file: never) => void, RegExp]>([
    [
      'a percent beyond any display',
      (f: Any) => (f.runs[0].trace.percent[0] = 1e300),
      /percent.*outside 0 to 100/,
    ],
    [
      'a time that falls',
      (f: Any) => (f.runs[0].trace.time = f.runs[0].trace.time.map((_: number, i: number) => 100 - i)),
      /backwards|no reading/,
    ],
    ['a trace without a reading', (f: Any) => (f.runs[0].trace = { time: [] }), /no reading/],
    [
      'a place named like a trap',
      (f: Any) =>
        (f.runs[0].trace.temperatures = JSON.parse(
          `{"__proto__": ${JSON.stringify(f.runs[0].trace.time.map(() => 20))}}`,
        )),
      /cannot be the name of a place/,
    ],
    [
      'two places in capitals and not',
      (f: Any) =>
        (f.runs[0].trace.temperatures = {
          Back: f.runs[0].trace.time.map(() => 20),
          back: f.runs[0].trace.time.map(() => 20),
        }),
      /is there twice/,
    ],
    [
      'an observation of a source that is not there',
      (f: Any) =>
        (f.observations = [
          { id: 'o', deviceId: 'd0', sourceId: 'gone', outcome: 'slow', when: '2026-03-01T19:00:00Z' },
        ]),
      /sourceId names a source that is not there/,
    ],
    [
      'a run through a cable that is not there',
      (f: Any) => (f.runs[0].cableId = 'gone'),
      /cableId names a cable/,
    ],
    ['two runs of one id', (f: Any) => (f.runs[1].id = f.runs[0].id), /same id twice/],
    ['an id that is a trap', (f: Any) => (f.devices[0].id = '__proto__'), /not usable as an id/],
    ['a moment that is none', (f: Any) => (f.runs[0].startedAt = '99999-01-01'), /not a moment/],
    ['a word without end', (f: Any) => (f.runs[0].notes = 'x'.repeat(20_000)), /longer than/],
    ['a list that is none', (f: Any) => (f.cables = 7), /not a list/],
  ])('refuses %s', (_what, change, reason) => {
    const text = spoil(change as never)
    let problems = ''
    try {
      readLogbook(text)
    } catch (error) {
      problems = (error as UnreadableFile).problems.map((p) => `${p.where} ${p.message}`).join('\n')
    }
    expect(problems).toMatch(reason)
    expect(problems.length).toBeLessThan(1000)
  })

  it('takes along of a rule or an offer only what belongs to it', () => {
    const text = spoil((f: Any) => {
      f.runs[0].stop = { kind: 'level', percent: 80, extra: { deep: [1, 2, 3] } }
      f.sources[0].ports[0].offers[0].nested = { a: 1 }
    })
    const { runs, sources } = readLogbook(text)
    expect(runs[0].run.stop).toEqual({ kind: 'level', percent: 80 })
    expect(Object.keys(sources[0].ports[0].offers[0]).sort()).toEqual(['amps', 'kind', 'volts'])
  })

  it('is never written with something in it that would be refused', () => {
    const logbook = sample()
    logbook.runs[0].run.deviceId = 'gone'
    expect(() => writeLogbook(logbook, 'now')).toThrow(/nothing was written/)
  })

  it('is refused with a plain reason when it is another file, cut short, or from a later program', () => {
    expect(() => readLogbook('')).toThrow(/empty/)
    expect(() => readLogbook('{"hello":"world"}')).toThrow(/not a logbook of this program/)
    expect(() => readLogbook('[1,2]')).toThrow(/not a logbook of this program/)
    expect(() => readLogbook(writeLogbook(sample(), 'now').slice(0, -30))).toThrow(/cut short/)
    expect(() => readLogbook(spoil((f) => (f.schemaVersion = 999)))).toThrow(/Update the program/)
    expect(() => readLogbook(spoil((f) => (f.runs[0].deviceId = 'gone')))).toThrow(UnreadableFile)
  })

  it('merges by id: newer replaces, nothing else is lost, twice is the same as once', () => {
    const a = sample()
    const renamed = [{ ...a.devices[0], name: 'renamed' }]
    const merged = mergeRecords('devices', a.devices, renamed)
    expect(merged).toHaveLength(a.devices.length)
    expect(merged.map((d) => d.name)).toContain('renamed')
    expect(mergeRecords('devices', merged, renamed)).toEqual(merged)
  })
})

it('brings a file of version 1 forward: runs gain an empty checklist and no place in a campaign', () => {
  const run = {
    id: 'r', deviceId: 'd', sourceId: 's', cableId: null, ink: 0, startedAt: '2026-03-02T19:00:00Z', state: 'done',
    stateReason: '', startPercent: 5, reading: { kind: 'every', seconds: 300 }, stop: { kind: 'shown-full' },
    provenance: 'hand', events: [], corrections: [], notes: '', trace: { time: [0, 300], percent: [5, 9] },
  } // prettier-ignore
  const file = {
    format: 'inkpath-logbook',
    schemaVersion: 1,
    devices: [{ id: 'd', name: 'Skerry P5', kind: 'phone', healthPercent: 100, claims: 'lasts for ever' }],
    sources: [{ id: 's', name: 'Hawser 20', kind: 'wall charger', ratedWatts: 20 }],
    runs: [run],
  }
  const read = readLogbook(JSON.stringify(file))
  expect(read.runs[0].run).toMatchObject({ planned: null, checklist: [], dated: true })
  expect(read).toMatchObject({ meters: [], observations: [], protocols: [], campaigns: [] })

  // What its device says now is the best that is known of the battery then: 4200 mAh at 3.85 V assumed.
  const device = { ...file.devices[0], capacityMah: 4200, healthPercent: 91 }
  const known = readLogbook(JSON.stringify({ ...file, devices: [device] })).runs[0].run
  expect(known.conditions).toMatchObject({
    ratedWh: 16.17,
    voltsAssumed: true,
    healthPercent: 91,
    meterId: null,
  })
  expect(known).toMatchObject({ conditionCorrections: [], heat: { stopLimitC: 45 } })
  // A device that does not hold is named as ever, and nothing else is said.
  const broken = JSON.stringify({ ...file, devices: [{ ...device, name: {} }] })
  expect(() => readLogbook(broken)).toThrow(UnreadableFile)
})

describe('what is written is what would be read', () => {
  const device = blankDevice({ id: 'd', name: 'Skerry P5', kind: 'phone' })
  const source = blankSource({ id: 's', name: 'Hawser 20', kind: 'wall charger', ratedWatts: 20 })
  const run = blankRun({ id: 'r', deviceId: 'd', sourceId: 's', startedAt: '2026-03-02T19:00:00.000Z' })
  const trace = traceFromReadings([
    { t: 0, percent: 5 },
    { t: 300, percent: 12 },
  ])
  const of = (over: Partial<Logbook> = {}): Logbook => ({
    ...emptyLogbook(),
    devices: [device],
    sources: [source],
    runs: [{ run, trace }],
    ...over,
  })
  const told = (logbook: Logbook) =>
    logbookProblems(logbook).map(({ where, message }) => `${where}: ${message}`)

  it('finds nothing in a logbook that holds', () => {
    expect(told(of())).toEqual([])
    expect(readLogbook(writeLogbook(of(), '2026-03-02T21:00:00.000Z')).runs).toHaveLength(1)
  })

  it('names the record and its field, the readings that do not hold, and what leads nowhere', () => {
    expect(told(of({ devices: [{ ...device, healthPercent: -1 }] }))).toEqual([
      expect.stringMatching(/^devices\[0\]\.healthPercent: /),
    ])
    const falling = { ...trace, time: Float64Array.of(300, 0) }
    expect(
      told(
        of({
          runs: [
            { run, trace },
            { run: { ...run, id: 'q' }, trace: falling },
          ],
        }),
      ),
    ).toEqual([expect.stringMatching(/^runs\[1\]: /)])
    expect(told(of({ sources: [] }))).toEqual([expect.stringMatching(/^runs\[0\]: .*source/)])
    expect(told(of({ devices: [device, device] }))).toEqual(['devices: holds the same id twice'])
    for (const wrong of [of({ sources: [] }), of({ runs: [{ run, trace: falling }] })])
      expect(() => writeLogbook(wrong, '2026-03-02T21:00:00.000Z')).toThrow(UnreadableFile)
  })

  it('cuts a message that quotes a long text', () => {
    const [{ message }] = logbookProblems(
      of({ runs: [{ run: { ...run, state: 'x'.repeat(900) as never }, trace }] }),
    )
    expect(message.length).toBeLessThan(400)
  })
})
