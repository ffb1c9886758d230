import 'fake-indexeddb/auto'
import { beforeAll, describe, expect, it, vi } from 'vitest'
import { number } from 'yup'
import type * as Channels from '@core/trace/channels'
import type * as DeviceFields from '@core/gear/deviceFields'

/**
 * One channel and one device field more in their tables, and nothing else changed: both must come through storage,
 * files and screens. A place that keeps a list of its own forgets them, and fails here.
 */
const HUMIDITY = {
  header: 'humidity_percent',
  unit: '%',
  bounds: [0, 100],
  digits: 1,
  label: 'Humidity',
  called: 'humidity',
} as const
const CYCLES = {
  schema: number().integer().min(0).max(5000).nullable().defined().default(null),
  label: 'Charge cycles',
  input: 'number',
  rating: 'charge cycles',
} as const

vi.mock('@core/trace/channels', async (original) => {
  const real = await original<typeof Channels>()
  const table = { ...real.CHANNEL_TABLE, humidity: HUMIDITY }
  const channel = (name: keyof typeof table) => table[name]
  return {
    ...real,
    CHANNEL_TABLE: table,
    CHANNELS: Object.keys(table),
    channel,
    scalesOf: (name: keyof typeof table) => (name === 'humidity' ? [] : real.scalesOf(name)),
    columnTitle: (name: keyof typeof table) => `${channel(name).label}, ${channel(name).unit}`,
  }
})
vi.mock('@core/gear/deviceFields', async (original) => {
  const real = await original<typeof DeviceFields>()
  const fields = { ...real.DEVICE_FIELDS, cycles: CYCLES }
  const deviceSchema = real.deviceSchema.shape({ cycles: CYCLES.schema })
  return { ...real, DEVICE_FIELDS: fields, deviceSchema }
})

type Any = Record<string, never> & { humidity: Float64Array; cycles: number }
let logbook: Awaited<ReturnType<typeof load>>
const load = async () => ({
  ...(await import('@core/formats/logbookJson')),
  ...(await import('@core/formats/traceCsv')),
  ...(await import('@core/formats/traceCsvOut')),
  ...(await import('@core/formats/columns')),
  ...(await import('@core/trace/trace')),
  ...(await import('@core/bench/line')),
  ...(await import('@core/bench/state')),
  ...(await import('@core/protocol/entry')),
  ...(await import('@core/gear/corrections')),
  ...(await import('./storage.fixture')),
  ...(await import('./logbookStorage')),
})
beforeAll(async () => void (logbook = await load()))

describe('a channel that is added to the table', () => {
  const reading = { t: 5, percent: 6, humidity: 41.5 } as never
  it('is read, written, kept and offered everywhere', async () => {
    const { traceFromReadings, writeTraceCsv, readTraceCsv, isLine, newLane, reduceLane } = logbook
    const trace = traceFromReadings([reading])
    expect(writeTraceCsv(trace)).toBe('time_s,battery_percent,humidity_percent\r\n5,6,41.5\r\n')
    expect(readTraceCsv(writeTraceCsv(trace)).trace).toEqual(trace)
    expect(logbook.channelsOf(trace)).toContain('humidity')
    expect(logbook.channelChoices().map((c) => c.title)).toContain('humidity, %')
    expect(logbook.entrySchema.validateSync({ humidity: '41,5' } as never)).toMatchObject({ humidity: 41.5 })
    expect(isLine({ kind: 'readings', readings: [{ t: 5, humidity: 101 }] })).toBe(false)
    const lane = reduceLane(newLane(), { kind: 'readings', readings: [reading] })
    expect((lane.readings.trace({}) as unknown as Any).humidity[0]).toBe(41.5)
    const columns = (await import('@core/trace/channels')) as typeof Channels
    expect(columns.columnTitle('humidity' as never)).toBe('Humidity, %')
  })

  it('comes through storage and the logbook’s file', async () => {
    const { demoLike, emptyBrowser, openLogbook, importLogbook, readWhole, writeLogbook, readLogbook } =
      logbook
    await emptyBrowser()
    await openLogbook()
    const content = demoLike('a')
    content.runs[0].trace = logbook.traceFromReadings([reading])
    await importLogbook(content, 'replace')
    const back = readLogbook(writeLogbook((await readWhole()).logbook, 'now'))
    expect((back.runs[0].trace as unknown as Any).humidity[0]).toBe(41.5)
  })
})

describe('a field that is added to a device', () => {
  it('comes through storage and file, is checked, and its corrections are kept by name', async () => {
    const { demoLike, emptyBrowser, openLogbook, importLogbook, readWhole, writeLogbook, readLogbook } =
      logbook
    await emptyBrowser()
    await openLogbook()
    const content = demoLike()
    // A device written before the field was there has it, as not known.
    expect((content.devices[0] as unknown as Any).cycles).toBeNull()
    Object.assign(content.devices[0], { cycles: 312 })
    await importLogbook(content, 'replace')
    const back = readLogbook(writeLogbook((await readWhole()).logbook, 'now'))
    expect((back.devices[0] as unknown as Any).cycles).toBe(312)
    const { ratingChanges, ratingLabel } = logbook
    expect(ratingLabel('cycles')).toBe('charge cycles')
    expect(ratingChanges(demoLike().devices[0], content.devices[0])).toMatchObject([
      { field: 'cycles', to: '312' },
    ])
    Object.assign(content.devices[0], { cycles: -1 })
    expect(() => writeLogbook(content, 'now')).toThrow(/nothing was written/)
  })
})
