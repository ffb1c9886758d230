<script setup lang="ts">
import { useFormValues } from 'vee-validate'
import type { TypedReading } from '@core/protocol/typedRules'
import FormPick from './FormPick.vue'
import FormText from './FormText.vue'

/** The reading rule of the form around it, opened into fields. */
const typed = useFormValues<TypedReading>()
const KINDS: { value: TypedReading['readingKind']; title: string }[] = [
  { value: 'every', title: 'at a fixed step' },
  { value: 'closing-in', title: 'at a step, then closer' },
  { value: 'at', title: 'at given minutes' },
  { value: 'meter', title: 'by a meter' },
]
</script>

<template>
  <FormPick name="readingKind" label="Read" :items="KINDS" />
  <FormText
    v-if="typed.readingKind === 'every' || typed.readingKind === 'closing-in'"
    name="everyMinutes"
    label="Every"
    suffix="min"
    numeric
  />
  <template v-if="typed.readingKind === 'closing-in'">
    <FormText name="thenMinutes" label="Then every" suffix="min" numeric />
    <FormText name="abovePercent" label="Once any lane shows" suffix="%" numeric />
  </template>
  <FormText v-if="typed.readingKind === 'at'" name="atMinutes" label="At minutes" hint="Like 5 10 15 20 30" />
  <FormText v-if="typed.readingKind === 'meter'" name="meterSeconds" label="Every" suffix="s" numeric />
</template>
