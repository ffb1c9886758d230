import { expect, it } from 'vitest'
import { GOALS, type Place } from '../../compare/ranking'
import { ASSUMED_REPEATABILITY } from '../../compare/verdict'
import { goalFigure, goalSaid, goalTab, placeWords, verdictSentence } from './verdictSentence'

const full = GOALS.find((g) => g.key === 'full')!
const place = (index: number, over: Partial<Place> = {}): Place => ({
  index,
  runs: 1,
  value: 4920,
  spread: 120,
  behind: 0,
  atLeast: 0,
  verdict: 'first',
  leads: true,
  ...over,
})
const later = (index: number) => place(index, { verdict: 'clear', leads: false, behind: 1680, atLeast: 1260 })
const NAMES = ['Hawser 30', 'Gangway 100', 'Bollard 12']
const said = (...places: Place[]) =>
  verdictSentence(full, { places, repeatability: ASSUMED_REPEATABILITY }, NAMES).replaceAll('\u00A0', ' ')

it('says who leads, who can’t be told apart, and who is behind', () => {
  const close = place(1, { verdict: 'cannot-tell', behind: 60 })
  expect(said(place(0), later(2))).toBe('To full, Hawser 30 leads; Bollard 12 is later by at least 21 min.')
  expect(said(place(0), close, later(2))).toBe(
    'To full, Hawser 30 and Gangway 100 can’t be told apart; Bollard 12 is later by at least 21 min.',
  )
  expect(said(place(0), place(1, { verdict: 'not-reached', leads: false }))).toMatch(/not two figures/)
})

it('says beside each place how far behind it is, and how surely', () => {
  const words = (p: Place) => placeWords(full, p).replaceAll('\u00A0', ' ')
  expect(words(place(0))).toBe('first')
  expect(words(later(2))).toBe('clear · 28 min, at least 21 min')
  expect(words(place(1, { verdict: 'cannot-tell', behind: 60 }))).toBe('can’t tell apart · 1 min')
  expect(words(place(1, { verdict: 'not-reached' }))).toBe('not reached')
  // What was not measured was not missed.
  const none = (key: string) => placeWords(GOALS.find((g) => g.key === key)!, place(1, { verdict: 'not-reached' })) // prettier-ignore
  expect(['thirty', 'coolest', 'least-lost'].map(none)).toEqual(['not reached', 'not measured', 'not known'])
  const why = 'The run ended below it, at 71 %.'
  expect(placeWords(full, place(1, { verdict: 'not-reached' }), why)).toBe(why)
})

it('has words of its own for every goal, and writes its figure in its unit', () => {
  const words = (goal: (typeof GOALS)[number]) =>
    verdictSentence(goal, { places: [place(0), later(2)], repeatability: ASSUMED_REPEATABILITY }, NAMES)
  const begun = GOALS.map((goal) => words(goal).split(',')[0])
  const from4 = GOALS.map((goal) => goalSaid(goal, 4).replaceAll('\u00a0', ' '))
  expect(from4).toEqual(['In 15 minutes from 4 % on', 'In half an hour from 4 % on', 'From 4 % to half', 'From 4 % to 80 %', 'From 4 % to full', 'From 4 % until the current stops', 'Of heat', 'Of losses']) // prettier-ignore
  expect(begun).toEqual(['In 15 minutes', 'In half an hour', 'To half', 'To 80 %', 'To full', 'Until the current stops', 'Of heat', 'Of losses'])
  const behind = GOALS.map((goal) => /Bollard 12 (.+) by at least/.exec(words(goal))?.[1])
  expect(behind).toEqual([
    'brings less', 'brings less', 'is later', 'is later', 'is later', 'is later', 'is warmer', 'loses more',
  ])
  expect(GOALS.map(goalTab)).toEqual(['15 min', '30 min', 'half', '80 %', 'full', 'current stops', 'coolest', 'least lost'])
  const figures = Object.fromEntries(
    GOALS.map((goal) => [goal.kind, goalFigure(goal, goal.kind === 'share' ? 0.23 : 41.2).replaceAll('\u00A0', ' ')]),
  )
  expect(figures).toEqual({ points: '41.2 points', time: '41 s', celsius: '41.2 °C', share: '23 %' })
}) // prettier-ignore
