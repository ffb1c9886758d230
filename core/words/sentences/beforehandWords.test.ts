import { expect, it } from 'vitest'
import type { Undecided } from '../../compare/beforehand'
import { againstEach, alikeWords, undecidedGainWords, undecidedWords } from './beforehandWords'

const plain = (text: string) => text.replaceAll('\u00A0', ' ')

it('says what a plan will not tell, and what it would take', () => {
  const words = (cures: Undecided['cures'], repeatsNeeded = 5) =>
    plain(undecidedWords({ differenceS: 120, limitS: 600, cures, repeatsNeeded }, 'A and B'))
  expect(words(['watch', 'repeats'])).toBe(
    'A and B: 2 min apart are expected, 10 min would be found. Watch the display turn full, or make 5 runs of each.',
  )
  expect(words(['repeats'], Infinity)).toContain('Make two more runs of each.')
  expect(words(['minute'])).toContain('Check every minute near the end.')
  expect(words(['watch-and-repeats'])).toContain('Watch the display turn full, and make 5 runs of each.')
  expect(words(['too-close'])).toContain('thirty runs of each would not do')
  expect(words(['no-use'])).toContain('the device takes no more')
}) // prettier-ignore

it('says of gains in a fixed time what a plan will not tell, and what it would take', () => {
  const words = (repeatsNeeded: number, isSame = false) =>
    plain(undecidedGainWords({ difference: 2, limit: 5.54, repeatsNeeded, isSame }, 'A and B')) // prettier-ignore
  expect(words(4)).toBe(
    'A and B: 2.0 points apart are expected, 5.5 points would be found. Make 4 runs of each.',
  )
  expect(words(Infinity)).toContain('They lie too close')
  expect(words(Infinity, true)).toContain('the device takes no more')
})

it('tells of one against another, of groups, and of what is expected to be alike', () => {
  expect(againstEach(['A'], ['B'])).toBe('A and B')
  expect(againstEach(['A'], ['B', 'C'])).toBe('A against B and C')
  expect(alikeWords(['A', 'B', 'C'], 'device')).toBe(
    'A, B and C: no difference is expected. The device takes no more, and no number of runs helps.',
  )
  expect(alikeWords(['A', 'B'], 'source')).toBe(
    'A and B: no difference is expected. No number of runs helps.',
  )
})
