<script lang="ts">
import type { Cable, Device, Meter, Source } from '@core/gear/gear'

/** What is being put on the shelf (`item` null) or corrected. */
export type Editing =
  | { kind: 'devices'; item: Device | null }
  | { kind: 'sources'; item: Source | null }
  | { kind: 'cables'; item: Cable | null }
  | { kind: 'meters'; item: Meter | null }
</script>

<script setup lang="ts">
import CableForm from './CableForm.vue'
import DeviceForm from './DeviceForm.vue'
import MeterForm from './MeterForm.vue'
import SourceForm from './SourceForm.vue'

/** The form of a kind of gear. */
defineProps<{ editing: Editing }>()
const emit = defineEmits<{ done: [] }>()
</script>

<template>
  <DeviceForm v-if="editing.kind === 'devices'" :device="editing.item" @done="emit('done')" />
  <SourceForm v-else-if="editing.kind === 'sources'" :source="editing.item" @done="emit('done')" />
  <CableForm v-else-if="editing.kind === 'cables'" :cable="editing.item" @done="emit('done')" />
  <MeterForm v-else :meter="editing.item" @done="emit('done')" />
</template>
