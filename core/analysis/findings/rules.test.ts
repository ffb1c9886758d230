import { expect, it } from 'vitest'
import { traceFromReadings, type Reading } from '../../trace/trace'
import { bridged } from './bridged'
import { ceiling } from './ceiling'
import { clockGap } from './clockGap'
import { coarseFull } from './coarseFull'
import { counter } from './counter'
import { drainingIn } from './draining'
import type { Finding, FindingInputs, Rule } from './finding'
import { gainExceeds } from './gainExceeds'
import { hot } from './hot'
import { impossibleEfficiency } from './impossibleEfficiency'
import { jumped } from './jumped'
import { levelFell } from './levelFell'
import { notReached } from './notReached'
import { onOff } from './onOff'
import { oneEnd } from './oneEnd'
import { powerDisagrees } from './powerDisagrees'
import { reversed } from './reversed'
import { spikes } from './spikes'
import { standing } from './standing'
import { startDelay } from './startDelay'
import { unknownFigures } from './unknownFigures'
import { wrongSupply } from './wrongSupply'

/** What a rule says of a run of which it is told only this. */
const ask = (rule: Rule, inputs: object): Finding[] => rule(inputs as FindingInputs)
const codes = (rule: Rule, inputs: object) => ask(rule, inputs).map((f) => f.code)
const told = (rule: Rule, inputs: object) =>
  ask(rule, inputs).map((f) => `${f.severity} ${f.atS}: ${f.message}`.replaceAll('\u00A0', ' '))
const trace = (rows: Reading[]) => traceFromReadings(rows)

it('counts what was bridged against all that flowed, into the device or out of it', () => {
  expect(told(bridged, { energy: { energyWh: 17, bridgedWh: 3 } })).toEqual([
    'warning NaN: 15 % of the energy was bridged, not measured.',
  ])
  expect(codes(bridged, { energy: { energyWh: 18, bridgedWh: 2 } })).toEqual([])
  expect(codes(bridged, { energy: { energyWh: 17, bridgedWh: -3 } })).toEqual(['bridged'])
  expect(codes(bridged, { energy: { energyWh: 0, bridgedWh: 0 } })).toEqual([])
})

it('names a stretch without watts at either end only from a minute on, one within always', () => {
  const gaps = (...spans: [number, number][]) => ({
    trace: trace([{ t: 0 }, { t: 3600, percent: 5 }]),
    energy: { gaps: spans.map(([startS, endS]) => ({ startS, endS })) },
  })
  expect(codes(clockGap, gaps([0, 60], [3545, 3600]))).toEqual([])
  expect(told(clockGap, gaps([0, 61], [600, 640], [3500, 3600]))).toEqual([
    'notice 0: No power was read for 61 s; the energy across it is bridged, not measured.',
    'warning 600: No power was read for 40 s; the energy across it is bridged, not measured.',
    'notice 3500: No power was read for 100 s; the energy across it is bridged, not measured.',
  ])
  const advice = ask(clockGap, gaps([0, 61], [600, 640])).map((f) => f.advice)
  expect(advice).toEqual([expect.stringContaining('at the start'), expect.stringContaining('lead')])
})

it('calls a time to full coarse from ± 3 min on, and a mark near the ceiling by its minute', () => {
  const full = (uncertaintyS: number, reason = '') => ({
    milestones: [{ percent: 50 }, { percent: 100, reason, uncertaintyS, earliestS: 4800, latestS: 5400 }],
  })
  expect(codes(coarseFull, full(90))).toEqual([])
  expect(told(coarseFull, full(173))).toEqual([
    'notice NaN: 100 % came somewhere between 1 h 20 min and 1 h 30 min: a lead of less than about 6 min means nothing.',
  ])
  expect(codes(coarseFull, full(173, 'Not reached.'))).toEqual([])
  const marks = [
    { atS: 900, ceiling: false, reason: '' },
    { atS: 3600, ceiling: true, reason: '' },
    { atS: 5400, ceiling: true, reason: '' },
    { atS: 7200, ceiling: true, reason: 'The run had ended.' },
  ]
  expect(ask(ceiling, { marks })[0].message).toContain('At 60, 90 min')
})

