<script setup lang="ts">
import { useField } from 'vee-validate'

/** A yes or no of the form around it. */
const props = defineProps<{ name: string; label: string }>()
const { value } = useField<boolean>(() => props.name)
</script>

<template>
  <v-checkbox v-model="value" :label="label" />
</template>
