import { describe, expect, it } from 'vitest'
import {
  countsFromFirst,
  isCalendar,
  parseClock,
  parseTimeOfDay,
  readTime,
  TIME_ASSUMED,
  TIME_STYLES,
} from './timeCell'
import { parseMoment } from './momentCell'
import { guessTimeStyle } from './timeStyle'

describe('a time in a cell', () => {
  it.each([
    ['1:02:03', 3723], ['02:03', 123], [' 2:03,5 ', 123.5], ['100:00:00', 360_000], ['120:00', 7200], ['0:59.9', 59.9],
    ['1:60:00', NaN], ['0:60', NaN], ['1:2:03', 3723], ['1:123:03', NaN], ['1:02:3', NaN], ['2:03 pm', NaN], ['x1:02', NaN], ['1:02x', NaN], ['1:02:03:04', NaN], ['', NaN],
  ])('%s counts %s s', (cell, s) => expect(parseClock(cell)).toBe(s)) // prettier-ignore

  it.each([
    ['18:40', 67_200], ['18:40:05', 67_205], ['6:40 pm', 67_200], ['6:40PM', 67_200], ['12:05 am', 300], ['12:05 pm', 43_500],
    [' 0:00:00,25 ', 0.25], ['23:59:59', 86_399],
    ['24:00', NaN], ['18:60', NaN], ['18:40:60', NaN], ['13:00 pm', NaN], ['0:30 am', NaN], ['18', NaN], ['a18:40', NaN], ['18:40 xm', NaN], ['18h40', 67_200], ['6:40:05.5 pm', 67_205.5], ['6.40.05 pm', 67_205], ['6.40 pm', 67_200], ['18.40', NaN],
  ])('%s on the wall is %s s after midnight', (cell, s) => expect(parseTimeOfDay(cell)).toBe(s)) // prettier-ignore

  const local = (...at: [number, number, number, number, number, number?]) => new Date(...at).getTime() / 1000
  it.each([
    ['2026-03-02T18:40:05Z', Date.UTC(2026, 2, 2, 18, 40, 5) / 1000],
    ['2026-03-02T18:40+01:00', Date.UTC(2026, 2, 2, 17, 40) / 1000],
    ['2026-03-02 18:40:05,25', local(2026, 2, 2, 18, 40, 5) + 0.25],
    ['2026-03-02T18:40:05.5', local(2026, 2, 2, 18, 40, 5) + 0.5],
    ['02.03.2026 18:40', local(2026, 2, 2, 18, 40)],
    ['2/3/2026, 8:40:05.125', local(2026, 2, 2, 8, 40, 5) + 0.125],
    ['29.02.2028 23:59:59', local(2028, 1, 29, 23, 59, 59)],
    ['29.02.2026 12:00', NaN], ['31.04.2026 12:00', NaN], ['02.13.2026 12:00', NaN], ['00.03.2026 12:00', NaN],
    ['02.03.2026 24:00', NaN], ['02.03.2026 12:60', NaN], ['02.03.2026 12:00:60', NaN],
    ['2026-03-02', NaN], ['2026-03-02T18', NaN], ['2026-13-02T18:40', NaN], ['on 2026-03-02T18:40', NaN], ['noon', NaN],
  ])('%s is the moment %s', (cell, s) => expect(parseMoment(cell)).toBe(s)) // prettier-ignore

  it.each([
    ['5 min', 300], ['1 h 5 min', 3900], ['1h05', 3900], ['1 h 05', 3900], ['1h60', NaN], ['1h5', NaN], ['1h 5m 30s', 3930], ['2 hours', 7200], ['90 sec', 90],
    ['1,5 h', 5400], ['2.5 minutes', 150], [`5'30"`, 330], ['5′', 300], ['45″', 45], ['10 mins.', 600],
    ['5', NaN], ['', NaN], ['min', NaN], ['5 V', NaN], ['30 s 5 min', NaN], ['5 months', NaN], ['5 min ago', NaN],
  ])('%s as people note it lasts %s s', (cell, s) => expect(parseClock(cell)).toBe(s)) // prettier-ignore

  it('is read in its style, in seconds', () => {
    const read = TIME_STYLES.map((style) => readTime(style, /clock|-minutes/.test(style) ? '1:00' : '90'))
    expect(read).toEqual([90, 0.09, 5400, 324_000, 60, 3600, NaN, NaN, NaN, 90, 0.09, 90, 0.09])
  })
})

