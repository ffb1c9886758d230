<script setup lang="ts">
import type { Cable } from '@core/gear/gear'
import { cableSchema } from '@core/gear/schema'
import FormPick from '../../forms/FormPick.vue'
import FormText from '../../forms/FormText.vue'
import FormFrame from './FormFrame.vue'
import { useGearForm } from './useGearForm'
import { useSettings } from '../../stores/settings'

const props = defineProps<{ cable: Cable | null }>()
const settings = useSettings()
const emit = defineEmits<{ done: [] }>()
const initial = props.cable ?? { ...cableSchema.getDefault(), id: crypto.randomUUID(), name: '', maxAmps: 3 }
const gear = useGearForm('cables', cableSchema, initial, () => emit('done'))
</script>

<template>
  <FormFrame
    :title="cable ? `Change ${cable.name}` : 'Add a cable'"
    :gear="gear"
    @save="gear.save()"
    @cancel="emit('done')"
  >
    <FormText name="name" label="Name" autofocus />
    <FormText name="connectors" label="Connectors" hint="For example C to C" />
    <FormText name="lengthM" label="Length" suffix="m" numeric />
    <FormText name="maxAmps" label="Current limit" suffix="A" numeric />
    <FormPick
      name="marked"
      label="Marker chip"
      :items="[
        { value: true, title: 'has one' },
        { value: false, title: 'has none: 3 A at most' },
      ]"
    />
    <FormPick
      name="extendedRange"
      label="Extended range"
      :items="[
        { value: true, title: 'marked for it: 28 V and more' },
        { value: false, title: 'not marked for it' },
      ]"
    />
    <FormText name="maxVolts" label="Most volts" suffix="V" hint="Where it is printed" numeric />
    <FormText
      name="family"
      label="Made for a maker’s own family"
      hint="The same free name as on its charger; empty for none"
    />
    <FormText name="familyAmps" label="and carries for that" suffix="A" numeric />
    <FormText name="dataRating" label="Data rating" hint="As printed" />
    <FormText name="price" label="Price" :suffix="settings.currency" numeric />
    <FormPick
      name="owned"
      label="Owned"
      :items="[
        { value: true, title: 'already owned' },
        { value: false, title: 'not owned yet' },
      ]"
    />
  </FormFrame>
</template>
