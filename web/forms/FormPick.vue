<script setup lang="ts">
import { useField } from 'vee-validate'
import { computed } from 'vue'

/** The one list to choose from: bound by `name` to the form around it, or by v-model where it stands alone. */
const props = defineProps<{
  label?: string
  items: readonly unknown[]
  name?: string
  multiple?: boolean
  error?: string
}>()
const own = defineModel<unknown>()
defineOptions({ inheritAttrs: false })

const field = props.name === undefined ? undefined : useField<unknown>(() => props.name as string)
const value = computed({
  get: () => (field ? field.value.value : own.value),
  set: (chosen) => {
    if (field) field.value.value = chosen
    else own.value = chosen
  },
})
</script>

<template>
  <v-select
    v-model="value"
    :label="label"
    :items="items"
    :multiple="multiple"
    :chips="multiple"
    :error-messages="field ? field.errorMessage.value : error"
    v-bind="$attrs"
  />
</template>
