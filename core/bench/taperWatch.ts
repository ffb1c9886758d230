import { TAPER_SHARE } from '../analysis/taper'

const WINDOW_S = 60
const QUIET_S = 60
/** A silence longer than this proves nothing about what flowed meanwhile, s. */
const GAP_S = 60

/**
 * Follows the watts of a run as they come and tells when the current has all but stopped: below a twentieth of the
 * held peak for a minute of unbroken readings. Each reading costs the same, however long the run.
 */
export class TaperWatch {
  /** Readings of the last minute, with the watt-seconds delivered up to each. */
  private window: { t: number; w: number; sum: number }[] = []
  private heldPeakW = 0
  private quietSince = NaN
  private lastT = NaN

  add(t: number, watts: number): void {
    const last = this.window.at(-1)
    if (last && t < last.t) return
    const broken = !(t - this.lastT <= GAP_S)
    if (broken) this.window = []
    const before = this.window.at(-1)
    const sum = before ? before.sum + ((before.w + watts) / 2) * (t - before.t) : 0
    this.window.push({ t, w: watts, sum })
    // One reading before the window stays, so that the window is whole.
    while (this.window.length > 2 && this.window[1].t <= t - WINDOW_S) this.window.shift()
    this.follow(t, watts, broken)
    this.lastT = t
  }

  private follow(t: number, watts: number, broken: boolean): void {
    const [first] = this.window
    const last = this.window[this.window.length - 1]
    const span = last.t - first.t
    const held = span >= WINDOW_S ? (last.sum - first.sum) / span : NaN
    if (held > this.heldPeakW) this.heldPeakW = held
    const quiet = this.heldPeakW > 0 && watts < TAPER_SHARE * this.heldPeakW
    if (!quiet) this.quietSince = NaN
    else if (broken || Number.isNaN(this.quietSince)) this.quietSince = t
  }

  /** Since when, s, the current has all but stopped; NaN while it has not, or not for long enough. */
  get endedAt(): number {
    return this.lastT - this.quietSince >= QUIET_S ? this.quietSince : NaN
  }
}
