<script setup lang="ts">
import { useField } from 'vee-validate'

defineOptions({ inheritAttrs: false })
const props = defineProps<{
  name: string
  label: string
  items: readonly unknown[]
  multiple?: boolean
  hint?: string
}>()
const { value, errorMessage } = useField<unknown>(() => props.name)
</script>

<template>
  <v-select
    v-model="value"
    :label="label"
    :items="items"
    :multiple="multiple"
    :chips="multiple"
    :hint="hint"
    :error-messages="errorMessage"
    v-bind="$attrs"
  />
</template>