it('tells of a count that was set back, begun at nothing, carried, or at odds with the watts', () => {
  const count = (over: object, energyFrom = 'integral') => ({
    energy: { energyFrom, counter: { energyWh: 10, integralWh: 10, resets: [], assumedZero: false, fromS: 0, ...over } },
  })
  expect(codes(counter, { energy: { counter: null } })).toEqual([])
  expect(codes(counter, count({}))).toEqual([])
  expect(codes(counter, count({ integralWh: 9.71 }))).toEqual([])
  expect(told(counter, count({ integralWh: 9.6 }))).toEqual([
    'warning NaN: The meter counted 10.00 Wh; its watts add up to 9.60 Wh.',
  ])
  // Of a small count the last digit is no disagreement.
  expect(codes(counter, count({ energyWh: 0.1, integralWh: 0.108 }))).toEqual([])
  expect(ask(counter, count({ integralWh: 9.6 }, 'counter'))).toMatchObject([
    { severity: 'notice', advice: expect.stringContaining('The count is used') },
  ])
  expect(ask(counter, count({ resets: [600, 900], assumedZero: true, fromS: 1200 }))).toMatchObject([
    { code: 'counter-reset', atS: 600 },
    { code: 'counter-reset', atS: 900 },
    { code: 'counter-from-nothing' },
    { code: 'counter-carried', atS: 1200 },
  ])
}) // prettier-ignore

it('takes a fall of two points over five minutes for draining, and a battery that gives for a minute', () => {
  const levels = (...rows: [number, number][]) => drainingIn(trace(rows.map(([t, percent]) => ({ t, percent }))))
  expect(levels([0, 40], [300, 39])).toEqual([])
  expect(levels([0, 40], [299, 38])).toEqual([])
  // From the last moment of the highest level on.
  expect(levels([0, 39], [300, 40], [600, 40], [900, 38])).toMatchObject([
    { code: 'draining', atS: 600, message: expect.stringContaining('from 40 to 38 %') },
  ])
  const battery = (...rows: [number, number][]) =>
    drainingIn(trace(rows.map(([t, batteryPower]) => ({ t, batteryPower }))))
  expect(battery([0, -1], [59, -1], [70, 0], [100, -1])).toEqual([])
  expect(battery([0, 2], [10, -1.5], [70, -1.5])).toMatchObject([
    { atS: 10, message: expect.stringContaining('−1.5 W') },
  ])
}) // prettier-ignore

it('knows a battery that gives by its volts and amperes too', () => {
  const giving = trace([0, 30, 60].map((t) => ({ t, power: 20, batteryVoltage: 11.4, batteryCurrent: -0.5 })))
  expect(drainingIn(giving)).toMatchObject([{ atS: 0, message: expect.stringContaining('−5.7 W') }])
  expect(codes(oneEnd, { trace: trace([{ t: 0, power: 20 }, { t: 60, batteryVoltage: 4, batteryCurrent: 2 }]) })).toEqual(['one-end']) // prettier-ignore
})

it('tells a log that counts the other way round from a battery that drains', () => {
  const run = (gain: number, flows: number[], name = 'power') =>
    trace(flows.map((w, i) => ({ t: i * 300, percent: i === 0 ? 5 : 5 + gain, [name]: w })))
  const code = (...of: Parameters<typeof run>) => codes(reversed, { trace: run(...of) })
  expect(told(reversed, { trace: run(5, [-18, -17, 0, -9]) })).toEqual([
    'warning NaN: The level rose while what was read at the source flowed out of the device.',
  ])
  expect(code(4, [-18, -17, -9])).toEqual([])
  expect(code(5, [18, 17, 9])).toEqual([])
  expect(code(5, [...Array<number>(9).fill(-18), 2])).toEqual(['reversed'])
  expect(code(5, [...Array<number>(8).fill(-18), 2])).toEqual([])
  expect(code(5, [-2, -2], 'current')).toEqual(['reversed'])
  const battery = run(5, [-4, -4], 'batteryPower')
  expect(told(reversed, { trace: battery })[0]).toContain('at the battery')
  expect(drainingIn(battery)).toEqual([])
  expect(drainingIn(run(4, [-4, -4], 'batteryPower'))).toHaveLength(1)
})

