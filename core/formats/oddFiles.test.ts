import { describe, expect, it } from 'vitest'
import { calendarOf } from '../plan/calendar'
import { encodingOf } from './encoding'
import { guardCell, unguardCell } from './textCell'
import { readTraceCsv } from './traceCsv'
import { UnreadableFile } from './problem'

const times = (text: string) => Array.from(readTraceCsv(text).trace.time)
const refusal = (text: string): UnreadableFile => {
  try {
    readTraceCsv(text)
  } catch (error) {
    return error as UnreadableFile
  }
  throw new Error('It was read.')
}

describe('a table that is odd is read, or refused with the line; never silently wrong', () => {
  it('a quote that never closes', () => {
    const { message, problems } = refusal('time_s,battery_percent,note\n0,5,a\n60,6,"b\n120,7,c\n180,8,d\n')
    expect(message).toMatch(/quote is opened and never closed/)
    expect(problems[0].line).toBe(3)
  })

  it('rows that are short or long', () => {
    const { trace, problems } = readTraceCsv(
      'time_s,battery_percent,power_w\n0,5,10\n60,6\n120,7,11,12\n180,8,12,\n',
    )
    expect(problems.map((p) => [p.line, p.message])).toEqual([
      [3, '2 cells, the header has 3; the missing ones count as not read.'],
      [4, '4 cells, the header has 3 ("12" is too much); the row is left out.'],
    ])
    expect(Array.from(trace.time)).toEqual([0, 60, 180])
    expect(trace.power).toEqual(Float64Array.of(10, NaN, 12))
  })

  it('decimal commas in a comma-parted file', () => {
    const { message, problems } = refusal('time_s,power_w\n0,10,5\n60,11,25\n120,12,0\n')
    expect(message).toMatch(/decimal commas/)
    expect(problems[0].line).toBe(2)
    expect(readTraceCsv('time_s,power_w\n0,"10,5"\n60,"11,25"\n').trace.power).toEqual(
      Float64Array.of(10.5, 11.25),
    )
  })

  it('two columns of one name', () => {
    expect(refusal('time_s,power_w,Power_W\n0,10,20\n').problems[0].message).toMatch(/Power_W/)
  })

  it('places of temperature that differ in capitals only, or are no names', () => {
    expect(refusal('time_s,temperature_Back_c,temperature_back_c\n0,20,21\n').message).toMatch(
      /same name|apart/,
    )
    expect(refusal('time_s,temperature___proto___c\n0,20\n').message).toMatch(/cannot be told apart/)
    expect(Object.keys(readTraceCsv('time_s,temperature_Lid_c\n0,20\n').trace.temperatures)).toEqual(['Lid'])
  })

  it('lines before the header', () => {
    const text =
      'Tally inline meter\nFirmware;1,2\n\nTime (s);Voltage (V);Current (A)\n0;5,1;0,5\n1;9,0;2,0\n'
    const { trace, assumed } = readTraceCsv(text)
    expect(trace.voltage).toEqual(Float64Array.of(5.1, 9))
    expect(assumed.join(' ')).toMatch(/header is in line 4/)
  })
})

describe('times of every kind', () => {
  it('since 1970, in seconds and milliseconds: the date is the run’s', () => {
    const { trace, startedAt, assumed } = readTraceCsv(
      'timestamp,battery_percent\n1772476800,5\n1772477100,6\n',
    )
    expect([Array.from(trace.time), startedAt]).toEqual([[0, 300], '2026-03-02T18:40:00.000Z'])
    expect(assumed.join(' ')).toMatch(/since 1970/)
    expect(times('unix,battery_percent\n1772476800000,5\n1772476800500,6\n')).toEqual([0, 0.5])
  })

  it('since some start-up, in milliseconds', () => {
    expect(times('uptime_ms,battery_percent\n532000,5\n533000,6\n')).toEqual([0, 1])
    expect(times('uptime,battery_percent\n532000,5\n533000,6\n')).toEqual([0, 1])
    expect(times('uptime_s,battery_percent\n532,5\n533,6\n')).toEqual([0, 1])
  })

  it('of the day, past midnight too', () => {
    const text = 'Time,battery_percent\n23:50:00,5\n23:55:00,9\n00:05:30,17\n'
    expect(times(text)).toEqual([0, 300, 930])
    expect(readTraceCsv(text).assumed.join(' ')).toMatch(/clock on the wall/)
    expect(times('Time,battery_percent\n11:55 pm,5\n12:05 am,9\n')).toEqual([0, 600])
  })

  it('of the day without seconds, which minutes and seconds look like', () => {
    expect(times('Time,battery_percent\n18:40,5\n18:45,9\n18:50,13\n')).toEqual([0, 300, 600])
    expect(times('Time,battery_percent\n05:00,5\n10:00,9\n15:00,13\n')).toEqual([300, 600, 900])
  })

  it('with the date day first, in a local clock', () => {
    const { trace, startedAt } = readTraceCsv(
      'time;battery_percent\n02.03.2026 18:40;5\n02.03.2026 18:45;9\n',
    )
    expect(Array.from(trace.time)).toEqual([0, 300])
    expect(startedAt).toBe(new Date(2026, 2, 2, 18, 40).toISOString())
    expect(
      readTraceCsv('time,battery_percent\n31.02.2026 18:40,5\n01.03.2026 18:45,9\n01.03.2026 18:50,9\n')
        .problems[0].line,
    ).toBe(2)
  })

  it('ISO with a date: that is the run’s', () => {
    expect(
      readTraceCsv('time_s,battery_percent\n2026-03-02T18:40:00Z,5\n2026-03-02T18:45:00Z,9\n').startedAt,
    ).toBe('2026-03-02T18:40:00.000Z')
    expect(readTraceCsv('time_s,battery_percent\n0,5\n').startedAt).toBeNull()
  })

  it('longer than any run are refused by their line, and nothing endless is taken', () => {
    expect(readTraceCsv('time_s,battery_percent\n0,5\n1e300,6\n60,7\n').problems[0]).toMatchObject({
      line: 3,
    })
  })
})

