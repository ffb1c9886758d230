import { describe, expect, it } from 'vitest'
import { ASSUMED_REPEATABILITY } from '../../compare/verdict'
import { GOALS } from '../../compare/ranking'
import { quantityOf, type Quantity } from '../../compare/quantities'
import type { Result } from '../../compare/results'
import { MADE } from './pageBlocks'
import type { Told } from './pageTold'

const full = GOALS.find((g) => g.key === 'full')!
const result = (over: Partial<Result>): Result =>
  ({
    runs: 3,
    why: '',
    value: 5040,
    spread: 60,
    verdict: 'clear',
    atLeast: 600,
    against: null,
    ...over,
  }) as Result
const path = (name: string, end: string) => ({ name, ink: 0, end, points: [{ x: 0, y: 2 }] })
const told: Told = {
  goal: full,
  ranking: {
    places: [
      { index: 1, value: 5040, spread: 60, verdict: 'first', leads: true, behind: 0, atLeast: 0, runs: 1 },
      { index: 0, value: NaN, spread: NaN, verdict: 'not-reached', leads: false, behind: NaN, atLeast: NaN, runs: 1 },
    ],
    repeatability: ASSUMED_REPEATABILITY,
  },
  names: ['Bollard 5', 'Hawser 20'],
  lines: [{ name: 'Bollard 5', runs: 1 }, { name: 'Hawser 20', runs: 3 }],
  answer: 'To full, Hawser 20 leads.',
  choice: '',
  blocking: [],
  accepted: false,
  methods: [],
  paths: [path('Bollard 5', 'stopped at 80 %'), path('Hawser 20', '1 h 24 min'), path('Hawser 20', '')],
  panels: [{ title: 'Skerry P5', paths: [path('Hawser 20', '1 h 24 min')] }],
  watts: [],
  until: 7200,
  baseAt: 0,
  levels: [
    {
      quantity: quantityOf('to-100'),
      results: [
        result({ verdict: 'baseline', value: 8580 }),
        result({ against: { savedS: 3540, savedShare: 3540 / 8580, speedRatio: 8580 / 5040 } }),
      ],
    },
  ],
  currentStops: { quantity: quantityOf('taper-end'), results: [result({ value: 9000, verdict: 'baseline' }), result({ value: 5400, against: { savedS: 3600, savedShare: 0.4, speedRatio: 1.67 } })] },
  gains: [],
  leads: [],
  hottest: { quantity: quantityOf('hottest'), results: [result({ value: NaN }), result({ value: 41.5, spread: 1, verdict: 'cannot-tell' })] },
  load: { sentences: [], figures: [] },
  purposes: [{ purpose: 'Enough over a night of 8 h', answer: 'Bollard 5' }],
  parts: [],
  wattsAt: 'source',
  alignedAt: null,
  sizes: '',
  grid: { head: ['Source'], rows: [] },
  odd: [],
  doubts: { differing: [], unknown: [], accepted: [], repeatPercent: 2, assumed: true, worthS: 300 },
} // prettier-ignore
const tiles: Quantity = {
  ...quantityOf('held'),
  key: 'tiles',
  label: 'Deck plans',
  kind: 'score',
  unit: 'points',
}
const scores = [
  result({ value: 1208, spread: 26, verdict: 'baseline' }),
  result({ value: 10.25, spread: 0.2, atLeast: 9.5 }),
]
const plain = (text: unknown) => JSON.stringify(text).replaceAll('\u00a0', ' ')

