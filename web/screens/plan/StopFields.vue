<script setup lang="ts">
/** The stop rule, opened into fields. */
defineProps<{ typed: { stopKind: string; stopPercent: string; stopMinutes: string }; error?: string }>()
const KINDS = [
  { value: 'shown-full', title: 'when the display shows 100 %' },
  { value: 'taper-end', title: 'when the current has all but stopped' },
  { value: 'level', title: 'at a level' },
  { value: 'duration', title: 'after a time' },
  { value: 'open', title: 'when I say so' },
]
</script>

<template>
  <!-- The fields belong to the form above, which owns the typed values. -->
  <!-- eslint-disable vue/no-mutating-props -->
  <v-select v-model="typed.stopKind" label="Stop" :items="KINDS" :error-messages="error" />
  <v-text-field
    v-if="typed.stopKind === 'level'"
    v-model="typed.stopPercent"
    label="Stop level"
    suffix="%"
    inputmode="decimal"
  />
  <v-text-field
    v-if="typed.stopKind === 'duration'"
    v-model="typed.stopMinutes"
    label="Stop after"
    suffix="min"
    inputmode="decimal"
  />
</template>
