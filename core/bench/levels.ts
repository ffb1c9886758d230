/** A level shown at a moment. Seconds, percent. */
export interface ShownLevel {
  t: number
  percent: number
}

/** More points than this are more than any path on the bench can show. */
const MOST = 1200

/**
 * The levels of a run so far, thinned as they come: a level that only repeats the last one takes no room, and a list
 * that grows too long keeps points at twice the distance in time. Adding one costs the same at any length.
 */
export class ShownLevels {
  private points: ShownLevel[] = []
  /** The last level as read, though it may have been thinned away. */
  private latest: ShownLevel | undefined
  /** Points nearer to each other than this are thinned, s. */
  private spacingS = 0
  /** When each whole percent was first shown or passed, s. */
  private readonly firstSeen: number[] = []

  add(t: number, percent: number): void {
    this.latest = { t, percent }
    for (let p = this.firstSeen.length; p <= percent; p++) this.firstSeen.push(t)
    const last = this.points.at(-1)
    const before = this.points.at(-2)
    // Of a level that stands still, the first and the last sight are kept.
    if (last && before && last.percent === percent && before.percent === percent) last.t = t
    else if (!last || t - last.t >= this.spacingS) this.points.push({ t, percent })
    if (this.points.length > MOST) this.thin()
  }

  private thin(): void {
    const span = this.points[this.points.length - 1].t - this.points[0].t
    this.spacingS = Math.max(2 * this.spacingS, (2 * span) / MOST)
    let kept = -Infinity
    this.points = this.points.filter(({ t }) => {
      const keep = t - kept >= this.spacingS
      if (keep) kept = t
      return keep
    })
  }

  get first(): ShownLevel | undefined {
    return this.points[0]
  }

  get last(): ShownLevel | undefined {
    return this.latest
  }

  /** The thinned levels in order. */
  list(): readonly ShownLevel[] {
    return this.points
  }

  /** When a level was first shown or passed, s, a broken percent taken up to the next whole; null when it never was. */
  firstAt(percent: number): number | null {
    return this.firstSeen[Math.ceil(percent)] ?? null
  }
}