it('tells UTF-16 by its mark or by its zero bytes', () => {
  const le = (text: string) => Uint8Array.from(Buffer.from(text, 'utf16le'))
  expect(encodingOf(le('\uFEFFtime_s,battery_percent'))).toBe('utf-16le')
  expect(encodingOf(le('time_s,battery_percent'))).toBe('utf-16le')
  expect(encodingOf(Uint8Array.from(Buffer.from('time_s,battery_percent', 'utf16le').swap16()))).toBe(
    'utf-16be',
  )
  expect(encodingOf(Uint8Array.from(Buffer.from('time_s,Füllstand')))).toBe('utf-8')
})

it.each(['=1+1', '+1', '-1', '@x', '\tx', "'=1+1", "''@", "'tis", 'plain', ''])(
  'writes the cell %j so that no spreadsheet runs it, and reads it back as it was',
  (text) => {
    expect(guardCell(text)).not.toMatch(/^[=+\-@\t\r]/)
    expect(unguardCell(guardCell(text))).toBe(text)
  },
)

it('keeps messages short, and counts the faults it does not name', () => {
  const rows = Array.from({ length: 5000 }, (_, i) => `${i},${'x'.repeat(500)}`)
  const { problems, problemCount } = readTraceCsv(`time_s,power_w\n${rows.join('\n')}\n`)
  expect([problems.length, problemCount]).toEqual([1000, 5000])
  expect(problems[0].message.length).toBeLessThan(120)
  expect(
    refusal(`${Array.from({ length: 400 }, (_, i) => `column ${i}`).join()}\n1\n`).problems[0].message.length,
  ).toBeLessThan(400)
})

it('names a dozen columns, and counts the rest', () => {
  const found = (count: number) =>
    refusal(`${Array.from({ length: count }, (_, i) => `c${i}`).join()}\n1,2\n`).problems[0].message
  expect(found(2)).toBe('Columns found: "c0", "c1".')
  expect(found(12)).toMatch(/"c11"\.$/)
  expect(found(13)).toMatch(/"c11" and 1 more\.$/)
})

it('lets no name put a line into a calendar', () => {
  const slot = { startsAt: '2026-03-02T18:40:00.000Z', chargeS: 60, prepS: 0, unit: 0, lane: 0 }
  const campaign = { name: 'A\r\nATTENDEE:x', protocol: { name: 'P\nURL:y' }, means: {}, planned: [{ id: 'p', deviceId: 'd', sourceId: 's', cableId: null, repeat: 1, slot, pinned: false, setAside: null }] } // prettier-ignore
  const names = { device: () => 'D\r\nBEGIN:VEVENT', source: () => 'S' }
  const text = calendarOf(campaign as never, names, new Date(0))
  expect(text.match(/^(ATTENDEE|URL|BEGIN:VEVENT)/gm)).toEqual(['BEGIN:VEVENT'])
})

