<script setup lang="ts">
import { computed, ref } from 'vue'
import { TIME } from '@core/plan/dates'
import { momentIn } from '@core/plan/windows'
import type { Card } from './useTimetable'

/** Moving a run without dragging: a stretch of free hours, and a time in it. */
const props = defineProps<{
  card: Card
  days: { startS: number; endS: number; title: string; hours: string }[]
}>()
const emit = defineEmits<{ close: []; move: [ms: number] }>()
const day = ref(props.days[0]?.startS ?? 0)
const time = ref('')
const error = ref('')
const choices = computed(() => props.days.map((d) => ({ value: d.startS, title: `${d.title}, ${d.hours}` })))

function submit() {
  const window = props.days.find((d) => d.startS === day.value)!
  const typed = time.value.trim()
  if (typed && !TIME.test(typed)) {
    error.value = 'Write the time like 19:30, or leave it empty.'
    return
  }
  emit('move', (typed ? momentIn(window, typed) : window.startS) * 1000)
  emit('close')
}
</script>

<template>
  <v-dialog :model-value="true" max-width="460" @update:model-value="emit('close')">
    <v-card>
      <form novalidate @submit.prevent="submit">
        <v-card-title tag="h2">Move {{ card.name }}</v-card-title>
        <v-card-text>
          <v-select v-model="day" label="To" :items="choices" />
          <v-text-field
            v-model="time"
            label="Not before"
            hint="Like 19:30; empty for the earliest that fits"
            :error-messages="error"
          />
        </v-card-text>
        <v-card-actions>
          <v-spacer />
          <v-btn @click="emit('close')">Leave it</v-btn>
          <v-btn type="submit" variant="flat" color="primary">Move it</v-btn>
        </v-card-actions>
      </form>
    </v-card>
  </v-dialog>
</template>
