<script setup lang="ts">
import { useField } from 'vee-validate'
import { computed, useAttrs, useTemplateRef } from 'vue'
import { asWritten } from '@core/words/figures'
import { useFirstFocus } from './useFirstFocus'
import { useWrittenDegrees } from './useWrittenDegrees'

/** The one text field: bound by `name` to the form around it, or by v-model where it stands alone. */
const props = defineProps<{
  label: string
  name?: string
  numeric?: boolean
  multiline?: boolean
  /** A difference of two values, such as a step: not written another way. */
  apart?: boolean
  /** Alone, a field's fault is told by whoever holds its value. */
  error?: string
}>()
const own = defineModel<string | number | null>()
defineOptions({ inheritAttrs: false })

const field =
  props.name === undefined ? undefined : useField<string | number | null>(() => props.name as string)
const kept = computed({
  get: () => (field ? field.value.value : own.value),
  set: (typed) => {
    if (field) field.value.value = typed ?? ''
    else own.value = typed
  },
})
const attrs = useAttrs()
/** A hint shows while the field has the cursor: its line is kept free, or it would move the buttons below as it goes. */
const hinted = computed(() => Boolean(attrs.hint) && attrs['persistent-hint'] === undefined)
/** What is kept in °C is typed in the unit that the reader prefers. */
const { value, suffix } = useWrittenDegrees(kept, () =>
  props.apart ? undefined : (attrs.suffix as string | undefined),
)
const bound = computed(() => ({
  label: props.label,
  inputmode: props.numeric ? 'decimal' : undefined,
  errorMessages: asWritten((field ? field.errorMessage.value : props.error) ?? ''),
  ...attrs,
  autofocus: undefined,
  class: [attrs.class, { hinted: hinted.value }],
  suffix: suffix.value ?? (attrs.suffix as string | undefined),
}))
/**
 * A field is checked as it is left; not for a button, though: a fault that came or went while it is being pressed would
 * move it from under the finger, and the press would be lost.
 */
const left = (event: FocusEvent) => {
  if (!(event.relatedTarget instanceof HTMLButtonElement)) field?.handleBlur(event)
}
const input = useTemplateRef<{ focus: () => void; $el: HTMLElement }>('input')
useFirstFocus(
  () => attrs.autofocus !== undefined && attrs.autofocus !== false,
  () => input.value?.$el.querySelector<HTMLInputElement>('input, textarea') ?? undefined,
)
defineExpose({ focus: () => input.value?.focus() })
</script>

<template>
  <v-textarea v-if="multiline" ref="input" v-model="value" rows="1" auto-grow v-bind="bound" @blur="left" />
  <v-text-field v-else ref="input" v-model="value" v-bind="bound" @blur="left" />
</template>

<style scoped>
/* As high as a line of details is. */
.hinted:has(> .v-input__details--hidden) {
  padding-bottom: 22px;
}
</style>
