<script setup lang="ts">
import { computed } from 'vue'
import { duration } from '@core/words/figures'
import { parseClaims } from '@core/gear/claims'
import { DEVICE_KINDS, type Device } from '@core/gear/gear'
import { deviceSchema } from '@core/gear/schema'
import FormPick from '../../forms/FormPick.vue'
import FormText from '../../forms/FormText.vue'
import CorrectionGate from './CorrectionGate.vue'
import FormFrame from './FormFrame.vue'
import { useGearForm } from './useGearForm'

const props = defineProps<{ device: Device | null }>()
const emit = defineEmits<{ done: [] }>()

const LEVELS = [5, 9, 12, 15, 20, 28, 36, 48].map((v) => ({ value: v, title: `${v} V` }))
const { adjustable } = props.device ?? { adjustable: null }
const initial = {
  ...(props.device ?? {
    ...deviceSchema.getDefault(),
    id: crypto.randomUUID(),
    name: '',
    kind: 'phone',
    healthPercent: 100,
  }),
  adjustable: adjustable ? `${adjustable.minVolts}–${adjustable.maxVolts}` : '',
}
const { form, save, failure, gate, why, whyMissing, history } = useGearForm(
  'devices',
  deviceSchema,
  initial,
  () => emit('done'),
)
/** Claims as understood; what is not is kept as typed, and said. */
const claims = computed(() => {
  const { claims: read, unread } = parseClaims(String((form.values as { claims?: string }).claims ?? ''))
  const parts = read.map((c) => `${c.percent} % in ${duration(c.seconds)}`)
  return [
    parts.length ? `Understood: ${parts.join('; ')}.` : '',
    unread.length ? `Kept, but not understood as a claim: ${unread.join('; ')}.` : '',
  ]
    .filter(Boolean)
    .join(' ')
})
</script>

<template>
  <FormFrame
    :title="device ? `Change ${device.name}` : 'Add a device'"
    :failure="failure"
    @save="save"
    @cancel="emit('done')"
  >
    <FormText name="name" label="Name" autofocus />
    <FormPick name="kind" label="Kind" :items="DEVICE_KINDS" />
    <FormText name="unitLabel" label="Unit label" hint="Tells equal units apart" />
    <FormText name="capacityMah" label="Capacity" suffix="mAh" numeric />
    <FormText
      name="nominalVolts"
      label="at nominal volts"
      suffix="V"
      hint="3.85 V is assumed when empty"
      numeric
    />
    <FormText name="capacityWh" label="or capacity" suffix="Wh" numeric />
    <FormText name="healthPercent" label="Battery health" suffix="%" numeric />
    <FormText name="maxWatts" label="Most it takes" suffix="W" numeric />
    <FormText
      name="wirelessWatts"
      label="Most without a wire"
      suffix="W"
      hint="Empty when it has no coil"
      numeric
    />
    <FormPick name="fixedVolts" label="Levels it accepts" :items="LEVELS" multiple />
    <FormText name="adjustable" label="Adjustable range" suffix="V" hint="For example 3.3–11" />
    <FormText name="family" label="Proprietary family" hint="A free name, the same as on its charger" />
    <FormText name="minWatts" label="Charges from" suffix="W" numeric />
    <FormText name="minVolts" label="and from" suffix="V" numeric />
    <FormText name="enduranceHours" label="Hours of use claimed" suffix="h" numeric />
    <FormText name="realUseFactor" label="Share in real use" hint="Between 0 and 1" numeric />
    <FormText
      class="wide"
      name="claims"
      label="Advertised claims, one a line"
      hint="Like 50 % in 30 min; full in 1 h 20 min"
      multiline
    />
    <p v-if="claims" class="wide quiet" role="status">{{ claims }}</p>
    <FormText class="wide" name="notes" label="Notes" multiline />
    <CorrectionGate v-model="why" :gate="gate" :missing="whyMissing" :history="history" />
  </FormFrame>
</template>