it('sets a gain of fifteen points against the energy of its own stretch', () => {
  // 15 Wh: 1.5 Wh are ten points. 9 W for 20 min are 3 Wh, for 20 points.
  const run = (second: number) =>
    ({ trace: trace([0, 1200, 2400].map((t, i) => ({ t, power: 9, percent: [5, 25, second][i] }))), usableWh: 15, efficiency: { value: 0.9 } }) // prettier-ignore
  expect(codes(gainExceeds, run(47))).toEqual([])
  expect(ask(gainExceeds, run(50))).toMatchObject([
    { atS: 2400, message: expect.stringContaining('From 25 to 50 %') },
  ])
  expect(ask(gainExceeds, run(50))[0].message).toContain('energy for 20 points')
  expect(codes(gainExceeds, { ...run(60), usableWh: NaN })).toEqual([])
  // That the whole is impossible is said by another rule.
  expect(codes(gainExceeds, { ...run(60), efficiency: { value: 1.2 } })).toEqual([])
  expect(codes(impossibleEfficiency, { efficiency: { value: 1 } })).toEqual([])
  expect(told(impossibleEfficiency, { efficiency: { value: 1.234 } })).toEqual([
    'blocking NaN: The battery would have gained more than the meter delivered (123 %).',
  ])
})

it('names a jump that the energy does not allow, unless it stood still before', () => {
  const run = (percent: number) => ({
    trace: trace([
      { t: 0, percent: 20, power: 9 },
      { t: 600, percent: 30, power: 9 },
      { t: 1200, percent, power: 9 },
    ]),
    usableWh: 15,
    standstills: [] as object[],
  })
  // 9 W for ten minutes are 1.5 Wh, ten points: 20 is twice that, and no more.
  expect(codes(jumped, run(50))).toEqual([])
  expect(told(jumped, run(52))).toEqual([
    'warning 1200: The level rose from 30 to 52 % with energy for 10 points at most.',
  ])
  expect(codes(jumped, { ...run(52), standstills: [{ endS: 600 }] })).toEqual([])
  expect(codes(jumped, { ...run(52), usableWh: NaN })).toEqual([])
})

it('names every fall of more than a point, each place that became hot, and watts that are not volts times amperes', () => {
  const rows = [40, 39, 37, 38].map((percent, i) => ({ t: i * 60, percent }))
  expect(told(levelFell, { trace: trace(rows) })).toEqual(['warning 120: The level fell from 39 % to 37 %.'])
  // What falls at every reading is one fall, with the points by which it fell between; a pause parts it from the next.
  const drained = [60, 60, 57, 54, 53, 50, 50, 47, 46].map((percent, i) => ({ t: 60 * i, percent }))
  expect(told(levelFell, { trace: trace(drained) })).toEqual([
    'warning 120: The level fell from 60 % to 50 % between 0:01:00 and 0:05:00.',
    'warning 420: The level fell from 50 % to 47 %.',
  ])
  const warm = [44.9, 45, 46].map((c, i) => ({ t: i * 60, temperatures: { back: c, '': c - 1 } }))
  const heat = { trace: trace(warm), context: { stopLimitC: 45 } }
  expect(told(hot, heat).sort()).toEqual([
    'warning 120: The device reached 45 °C; the limit of this run was 45 °C.',
    'warning 60: The back reached 45 °C; the limit of this run was 45 °C.',
  ])
  const watts = (power: number[]) => trace(power.map((w, i) => ({ t: i, power: w, voltage: 9, current: 2 })))
  expect(codes(powerDisagrees, { trace: watts([18, 18.5, 17.5]) })).toEqual([])
  expect(told(powerDisagrees, { trace: watts([18, 18.6, 18.6]) })).toEqual([
    'warning 1: Watts and volts × amperes differ by more than 3 % (18.60 W against 18.00 W, 2 readings).',
  ])
  expect(told(powerDisagrees, { trace: watts([-18, 18]) })[0]).toContain(
    '−18.00 W against 18.00 W, 1 reading)',
  )
  // The last digits of a small meter: 0.4 W beside 0.41.
  const small = trace([{ t: 0, power: 0.4, voltage: 5, current: 0.082 }])
  expect(codes(powerDisagrees, { trace: small })).toEqual([])
})

