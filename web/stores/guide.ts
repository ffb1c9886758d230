import { StorageSerializers, useSessionStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, watch } from 'vue'
import { guideGear, guideLanes } from '@core/bench/guide'
import { useBench } from './bench'
import { useLogbook } from './logbook'
import { useNotices } from './notices'

/** What a look made, by id: all that is needed to take it away again. */
interface Made {
  deviceId: string
  sourceIds: string[]
  runIds: string[]
}

/** A guided first run: two simulated lanes at speed, which end side by side. A reload of its tab goes on with it. */
export const useGuide = defineStore('guide', () => {
  const bench = useBench()
  const logbook = useLogbook()
  const made = useSessionStorage<Made | null>('inkpath-first-look', null, {
    serializer: StorageSerializers.object,
  })
  const runIds = computed(() => made.value?.runIds ?? [])
  const lanes = computed(() => bench.lanes.filter((l) => runIds.value.includes(l.setup.runId)))
  const kept = computed(() => runIds.value.filter((id) => logbook.run(id)))
  /** Where it stands: charging, or done with both runs in the logbook. */
  const step = computed(() => (made.value === null ? 'none' : lanes.value.length > 0 ? 'charging' : 'done'))

  async function begin() {
    const gear = guideGear(() => crypto.randomUUID())
    const look: Made = { deviceId: gear.device.id, sourceIds: gear.sources.map((s) => s.id), runIds: [] }
    try {
      await logbook.put('devices', gear.device)
      for (const source of gear.sources) await logbook.put('sources', source)
      const started = await bench.startTogether(guideLanes(gear))
      made.value = { ...look, runIds: started.map((l) => l.setup.runId) }
    } catch (error) {
      await removeGear(look)
      throw error
    }
  }
  async function removeGear({ deviceId, sourceIds }: Made) {
    for (const id of sourceIds) if (logbook.source(id)) await logbook.remove('sources', id)
    if (logbook.device(deviceId)) await logbook.remove('devices', deviceId)
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
    if (made.value) await removeGear(made.value)
    made.value = null
  }
  return { step, kept, begin, clear }
})