describe('a log in units of other sizes', () => {
  const log = (head: string, row: (i: number) => (string | number)[], parted = ',') =>
    readTraceCsv([head, ...Array.from({ length: 30 }, (_, i) => row(i).join(parted))].join('\n'))

  it('reads what a device tells of its own battery, in millionths and tenths of a degree', () => {
    const { trace, assumed, problemCount } = log('timestamp,capacity,status,temp,voltage_now,current_now', (i) => [
      `20261103_19${String(i).padStart(2, '0')}05`, 20 + i, 'Charging', 285 + i, 4_012_000, 2_350_000 - 1000 * i,
    ])
    expect(problemCount).toBe(0)
    expect([trace.time[1], trace.percent![1], trace.temperatures[''][0]]).toEqual([60, 21, 28.5])
    expect([trace.batteryVoltage![0], trace.batteryCurrent![0], trace.current]).toEqual([4.012, 2.35, undefined])
    expect(assumed).toContain('"current_now" is read in µA.')
  })

  it('takes a battery’s own watts for such without a cell’s volts, where a level stands beside them', () => {
    const { trace } = log('epoch_s,soc,power_now,voltage_now', (i) => [1_790_000_000 + 60 * i, 20 + i, 18_500_000, 12_012_000])
    expect([trace.batteryPower![0], trace.batteryVoltage![0], trace.power]).toEqual([18.5, 12.012, undefined])
  })

  it('takes no kW for W: a plug at the wall counts kWh, and a heading or a cell may say µA', () => {
    const { trace } = log('Time (s),Power (kW),Energy (kWh),I (µA)', (i) => [60 * i, 0.0182, 0.043, 1_500_000])
    expect([trace.power![0], trace.counterWh![0], trace.current![0]]).toEqual([18.2, 43, 1.5])
    const cells = log('Time (s),Power,Current', (i) => [60 * i, '0.0182 kW', '1500000 uA']).trace
    expect([cells.power![0], cells.current![0]]).toEqual([18.2, 1.5])
    // A plug is no size.
    expect(log('Time (s),Micro USB voltage', (i) => [60 * i, 5.1]).trace.voltage![0]).toBe(5.1)
  })

  it('reads the last row of a table parted by tabs whose last cell is empty', () => {
    const { problemCount, trace } = log('Minutes\tLevel\tNotes', (i) => [i, 5 + i, ''], '\t')
    expect([problemCount, trace.time.length]).toEqual([0, 30])
  })

  it('knows the temperature of a part by its sign', () => {
    expect(log('t_bat,time,level', (i) => [28.5, 60 * i, 5 + i]).trace.temperatures.bat![0]).toBe(28.5)
  })
}) // prettier-ignore

describe('columns that look alike', () => {
  const log = (head: string, row: (i: number) => (string | number)[]) =>
    readTraceCsv([head, ...Array.from({ length: 20 }, (_, i) => row(i).join(','))].join('\n'))
  const first = (of?: Float64Array) => of?.[1]

  it('takes the watts of a plug at the wall, and neither its power factor nor the mains’ volts and amperes', () => {
    const { trace, columns } = log('Time (s),Voltage,Current,Power Factor,Apparent Power (VA),Reactive Power (var),Power,Today (kWh)', (i) => [i, 230.1, 0.14, 0.56, 32.1, 26.5, 18, 0.012])
    expect([trace.power, trace.counterWh].map(first)).toEqual([18, 12])
    expect([trace.voltage, trace.current]).toEqual([undefined, undefined])
    expect(columns[1]).toContain('"Voltage", "Current", "Power Factor"')
    const both = log('Time (s),Input voltage,Input current,Output voltage,Output current', (i) => [i, 121, 0.2, 9, 1.9])
    expect([both.trace.voltage, both.trace.current].map(first)).toEqual([9, 1.9])
  })

  it('takes what was read before what was set, and the mean before the least and the most', () => {
    const set = log('Time (s),Set voltage,Set current,Voltage,Current', (i) => [i, 9, 3, 8.95, 1.9]).trace
    expect([set.voltage, set.current].map(first)).toEqual([8.95, 1.9])
    const spread = log('Time (s),Max power (W),Min power (W),Average power (W)', (i) => [i, 19, 17, 18]).trace
    expect(first(spread.power)).toBe(18)
    // Minutes are no least, and a time is a time.
    const timed = log('Elapsed (min),Clock,Level', (i) => [i, `19:${10 + i}:00`, 5 + i])
    expect([timed.trace.time[1], timed.startedAt, timed.columns[1]]).toEqual([60, null, 'Not read: "Clock".'])
    expect(log('Zeit (s),Leistungsfaktor,Leistung', (i) => [i, 0.5, 18]).trace.power?.[1]).toBe(18)
    // Alone, it is what there is.
    expect(first(log('Time (s),Max power (W)', (i) => [i, 19]).trace.power)).toBe(19)
  })

  it('knows the quantities by their names in other languages, without a unit', () => {
    for (const head of ['heure,batterie,puissance,tension,courant', 'Uhrzeit,Akkustand,Leistung,Spannung,Strom', 'hora,batería,potencia,tensión,corriente', 'ora,batteria,potenza,tensione,corrente']) {
      const { trace } = log(head, (i) => [`19:${10 + i}:00`, 5 + i, 18.1, 9, 2])
      expect([trace.time, trace.percent, trace.power, trace.voltage, trace.current].map(first), head).toEqual([60, 6, 18.1, 9, 2])
    }
  })

  it('knows a clock on the wall though several readings stand at one minute', () => {
    const { trace } = log('Zeit,Level', (i) => [`19:${String(Math.floor(i / 2)).padStart(2, '0')}`, 5 + Math.floor(i / 2)])
    expect([...trace.time].slice(0, 5)).toEqual([0, 0, 60, 60, 120])
  })
}) // prettier-ignore
