<script setup lang="ts">
import FormPick from '../../forms/FormPick.vue'
import FormText from '../../forms/FormText.vue'
import { useSettings } from '../../stores/settings'

/** How everything is written, and what the bench may be heard of. */
const settings = useSettings()
const HOURS = [
  { value: 'auto', title: 'as this machine has it' },
  { value: '24', title: '19:30' },
  { value: '12', title: '7:30 PM' },
]
const DECIMALS = [
  { value: 'point', title: '12.5 W' },
  { value: 'comma', title: '12,5 W' },
]
const DEGREES = [
  { value: 'C', title: '°C' },
  { value: 'F', title: '°F' },
]
const THEMES = [
  { value: 'auto', title: 'as this machine has it' },
  { value: 'paper', title: 'paper' },
  { value: 'night', title: 'night' },
]
</script>

<template>
  <h2>Preferences</h2>
  <div class="preferences">
    <FormPick v-model="settings.theme" label="Paper" :items="THEMES" />
    <FormPick v-model="settings.hours" label="Times of day" :items="HOURS" />
    <FormPick v-model="settings.decimals" label="Decimals" :items="DECIMALS" />
    <FormPick v-model="settings.degrees" label="Temperatures" :items="DEGREES" />
    <FormText
      v-model="settings.currency"
      label="Prices are in"
      maxlength="12"
      placeholder="A sign or a word"
    />
    <v-checkbox v-model="settings.sound" label="Sound when a reading is due" />
    <v-checkbox v-model="settings.spoken" label="Say aloud which lane is to be read" />
  </div>
</template>

<style scoped>
.preferences {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(220px, 320px));
  gap: 8px 32px;
  align-items: end;
}
</style>