it('names spikes once, a charge switched in turn by where it was, and how long a dead device took', () => {
  const peaks = (...watts: number[]) => ({ power: { spikes: watts.map((w, i) => ({ atS: 10 * i, watts: w })) } })
  expect(codes(spikes, peaks())).toEqual([])
  expect(told(spikes, peaks(30, 41.25, 33))).toEqual([
    'notice 10: 3 readings stand more than a tenth above the held peak; the highest is 41.3 W.',
  ])
  expect(told(spikes, peaks(30))[0]).toContain('1 reading stands')
  const switched = [
    { startS: 600, endS: 900, cycles: 3 },
    { startS: 6000, endS: 6600, cycles: 5 },
  ]
  expect(told(onOff, { switched, parts: [{ kind: 'trickle', startS: 5900 }] })).toEqual([
    'warning 600: The charge switched off and on again 3 times.',
    'notice 6000: At the end the charge switched on and off 5 times.',
  ])
  expect(codes(onOff, { switched, parts: [] })).toEqual(['on-off', 'on-off'])
  // What ends as the trickle begins belongs to it.
  const until = (startS: number) => codes(onOff, { switched, parts: [{ kind: 'hold', startS: 0 }, { kind: 'trickle', startS }] })
  expect([until(6600), until(6601)]).toEqual([['on-off', 'trickle'], ['on-off', 'on-off']])
  const wakes = (t: number) => ({
    trace: trace([{ t: 0, power: 0 }, { t: 10, power: 5 }, { t, power: 5, percent: 1 }]),
    power: { heldPeakW: 5 },
  })
  expect(codes(startDelay, wakes(40))).toEqual([])
  expect(told(startDelay, wakes(41))).toEqual([
    'notice 41: The first level was read 31 s after power began to flow, at 1 %.',
  ])
  // A twentieth of the held peak is no charge yet.
  const idles = (watts: number) => ({
    trace: trace([{ t: 0, power: watts }, { t: 40, power: 20 }, { t: 70, power: 20, percent: 1 }]),
    power: { heldPeakW: 20 },
  })
  expect([codes(startDelay, idles(1)), codes(startDelay, idles(1.1))]).toEqual([[], ['start-delay']])
}) // prettier-ignore

it('tells what stood still by what flowed meanwhile and what came after', () => {
  const still = (over: object) => ({
    standstills: [{ kind: 'stuck', startS: 600, endS: 1800, percent: 44, expectedPoints: 12, jump: 0, ...over }],
  })
  const says = (over: object) => told(standing, still(over))[0]
  expect(says({})).toBe(
    'warning 600: The display stood at 44 % for 20 min although energy for about 12 points flowed.',
  )
  expect(says({ jump: 6 })).toBe('warning 1800: The display stood at 44 % for 20 min and then rose by 6 points at once.')
  expect(codes(standing, still({ jump: 5 }))).toEqual(['stuck'])
  // A single point is the next point, however little was due.
  expect(codes(standing, still({ jump: 1, expectedPoints: 1 }))).toEqual(['stuck'])
  expect(says({ kind: 'held', jump: 12 })).toContain('was held at 44 % for 20 min')
  expect(says({ kind: 'stalled', jump: 12 })).toContain('The charge stalled at 44 %')
  expect(says({ kind: 'unknown' })).toBe(
    'warning 600: The level stood still at 44 % for 20 min; whether power flowed was not read.',
  )
  expect(codes(standing, still({ kind: 'unknown' }))).toEqual(['stalled'])
  expect(codes(standing, still({ kind: 'unknown', jump: 8 }))).toEqual(['stuck-then-jumped'])
}) // prettier-ignore

it('lets one reading in twenty of the battery stand alone, and a supply settle for a minute', () => {
  const both = (alone: number) =>
    trace(
      Array.from({ length: 100 }, (_, i) => [
        { t: i * 60, batteryPower: 6 },
        ...(i < alone ? [] : [{ t: i * 60 + 10, power: 9 }]),
      ]).flat(),
    )
  expect(codes(oneEnd, { trace: both(5) })).toEqual([])
  expect(ask(oneEnd, { trace: both(6) })[0].message).toContain('6 of 100 readings')
  const supply = (...levels: [endS: number, volts: number][]) => ({
    supply: levels.map(([endS, volts], i) => ({ startS: 10 * i, endS, volts })),
    context: { expectedVolts: 20 },
  })
  expect(codes(wrongSupply, supply([50, 5], [3600, 16]))).toEqual([])
  expect(told(wrongSupply, supply([50, 20], [3600, 15.9], [3700, 9]))).toEqual([
    'warning 10: The supply stayed at 15.9 V; the two should settle on 20.0 V.',
  ])
  expect(codes(wrongSupply, supply([50, 5]))).toEqual([])
  // The first minute is no settled level; of two alike the first is where it stands.
  expect([codes(wrongSupply, supply([60, 5])), codes(wrongSupply, supply([61, 5]))]).toEqual([
    [],
    ['wrong-supply'],
  ])
  expect(ask(wrongSupply, supply([3600, 9], [3700, 9]))[0].atS).toBe(
    ask(wrongSupply, supply([3600, 9]))[0].atS,
  )
  expect(codes(wrongSupply, { ...supply([3600, 0]), context: { expectedVolts: 0 } })).toEqual([])
  expect(codes(wrongSupply, { ...supply([3600, 5]), context: { expectedVolts: NaN } })).toEqual([])
})