describe('how a column of times is written', () => {
  it.each([
    ['time', ['0:00:00', '0:05:00'], 'clock'],
    ['minute', ['0 min', '5 min'], 'clock'],
    ['Clock', ['5 min', '10 min'], 'clock'],
    ['time', ['18:40:00', '18:45:00'], 'time-of-day'],
    // An hour in, with seconds, hangs on a wall; just under it may count from power-on.
    ['time', ['1:00:00', '1:05:00'], 'time-of-day'],
    ['time', ['0:59:59', '1:05:00'], 'clock'],
    ['wall clock', ['0:05:00', '0:10:00'], 'time-of-day'],
    ['local_time', ['0:05:00'], 'time-of-day'],
    ['time', ['6:40 pm', '6:45 pm'], 'time-of-day'],
    ['time', ['0:10:00', '12:15:00 AM'], 'time-of-day'],
    // Past midnight: it falls by half a day or more. By less, it is no time of day.
    ['time', ['0:59:00', '0:58:00'], 'clock'],
    ['time', ['0:40:00', '23:50:00', '0:05:00'], 'time-of-day'],
    // Minutes and seconds, or hours and minutes: more than twenty of its own steps in, it is the latter.
    ['time', ['20:00', '21:00', '22:00'], 'clock'],
    ['time', ['20:01', '21:01', '22:01'], 'time-of-day'],
    ['time', ['05:00', '05:00', '05:00'], 'clock'],
    // Without any sign: by how it goes on where the hour turns, or by its nought.
    ['time', ['1740', '1750', '1800', '1810'], 'time-of-day'],
    ['time', ['1740', '1750', '1760', '1770'], 'seconds'],
    ['time', ['0940', '0945'], 'time-of-day'],
    ['time', ['0000', '0010', '0020'], 'seconds'],
    // What no wall shows counts from power-on.
    ['time', ['90:00', '95:00', '100:00'], 'clock'],
    ['time', ['2026-03-02T18:40:00Z', '2026-03-02T18:45:00Z'], 'moments'],
    // More than half of the cells say it, and empty ones say nothing.
    ['time', ['', ' ', '0:05:00', 'x', '0:10:00'], 'clock'],
    ['time', ['0:05:00', 'x', 'y', 'z'], 'seconds'],
    ['time', ['1772476800000'], 'epoch-milliseconds'],
    ['time', ['1772476800'], 'epoch-seconds'],
    ['time', ['978307200'], 'seconds'],
    ['time', ['978307201'], 'epoch-seconds'],
    ['time', ['4102444800'], 'seconds'],
    ['time', ['4102444799'], 'epoch-seconds'],
    ['time', ['978307200000'], 'seconds'],
    ['time', ['4102444799999'], 'epoch-milliseconds'],
    ['uptime (ms)', ['5', '6'], 'running-milliseconds'],
    ['time_stamp', ['5', '95', '95', '185'], 'running-milliseconds'],
    ['timestamp', ['5', '94', '183'], 'running-seconds'],
    ['timestamp', ['5.5', '100'], 'running-seconds'],
    ['since boot', ['5'], 'running-seconds'],
    ['ticks', ['5', '6'], 'running-seconds'],
    ['t ms', ['0', '500'], 'milliseconds'],
    ['millis', ['0'], 'milliseconds'],
    ['items', ['0'], 'seconds'],
    ['t (min)', ['0', '5'], 'minutes'],
    ['Minutes', ['0'], 'minutes'],
    ['t (h)', ['0', '0.5'], 'hours'],
    ['Hours', ['0'], 'hours'],
    ['Clock (h:mm)', ['0:00', '0:05'], 'time-of-day'],
    ['the', ['0'], 'seconds'],
    ['minimum', ['0'], 'seconds'],
    ['time', [], 'seconds'],
  ])('%s with %j: %s', (header, cells, style) => expect(guessTimeStyle(header, cells)).toBe(style)) // prettier-ignore

  it('says what was assumed, and what counts from its first row or stands in the calendar', () => {
    const told = (holds: (style: (typeof TIME_STYLES)[number]) => boolean) => TIME_STYLES.filter(holds)
    expect(told(countsFromFirst)).toEqual(TIME_STYLES.slice(6))
    expect(told(isCalendar)).toEqual([
      'moments',
      'moments-month-first',
      'epoch-seconds',
      'epoch-milliseconds',
    ])
    expect(told((style) => TIME_ASSUMED[style] === '')).toEqual(['seconds'])
    expect(told((style) => /first.* is taken as power-on/.test(TIME_ASSUMED[style]))).toEqual(told(countsFromFirst)) // prettier-ignore
    expect(told((style) => / since power-on/.test(TIME_ASSUMED[style]))).toEqual(TIME_STYLES.slice(1, 6)) // prettier-ignore
    expect(told((style) => /milliseconds/.test(TIME_ASSUMED[style]))).toEqual(told((s) => s.includes('millis'))) // prettier-ignore
    expect(told((style) => /since 1970/.test(TIME_ASSUMED[style]))).toEqual(['epoch-seconds', 'epoch-milliseconds']) // prettier-ignore
  })
})
