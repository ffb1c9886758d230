<script setup lang="ts">
import FormDialog from '../../forms/FormDialog.vue'
import CorrectionGate from './CorrectionGate.vue'
import type { GearForm } from './useGearForm'

/** The frame of every form of the shelf: its fields, and the question why where runs are touched. */
defineProps<{ title: string; gear: GearForm }>()
const emit = defineEmits<{ save: []; cancel: [] }>()
</script>

<template>
  <FormDialog
    :title="title"
    leave="Leave as it was"
    main="Put on the shelf"
    fields
    :width="720"
    :busy="gear.busy.value"
    :failure="gear.failure.value"
    @submit="emit('save')"
    @update:model-value="emit('cancel')"
  >
    <slot />
    <CorrectionGate :gate="gear.gate.value" :history="gear.history.value" />
  </FormDialog>
</template>