it('gives the reason behind every figure that could not be known', () => {
  const none = {
    trace: trace([{ t: 0, percent: 5 }]),
    power: { coarse: true },
    energy: { chargeAh: NaN },
    taperEndS: NaN,
    efficiency: { reason: 'No capacity.' },
  }
  expect(codes(unknownFigures, none)).toEqual(['no-power', 'coarse-power', 'no-charge', 'no-taper-end', 'no-efficiency'])
  expect(ask(unknownFigures, none)[4].message).toBe('No efficiency. No capacity.')
  const known = {
    trace: trace([{ t: 0, power: 9 }]),
    power: { coarse: false },
    energy: { chargeAh: 1 },
    taperEndS: 6300,
    efficiency: { reason: '' },
  }
  expect(codes(unknownFigures, known)).toEqual([])
  const milestones = [{ percent: 50, reason: '' }, { percent: 80, reason: 'The run ended at 61 %.' }]
  const marks = [900, 1800, 3600, 5400].map((atS, i) => ({ atS, reason: ['', 'Ended.', 'Ended.', 'Gap.'][i] }))
  expect(told(notReached, { milestones, marks })).toEqual([
    'notice NaN: 80 % has no time. The run ended at 61 %.',
    'notice NaN: No level at 30, 60 min. Ended.',
    'notice NaN: No level at 90 min. Gap.',
  ])
}) // prettier-ignore

it('says what to do in a sentence, whatever was found', () => {
  const everything = [
    ...ask(bridged, { energy: { energyWh: 1, bridgedWh: 3 } }),
    ...ask(impossibleEfficiency, { efficiency: { value: 2 } }),
    ...drainingIn(trace([{ t: 0, percent: 40 }, { t: 600, percent: 30 }])),
    ...['held', 'stalled', 'stuck', 'unknown'].flatMap((kind) =>
      ask(standing, { standstills: [{ kind, startS: 0, endS: 900, percent: 50, expectedPoints: 9, jump: 0 }] }),
    ),
    ...ask(standing, { standstills: [{ kind: 'stuck', startS: 0, endS: 900, percent: 50, expectedPoints: 9, jump: 9 }] }),
    ...ask(unknownFigures, { trace: trace([{ t: 0 }]), power: { coarse: true }, energy: { chargeAh: NaN }, taperEndS: NaN, efficiency: { reason: 'No capacity.' } }),
    ...ask(counter, { energy: { energyFrom: 'integral', counter: { energyWh: 10, integralWh: 5, resets: [1], assumedZero: true, fromS: 99 } } }),
    ...ask(onOff, { switched: [{ startS: 0, endS: 9, cycles: 2 }, { startS: 50, endS: 99, cycles: 2 }], parts: [{ kind: 'trickle', startS: 60 }] }),
    ...ask(levelFell, { trace: trace([{ t: 0, percent: 40 }, { t: 60, percent: 30 }]) }),
    ...ask(hot, { trace: trace([{ t: 0, temperatures: { back: 60 } }]), context: { stopLimitC: 45 } }),
    ...ask(powerDisagrees, { trace: trace([{ t: 0, power: 9, voltage: 9, current: 2 }]) }),
    ...ask(spikes, { power: { spikes: [{ atS: 0, watts: 9 }] } }),
    ...ask(startDelay, { trace: trace([{ t: 0, power: 5 }, { t: 99, power: 5, percent: 1 }]), power: { heldPeakW: 5 } }),
    ...ask(clockGap, { trace: trace([{ t: 0 }, { t: 900 }]), energy: { gaps: [{ startS: 300, endS: 600 }] } }),
    ...ask(wrongSupply, { supply: [{ startS: 0, endS: 900, volts: 5 }], context: { expectedVolts: 9 } }),
    ...ask(ceiling, { marks: [{ atS: 900, ceiling: true, reason: '' }] }),
    ...ask(coarseFull, { milestones: [{ percent: 100, reason: '', uncertaintyS: 300, earliestS: 0, latestS: 900 }] }),
  ]
  expect(new Set(everything.map((f) => f.code)).size).toBeGreaterThan(20)
  for (const { code, message, advice, severity } of everything) {
    expect(message, code).toMatch(/^[A-Z0-9].{9,}\.$/s)
    expect(advice, code).toMatch(/^[A-Z“].{9,}\.$/s)
    expect(['notice', 'warning', 'blocking'], code).toContain(severity)
  }
}) // prettier-ignore
