import { expect, it } from 'vitest'
import { notebookTable } from './notebook'
import { readTraceCsv } from './traceCsv'

const read = (...lines: string[]) => {
  const { trace, assumed, problems, startedAt } = readTraceCsv(lines.join('\n'))
  const column = (of?: Float64Array) => of && [...of].map((n) => (Number.isNaN(n) ? null : n))
  return { time: [...trace.time].map((t) => t / 60), level: column(trace.percent), watts: column(trace.power), volts: column(trace.voltage), assumed, problems, startedAt } // prettier-ignore
}

it('reads a notebook’s page: a clock on the wall and what was read, under a day and whatever else was written', () => {
  const page = read('Phone, by the window', '3 Nov 2026', '', 'start 7:02pm 4%', '7:07pm 11% 18.1W', '7:12 p.m. – 18 %, 9.0 V, 18.2 W', '8:02pm 71% (it was 9 W)', '9:02pm full') // prettier-ignore
  expect(page).toMatchObject({ time: [0, 5, 10, 60, 120], level: [4, 11, 18, 71, 100], problems: [] })
  expect(page.watts).toEqual([null, 18.1, 18.2, 9, null])
  expect(page.volts).toEqual([null, null, 9, null, null])
  expect(page.startedAt).toBe(new Date(2026, 10, 3, 19, 2).toISOString())
  expect(page.assumed).toContain('The readings begin in line 4; what stands before them is no reading.')
})

it('reads the time since the start as it is said, in any order', () => {
  const since = read('5 % at the start', 'after 5 min 12%', '19 % after 10 minutes', '48% @ 30m', '1 hour: 75%', '1 h 30: 90%', '1h 48 min 98 %', 'full at 1:52') // prettier-ignore
  expect(since).toMatchObject({
    time: [0, 5, 10, 30, 60, 90, 108, 112],
    level: [5, 12, 19, 48, 75, 90, 98, 100],
  })
  // Its first line is a reading, and no heading.
  expect(read('5% at 0', '10% at 4:30', '20% at 11:30', '100% at 1:48:00')).toMatchObject({
    time: [0, 4.5, 11.5, 108],
    level: [5, 10, 20, 100],
  })
  expect(read('30 s 9.0 W', '90 s 9.1 W', '1 h 9.2W').time).toEqual([0.5, 1.5, 60])
})

it('takes full for 100 % where the battery is, and neither half full nor full brightness', () => {
  const told = read('7:00 pm 40 %', '7:10 pm half full, 18 W', '7:20 pm 9 W at full brightness', '7:30 pm not full yet, 5 W', '7:40 pm 3 W, almost full', '7:50 pm full, 0.5 W') // prettier-ignore
  expect(told.level).toEqual([40, null, null, null, null, 100])
})

