import { expect, it } from 'vitest'
import { readTraceCsv } from './traceCsv'

/** One charge as eight made-up meters and apps write it: 9 V and 1.4 A for three minutes, a point a minute. */
const DIALECTS: Record<string, string> = {
  'the contract': 'time_s,battery_percent,voltage_v,current_a\n0,5,9,1.4\n60,6,9,1.4\n120,7,9,1.4\n180,8,9,1.4\n',
  'semicolons and decimal commas, with a byte order mark':
    '\uFEFFElapsed (s);Level %;Voltage (V);Current (A)\r\n0,0;5;9,00;1,40\r\n60,0;6;9,00;1,40\r\n120,0;7;9,00;1,40\r\n180,0;8;9,00;1,40\r\n',
  'tabs, thousandths, and milliseconds': 'time_ms\tbattery_percent\tvoltage_mv\tcurrent_ma\n0\t5\t9000\t1400\n60000\t6\t9000\t1400\n120000\t7\t9000\t1400\n180000\t8\t9000\t1400\n',
  'a preamble, quotes, and the clock on the wall over midnight':
    'Logger 7, serial 0012\nRate: 1/min\n\n"Time","Battery %","Volts","Amps"\n"23:58:30","5","9.00","1.40"\n"23:59:30","6","9.00","1.40"\n"0:00:30","7","9.00","1.40"\n"0:01:30","8","9.00","1.40"\n',
  'moments with a zone, other columns between': 'Timestamp,Mode,SoC,U,I,Flag\n2026-03-02T19:00:00Z,CC,5,9,1.4,0\n2026-03-02T19:01:00Z,CC,6,9,1.4,0\n2026-03-02T19:02:00Z,CC,7,9,1.4,0\n2026-03-02T19:03:00Z,CC,8,9,1.4,0\n',
  'bars, minutes, units in brackets': 'minutes|charge level [%]|voltage [V]|current [mA]\n0|5|9.0|1400\n1|6|9.0|1400\n2|7|9.0|1400\n3|8|9.0|1400\n',
  'since 1970 in milliseconds': 'epoch ms;level;volt;ampere\n1772478000000;5;9;1,4\n1772478060000;6;9;1,4\n1772478120000;7;9;1,4\n1772478180000;8;9;1,4\n',
  'quantity and unit': 'Test Time / s,State of Charge / %,Voltage / V,Current / A\n0,5,9,1.4\n60,6,9,1.4\n120,7,9,1.4\n180,8,9,1.4\n',
} // prettier-ignore

it.each(Object.entries(DIALECTS))('reads %s', (_, text) => {
  const { trace, problems } = readTraceCsv(text)
  expect(problems).toEqual([])
  expect({
    time: Array.from(trace.time),
    percent: Array.from(trace.percent ?? []),
    voltage: Array.from(trace.voltage ?? []),
    current: Array.from(trace.current ?? []),
  }).toEqual({
    time: [0, 60, 120, 180],
    percent: [5, 6, 7, 8],
    voltage: [9, 9, 9, 9],
    current: [1.4, 1.4, 1.4, 1.4],
  })
})
