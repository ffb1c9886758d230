<script setup lang="ts">
import { ref, watch } from 'vue'
import { decimal } from '@core/trace/decimal'
import { figure } from '@core/words/figures'
import FormText from '../../forms/FormText.vue'

/** A threshold that can be moved: it counts as soon as it is left, or Enter is pressed. */
const value = defineModel<number>({ required: true })
const props = defineProps<{
  label: string
  suffix: string
  low: number
  high: number
  placeholder?: string
}>()
const typed = ref('')
const error = ref('')
const shown = (n: number) => (n === 0 && props.placeholder ? '' : String(n))
watch(value, (n) => (typed.value = shown(n)), { immediate: true })

/** A temperature is said as it is typed, in °C or °F. */
const bound = (n: number) => (props.suffix === '°C' ? figure(n, 0, props.suffix) : String(n))

function take() {
  const text = typed.value.trim()
  const number = text === '' && props.placeholder ? 0 : decimal(text)
  const isFine = number >= props.low && number <= props.high
  error.value = isFine ? '' : `Between ${bound(props.low)} and ${bound(props.high)}.`
  if (isFine) value.value = number
}
</script>

<template>
  <FormText
    v-model="typed"
    :label="label"
    :suffix="suffix"
    :placeholder="placeholder"
    :persistent-placeholder="placeholder !== undefined"
    :error="error"
    numeric
    density="compact"
    @blur="take"
    @keydown.enter="take"
  />
</template>
