import { expect, it } from 'vitest'
import { expectationWords, moreThanExpectedWords, pairInWords } from './pairWords'

it('says of a pair what was seen before what is expected', () => {
  const charges = { outcome: 'charges' as const, watts: 18 }
  expect(pairInWords({ outcome: 'slow', watts: 4.75 }, charges)).toBe('charges slowly, 4.8\u00a0W')
  expect(pairInWords({ outcome: 'refuses', watts: null }, charges)).toBe('refuses')
  expect(pairInWords(undefined, charges)).toBe('charges, up to 18.0\u00a0W (expected)')
  expect(pairInWords(undefined, { outcome: 'connected', watts: 0 })).toBe(
    'connected, not charging (expected)',
  )
})

it('what to expect of a pair: what arrives, what its meter shows, and why it is no more', () => {
  const said = (...of: Parameters<typeof expectationWords>) => expectationWords(...of).replaceAll('\u00a0', ' ')
  const pair = { outcome: 'charges', watts: 20, volts: 9, meterWatts: 20, why: 'The source gives no more.' } as const
  expect(said(pair)).toBe('Expect up to 20.0 W at 9.0 V. The source gives no more.')
  expect(said(pair, { withOutcome: true })).toBe('Expect charges, up to 20.0 W at 9.0 V. The source gives no more.')
  // The meter stands before the pad.
  const pad = { ...pair, watts: 9.954, volts: NaN, meterWatts: 12.6 }
  expect(said(pad)).toBe('Expect up to 10.0 W, 12.6 W at the meter. The source gives no more.')
  expect(said({ ...pad, meterWatts: NaN })).toBe('Expect up to 10.0 W. The source gives no more.')
  const none = { ...pair, outcome: 'connected', watts: 0, volts: NaN, meterWatts: 0 } as const
  expect(said(none)).toBe('The source gives no more.')
  expect(said(none, { withOutcome: true })).toBe('Expect connected, not charging. The source gives no more.')
  expect(moreThanExpectedWords(26.1, 12).replaceAll('\u00a0', ' ')).toMatch(/^26\.1 W is more than .*\(12\.0 W\): /)
}) // prettier-ignore
