import { expect, it } from 'vitest'
import type { ReplayRun } from '../compare/replay'
import { drawReplay, FRAME, type Pen, type ReplayLook } from './replayPicture'

const column = (...values: number[]) => Float64Array.from(values)
const run = (id: string, over: Partial<ReplayRun> = {}): ReplayRun => ({
  id,
  name: `Hawser ${id}`,
  level: { t: column(0, 600, 1200), v: column(10, 50, 100) },
  watts: { t: column(0, 1200), v: column(20, 8) },
  fullS: 1200,
  endS: 1300,
  simulated: false,
  ...over,
})
const look: ReplayLook = {
  inks: { 20: { colour: '#111', dash: [] }, 30: { colour: '#222', dash: [4, 2] } },
  colours: { page: 'p', text: 't', quiet: 'q', grid: 'g', accent: 'a' },
  text: 'Text',
  figures: 'Figures',
}
/** Keeps what was drawn. */
interface Drawn {
  texts: string[]
  places: [number, number][]
  /** Where each text stands. */
  stands: Record<string, [number, number]>
}
function drawn(runs: readonly ReplayRun[], atS: number): Drawn {
  const stands: Drawn['stands'] = {}
  const texts: string[] = []
  const places: [number, number][] = []
  const nothing = () => undefined
  const pen = {
    fillRect: nothing, beginPath: nothing, stroke: nothing, fill: nothing, setLineDash: nothing,
    fillText: (text: string, x: number, y: number) => {
      texts.push(text.replaceAll('\u00a0', ' '))
      stands[text.replaceAll('\u00a0', ' ')] ??= [x, y]
      places.push([x, y])
    },
    moveTo: (x: number, y: number) => void places.push([x, y]),
    lineTo: (x: number, y: number) => void places.push([x, y]),
    arc: (x: number, y: number) => void places.push([x, y]),
  } as unknown as Pen // prettier-ignore
  drawReplay(
    pen,
    runs,
    atS,
    { title: 'Which goes on board?', pace: '60 times as fast', since: 'since power-on' },
    look,
  )
  return { texts, places, stands }
}

it('shows the clock, every level and watt as they count, and who has arrived', () => {
  const half = drawn([run('20'), run('30', { fullS: NaN, endS: 2400 })], 300)
  expect(half.texts).toEqual(
    expect.arrayContaining([
      'Which goes on board?',
      '0:05:00',
      '60 times as fast',
      'Hawser 20',
      '30 %',
      '17.0 W',
    ]),
  )
  expect(half.texts).toContain('since power-on')
  expect(drawn([run('20', { isOwn: true })], 300).texts).toContain('17.0 W into the battery')
  expect(half.texts.filter((t) => t.includes('full in'))).toEqual([])
  const end = drawn([run('20'), run('30', { fullS: NaN, endS: 1000 })], 1250)
  expect(end.texts).toEqual(expect.arrayContaining(['full in 20 min', '100 %', 'stopped here']))
})

it('says in every frame that data are simulated, and only then', () => {
  for (const atS of [0, 600, 2000])
    expect(drawn([run('20'), run('30', { simulated: true })], atS).texts).toContain(
      '60 times as fast · simulated data',
    )
  expect(drawn([run('20')], 0).texts.join()).not.toContain('simulated')
})

it('stays within the frame for any number of runs, empty and odd ones included', () => {
  const odd = run('30', {
    level: { t: column(), v: column() },
    watts: { t: column(), v: column() },
    fullS: NaN,
    endS: 0,
  })
  const many = Array.from({ length: 8 }, (_, i) => (i === 3 ? odd : run('20')))
  for (const runs of [[], [odd], many])
    for (const atS of [0, 1, 777, 1e5])
      for (const [x, y] of drawn(runs, atS).places) {
        expect(x >= 0 && x <= FRAME.width).toBe(true)
        expect(y >= 0 && y <= FRAME.height).toBe(true)
      }
})

it('rules the clock at round steps, at most six of them and the last within it', () => {
  const ticks = (lengthS: number) => {
    const level = { t: column(0, lengthS), v: column(0, 100) }
    const { texts } = drawn([run('20', { level, fullS: lengthS, endS: lengthS })], 0)
    return texts.filter((t) => /^(0|\d+ (s|min|h)( \d+ min)?)$/.test(t))
  }
  expect(ticks(1800)).toEqual(['0', '5 min', '10 min', '15 min', '20 min', '25 min', '30 min'])
  expect(ticks(1801)).toEqual(['0', '10 min', '20 min', '30 min'])
  expect(ticks(6 * 14_400)).toEqual(['0', '4 h 0 min', '8 h 0 min', '12 h 0 min', '16 h 0 min', '20 h 0 min', '24 h 0 min']) // prettier-ignore
  // Longer than the longest step: its beginning and its end.
  expect(ticks(90_000)).toEqual(['0', '25 h 0 min'])
})

it('draws a path from its first level to where it is now: time to the right, level upward', () => {
  const { places, stands } = drawn([run('20')], 600)
  const at = (text: string) => stands[text]
  // Figures of the level stand 16 px left of the plot and 9 px under their rule, those of the clock 44 px under it.
  const [left, bottom] = [at('0 %')[0] + 16, at('0 %')[1] - 9]
  const top = at('100 %')[1] - 9
  const right = at('20 min')[0]
  expect([left, bottom, top, right]).toEqual([120, 960, 190, 1300])
  // Ten of a hundred at the start, half by ten of twenty minutes.
  expect(places).toContainEqual([left, bottom - 0.1 * (bottom - top)])
  expect(places).toContainEqual([left + (right - left) / 2, (top + bottom) / 2])
  // A rule for every fifth of the level.
  for (let level = 0; level <= 100; level += 20)
    expect(places).toContainEqual([right, bottom - (level / 100) * (bottom - top)])
})
