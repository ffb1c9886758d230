import { expect, it } from 'vitest'
import { CAUTIONS, doubtWords, methodWords, type Method } from './methodWords'

const plain = (lines: readonly string[]) => lines.map((line) => line.replaceAll('\u00A0', ' '))
const run: Method = {
  device: 'Skerry P5',
  unit: '',
  source: 'Hawser 20',
  cable: 'Short black',
  from: 5,
  stop: 'when it shows 100 %',
  outcome: 'done',
  reading: 'every 5 min',
  state: 'asleep, in flight mode',
  ambientC: 22,
  restMinutes: 21,
  meter: 'Inline meter',
  thermometer: '',
  healthPercent: 98,
  day: '2026-03-02',
  protocol: '',
  corrected: false,
  cut: false,
  missed: 0,
  simulated: false,
  watched: true,
  load: '',
  fedBeside: 0,
  fedFrom: '',
  chain: '',
  software: '',
}
const unknown: Partial<Method> = {
  cable: '',
  state: '',
  ambientC: NaN,
  restMinutes: NaN,
  meter: '',
  healthPercent: NaN,
  watched: false,
}

it('says under which load the device was, and in how many of the runs', () => {
  const said = (...loads: string[]) => methodWords(loads.map((load) => ({ ...run, load }))).filter((s) => s.includes('load'))
  expect(said('', '')).toEqual([])
  expect(said('Chart plotting', '', 'Chart plotting')).toEqual(['It was put under load in 2 of the 3: Chart plotting.'])
  expect(said('Film')).toEqual(['It was put under load: Film.'])
}) // prettier-ignore

it('says what fed a source, what stood in the chain, and the software', () => {
  const said = methodWords([
    { ...run, fedFrom: 'Bollard 12', chain: 'Pad; case', software: '4.2' },
    { ...run, chain: 'case, pad' },
    run,
  ])
  expect(said[0]).toContain(`${run.source} (fed from Bollard 12) and ${run.source}: 3 runs`)
  expect(said).toContain('In the chain besides in 2 of the 3: Pad; case.')
  expect(said).toContain('Software: 4.2 (not noted of every run).')
})

it('says where a source fed another device meanwhile', () => {
  const said = (...others: number[]) =>
    methodWords(others.map((fedBeside) => ({ ...run, fedBeside }))).filter((s) => s.includes('another device'))
  expect(said(0, NaN)).toEqual([])
  expect(said(1, 0, 2)).toEqual(['Its source fed another device meanwhile in 2 of the 3, and may have given each less for it.'])
}) // prettier-ignore

it('tells how a test was done, a sentence a point', () => {
  const runs = [run, { ...run, unit: 'no. 2', source: 'Bollard 12', from: 7, ambientC: 23.4, day: '2026-03-03' }]
  expect(plain(methodWords(runs))).toEqual([
    'Skerry P5 and Skerry P5 (no. 2) charged from Hawser 20 and Bollard 12: 2 runs, on 2 days.',
    'Each began at 5 to 7 % and ended by its rule: when it shows 100 %.',
    'The device was asleep, in flight mode.',
    'The room had 22 to 23 °C.',
    'Before the switch it rested for 21 min.',
    'Battery health: 98 %.',
    'Cable: Short black.',
    'Readings were taken every 5 min, and the display was watched as it turned.',
    'Watts by Inline meter.',
  ])
  expect(methodWords([])).toEqual([])
}) // prettier-ignore

it('says what nobody noted, of any run or of some', () => {
  const told = plain(methodWords([{ ...run, ...unknown, from: NaN }]))
  expect(told).toEqual([
    'Skerry P5 charged from Hawser 20: 1 run, on 2026-03-02.',
    'Each ended by its rule: when it shows 100 %.',
    'The state of the device was not noted.',
    'The temperature of the room was not noted.',
    'Battery health was not noted.',
    'The cable was not noted.',
    'Readings were taken every 5 min.',
    'No meter was noted.',
  ])
  const some = plain(
    methodWords([
      { ...run, thermometer: 'Probe' },
      { ...run, ...unknown },
    ]),
  )
  expect(some).toContain('Cable: Short black (not noted of every run).')
  expect(some).toContain('Temperatures by Probe (not noted of every run).')
  const states = ['asleep, case off', 'Case off; asleep'].map((state) => ({ ...run, state }))
  expect(plain(methodWords(states))).toContain('The device was asleep, case off.')
  expect(some).toContain('The room had 22 °C.')
  expect(some).toContain(
    'Readings were taken every 5 min, and in 1 of the runs the display was watched as it turned.',
  )
})

