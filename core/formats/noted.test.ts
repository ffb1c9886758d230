import { describe, expect, it } from 'vitest'
import { channelChoices } from './columns'
import { guessColumns } from './guessColumns'
import { readTraceCsv, readTraceTable } from './traceCsv'
import { guessTimeStyle } from './timeStyle'
import { wideColumns } from './wide'

/** Tables as people and loggers write them, read without asking. */
const read = (text: string) => {
  const { trace, assumed, problems } = readTraceCsv(text)
  return { ...trace, time: [...trace.time], percent: [...(trace.percent ?? [])], power: [...(trace.power ?? [])], assumed, problems } // prettier-ignore
}
const rows = (...lines: string[]) => lines.join('\n') + '\n'

describe('times', () => {
  it('counts hours where the heading says hours', () => {
    expect(read(rows('Time (h),Level', '0,5', '0.5,20', '1.25,44')).time).toEqual([0, 1800, 4500])
  })

  it('takes h:mm for hours and minutes where the heading says so, or where no battery charges so fast', () => {
    expect(guessTimeStyle('Time (h:mm)', ['0:00', '0:05'])).toBe('hours-minutes')
    expect(guessTimeStyle('Time (hh:mm:ss)', ['0:00:00', '0:00:05'])).toBe('clock')
    const named = read(rows('t (h:mm),W', '0:00,18', '1:05,9'))
    expect(named.time).toEqual([0, 3900])
    const told = read(rows('Time;Level', '0:00;5', '0:05;11', '0:10;17', '1:00;60'))
    expect(told.time).toEqual([0, 300, 600, 3600])
    expect(told.assumed).toContain('Times are hours and minutes since power-on.')
    // More than eight points a minute hardly anything takes up; below it they stay minutes and seconds.
    const fast = read(rows('Time;Level', '0:00;5', '5:00;45'))
    expect(fast.time).toEqual([0, 300])
    expect(fast.assumed).toContain('Times are minutes and seconds since power-on.')
    expect(read(rows('Time;Level', '0:00:00;5', '0:00:05;60')).time).toEqual([0, 5])
  })

  it('reads clocks with a point or an h in them', () => {
    const dotted = read(rows('Time;Level', '19.30;5', '19.45;20', '20.00;33', '20.15;45'))
    expect(dotted.time).toEqual([0, 900, 1800, 2700])
    expect(read(rows('Zeit;Level', '7.50 pm;5', '8.05 pm;20')).time).toEqual([0, 900])
    expect(read(rows('Time;Level', '19h30;5', '19h45;20', '20h00;33')).time).toEqual([0, 900, 1800])
    expect(read(rows('Elapsed;Level', '0h00;5', '1h05;20')).time).toEqual([0, 3900])
    // These go on evenly as they stand: they are numbers.
    expect(guessTimeStyle('Time', ['0.00', '0.50', '1.00', '1.50'])).toBe('seconds')
    expect(guessTimeStyle('Time', ['19.30', '19.35', '19.40'])).toBe('seconds')
    expect(guessTimeStyle('Time', ['19.30', '19.75', '20.15', '20.60'])).toBe('seconds')
  })

  it('reads moments with the month in letters, under a heading nobody knows', () => {
    const local = (h: number, min: number) => new Date(2026, 10, 20, h, min).toISOString()
    for (const cell of ['Nov 20 2026 7:30 PM', 'Nov 20, 2026 19:30', '20 Nov 2026 19:30', 'Fri, 20 November 2026, 19:30:00', 'Nov. 20, 2026, 7.30 pm']) {
      const { startedAt, trace } = readTraceCsv(rows('When;Level', `${cell};5`, `${cell.replace('30', '35')};11`))
      expect([startedAt, ...trace.time]).toEqual([local(19, 30), 0, 300])
    }
    expect(guessTimeStyle('When', ['31 Feb 2026 19:30', '20 Foo 2026 19:30'])).toBe('seconds')
  }) // prettier-ignore

  it('reads a log whose newest row stands first from its end', () => {
    const { time, percent, assumed, problems } = read(rows('t,percent', '600,17', '300,11', '0,5'))
    expect([time, percent, problems]).toEqual([[0, 300, 600], [5, 11, 17], []])
    expect(assumed).toContain('The newest row stands first; the table was read from its end.')
    const wall = read(rows('Clock,percent', '0:10:00,17', '23:58:00,11', '23:50:00,5'))
    expect([wall.time, wall.percent]).toEqual([[0, 480, 1200], [5, 11, 17]]) // prettier-ignore
    // One row out of its place is a fault of that row.
    expect(read(rows('t,percent', '0,5', '300,11', '200,12', '600,17')).problems).toHaveLength(1)
  })
})

