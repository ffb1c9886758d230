import { defineStore } from 'pinia'
import { computed, ref, watch } from 'vue'
import { guideGear, guideLanes } from '@core/bench/guide'
import { useBench } from './bench'
import { useLogbook } from './logbook'
import { useNotices } from './notices'

/** A guided first run: two simulated lanes at speed, which end side by side. Forgotten with the page; its gear stays. */
export const useGuide = defineStore('guide', () => {
  const bench = useBench()
  const logbook = useLogbook()
  const runIds = ref<string[]>([])
  const gear = ref<ReturnType<typeof guideGear> | null>(null)
  const lanes = computed(() => bench.lanes.filter((l) => runIds.value.includes(l.setup.runId)))
  const kept = computed(() => runIds.value.filter((id) => logbook.run(id)))
  /** Where it stands: charging, or done with both runs in the logbook. */
  const step = computed(() => (gear.value === null ? 'none' : lanes.value.length > 0 ? 'charging' : 'done'))

  async function begin() {
    const made = guideGear(() => crypto.randomUUID())
    try {
      await logbook.put('devices', made.device)
      for (const source of made.sources) await logbook.put('sources', source)
      const started = await bench.startTogether(guideLanes(made))
      runIds.value = started.map((l) => l.setup.runId)
      gear.value = made
    } catch (error) {
      await removeGear(made)
      throw error
    }
  }
  async function removeGear({ device, sources }: ReturnType<typeof guideGear>) {
    for (const { id } of sources) if (logbook.source(id)) await logbook.remove('sources', id)
    if (logbook.device(device.id)) await logbook.remove('devices', device.id)
  }
  /** A lane that shows full is stopped for the newcomer, as a reviewer would. */
  watch(
    () => lanes.value.find((l) => l.offerStop !== null)?.setup.runId,
    async (id) => {
      const lane = lanes.value.find((l) => l.setup.runId === id)
      if (lane) await bench.finish(lane, { spoilt: false, reason: '' }).catch(useNotices().fail)
    },
  )
  /** Everything that the look left behind goes: runs first, then their gear. */
  async function clear() {
    for (const id of kept.value) await logbook.removeRun(id)
    if (gear.value) await removeGear(gear.value)
    runIds.value = []
    gear.value = null
  }
  return { step, kept, begin, clear }
})
