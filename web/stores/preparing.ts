import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { JUMP_MS, jumpSince } from '@core/bench/clock'
import { byClockNow, hoursFromFull, preparingDue, restedMinutes, type Preparing } from '@core/bench/preparing'
import { usualDrainHours } from '@core/plan/durations'
import { keptPreparing } from '../storage/benchLists'
import { useLogbook } from './logbook'
import { lookNow } from './machineClock'

/**
 * Devices that drain and rest before a run. By the wall clock, for they go on while the program is closed; where somebody
 * sets that, their moments move along.
 */
export const usePreparing = defineStore('preparing', () => {
  const logbook = useLogbook()
  const list = ref<Preparing[]>([])
  const nowMs = ref(Date.now())
  /** Wall minus page clock as last seen. */
  let wallMinusPage = Date.now() - performance.now()
  let isFollowing = false

  /** Stored first, then shown. */
  async function set(next: (now: Preparing[]) => Preparing[]) {
    list.value = await keptPreparing.change(next)
  }
  async function load() {
    list.value = (await keptPreparing.load()).filter((p) => logbook.device(p.deviceId))
  }

  /** Moves what stands here along with a clock that was set, as far as the server tells. */
  async function follow() {
    if (list.value.length === 0) return
    const now = await lookNow()
    if (now.uptimeS !== null) await set((all) => all.map((p) => byClockNow(p, now)))
  }

  keptPreparing.onChanged(() => void load().catch(() => undefined))

  const hoursOf = ({ deviceId }: Preparing): number => {
    const device = logbook.device(deviceId)
    return device ? usualDrainHours(device) : NaN
  }
  const rows = computed(() =>
    list.value.map((p) => ({ ...p, due: preparingDue(p, hoursOf(p), nowMs.value), hours: hoursOf(p) })),
  )
  /** Nothing is due by a clock that was just set: what follows it comes first. */
  async function tick() {
    const jump = jumpSince(Date.now(), performance.now(), wallMinusPage)
    wallMinusPage += jump
    if (isFollowing) return
    if (Math.abs(jump) >= JUMP_MS) {
      isFollowing = true
      await follow().catch(() => undefined)
      isFollowing = false
    }
    nowMs.value = Date.now()
  }

  const others = (deviceId: string) => (p: Preparing) => p.deviceId !== deviceId
  async function begin(p: Preparing) {
    await set((now) => [...now.filter(others(p.deviceId)), p])
    void follow().catch(() => undefined)
  }
  const done = (deviceId: string) => set((now) => now.filter(others(deviceId)))
  /** Devices that charge now are prepared no longer. */
  async function charging(deviceIds: readonly string[]) {
    if (list.value.some((p) => deviceIds.includes(p.deviceId)))
      await set((now) => now.filter((p) => !deviceIds.includes(p.deviceId)))
  }

  /** The start level was reached: it rests from now on. Gives back how long a whole draining takes, h; NaN if untold. */
  async function reached(deviceId: string): Promise<number> {
    let hours = NaN
    // The moment of the press: the write may have to wait for another tab's.
    const restFromMs = Date.now()
    await follow().catch(() => undefined)
    await set((now) =>
      now.map((p) => {
        if (p.deviceId !== deviceId) return p
        const resting = { ...p, restFromMs }
        hours = hoursFromFull(resting)
        return resting
      }),
    )
    return hours
  }
  /** Whole minutes that a device has rested; '' where that was not timed. */
  function restedNow(deviceId: string): string {
    const found = list.value.find((p) => p.deviceId === deviceId)
    const minutes = found ? restedMinutes(found, nowMs.value) : NaN
    return Number.isNaN(minutes) ? '' : String(Math.round(minutes))
  }
  return { list, rows, nowMs, tick, load, follow, begin, done, charging, reached, restedNow }
})
