import { expose } from 'comlink'
import { arrange } from '@core/plan/arrange'
import type { Arrangement } from '@core/plan/arrangement'
import type { PlanGear } from '@core/plan/expectations'
import { savings, type Saving } from '@core/plan/savings'
import { study } from '@core/plan/study'
import type { Campaign } from '@core/plan/campaign'
import { acceptanceFrom, type AcceptanceCurve } from '@core/model/acceptance'
import type { Trace } from '@core/trace/trace'
import { traceParts } from './traceParts'

export interface LayOutOptions {
  settled: string[]
  /** ms since 1970; nothing is laid before it. */
  notBefore: number | null
}

const optionsOf = ({ settled, notBefore }: LayOutOptions) => ({
  settled: new Set(settled),
  notBefore: notBefore === null ? undefined : new Date(notBefore),
})

const parts = traceParts()

const work = {
  part: parts.part,
  arrange: (campaign: Campaign, gear: PlanGear, options: LayOutOptions): Arrangement =>
    arrange(campaign, gear, optionsOf(options)),
  /** What the timetable amounts to as it stands, and what one more meter, lane or unit would save. */
  study: (campaign: Campaign, gear: PlanGear, options: LayOutOptions): [Arrangement, Saving[]] => {
    const base = study(campaign, gear, optionsOf(options))
    return [base, base.windowsUsed ? savings(campaign, gear, base, optionsOf(options)) : []]
  },
  acceptance: (trace: Trace | string): AcceptanceCurve | null => acceptanceFrom(parts.whole(trace)),
}

export type PlanWork = typeof work
expose(work)
