import { defineStore } from 'pinia'
import { ref } from 'vue'
import type { LaneSetup } from '@core/bench/setup'
import { putBackList } from '@core/protocol/conditions'
import { keptPutBack } from '../storage/benchLists'
import { useLogbook } from './logbook'

/** What to put back, of runs that are over; ticked off by the reviewer. */
export const usePutBack = defineStore('put-back', () => {
  const texts = ref<string[]>([])
  const logbook = useLogbook()

  const load = async () => void (texts.value = await keptPutBack.load())

  /** Remembers what the protocol of a lane set and must be undone. */
  async function remember({ planned }: LaneSetup) {
    const campaign = planned && logbook.campaign(planned.campaignId)
    if (campaign) await set((now) => [...new Set([...now, ...putBackList(campaign.protocol)])])
  }
  const done = (text: string) => set((now) => now.filter((t) => t !== text))

  /** Two lanes that end, two quick ticks, another tab: none is written over by the other. */
  const set = async (next: (now: string[]) => string[]): Promise<void> =>
    void (texts.value = await keptPutBack.change(next))
  keptPutBack.onChanged(() => void load().catch(() => undefined))
  return { texts, load, remember, done }
})
