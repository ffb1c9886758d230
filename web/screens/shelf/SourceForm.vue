<script setup lang="ts">
import { mdiClose } from '@mdi/js'
import { computed, reactive, ref } from 'vue'
import { SOURCE_KINDS, type Source } from '@core/gear/gear'
import { formatOffers, parseOffers } from '@core/gear/offers'
import { sourceSchema } from '@core/gear/schema'
import { useLogbook } from '../../stores/logbook'
import FormPick from '../../forms/FormPick.vue'
import FormText from '../../forms/FormText.vue'
import FormFrame from './FormFrame.vue'
import OffersEcho from './OffersEcho.vue'
import { useGearForm } from './useGearForm'
import { useSettings } from '../../stores/settings'

const props = defineProps<{ source: Source | null }>()
const emit = defineEmits<{ done: [] }>()

const logbook = useLogbook()
const settings = useSettings()
const initial = props.source ?? {
  ...sourceSchema.getDefault(),
  id: crypto.randomUUID(),
  name: '',
  kind: 'wall charger',
  ratedWatts: '',
  owned: true,
}
const gear = useGearForm('sources', sourceSchema, initial, () => emit('done'))

/** Said once, under the first port. */
const HOW =
  'As printed: 5V3A, 9V3A; 3.3–11V 3A adjustable; type-c 5V3A; legacy 5V2.4A; NAME 10V5A for a maker’s own; rated 45W'

/** What may stand before it. */
const feeders = logbook.sources
  .filter((s) => s.id !== initial.id)
  .map((s) => ({ value: s.id, title: s.name }))

/** Ports as typed: offers stay a line of text until they are saved. */
const ports = reactive(
  (props.source?.ports ?? [{ name: 'C', ratedWatts: null, offers: [] }]).map((p) => ({
    name: p.name,
    text: [formatOffers(p.offers), p.ratedWatts === null ? '' : `rated ${p.ratedWatts}W`]
      .filter(Boolean)
      .join('; '),
  })),
)
const parsed = computed(() => ports.map((p) => parseOffers(p.text)))
const touched = ref(false)
const unreadOf = (i: number) =>
  parsed.value[i].unread.length
    ? `Not understood: ${parsed.value[i].unread.join('; ')}. Write them like 9V3A or 3.3–11V 3A adjustable.`
    : ''

function submit() {
  touched.value = true
  if (parsed.value.some((p) => p.unread.length > 0)) return
  gear.form.setFieldValue(
    'ports' as never,
    ports.map((p, i) => ({
      name: p.name,
      ratedWatts: parsed.value[i].ratedWatts ?? null,
      offers: parsed.value[i].offers,
    })) as never,
  )
  void gear.save()
}
</script>

<template>
  <FormFrame
    :title="source ? `Change ${source.name}` : 'Add a source'"
    :gear="gear"
    @save="submit"
    @cancel="emit('done')"
  >
    <FormText name="name" label="Name" autofocus />
    <FormPick name="kind" label="Kind" :items="SOURCE_KINDS" />
    <FormText name="ratedWatts" label="Rated" suffix="W" numeric />
    <div class="wide ports">
      <h3>Ports and what they offer</h3>
      <div v-for="(port, i) in ports" :key="i" class="port">
        <FormText v-model="port.name" label="Port" />
        <FormText
          v-model="port.text"
          label="Offers"
          class="offers"
          :hint="i ? '' : HOW"
          persistent-hint
          :error="touched || port.text.length > 6 ? unreadOf(i) : ''"
        />
        <v-btn :icon="mdiClose" size="small" aria-label="Remove this port" @click="ports.splice(i, 1)" />
        <OffersEcho :offers="parsed[i].offers" class="echo" />
      </div>
      <v-btn size="small" color="primary" @click="ports.push({ name: `C${ports.length + 1}`, text: '' })"
        >Add a port</v-btn
      >
    </div>
    <FormText class="wide" name="sharing" label="How ports share power" multiline />
    <FormText
      name="takes"
      label="Takes from a source before it"
      hint="A pad, a dock or a bank: like 5V2A, 9V1.4A, 20V0.95A. Empty when it needs none"
    />
    <FormText name="efficiencyPercent" label="and passes on" suffix="%" numeric />
    <FormText name="drawsW" label="and uses itself" suffix="W" numeric />
    <FormPick
      v-if="feeders.length"
      name="fedFromId"
      label="Usually fed from"
      :items="[{ value: null, title: 'a source that is enough' }, ...feeders]"
    />
    <FormText name="price" label="Price" :suffix="settings.currency" numeric />
    <FormText name="weightG" label="Weight" suffix="g" numeric />
    <FormText name="size" label="Size" hint="As measured, e.g. 32 × 30 × 42 mm" />
    <FormPick
      name="owned"
      label="Owned"
      :items="[
        { value: true, title: 'already owned' },
        { value: false, title: 'not owned yet' },
      ]"
    />
    <FormPick
      name="inBox"
      label="Came in the box"
      :items="[
        { value: true, title: 'came with a device: others are set against it' },
        { value: false, title: 'bought by itself' },
      ]"
    />
    <FormText class="wide" name="notes" label="Notes" multiline />
  </FormFrame>
</template>

<style scoped>
.ports h3 {
  font-size: 0.95rem;
  font-weight: 600;
}
.port {
  display: grid;
  grid-template-columns: 80px 1fr auto;
  gap: 4px 16px;
  align-items: center;
  margin-bottom: 8px;
}
.echo {
  grid-column: 2 / -1;
}
@media (max-width: 600px) {
  .port {
    grid-template-columns: 1fr auto;
  }
  .port :is(.offers, .echo) {
    grid-column: 1 / -1;
  }
  .offers {
    order: 1;
  }
  .echo {
    order: 2;
  }
}
</style>