it('leaves out and names a line between readings that tells none', () => {
  const { time, problems } = read('0:00 5%', '0:10 19%', 'moved it to the other socket', '0:20 33%', '0:30 46%')
  expect(time).toEqual([0, 10, 20, 30])
  expect(problems).toEqual([{ line: 3, where: '', message: expect.stringMatching(/^"moved .* left out\.$/) as string }])
}) // prettier-ignore

it('takes a page for notes though its title, or "pm:", could be the names of a table', () => {
  const pages = [
    ['Skerry P5 on Hawser 20', '23:00 – 5 %', '23:05 – 8 %', 'looked away for a moment', '23:10 – 11 %', '23:15 – 14 %'],
    ['Charging test, 2 March 2026', 'room 21 degrees', '5 % on the display, 6:03 pm', '8 % on the display, 6:08 pm', '11 %, 6:13 pm', '14 %, 6:18 pm'],
    ['9:03 pm: 5% battery 18W', '9:08 pm: 8% battery 17.9W', '9:13 pm: 11% battery 17.8W', '9:18 pm: 14% battery 17.7W'],
    ['0:00 h: 5 percent and 18W', '0:05 h: 8 percent and 18W', '0:10 h: 11 percent and 18W', '0:15 h: 14 percent and 18W'],
    ['7:30 pm, 5 % / 18W', '7:35 pm, 8 % / 17.9W', '7:40 pm, 11 % / 17.8W', '7:45 pm, 14 % / 17.6W'],
  ] // prettier-ignore
  for (const lines of pages) {
    const { trace } = readTraceCsv(lines.join('\n'))
    expect([[...trace.time], [...trace.percent!]], lines[0]).toEqual([[0, 300, 600, 900], [5, 8, 11, 14]]) // prettier-ignore
    expect(trace.power?.[0], lines[0]).toBe(lines.join().includes('18W') ? 18 : undefined)
  }
})

it('takes no other text for notes', () => {
  const csv = 'Time,Level,Power\n' + Array.from({ length: 9 }, (_, i) => `0:0${i},${5 + i} %,18 W`).join('\n')
  expect(readTraceCsv(csv).assumed.join()).not.toContain('notes')
  expect(notebookTable('Charged it at 7:02 pm.\nIt had 5 %.\nLater it was full.\n')).toBeUndefined()
  expect(notebookTable('7:02 5%\n7:07 11%')).toBeUndefined()
  expect(notebookTable('x'.repeat(300_000))).toBeUndefined()
  expect(() => readTraceCsv('Dear all,\nthe charger came at 7:02.\nYours')).toThrow()
})

it('knows each quantity by its unit, the first of a kind as what was read, and hours, minutes and seconds as they are said', () => {
  const cellsOf = (line: string) => {
    const { headers, rows } = notebookTable([line, line, line].join('\n'))!
    return Object.fromEntries(headers.map((h, i) => [h, rows[0].cells[i]]))
  }
  expect(cellsOf('7:02 p.m. 9,1 V 1.5 A (9 V at most), -2 W, 1.2 Wh, 350 mAh, 31 °C')).toEqual({
    Time: '7:02 pm',
    Voltage: '9,1 V',
    Current: '1.5 A',
    Power: '-2 W',
    'Counter Wh': '1.2 Wh',
    'Counter Ah': '350 mAh',
    Temperature: '31 °C',
  })
  const timeOf = (said: string) => {
    const [cell] = Object.values(cellsOf(`${said}: 5 %`))
    const since = /^(\d+) s$/.exec(cell)
    return since ? new Date(1000 * Number(since[1])).toISOString().slice(11, 19) : cell
  }
  for (const [said, time] of [
    ['2 hrs 5 mins', '02:05:00'],
    ['12 hours', '12:00:00'],
    ['1 hr 1 minute', '01:01:00'],
    ['after 100 m', '01:40:00'],
    ['4 min 30 s', '00:04:30'],
    ['1 h 5 min 10 s', '01:05:10'],
    ['after 1.5 hours', '01:30:00'],
    ['after 2,5 min', '00:02:30'],
    ['5\' 30"', '00:05:30'],
    ['1 min', '00:01:00'],
    ['45 secs', '00:00:45'],
    ['3601 seconds', '01:00:01'],
    ['1 hour and 5 minutes', '01:05:00'],
    ['2 hours, 5 min', '02:05:00'],
    ['2 Stunden und 5 Minuten', '02:05:00'],
    ['10h20 at', '10:20:00'],
    ['+15', '00:15:00'],
    // A number without a unit behind the hours is minutes, whatever follows.
    ['1 h 30', '01:30:00'],
    ['after 1h05 9.1 W,', '01:05:00'],
    ['1 h 12,', '01:12:00'],
    ['1 h 12,5 W', '01:00:00'],
    ['1 h 31 °C', '01:00:00'],
    ["5'", '00:05:00'],
    ['minute 15', '00:15:00'],
    ['min. 7 18 W', '00:07:00'],
    ['begin with the 3 m USB cable', '00:00:00'],
    ["plugged in, 6' lead", '00:00:00'],
    ['begin', '00:00:00'],
    ['plugged in', '00:00:00'],
    // A colon may stand behind a clock too.
    ['07:02:30', '07:02:30'],
    ['7:02', '7:02'],
    ['7:02 pm', '7:02 pm'],
    ['7 p.m.', '7:00 pm'],
    // Hours that are said to be hours, and days before them.
    ['19.02 Uhr', '19:02:00'],
    ['0:15 h', '0:15:00'],
    ['2026-11-14 02:07', '2026-11-14 02:07'],
    ['14.11. 7:02 pm', '14.11. 7:02 pm'],
    ['0930', '09:30:00'],
  ])
    expect([said, timeOf(said)]).toEqual([said, time])
  expect(cellsOf('7:02 5 per cent, 18.1 watts, 9 volts and 2 amps')).toMatchObject({
    Level: '5 %',
    Power: '18.1 W',
    Voltage: '9 V',
    Current: '2 A',
  })
  // Without a colon behind it, too.
  expect(cellsOf('19h02 5 %')).toEqual({ Elapsed: '68520 s', Level: '5 %' })
})

it('takes three lines for a page, if seven in ten of them tell something', () => {
  const page = (told: number, idle: number) =>
    notebookTable([...Array<string>(told).fill('7:02 5 %'), ...Array<string>(idle).fill('tea')].join('\n'))
  expect([page(3, 0), page(7, 3)].map((t) => t?.rows.length)).toEqual([3, 7])
  expect([page(2, 0), page(6, 3)]).toEqual([undefined, undefined])
})

it('takes what stands among named values for a reading too, and a decimal comma for none between cells', () => {
  const page = (line: (t: number, level: number, watts: string) => string) =>
    read(...[0, 1, 2, 3].map((i) => line(10 + 10 * i, 20 + 6 * i, `18,${i}`)))
  for (const way of [
    page((t, level, watts) => `12:${t} → level: ${level}% ${watts} Watt`),
    page((t, level, watts) => `0:${t}:00; Akku ${level} %, P=${watts}W`),
    page((t, level, watts) => `${t} min, ${level} %, @ ${watts} W`),
    page((t, level, watts) => `12${t} - ${level} % ${watts} W`),
    page((t, level, watts) => `1:${t} AM, ${level} Prozent / ${watts} W`),
  ])
    expect([way.time.map((t) => t - way.time[0]), way.level, way.watts]).toEqual([[0, 10, 20, 30], [20, 26, 32, 38], [18, 18.1, 18.2, 18.3]]) // prettier-ignore
})

it('tells a page from a table by how many of its values are read', () => {
  for (const [from, ...lines] of [
    ['', 'start, 0%, 9,0 V', '0.1 h, 12%, 9,0 V', '0.2 h, 24%, 9,0 V'],
    ['', 't=0 min =0% U=9.0 V', 't=6 min =12% U=9.0 V', 't=12 min =24% U=9.0 V'],
    ['', 'start =0% U=9.0 V', '00:06:00 =12% U=9.0 V', '00:12:00 =24% U=9.0 V'],
    ['Room 21 °C', '22:41 =0% 9 V', '22:47 =12% 9 V', '22:53 =24% 9 V'],
  ]) {
    const { time, level, volts, problems } = read(from, ...lines)
    expect([time.map((t) => t - time[0]), level, volts, problems]).toEqual([[0, 6, 12], [0, 12, 24], [9, 9, 9], []])
  }
}) // prettier-ignore

it('takes clocks of two parts that go on by less than ten seconds for hours and minutes: nobody writes so fast', () => {
  const [minutes, seconds] = [['0:00', '0:01', '0:02', '0:03'], ['0:00', '0:10', '0:20', '0:30']].map((clocks) =>
    read(...clocks.map((clock, i) => `${clock} – ${5 + Math.floor(i / 2)} %`)).time,
  ) // prettier-ignore
  expect([minutes[3], seconds[3]]).toEqual([3, 0.5])
})

it('counts minutes from the clock of the first reading, where they cannot be of its own kind', () => {
  const mixed = read(
    '3 Nov 2026',
    'Start: 7:02 pm, 5 %',
    '5 min: 12 %, 18.0 W',
    '10 min: 19 %',
    'full at 8:55 pm',
  )
  expect(mixed).toMatchObject({ time: [0, 5, 10, 113], level: [5, 12, 19, 100] })
  expect(mixed.startedAt).toBe(new Date(2026, 10, 3, 19, 2).toISOString())
  expect(mixed.assumed).toContain('Minutes count from 7:02 pm, the clock of the first reading.')
  // Minutes since the start are no clock, however many.
  expect(read('1 h 30 min, 71 %', '1 h 40 min, 80 %', '1 h 50 min, 88 %').time).toEqual([90, 100, 110])
  // Over midnight, and where most lines have a clock.
  expect(read('23:50 5 %', '23:55 11 %', 'after 15 min 23 %', '0:10 28 %').time).toEqual([0, 5, 15, 20])
  // What goes back is counted from something else: it is left out and named.
  const pause = read('19:02 5 %', '19:30 40 %', 'after 10 min of pause 50 %', '20:10 71 %')
  expect([pause.time, pause.problems.map(({ line }) => line)]).toEqual([[0, 28, 68], [3]])
  expect(pause.assumed.join()).not.toContain('Minutes count')
  // A stopwatch goes on as one; a clock on a wall tells nothing to minutes that began nowhere.
  expect(read('0:00 5 %', 'after 30 min 40 %', 'after 1 h 70 %', '1:52 full').time).toEqual([0, 30, 60, 112])
  const lost = read('start 5 %', '30 min 40 %', '60 min 70 %', '20:55 full')
  expect([lost.time, lost.problems[0].line]).toEqual([[0, 30, 60], 4])
})
