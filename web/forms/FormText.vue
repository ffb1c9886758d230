<script setup lang="ts">
import { useField } from 'vee-validate'

/** One text field of a form, bound by name to its validation. */
const props = defineProps<{
  name: string
  label: string
  suffix?: string
  hint?: string
  numeric?: boolean
  multiline?: boolean
  autofocus?: boolean
}>()
const { value, errorMessage, handleBlur } = useField<string | number | null>(() => props.name)
</script>

<template>
  <v-textarea
    v-if="multiline"
    v-model="value"
    :label="label"
    :hint="hint"
    :error-messages="errorMessage"
    rows="1"
    auto-grow
    @blur="handleBlur"
  />
  <v-text-field
    v-else
    v-model="value"
    :label="label"
    :suffix="suffix"
    :hint="hint"
    :inputmode="numeric ? 'decimal' : undefined"
    :error-messages="errorMessage"
    :autofocus="autofocus"
    @blur="handleBlur"
  />
</template>
