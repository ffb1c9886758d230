import { describe, expect, it } from 'vitest'
import { alignByCurrent, onOneClock, startOfCurrent } from './clocks'

describe('two streams with clocks of their own', () => {
  const meter = [0, 1, 2, 3].map((t) => ({ t, stream: 'meter', current: t < 2 ? 0 : 1.4, voltage: 9 }))
  const battery = [10, 11, 12, 13, 14].map((t) => ({ t, stream: 'battery', batteryPower: t < 13 ? -0.5 : 9 }))
  it('begin together', () => {
    expect(startOfCurrent(meter)).toBe(2)
    const offsets = alignByCurrent([...meter, ...battery], { meter: 0, battery: 0 })
    expect(offsets).toEqual({ meter: 0, battery: -11 })
    const merged = onOneClock([...meter, ...battery], offsets)
    expect(merged.find((r) => r.batteryPower === 9)!.t).toBe(2)
    expect(merged.map((r) => r.t)).toEqual([...merged.map((r) => r.t)].sort((a, b) => a - b))
  })
  it('stay where they are when one never shows a start', () => {
    expect(alignByCurrent(meter.slice(2), { meter: 0.5 })).toEqual({ meter: 0.5 })
  })
})
