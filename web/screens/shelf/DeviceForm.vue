<script setup lang="ts">
import { computed } from 'vue'
import { duration } from '@core/words/figures'
import { parseClaims } from '@core/gear/claims'
import {
  blankDevice,
  DEVICE_KINDS,
  deviceSchema,
  typedDeviceFields,
  type Device,
} from '@core/gear/deviceFields'
import FormPick from '../../forms/FormPick.vue'
import FormText from '../../forms/FormText.vue'
import FormFrame from './FormFrame.vue'
import { useGearForm } from './useGearForm'

const props = defineProps<{ device: Device | null }>()
const emit = defineEmits<{ done: [] }>()

const LEVELS = [5, 9, 12, 15, 20, 28, 36, 48].map((v) => ({ value: v, title: `${v} V` }))
const asTyped = (of: object) => {
  const { adjustable } = of as Device
  return { ...of, adjustable: adjustable ? `${adjustable.minVolts}–${adjustable.maxVolts}` : '' }
}
const item = props.device ?? blankDevice({ id: crypto.randomUUID(), name: '', kind: 'phone' })
const gear = useGearForm('devices', deviceSchema, item, () => emit('done'), asTyped)
/** Claims as understood; what is not is kept as typed, and said. */
const claims = computed(() => {
  const { claims: read, unread } = parseClaims(String((gear.values as { claims?: string }).claims ?? ''))
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
    :gear="gear"
    @save="gear.save()"
    @cancel="emit('done')"
  >
    <template v-for="field in typedDeviceFields" :key="field.key">
      <FormPick v-if="field.input === 'kind'" :name="field.key" :label="field.label" :items="DEVICE_KINDS" />
      <FormPick
        v-else-if="field.input === 'levels'"
        :name="field.key"
        :label="field.label"
        :items="LEVELS"
        multiple
      />
      <FormText
        v-else
        :class="{ wide: field.input === 'lines' }"
        :name="field.key"
        :label="field.label"
        :suffix="field.unit"
        :hint="field.hint"
        :numeric="field.input === 'number'"
        :multiline="field.input === 'lines'"
        :autofocus="field.key === 'name'"
      />
      <p v-if="field.key === 'claims' && claims" class="wide quiet" role="status">{{ claims }}</p>
    </template>
  </FormFrame>
</template>