it('says what stopped before its rule, or had none, which are spoilt, and whose day nobody knows', () => {
  const told = (...runs: Partial<Method>[]) => plain(methodWords(runs.map((of) => ({ ...run, ...of })))).slice(0, 3)
  expect(told({ outcome: 'short' }, { day: '', outcome: 'short' })).toEqual([
    'Skerry P5 charged from Hawser 20: 2 runs, on 2026-03-02 (the day of 1 is not noted).',
    'Each began at 5 % and was to stop when it shows 100 %; all of them stopped before that.',
    'The device was asleep, in flight mode.',
  ])
  expect(told({ day: '', stop: '' })).toEqual([
    'Skerry P5 charged from Hawser 20: 1 run, on days that nobody noted.',
    'Each began at 5 % and was stopped by no rule.',
    'The device was asleep, in flight mode.',
  ])
  expect(told({}, { outcome: 'short' }, { outcome: 'spoilt', stop: '' }).slice(1)).toEqual([
    'Each began at 5 % and was to stop when it shows 100 % (not noted of every run); 1 of 3 stopped before that.',
    'One of them is spoilt or set aside.',
  ])
  expect(told({}, { outcome: 'spoilt' })[1]).toBe('Each began at 5 % and was to stop when it shows 100 %.')
}) // prettier-ignore

it('names the protocol, and what was put right, left out or missed', () => {
  const told = (...runs: Partial<Method>[]) => plain(methodWords(runs.map((of) => ({ ...run, ...of })))).slice(2, -7)
  expect(told({ protocol: 'Top-up marks', corrected: true, cut: true, missed: 1 })).toEqual([
    'Protocol: Top-up marks.',
    'Readings were put right afterwards in it; what they were stays on record.',
    'A stretch is left out in it.',
    'One reading was missed.',
  ])
  expect(told({ protocol: 'Top-up marks', missed: 2 }, { corrected: true, cut: true, missed: 1 }, { cut: true })).toEqual([
    'Protocol: Top-up marks (not noted of every run).',
    'Readings were put right afterwards in 1 of the 3; what they were stays on record.',
    'A stretch is left out in 2 of the 3.',
    '3 readings were missed.',
  ])
  expect(told({ cut: true }, { cut: true })).toEqual(['A stretch is left out in all of them.'])
  expect(told({})).toEqual([])
}) // prettier-ignore

it('says first what is simulated, all of it or some', () => {
  const simulated = { ...run, simulated: true }
  expect(methodWords([simulated, simulated])[0]).toBe(
    'All of these runs are simulated: a charge model made them, not a bench.',
  )
  expect(methodWords([run, simulated, run])[0]).toBe('1 of the 3 runs is simulated.')
  expect(methodWords([run, run])[0]).toContain('charged from')
})

it('says what is uncertain about a comparison', () => {
  const doubts = { differing: ['cable', 'room'], unknown: ['health'], accepted: ['start level'], repeatPercent: 1.84, assumed: false, worthS: 300 }
  expect(plain(doubtWords(doubts))).toEqual([
    'Runs are taken to repeat within 1.8 %, as repeats tell.',
    'What follows a ± is twice the standard uncertainty. Differences under 5 min count as small.',
    'Compared although these differ: start level.',
    'Not equal between the runs: cable and room.',
    'Not noted of every run: health.',
  ])
  expect(plain(doubtWords({ ...doubts, differing: [], unknown: [], accepted: [], assumed: true }))).toEqual([
    'Runs are taken to repeat within 1.8 %, which is assumed: too few repeats tell.',
    'What follows a ± is twice the standard uncertainty. Differences under 5 min count as small.',
  ])
}) // prettier-ignore

it('warns of what hurts: the battery, the surface, the cable, the wall', () => {
  const all = CAUTIONS.join(' ')
  for (const danger of ['swelling', 'hissing', 'non-flammable', 'temperature range', 'unattended', 'frayed', 'electrician', 'local code'])
    expect(all).toContain(danger)
}) // prettier-ignore
