import { describe, expect, it } from 'vitest'
import type { Analysis } from '../../analysis/analyse'
import { resultSentence, withDoubt } from './sentence'

const said = (figures: object) =>
  resultSentence('Skerry P5', 'Bollard 12', figures as Analysis).replaceAll('\u00A0', ' ')
const run = {
  startPercent: 2,
  endPercent: 61,
  durationS: 3000,
  milestones: [],
  power: { heldPeakW: 11.96, coarse: false },
  energy: { energyWh: 14.74 },
}
const at = (percent: number, timeS: number, uncertaintyS: number, reason?: string) => ({
  percent,
  timeS,
  uncertaintyS,
  reason,
})

describe('the result of a run', () => {
  it('says when it was full and half full, and how sure that is', () => {
    const milestones = [at(50, 2700, 20), at(100, 6180, 60)]
    expect(said({ ...run, milestones })).toBe(
      'The Skerry P5 went from 2 % to full on the Bollard 12 in 1 h 43 min ± 2 min, half full after 45 min, drawing at most 12.0 W over a minute.',
    )
  })
  it('ends where the run ended when full was not reached, or not seen', () => {
    const milestones = [at(50, 0, 0, 'not reached'), at(100, 0, 0, 'not reached')]
    expect(said({ ...run, milestones, power: { heldPeakW: NaN } })).toBe(
      'The Skerry P5 went from 2 % to 61 % on the Bollard 12 in 50 min.',
    )
  })
  it('does not claim a minute where the samples are further apart', () =>
    expect(said({ ...run, power: { heldPeakW: 12, coarse: true } })).toMatch(/drawing at most 12\.0 W\.$/))
  it('speaks of energy where no level was read', () =>
    expect(said({ ...run, startPercent: NaN })).toBe(
      'The Skerry P5 drew 14.7 Wh from the Bollard 12 in 50 min, at most 12.0 W; no level was read.',
    ))
})

it('leaves out a doubt of less than half a minute, k = 2', () => {
  expect(withDoubt(600, 14.9)).toBe('10\u00A0min')
  expect(withDoubt(600, 15)).toBe('10\u00A0min ± 1\u00A0min')
})
