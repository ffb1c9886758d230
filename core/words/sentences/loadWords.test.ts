import { expect, it } from 'vitest'
import { scoreSentence, understoodScore } from './loadWords'

const names = ['Gangway 65', 'Hawser 30', 'Bollard 12']
const plain = (text: string) => text.replaceAll('\u00a0', ' ')

it('says who leads a benchmark, who can’t be told from whom, and what would have shown', () => {
  const behind = [{ index: 2, atLeastShare: 0.137 }]
  expect(plain(scoreSentence('Deck plans', { leaders: [1, 0], behind, resolvesShare: 0.0285 }, names))).toBe(
    'Deck plans: Hawser 30 and Gangway 65 can’t be told apart, where 2.9 % would have shown; Bollard 12 is behind by at least 13.7 %.',
  )
  expect(plain(scoreSentence('charts', { leaders: [0], behind, resolvesShare: 0 }, names))).toBe(
    'charts: Gangway 65 leads; Bollard 12 is behind by at least 13.7 %.',
  )
})

it('says how a score was understood, to its last digit', () => {
  const score = { t: 0, name: 'Deck plans', value: 1234, unit: 'points', better: 'higher' as const }
  expect(plain(understoodScore(score))).toBe('Deck plans, 1234 points; higher is better')
  expect(plain(understoodScore({ ...score, name: '', value: 41.125, unit: 's', better: 'lower' }))).toBe(
    'A score, 41.125 s; lower is better',
  )
})
