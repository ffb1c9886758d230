<script setup lang="ts">
import { computed, watch } from 'vue'
import { likeliestCell, type OpenCell } from '@core/plan/openCells'
import type { Protocol } from '@core/protocol/protocol'
import { protocolConditions } from '@core/protocol/runConditions'
import InTurn from '../../components/InTurn.vue'
import { named } from '../../forms/choices'
import FormPick from '../../forms/FormPick.vue'
import FormText from '../../forms/FormText.vue'
import { useOpenCells } from '../../stores/openCells'
import type { Given } from '../../stores/importedRun'
import { useLogbook } from '../../stores/logbook'

/** What a file does not say of its run. */
const props = defineProps<{
  /** What its columns do not tell. */
  asks: { device: boolean; source: boolean }
  asksDay: boolean
  asksPowerOn: boolean
  /** When the file says that its record began, ISO 8601. */
  begun: string | null
  powerOnError: string
  /** Whether the record may well be a run by a protocol. */
  seems: (protocol: Protocol) => boolean
}>()
const deviceId = defineModel<string>('deviceId', { required: true })
const sourceId = defineModel<string>('sourceId', { required: true })
const cableId = defineModel<string | null>('cableId', { required: true })
const meterId = defineModel<string | null>('meterId', { required: true })
const notes = defineModel<string>('notes', { required: true })
const planned = defineModel<Given['planned']>('planned', { required: true })
const asPlanned = defineModel<boolean>('asPlanned', { required: true })
const day = defineModel<string>('day', { required: true })
const powerOn = defineModel<string>('powerOn', { required: true })
const logbook = useLogbook()
const optional = (items: readonly { id: string; name: string }[]) => [
  { value: null, title: 'not recorded' },
  ...named(items),
]
const cellsFor = useOpenCells()
/** What of the plan waits for such a run; of several runs in one table each finds its own. */
const isOne = computed(() => props.asks.device && props.asks.source)
const cells = computed(() =>
  isOne.value ? cellsFor({ deviceId: deviceId.value, sourceId: sourceId.value, cableId: cableId.value }) : [],
)
const placeOf = ({ campaignId, plannedId }: OpenCell): Given['planned'] => ({ campaignId, plannedId })
const places = computed(() => {
  const found = cells.value.map((cell) => ({
    value: placeOf(cell),
    title: `${cell.name}, run ${cell.repeat}`,
  }))
  const each = { value: 'first' as const, title: 'where it waits for such a run' }
  const all = isOne.value ? found : logbook.campaigns.length > 0 ? [each] : []
  return all.length > 0 ? [...all, { value: null, title: 'not of the plan' }] : []
})
// Chosen anew where other places are open, and not whenever something else of the logbook changes.
watch(
  () => [props.begun, ...places.value.map(({ title }) => title)].join('\n'),
  () => {
    const may = cells.value.filter(({ campaignId }) => {
      const protocol = logbook.campaign(campaignId)?.protocol
      return !protocol || props.seems(protocol)
    })
    const likeliest = likeliestCell(may, props.begun)
    planned.value = isOne.value ? (likeliest ? placeOf(likeliest) : null) : (places.value[0]?.value ?? null)
  },
  { immediate: true },
)
/** How the protocol of that place wants the device set, as far as it says. */
const wanted = computed(() => {
  if (planned.value === 'first') return 'each as its own plan wants it'
  const protocol = logbook.campaign(planned.value?.campaignId ?? null)?.protocol
  return protocol ? protocolConditions(protocol).deviceState : ''
})
const meters = computed(() => logbook.meters.filter((m) => m.kind === 'power meter'))
</script>

<template>
  <div class="pair">
    <InTurn :turn="1">
      <FormPick v-if="asks.device" v-model="deviceId" label="Device" :items="named(logbook.devices)" />
      <FormPick v-if="asks.source" v-model="sourceId" label="Source" :items="named(logbook.sources)" />
    </InTurn>
    <InTurn :turn="2">
      <FormPick v-model="cableId" label="Cable" :items="optional(logbook.cables)" />
      <FormPick v-if="places.length" v-model="planned" label="For the plan" :items="places" />
      <FormPick v-if="meters.length" v-model="meterId" label="Meter" :items="optional(meters)" />
    </InTurn>
    <InTurn :turn="3">
      <FormText v-if="asksDay" v-model="day" label="Power-on" type="datetime-local" />
      <FormText
        v-if="asksPowerOn"
        v-model="powerOn"
        label="Clock at the switch"
        placeholder="0:12:31"
        :error="powerOnError"
      />
      <FormText v-model="notes" label="Notes" maxlength="1000" />
    </InTurn>
  </div>
  <v-checkbox
    v-if="wanted"
    v-model="asPlanned"
    density="compact"
    :label="`The device was set as the plan says: ${wanted}`"
  />
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(225px, 1fr));
  gap: 8px 24px;
}
</style>
