import { expect, it } from 'vitest'
import type { Part } from '../../analysis/parts/parts'
import { PART_HEAD, partRows } from './partRows'

it('parts of a curve are lines with as many cells as the head', () => {
  const part = { startS: 0, endS: 1020, levelS: 0, meanW: 25.24, energyWh: 7, gain: 35, endPercent: 36 }
  const parts: Part[] = [
    { ...part, kind: 'hold', endedBy: 'level' },
    { ...part, kind: 'taper', startS: 1020, endS: 6480, gain: NaN, endedBy: 'record' },
  ]
  const rows = partRows({ parts, curveAt: 'source' })
  expect(rows).toEqual([
    ['hold', '0:00:00', '0:17:00', '25.2\u00a0W', '35\u00a0points', 'battery level'],
    ['taper', '0:17:00', '1:48:00', '25.2\u00a0W', '–', 'end of record'],
  ])
  expect(partRows({ parts, curveAt: 'battery' })[0][0]).toBe('hold, at the battery')
  for (const row of rows) expect(row).toHaveLength(PART_HEAD.length)
})
