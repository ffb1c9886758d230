import { expect, it } from 'vitest'
import { byStrength } from './strongest'

it('takes the soonest full for what the device takes, and rated watts where no time is known', () => {
  const run = (id: string, fullS: number, ratedW: number, isOdd = false) => ({ id, fullS, ratedW, isOdd })
  const [hot, strong] = [run('hot', 7200, 65), run('strong', 4740, 30)]
  const [big, small] = [run('big', NaN, 100), run('small', NaN, 5)]
  // Its display jumped to full: that is not what the device takes.
  const jumped = run('jumped', 3600, 15, true)
  expect(byStrength([jumped, small, hot, big, strong]).map((r) => r.id)).toEqual([
    'strong',
    'hot',
    'big',
    'small',
    'jumped',
  ])
  const same = { ...strong, id: 'same', ratedW: 100 }
  expect(byStrength([strong, same]).map((r) => r.id)).toEqual(['same', 'strong'])
  expect(byStrength([])).toEqual([])
})
