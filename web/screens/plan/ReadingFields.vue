<script setup lang="ts">
/** The reading rule, opened into fields. */
defineProps<{
  typed: {
    readingKind: string
    everyMinutes: string
    thenMinutes: string
    abovePercent: string
    atMinutes: string
    meterSeconds: string
  }
  error?: string
}>()
const KINDS = [
  { value: 'every', title: 'at a fixed step' },
  { value: 'closing-in', title: 'at a step, then closer' },
  { value: 'at', title: 'at given minutes' },
  { value: 'meter', title: 'by a meter' },
]
</script>

<template>
  <!-- The fields belong to the form above, which owns the typed values. -->
  <!-- eslint-disable vue/no-mutating-props -->
  <v-select v-model="typed.readingKind" label="Read" :items="KINDS" :error-messages="error" />
  <v-text-field
    v-if="typed.readingKind === 'every' || typed.readingKind === 'closing-in'"
    v-model="typed.everyMinutes"
    label="Every"
    suffix="min"
    inputmode="decimal"
  />
  <template v-if="typed.readingKind === 'closing-in'">
    <v-text-field v-model="typed.thenMinutes" label="Then every" suffix="min" inputmode="decimal" />
    <v-text-field v-model="typed.abovePercent" label="Once any lane shows" suffix="%" inputmode="decimal" />
  </template>
  <v-text-field
    v-if="typed.readingKind === 'at'"
    v-model="typed.atMinutes"
    label="At minutes"
    hint="Like 5 10 15 20 30"
  />
  <v-text-field
    v-if="typed.readingKind === 'meter'"
    v-model="typed.meterSeconds"
    label="Every"
    suffix="s"
    inputmode="decimal"
  />
</template>
