import { group } from 'd3-array'
import { arrange } from './arrange'
import type { ArrangeOptions, Arrangement } from './arrangement'
import { pairKey, type Campaign } from './campaign'
import { expectations, type PlanGear } from './expectations'

/** What one more of something would save. */
export interface Saving {
  what: 'meter' | 'lane' | 'meter-and-lane' | 'unit' | 'side-by-side'
  deviceId: string | null
  windowsSaved: number
  endsS: number | null
}

/** Lays the campaign again with one more meter, lane or unit, and tells what each would save. */
export function savings(
  campaign: Campaign,
  gear: PlanGear,
  base: Arrangement,
  options: ArrangeOptions,
): Saving[] {
  const { means } = campaign
  const busiest = busiestDevice(campaign, gear, base)
  const tries: { what: Saving['what']; deviceId: string | null; means: Partial<Campaign['means']> }[] = []
  if (!means.sideBySide) tries.push({ what: 'side-by-side', deviceId: null, means: { sideBySide: true } })
  else if (means.meters > 0 && means.meters < means.lanes)
    tries.push({ what: 'meter', deviceId: null, means: { meters: means.meters + 1 } })
  else if (means.meters > means.lanes || means.meters === 0)
    tries.push({ what: 'lane', deviceId: null, means: { lanes: means.lanes + 1 } })
  else
    tries.push({
      what: 'meter-and-lane',
      deviceId: null,
      means: { meters: means.meters + 1, lanes: means.lanes + 1 },
    })
  if (busiest) {
    const units = { ...means.units, [busiest]: (means.units[busiest] ?? 1) + 1 }
    tries.push({ what: 'unit', deviceId: busiest, means: { units } })
  }
  return tries.map(({ what, deviceId, means: more }) => {
    const other = arrange(campaign, gear, { ...options, means: more, passes: SAVING_PASSES })
    return {
      what,
      deviceId,
      windowsSaved: Math.max(0, base.windowsUsed - other.windowsUsed),
      endsS: other.endsS,
    }
  })
}
const SAVING_PASSES = 8

/** The device whose units are busiest: the one that limits, or has the most work a unit. */
function busiestDevice(campaign: Campaign, gear: PlanGear, base: Arrangement): string | null {
  if (base.limit?.kind === 'unit') return base.limit.id
  const expected = expectations(campaign, gear)
  const work = [...group(campaign.planned, (p) => p.deviceId)].map(([id, own]) => {
    const seconds = own.reduce((sum, p) => {
      const time = expected.get(pairKey(p))
      return sum + (time ? time.slotS + time.prepS : 0)
    }, 0)
    return { id, seconds: seconds / Math.max(1, campaign.means.units[id] ?? 1) }
  })
  return work.sort((a, b) => b.seconds - a.seconds)[0]?.id ?? null
}