describe('headings', () => {
  it('go by their unit where nobody knows their language', () => {
    const { time, percent, power, temperatures } = read(
      rows('Zeit (min);Akkustand (%);Leistung [W];Rückseite (°C)', '0;5;18,0;24,5', '5;11;17,5;25'),
    )
    expect([time, percent, power]).toEqual([[0, 300], [5, 11], [18, 17.5]]) // prettier-ignore
    expect([...temperatures['rückseite']]).toEqual([24.5, 25])
    const bare = readTraceCsv(rows('Zeit s;Spannung V;Strom mA', '0;9;1995', '30;9;1990')).trace
    expect(readTraceCsv(rows('time_s,mAh', '0,5')).assumed).toEqual([])
    expect([...bare.time, ...bare.voltage!, ...bare.current!]).toEqual([0, 30, 9, 9, 1.995, 1.99])
    const french = read(rows('Temps (min);Batterie (%);Température (°C)', '0;5;24,5', '5;11;25'))
    expect([french.time, [...french.temperatures['']]]).toEqual([[0, 300], [24.5, 25]]) // prettier-ignore
    // Beside a level, what rises is the time; what counts the rows is not.
    expect(read(rows('Zeit,"Akku, %"', '0,5', '300,11', '600,17')).time).toEqual([0, 300, 600])
    for (const numbers of [
      [1, 2, 3],
      [0, 300, 300],
      [0, 300],
    ])
      expect(() => read(rows('Nr,Akku %', ...numbers.map((n) => `${n},5`)))).toThrow('no time column')
    expect(() => read(rows('Aika,Leistung W', '0,5', '300,11', '600,17'))).toThrow('no time column')
    // A name that is known outdoes a unit.
    expect(read(rows('Wert min;Time;Level', '3;0;5', '3;60;7')).time).toEqual([0, 60])
  })

  it('may stand in a comment', () => {
    const { time, percent } = read(rows('# logger', '# every 300 s', '#time,level', '0,5', '300,11'))
    expect([time, percent]).toEqual([[0, 300], [5, 11]]) // prettier-ignore
    expect(readTraceTable(rows('#,Time,Level', '1,0,5')).headers).toEqual(['#', 'Time', 'Level'])
  })

  it('are not needed where the cells carry their units', () => {
    const { time, percent, power } = read(rows('0:00;5 %;18,0 W', '5:00;11 %;17,5 W'))
    expect([time, percent, power]).toEqual([[0, 300], [5, 11], [18, 17.5]]) // prettier-ignore
    const { percent: named } = read(rows('Time,Akku', '0,5 %', '300,11 %'))
    expect(named).toEqual([5, 11])
    // Two columns of levels are two chargers: none of them is *the* level.
    const table = readTraceTable(rows('Time,Hawser 30,Bollard 12', '0,5 %,5 %', '300,11 %,8 %'))
    expect(wideColumns(table, guessColumns(table))).toEqual([1, 2])
    expect(guessColumns(table)[1]).toEqual({ kind: 'ignore' })
  })
})

