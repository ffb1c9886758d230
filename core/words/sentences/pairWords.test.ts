import { expect, it } from 'vitest'
import { pairInWords } from './pairWords'

it('says of a pair what was seen before what is expected', () => {
  const charges = { outcome: 'charges' as const, watts: 18 }
  expect(pairInWords({ outcome: 'slow', watts: 4.75 }, charges)).toBe('charges slowly, 4.8\u00a0W')
  expect(pairInWords({ outcome: 'refuses', watts: null }, charges)).toBe('refuses')
  expect(pairInWords(undefined, charges)).toBe('charges, up to 18.0\u00a0W (expected)')
  expect(pairInWords(undefined, { outcome: 'connected', watts: 0 })).toBe(
    'connected, not charging (expected)',
  )
})
