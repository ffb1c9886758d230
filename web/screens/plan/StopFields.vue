<script setup lang="ts">
import { STOP_CHOICES } from '@core/protocol/stopping'

/** The stop rule, opened into fields. */
defineProps<{ typed: { stopKind: string; stopPercent: string; stopMinutes: string }; error?: string }>()
</script>

<template>
  <!-- The fields belong to the form above, which owns the typed values. -->
  <!-- eslint-disable vue/no-mutating-props -->
  <v-select v-model="typed.stopKind" label="Stop" :items="STOP_CHOICES" :error-messages="error" />
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
