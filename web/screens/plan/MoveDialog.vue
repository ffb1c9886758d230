<script setup lang="ts">
import { format } from 'date-fns'
import { computed, ref } from 'vue'
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
  let at = window.startS * 1000
  if (time.value.trim()) {
    if (!/^([01]?\d|2[0-3]):[0-5]\d$/.test(time.value.trim())) {
      error.value = 'Write the time like 19:30, or leave it empty.'
      return
    }
    const [h, m] = time.value.split(':').map(Number)
    const [sh, sm] = format(at, 'HH:mm').split(':').map(Number)
    const minutes = h * 60 + m - (sh * 60 + sm)
    // A time before the opening belongs to the night after it.
    at += (minutes < 0 ? minutes + 1440 : minutes) * 60_000
  }
  emit('move', at)
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