describe('blocks of a write-up', () => {
  it('give the answer, and none while something keeps from a verdict', () => {
    expect(MADE.answer(told).paragraphs).toEqual(['To full, Hawser 20 leads.'])
    const stopped = { ...told, blocking: ['start level', 'battery health'] }
    expect(MADE.answer(stopped).paragraphs).toEqual([
      'No verdict: these runs differ in what decides it (start level, battery health).',
    ])
    expect([MADE.ranking(stopped), MADE.advice(stopped)]).toEqual([null, null])
    // Figures stand as they were read; what they would mean waits.
    expect(plain(MADE.results(stopped)?.table?.rows)).not.toMatch(/clear|baseline/)
    expect(MADE.gains({ ...stopped, gains: told.levels, leads: ['Hawser 20 led.'] })?.paragraphs).toEqual([])
    expect(MADE.answer({ ...stopped, accepted: true, choice: 'Keep it.' }).paragraphs).toEqual([
      'To full, Hawser 20 leads.',
      'Keep it.',
    ])
  })

  it('draw each path, and name where those ended that bear a name', () => {
    const { picture, table } = MADE.paths(told)!
    expect(picture).toMatchObject({ kind: 'paths', until: 7200, unit: '%', max: 100 })
    expect(picture?.alt).toBe('Level against time: Bollard 5 stopped at 80 %; Hawser 20 1 h 24 min')
    expect(table?.rows).toEqual([
      ['Bollard 5', '', '', 'stopped at 80 %'],
      ['Hawser 20', '', '', '1 h 24 min'],
    ])
  })

  it('draw no curve where no display showed a level', () => {
    const paths = told.paths.map((p) => ({ ...p, points: [] }))
    expect([MADE.paths({ ...told, paths }), MADE.panels({ ...told, panels: [{ title: 'A', paths }, { title: 'B', paths }] })]).toEqual([null, null]) // prettier-ignore
  })

  it('call points out on five paths at most, and tell all of them in the table', () => {
    const calls = [
      { x: 1440, y: 50, at: '24 min', said: '19.2 W' },
      { x: 3000, y: 80, at: '50 min', said: '' },
    ]
    const of = (count: number) =>
      MADE.paths({
        ...told,
        paths: Array.from({ length: count }, (_, i) => ({ ...path(`H${i}`, '2 h'), calls })),
      })!
    const drawn = ({ picture }: ReturnType<typeof of>) =>
      picture?.kind === 'paths' ? picture.paths.map((p) => p.calls?.length) : []
    expect(drawn(of(5))).toEqual([2, 2, 2, 2, 2])
    expect(drawn(of(6))).toEqual([0, 0, 0, 0, 0, 0])
    expect(of(6).table?.rows[5]).toEqual(['H5', '24 min, 19.2 W', '50 min', '2 h'])
  })

  it('have frames where there are two at least; a path of the frame’s own name goes by it', () => {
    expect(MADE.panels(told)).toBeNull()
    const two = [...told.panels, { title: 'Thwart T11', paths: [path('', '2 h 0 min')] }]
    const made = MADE.panels({ ...told, panels: two })!
    expect(made.picture?.alt).toBe(
      'Level against time, Skerry P5: Hawser 20 1 h 24 min. Thwart T11: 2 h 0 min',
    )
    expect(made.table?.rows).toEqual([
      ['Skerry P5', 'Hawser 20', '1 h 24 min'],
      ['Thwart T11', 'Thwart T11', '2 h 0 min'],
    ])
  })

  it('rank, with the ± of each, and say what was not reached', () => {
    expect(plain(MADE.ranking(told)?.table)).toBe(
      plain({
        caption: 'In order of full',
        head: ['Set-up', 'full'],
        rows: [
          ['Hawser 20', '1 h 24 min ± 1 min'],
          ['Bollard 5', 'not reached'],
        ],
      }),
    )
  })

  it('tell times with their verdict, and the three ways to be faster against the baseline alone', () => {
    expect(plain(MADE.results(told)?.table?.rows)).toBe(
      plain([
        ['Bollard 5', '1', '2 h 23 min ± 1 min (baseline)'],
        ['Hawser 20', '3', '1 h 24 min ± 1 min (clear, at least 10 min)'],
      ]),
    )
    expect(MADE.results(told)?.table?.caption).toMatch(/^Times, against Bollard 5/)
    // 59 min of 2 h 23 min are 41.3 %; 8580 ÷ 5040 is 1.70.
    expect(MADE.saved(told)?.table?.caption).toBe('To 100 %')
    expect(plain(MADE.saved(told)?.table?.rows)).toBe(plain([['Hawser 20', '59 min', '41.3 %', '1.70 ×']]))
    expect(MADE.saved({ ...told, baseAt: 1 })?.table?.rows.map(([name]) => name)).toEqual(['Bollard 5'])
  })

  it('save time at the farthest that the baseline and another reached, and say why a time is missing', () => {
    const none = (why: string) => result({ runs: 0, value: NaN, why })
    const to = (percent: number, ...results: Result[]) => ({ quantity: quantityOf(`to-${percent}`), results })
    const half = to(50, result({ verdict: 'baseline' }), result({ against: { savedS: 600, savedShare: 0.2, speedRatio: 1.25 } }))
    const short = { ...told, levels: [half, to(80, none('not reached'), result({})), to(100, none('not reached'), none('started above'))] }
    expect(MADE.results(short)?.table?.head).toEqual(['Set-up', 'Runs', 'to 50 %', 'to 80 %'])
    expect(MADE.results(short)?.table?.rows[0][3]).toBe('not reached')
    expect(MADE.saved(short)?.table?.caption).toBe('To 50 %')
    expect(plain(MADE.saved(short)?.table?.rows)).toBe(plain([['Hawser 20', '10 min', '20.0 %', '1.25 ×']]))
    const mute = { ...told, levels: [to(50, none('no level read'), none('no level read'))] }
    expect(MADE.results(mute)?.table?.head).toEqual(['Set-up', 'Runs', 'until the current stops'])
    expect(MADE.saved(mute)?.table?.caption).toBe('Until the current stops')
    const nothing = { quantity: quantityOf('taper-end'), results: [none(''), none('')] }
    const empty = { ...mute, currentStops: nothing }
    expect([MADE.results(empty), MADE.saved(empty)]).toEqual([null, null])
    // The runs it was about are gone: its words stay.
    const gone = { ...told, names: [], lines: [], levels: [], currentStops: { ...nothing, results: [] } }
    expect([MADE.results(gone), MADE.saved(gone), MADE.gains(gone)]).toEqual([null, null, null])
    const asked = { ...told, goal: GOALS.find((g) => g.key === 'current-stops')! }
    expect(MADE.results(asked)?.table?.head.slice(2)).toEqual(['to 100 %', 'until the current stops'])
    expect(MADE.saved(asked)?.table?.caption).toBe('Until the current stops')
  }) // prettier-ignore

  it('give each repeat of one set-up its line, held against nothing', () => {
    const runs = ['2 March', '3 March'].map((name) => ({ name, runs: 1 }))
    const alone = { ...told, names: ['Bollard 5'], lines: runs, parts: [['2 March', 'hold']] }
    expect(MADE.advice(alone)).toBeNull()
    expect(MADE.saved(alone)).toBeNull()
    expect(MADE.results(alone)?.table?.caption).toBe('Times, with twice the standard uncertainty')
    expect(MADE.results(alone)?.table?.head.slice(0, 2)).toEqual(['Run', 'to 100 %'])
    const rows = [
      ['2 March', '2 h 23 min ± 1 min'],
      ['3 March', '1 h 24 min ± 1 min'],
    ]
    expect(plain(MADE.results(alone)?.table?.rows)).toBe(plain(rows))
    expect(MADE.heat(alone)?.table?.rows[0][0]).toBe('3 March')
    expect(MADE.ranking(alone)?.table?.rows.map(([name]) => name)).toEqual(['3 March', '2 March'])
    expect(MADE.ranking(alone)?.table?.head).toEqual(['Run', 'full'])
    expect(MADE.parts(alone)?.table?.caption).toBe('Parts, by run')
    expect([MADE.parts(alone), MADE.parts({ ...told, parts: alone.parts })].map((b) => /repeats/.test(b!.paragraphs[0]))).toEqual([false, true])
  }) // prettier-ignore

  it('tell what some minutes bring, and where a lead did not last', () => {
    const gains = [
      { quantity: quantityOf('gain-15'), results: [result({ value: 12, spread: 0.8, verdict: 'baseline' }), result({ value: 31, spread: 1, atLeast: 17 })] },
      { quantity: quantityOf('use-30'), results: [result({ runs: 0, value: NaN }), result({ runs: 0, value: NaN })] },
    ]
    const made = MADE.gains({ ...told, gains, leads: ['Hawser 20 led at first.'] })
    expect(made?.paragraphs).toEqual(['Hawser 20 led at first.'])
    expect(made?.table?.head).toEqual(['Set-up', 'Runs', 'points gained in 15 min'])
    expect(plain(made?.table?.rows[1])).toBe(plain(['Hawser 20', '3', '31.0 ± 1.0 (clear, at least 17.0)']))
    expect(MADE.gains(told)).toBeNull()
  }) // prettier-ignore

  it('tell what was measured under load, scores to three digits', () => {
    const load = {
      sentences: ['Deck plans: Bollard 5 leads.'],
      figures: [{ quantity: tiles, results: scores }],
    }
    // No verdict on scores either while the runs may not be compared.
    const held = MADE.load({ ...told, load, blocking: ['start level'] })
    expect([held?.paragraphs, plain(held?.table?.rows)]).toEqual([[], expect.not.stringContaining('clear')])
    const made = MADE.load({ ...told, load })!
    expect(made.paragraphs).toEqual(load.sentences)
    expect(plain(made.table)).toBe(
      plain({
        caption: 'Against Bollard 5, as means',
        head: ['Set-up', 'Deck plans'],
        rows: [
          ['Bollard 5', '1208 points ± 26 points (baseline)'],
          ['Hawser 20', '10.3 points ± 0.2 points (clear, at least 9.5 points)'],
        ],
      }),
    )
  })

  it('have a heading each of their own, and by every picture its words and a table with a caption', () => {
    const panels = [...told.panels, ...told.panels]
    const load = { sentences: ['Deck plans: Hawser 20 leads.'], figures: [{ quantity: tiles, results: scores }] }
    const watts = [{ ...path('Hawser 20', 'held 19.9 W'), calls: [{ x: 0, y: 2, at: '17 min', said: '19.9 W' }] }]
    const whole = { ...told, panels, load, watts, parts: [['Hawser 20', 'hold']], grid: { head: ['Source'], rows: [['Hawser 20']] }, odd: ['One is odd.'], gains: told.levels, methods: [{ device: 'Skerry P5', source: 'Hawser 20', day: '2026-03-02', chain: '' } as Told['methods'][number]] }
    const made = Object.values(MADE).flatMap((make) => make(whole) ?? [])
    expect(made).toHaveLength(Object.keys(MADE).length)
    expect(new Set(made.map((m) => m.heading)).size).toBe(made.length)
    for (const { heading, paragraphs, list, picture, table } of made) {
      expect(heading).toMatch(/^\w.+/)
      expect(paragraphs.every((p) => p.length > 10)).toBe(true)
      expect(list.every((l) => l.length > 5)).toBe(true)
      // A block says something besides its heading.
      expect(paragraphs.length + list.length + (table ? 1 : 0)).toBeGreaterThan(0)
      if (picture) expect([picture.alt.length > 10, table === undefined]).toEqual([true, false])
      if (!table) continue
      expect(table.caption).not.toBe('')
      expect(table.head.every((h) => h !== '')).toBe(true)
      for (const row of table.rows) expect(row.length).toBeLessThanOrEqual(table.head.length)
    }
    const [curves, power] = made.filter((m) => m.picture?.kind === 'paths')
    expect(curves.table?.head).toHaveLength(4)
    expect(power.picture).toMatchObject({ unit: 'W', max: 2, until: 7200 })
    expect(power.table?.rows).toEqual([['Hawser 20', '17 min', '19.9 W']])
  }) // prettier-ignore

  it('say nothing where there is nothing to say', () => {
    expect([MADE.parts(told), MADE.grid(told), MADE.odd(told), MADE.load(told), MADE.power(told)]).toEqual([
      null,
      null,
      null,
      null,
      null,
    ])
    // A battery that drains all along goes below nothing; where it is the device's own word, that is said.
    const drains = [
      {
        ...path('Hawser 30', ''),
        points: [
          { x: 0, y: -6.4 },
          { x: 3600, y: -5 },
        ],
      },
    ]
    const drained = MADE.power({ ...told, watts: drains, wattsAt: 'battery' })
    expect(drained?.picture).toMatchObject({ min: -7, max: 0 })
    expect(drained?.paragraphs).toEqual([expect.stringContaining('as the device tells them')])
    expect(MADE.heat({ ...told, hottest: { ...told.hottest, results: [result({ value: NaN })] } })).toBeNull()
    expect(plain(MADE.heat(told)?.table?.rows)).toBe(plain([['Hawser 20', '41.5 °C ± 1.0 °C']]))
    expect(MADE.parts({ ...told, parts: [['Hawser 20', 'hold']] })?.table?.rows).toHaveLength(1)
    expect(MADE.grid({ ...told, grid: { head: ['Source'], rows: [['Hawser 20']] } })?.table?.head).toEqual([
      'Source',
    ])
    expect(MADE.odd({ ...told, odd: ['One is odd.'] })?.list).toEqual(['One is odd.'])
    expect(MADE.advice(told)?.list).toEqual(['Enough over a night of 8 h: Bollard 5.'])
    const aligned = { ...told, alignedAt: 4 }
    expect(plain(MADE.how(aligned).list.at(-1))).toContain('set to where each run came to 4 %')
    expect(plain(MADE.paths(aligned)?.paragraphs)).toContain('count from there')
    expect(plain(MADE.results(aligned)?.table?.caption)).toContain('Times from 4 % on, against')
    expect(MADE.cautions().list.length).toBeGreaterThan(3)
  })
})