describe('values', () => {
  it('may be full, and times may be written as so much later', () => {
    const { time, percent } = read(rows('Time,Level', '0,98', '+5 min,99', '+10 min,Full'))
    expect([time, percent]).toEqual([[300, 600], [99, 100]]) // prettier-ignore
  })

  it('have their thousands parted by a space or an apostrophe', () => {
    for (const sign of ['\u202f', '\u00a0', ' ', '’', "'"])
      expect(read(rows('t;mW;%', `0;18${sign}000;5`, `60;9${sign}500;6`)).power).toEqual([18, 9.5])
    expect(read(rows('t;mW;%', '0;18 00;5', '60;9500;6')).problems).toHaveLength(1)
  })

  it('stand in thousandths where in whole units none could be', () => {
    const { trace, assumed } = readTraceCsv(
      rows('time,level,Voltage,Current,temp', '0,5,9020,1995,240', '60,6,9015,1990,245', '120,7,9030,15,251'),
    )
    expect([...trace.voltage!]).toEqual([9.02, 9.015, 9.03])
    expect([...trace.current!]).toEqual([1.995, 1.99, 0.015])
    expect([...trace.temperatures['']]).toEqual([24, 24.5, 25.1])
    expect(assumed).toEqual(
      expect.arrayContaining(['"Voltage" is read in mV.', '"Current" is read in mA.', '"temp" is read in tenths of a °C.']), // prettier-ignore
    )
    // A heading that names its unit is believed, and the cells are told.
    expect(readTraceCsv(rows('time,level,voltage_v', '0,5,3800', '60,6,3815')).problems).toHaveLength(2)
    expect(readTraceCsv(rows('time,level,Voltage (V)', '0,5,3800', '60,6,3815')).problems).toHaveLength(2)
  })
})

describe('the side of a cell', () => {
  const at = (text: string) =>
    guessColumns(readTraceTable(text)).flatMap((m) => (m.kind === 'channel' ? [m.channel] : []))
  it('is where volts of a cell stand beside a level, whatever a device’s log calls them', () => {
    expect(at(rows('time,level,Voltage,Current (mA)', '0,5,3800,1995', '60,6,3815,1990'))).toEqual(['percent', 'batteryVoltage', 'batteryCurrent']) // prettier-ignore
    const { assumed } = readTraceCsv(rows('time_s,level,Voltage,Power', '0,5,3.8 V,7.6', '60,6,3.9 V,7.8'))
    expect(assumed).toEqual(['"Voltage" is taken for the battery’s.', '"Power" is taken for the battery’s.'])
    expect(at(rows('level,time,Voltage,Current', '5,0,2.5,2', '6,60,2.5,2'))).toContain('batteryCurrent')
    expect(at(rows('time,level,Voltage', '0,5,4.55', '60,6,4.55'))).toContain('batteryVoltage')
    expect(at(rows('time,level,Voltage', '0,5,2.49', '60,6,4.56'))).toContain('batteryVoltage')
    for (const volts of ['2.49', '4.56', 'x'])
      expect(at(rows('time,level,Voltage', `0,5,${volts}`, `60,6,${volts}`))).toContain('voltage')
    // The middle of them tells, each by its unit.
    expect(at(rows('time,level,Voltage', '0,5,5.1 V', '60,6,3900 mV', '120,7,3800 mV'))).toContain(
      'batteryVoltage',
    )
    expect(at(rows('time,level,Voltage (mV)', '0,5,5100', '60,6,3900mV', '120,7,3800'))).toContain(
      'batteryVoltage',
    )
    // Where the battery has columns of its own, these are the other end’s; a side that is named stays.
    expect(at(rows('time,level,Voltage,Battery voltage', '0,5,3.8,3.7', '60,6,3.9,3.8'))).toEqual(['percent', 'voltage', 'batteryVoltage']) // prettier-ignore
    expect(at(rows('time,level,Voltage,USB current', '0,5,3.8,2', '60,6,3.9,2'))).toEqual(['percent', 'batteryVoltage', 'current']) // prettier-ignore
    // Without a level, at a source’s volts, or where the heading names the side, they are the meter’s.
    expect(at(rows('time,Voltage,Current', '0,3.8,2', '60,3.9,2'))).toEqual(['voltage', 'current'])
    expect(at(rows('time,level,Voltage,Current', '0,5,4.8,2', '60,6,4.7,2'))).toEqual(['percent', 'voltage', 'current']) // prettier-ignore
    expect(at(rows('time,level,Vbus (V),Current', '0,5,3.8,2', '60,6,3.9,2'))).toEqual(['percent', 'voltage', 'current']) // prettier-ignore
    expect(at(rows('time_s,battery_percent,voltage_v', '0,5,3.8', '60,6,3.9'))).toEqual(['percent', 'voltage']) // prettier-ignore
  })
})

