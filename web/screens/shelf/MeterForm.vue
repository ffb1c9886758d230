<script setup lang="ts">
import { computed } from 'vue'
import { wattsUncertainty } from '@core/gear/accuracy'
import { figure } from '@core/words/figures'
import { METER_KINDS, METER_PLACES, type Meter } from '@core/gear/gear'
import { meterSchema } from '@core/gear/schema'
import FormPick from '../../forms/FormPick.vue'
import FormText from '../../forms/FormText.vue'
import FormFrame from './FormFrame.vue'
import { useGearForm } from './useGearForm'

const props = defineProps<{ meter: Meter | null }>()
const emit = defineEmits<{ done: [] }>()
const initial = props.meter ?? {
  ...meterSchema.getDefault(),
  id: crypto.randomUUID(),
  name: '',
  kind: 'power meter' as const,
  place: 'between source and cable' as const,
}
const gear = useGearForm('meters', meterSchema, initial, () => emit('done'))
const isThermometer = computed(() => (gear.values as Partial<Meter>).kind === 'thermometer')
/** What the stated accuracy means for a common reading. */
const example = computed(() => {
  const read = meterSchema.isValidSync(gear.values) ? meterSchema.cast(gear.values) : null
  if (!read || isThermometer.value) return ''
  const uncertainty = wattsUncertainty(read, 18, 9, 2)
  return Number.isNaN(uncertainty)
    ? ''
    : `At 9 V and 2 A it knows the 18 W to ± ${figure(2 * uncertainty, 2, 'W')}.`
})
</script>

<template>
  <FormFrame
    :title="meter ? `Change ${meter.name}` : 'Add a meter or thermometer'"
    :gear="gear"
    @save="gear.save()"
    @cancel="emit('done')"
  >
    <FormText name="name" label="Name" autofocus />
    <FormPick name="kind" label="Kind" :items="METER_KINDS" />
    <FormPick name="place" label="Place in the chain" :items="METER_PLACES" />
    <FormText name="resolution" label="Smallest step" :suffix="isThermometer ? '°C' : 'V'" apart numeric />
    <FormText v-if="!isThermometer" name="resolutionAmps" label="and of its current" suffix="A" numeric />
    <FormText name="accuracyPercent" label="Stated accuracy ±" suffix="% of reading" numeric />
    <FormText name="accuracyDigits" label="plus" suffix="digits" numeric />
    <FormText
      name="intervalS"
      label="Reads by itself every"
      suffix="s"
      hint="Empty when read by eye"
      numeric
    />
    <p class="wide quiet">{{ example }}</p>
    <FormText class="wide" name="notes" label="Notes" multiline />
  </FormFrame>
</template>
