import { expect, it } from 'vitest'
import { analyse } from '../../analysis/analyse'
import { traceFromReadings } from '../../trace/trace'
import { finishWords } from './finishWords'

const run = (...levels: number[]) =>
  analyse(traceFromReadings(levels.map((percent, i) => ({ t: 600 * i, percent }))))
const said = (...levels: number[]) => finishWords(run(...levels)).replaceAll('\u00a0', ' ')

it('says when a run was full, else the level that was shown last', () => {
  expect(said(5, 38, 71)).toBe('stopped at 71 %')
  expect(said(5, 99)).toBe('stopped at 99 %')
  expect(said(5, 60, 100)).toBe('15 min')
})