describe('what flows', () => {
  it('may be counted outwards, with units in its cells or without', () => {
    const meaning = channelChoices().find((c) => c.title === 'amperes, mA, counted outwards')!.meaning
    const { trace, assumed } = readTraceCsv(rows('time_s,level,mA', '0,5,-1995', '60,6,-1.9 A', '120,7,0'), [
      { kind: 'time', style: 'seconds' },
      { kind: 'channel', channel: 'percent', divisor: 1 },
      meaning,
    ])
    expect([...trace.current!]).toEqual([1.995, 1.9, 0])
    expect(assumed).toEqual(['"mA" counts what flows out of the device; its sign was turned.'])
    expect(channelChoices().filter((c) => c.title.endsWith('outwards')).map((c) => c.title.split(',')[0])) // prettier-ignore
      .toEqual(expect.not.arrayContaining(['level', 'volts', 'counted watt-hours']))
  })
})

describe('shapes', () => {
  it('passes the rule of a Markdown table', () => {
    const { time, percent, problems } = read(rows('| Minutes | Battery | Watts |', '|---:|:---:|---|', '| 0 | 5 % | 18 |', '| 5 | 11 % | 17 |')) // prettier-ignore
    expect([time, percent, problems]).toEqual([[0, 300], [5, 11], []]) // prettier-ignore
  })

  it('turns a table whose times stand in its first row', () => {
    const { time, percent, power, assumed } = read(rows('Time (min),0,5,10', 'Level (%),5,11,17', 'Power (W),18,17,16')) // prettier-ignore
    expect([time, percent, power]).toEqual([[0, 300, 600], [5, 11, 17], [18, 17, 16]]) // prettier-ignore
    expect(assumed).toContain('Times stand in the first row: the table was turned; a fault is named by its column.') // prettier-ignore
    const wide = readTraceTable(rows('Charger,0 min,5 min,10 min', 'Hawser 30,5,11,17', 'Bollard 12,5,8,11'))
    expect(wide.headers).toEqual(['Charger', 'Hawser 30', 'Bollard 12'])
    expect(wideColumns(wide, guessColumns(wide))).toEqual([1, 2])
    // Two times are too few, years that fall are none, and a row without a name is no column.
    const heads = (...lines: string[]) => readTraceTable(rows(...lines)).headers
    expect(heads('Time (min),0,5', 'Level (%),5,11')).toEqual(['Time (min)', '0', '5'])
    expect(heads('Model,2026,2025,2024', 'Skerry,5,11,17')[1]).toBe('2026')
    expect(heads('Model,5,5,10', 'Skerry,5,11,17')[1]).toBe('5')
    expect(heads('Time (min),0,5,10', 'Level (%),5,11,17', ',18,17,16')[1]).toBe('0')
    expect(heads('Time (min),0,5,10')).toHaveLength(4)
    // Chargers may be called by their watts: the times stand in the first column there.
    expect(heads('Time,5,12,20', '0 min,5,5,5', '5 min,6,8,11')).toEqual(['Time', '5', '12', '20'])
    expect(heads('Zeit,0,5,10', ' Akku % ,5,11')).toEqual(['Zeit', 'Akku %'])
    const { problems } = read(rows('Time (min),0,5,10', 'Level (%),5,x,17'))
    expect(problems[0]).toMatchObject({ line: 3, where: 'Level (%)' })
  })

  it('parts notes at their spaces', () => {
    const { time, percent, power, assumed } = read(rows('19:55 5% 18.0W', '20:00  11 % 17.5 W', '20:05 17% 17W')) // prettier-ignore
    expect([time, percent, power]).toEqual([[0, 300, 600], [5, 11, 17], [18, 17.5, 17]]) // prettier-ignore
    expect(assumed).toContain('Cells are parted by spaces.')
    expect(read(rows('0 min - 5%', '5 min - 11%')).percent).toEqual([5, 11])
    expect(read(rows('Time (min)   Battery level (%)', '0            5', '5            11')).time).toEqual([0, 300]) // prettier-ignore
    const commas = read(rows('0 min: 5% 18,0W', '5 min: 11% 17,5W'))
    expect(commas.power).toEqual([18, 17.5])
    expect(read(rows('0: 5%', '5: 11%', '10: 17%')).time).toEqual([0, 300, 600])
    // Cells with spaces in them are not parted there where a sign parts them.
    expect(read(rows('Time,Level', '2026-11-20 19:30,5', '2026-11-20 19:35,11')).percent).toEqual([5, 11])
    expect(() => read('This is a letter of two lines,\nand it has no readings in it.\n')).toThrow()
  })
})
