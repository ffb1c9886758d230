import { expect, it } from 'vitest'
import { GOALS, type Place } from '../../compare/ranking'
import { ASSUMED_REPEATABILITY } from '../../compare/verdict'
import { placeWords, verdictSentence } from './verdictSentence'

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
})
