interface BatteryManager extends EventTarget {
  level: number
  charging: boolean
}
type WithBattery = Navigator & { getBattery?: () => Promise<BatteryManager> }

const AGAIN_AFTER_MS = 60_000

export const canReadOwnBattery = (): boolean => typeof (navigator as WithBattery).getBattery === 'function'

/** Tells the level, in percent, of the device this page is open on, whenever it changes and once a minute. */
export function readOwnBattery(tell: (percent: number) => void): () => void {
  let stopped = false
  let undo = () => {}
  const asked = (navigator as WithBattery).getBattery?.().catch(() => undefined)
  void asked?.then((battery) => {
    // A page that may not ask hears nothing; the lane goes on by hand.
    if (stopped || !battery) return
    let last = NaN
    let lastAt = -Infinity
    const read = () => {
      const percent = Math.round(battery.level * 100)
      const now = performance.now()
      if (percent === last && now - lastAt < AGAIN_AFTER_MS) return
      ;[last, lastAt] = [percent, now]
      tell(percent)
    }
    const timer = setInterval(read, 1000)
    battery.addEventListener('levelchange', read)
    read()
    undo = () => {
      clearInterval(timer)
      battery.removeEventListener('levelchange', read)
    }
  })
  return () => {
    stopped = true
    undo()
  }
}
