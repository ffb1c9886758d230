import { expect, it } from 'vitest'
import type { Advice } from '../../compare/advice'
import { GOALS } from '../../compare/ranking'
import { choiceWords, leadWords, oddWords, purposeWords } from './adviceWords'
import { choiceTitle } from './choiceWords'

const plain = (text: string) => text.replaceAll('\u00A0', ' ')
const names = ['Bollard 12', 'Hawser 20', 'Gangway 65']
const full = GOALS.find((g) => g.key === 'full')!

it('says what to keep or buy, and at which difference that would turn', () => {
  const words = (over: Partial<Advice>, prefer: Parameters<typeof choiceWords>[3] = 'cost') =>
    plain(choiceWords(full, { choice: 1, keep: false, known: 'all', turns: null, ...over }, names, prefer))
  expect(words({})).toBe('Hawser 20 is the cheapest that does as well.')
  expect(words({}, 'weight')).toContain('the lightest')
  expect(words({}, 'size')).toContain('the smallest')
  expect(words({ keep: true, turns: { to: 0, at: 1740 } })).toBe(
    'You own Hawser 20: keep it. If 29 min did not matter to you, Bollard 12 would do.',
  )
  expect(words({ choice: null })).toBe('')
  expect(words({ known: 'none' }, 'weight')).toBe('Hawser 20 does as well as any; the weight is not known.')
  expect(words({ known: 'some' })).toBe(
    'Hawser 20 is the cheapest of which the price is known, and does as well.',
  )
})

it('answers a purpose a line, and leaves out what nobody can answer', () => {
  const advice = {
    scope: 'gear',
    ladder: { smallest: { index: 1, gain: 44 } },
    overnight: null,
    timed: 'all',
    topUp: [2],
    perMinute: [{ index: 2, price: 0.5 }],
    lightest: 0,
    coolest: [1, 0],
    everyDay: { cool: [0, 1], warm: [2] },
  } as unknown as Advice
  const options = { share: 0.9, atS: 3600, nightHours: 8, warmC: 40, topUpS: 900, gains: [10, 20, 1], currency: 'kr' }
  const told = purposeWords(advice, names, options as never)
  expect(told.map((t) => `${plain(t.purpose)}: ${plain(t.answer)}`)).toEqual([
    'Smallest to pack, within 90 % of the best after 1 h 0 min: Hawser 20: 44 points',
    'Enough over a night of 8 h: none of these',
    'Most in 15 min before leaving: Gangway 65: 1 point',
    'Cheapest for each minute saved against what you own: Gangway 65: 0.50 kr a minute',
    'Lightest of those that do as well: Bollard 12',
    'Coolest: Hawser 20 and Bollard 12, which can’t be told apart',
    'Cool enough for every day, below 40 °C: Bollard 12 and Hawser 20; Gangway 65 in a pinch',
  ])
  // Among devices nothing is to be packed, paid or kept.
  const among = (scope: Advice['scope']) =>
    purposeWords({ ...advice, scope, topUp: [1, 0] }, names, options as never).map((t) => plain(t.answer))
  expect(among('devices')).toEqual([
    'Hawser 20 and Bollard 12, which can’t be told apart: 20 points',
    'Hawser 20 and Bollard 12, which can’t be told apart',
    'Bollard 12 and Hawser 20; Gangway 65 in a pinch',
  ])
  expect(['mixed', 'same'].map((scope) => among(scope as Advice['scope']).length)).toEqual([3, 3])
  const nothing = { scope: 'gear', ladder: { smallest: null }, overnight: 0, topUp: [], perMinute: [], lightest: null, coolest: [], everyDay: { cool: [], warm: [] } }
  const few = purposeWords(nothing as unknown as Advice, names, options as never)
  expect(few.map((t) => t.answer)).toEqual(['Bollard 12'])
  const night = (timed: Advice['timed']) =>
    purposeWords({ ...nothing, overnight: null, timed } as unknown as Advice, names, options as never).map((t) => t.answer)
  expect([night('some'), night('none')]).toEqual([['none of those that were charged to the end'], []])
  const warmth = (cool: number[], warm: number[]) =>
    purposeWords({ ...nothing, everyDay: { cool, warm } } as unknown as Advice, names, options as never).at(-1)!.answer
  const many = Array.from({ length: 9 }, (_, i) => i)
  expect([warmth(many, [2]), warmth([2], many)]).toEqual(['all others; Gangway 65 in a pinch', 'Gangway 65; all others in a pinch'])
  expect([warmth([0], []), warmth([], [0, 1])]).toEqual(['all that were measured', 'none that was measured'])
}) // prettier-ignore

it('names an odd result with its causes in their order', () => {
  const odd = (kind: Parameters<typeof oddWords>[0]['kind'], by: number) =>
    plain(oddWords({ kind, index: 2, than: 1, by, causes: ['heat', 'chance'] }, names))
  const likely = 'Likely, in this order: heat; chance: repeat it.'
  expect(odd('bigger-slower', 600)).toBe(`Gangway 65 is bigger than Hawser 20 and 10 min later to full. ${likely}`)
  expect(odd('repeats-disagree', 600)).toBe(
    `The repeats of Gangway 65 lie 10 min apart, more than runs usually do. ${likely}`,
  )
  expect(odd('unlike-forecast', 0.2)).toContain('came 20 % later than a full run')
  expect(odd('unlike-forecast', -0.2)).toContain('came 20 % sooner than a full run')
  expect(odd('pad-position', 0)).toBe(`A run on Gangway 65 stood still while it lay there. ${likely}`)
}) // prettier-ignore

it('tells a lead that is overtaken from one that is gone', () => {
  const lead = (late: number | null) => plain(leadWords({ early: 0, late, fromS: 900, toS: 1800 }, names))
  expect(lead(1)).toBe('Bollard 12 leads first; Hawser 20 overtakes it between 15 min and 30 min.')
  expect(lead(null)).toBe('The lead of Bollard 12 is gone between 15 min and 30 min.')
})

it('calls a question by what it sets side by side, gear that has left the shelf too', () => {
  const title = (kind: Parameters<typeof choiceTitle>[0]['kind'], known: Parameters<typeof choiceTitle>[1]) =>
    choiceTitle({ kind, deviceKind: 'phone' } as Parameters<typeof choiceTitle>[0], known)
  const known = { device: 'Skerry P5', source: 'Hawser 20', campaign: 'Drawer' }
  expect(title('sources', known)).toBe('Skerry P5: over its sources')
  expect(title('devices', known)).toBe('All devices from Hawser 20')
  expect(title('generations', known)).toBe('Every phone from Hawser 20')
  expect(title('repeats', known)).toBe('Skerry P5 from Hawser 20: its repeats')
  expect(title('before-after', known)).toBe('Skerry P5 from Hawser 20: before and after')
  expect(title('campaign', known)).toBe('Drawer')
  expect(title('repeats', {})).toBe('A deleted device from a deleted source: its repeats')
  expect(title('campaign', {})).toBe('A deleted campaign')
}) // prettier-ignore
