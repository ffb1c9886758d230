import { defineStore } from 'pinia'
import { ref } from 'vue'
import type { LaneSetup } from '@core/bench/setup'
import { putBackList } from '@core/protocol/conditions'
import { loadPutBack, savePutBack } from '../storage/benchSession'
import { useLogbook } from './logbook'

/** What to put back, of runs that are over; ticked off by the reviewer. */
export const usePutBack = defineStore('put-back', () => {
  const texts = ref<string[]>([])
  const logbook = useLogbook()

  const load = async () => void (texts.value = await loadPutBack())

  /** Remembers what the protocol of a lane set and must be undone. */
  async function remember({ planned }: LaneSetup) {
    const campaign = planned && logbook.campaign(planned.campaignId)
    if (campaign) await keep([...new Set([...texts.value, ...putBackList(campaign.protocol)])])
  }
  const done = (text: string) => keep(texts.value.filter((t) => t !== text))

  async function keep(next: string[]) {
    await savePutBack(next)
    texts.value = next
  }
  return { texts, load, remember, done }
})
