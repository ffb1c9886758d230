import { expect, it } from 'vitest'
import { agree } from '../gear/agree'
import { deviceSchema } from '../gear/deviceFields'
import { sourceSchema } from '../gear/schema'
import { guideGear, guideLanes } from './guide'
import { laneChoiceSchema } from './typedLane'

it('a first look has gear that holds, on which the stronger source is taken up, and says that it is simulated', () => {
  let n = 0
  const gear = guideGear(() => `id ${++n}`)
  expect(deviceSchema.isValidSync(gear.device)).toBe(true)
  expect(gear.sources.every((s) => sourceSchema.isValidSync(s))).toBe(true)
  const [weak, strong] = gear.sources.map((s) => agree(gear.device, s, null).watts)
  expect(strong).toBeGreaterThan(1.5 * weak)
  const lanes = guideLanes(gear)
  for (const lane of lanes)
    expect(laneChoiceSchema.validateSync(lane)).toMatchObject({ feed: { kind: 'simulated' } })
  expect(new Set(lanes.map((l) => l.sourceId)).size).toBe(2)
  expect(new Set([gear.device.id, ...gear.sources.map((s) => s.id)]).size).toBe(3)
})
