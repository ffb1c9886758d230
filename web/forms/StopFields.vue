<script setup lang="ts">
import { useFormValues } from 'vee-validate'
import { STOP_CHOICES } from '@core/protocol/stopping'
import type { TypedStop } from '@core/protocol/typedRules'
import FormPick from './FormPick.vue'
import FormText from './FormText.vue'

/** The stop rule of the form around it, opened into fields. */
const typed = useFormValues<TypedStop>()
</script>

<template>
  <FormPick name="stopKind" label="Stop" :items="STOP_CHOICES" />
  <FormText v-if="typed.stopKind === 'level'" name="stopPercent" label="Stop level" suffix="%" numeric />
  <FormText v-if="typed.stopKind === 'duration'" name="stopMinutes" label="Stop after" suffix="min" numeric />
</template>
