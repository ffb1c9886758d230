<script setup lang="ts">
import { computed, ref } from 'vue'
import { clock } from '@core/words/figures'
import { parseClock } from '@core/formats/timeCell'
import type { Run } from '@core/logbook/run'
import type { TraceEvent } from '@core/trace/trace'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'

/** What happened in the run; times and words can be put right later. */
const props = defineProps<{ run: Run; durationS: number }>()
const logbook = useLogbook()
const notices = useNotices()
const editing = ref<number | null>(null)
const time = ref('')
const words = ref('')
const errors = ref<{ time?: string; words?: string }>({})
const rows = computed(() =>
  props.run.events.map((event, i) => ({ event, i })).sort((a, b) => a.event.t - b.event.t),
)

function open(i: number, event: TraceEvent) {
  editing.value = i
  time.value = clock(event.t)
  words.value = event.text
  errors.value = {}
}
const store = async (events: TraceEvent[]) => void (await logbook.changeRun(props.run.id, () => ({ events })))

async function keep() {
  const t = parseClock(time.value)
  errors.value = {
    ...(!(t <= props.durationS + 3600) ? { time: 'Write the time like 0:12:30, within the run.' } : {}),
    ...(words.value.trim() ? {} : { words: 'Say it in a word or two.' }),
  }
  if (Object.keys(errors.value).length) return
  try {
    await store(
      props.run.events.map((e, i) => (i === editing.value ? { ...e, t, text: words.value.trim() } : e)),
    )
    editing.value = null
  } catch (error) {
    notices.fail(error)
  }
}
async function remove(i: number) {
  const before = props.run.events
  try {
    await store(before.filter((_, at) => at !== i))
    notices.say('The event was deleted.', () => store(before))
  } catch (error) {
    notices.fail(error)
  }
}
</script>

<template>
  <section v-if="rows.length" aria-label="Events">
    <h2>What happened</h2>
    <ul>
      <li v-for="{ event, i } in rows" :key="i">
        <form v-if="editing === i" novalidate @submit.prevent="keep">
          <v-text-field v-model="time" label="Time" :error-messages="errors.time" />
          <v-text-field v-model="words" label="What" maxlength="160" :error-messages="errors.words" />
          <v-btn type="submit" variant="outlined">Keep</v-btn>
          <v-btn @click="editing = null">Leave it</v-btn>
        </form>
        <template v-else>
          <span class="figure">{{ clock(event.t) }}</span>
          <span class="what">{{ event.text }}</span>
          <v-btn size="small" :aria-label="`Change ${event.text}`" @click="open(i, event)">Change</v-btn>
          <v-btn size="small" :aria-label="`Delete ${event.text}`" @click="remove(i)">Delete</v-btn>
        </template>
      </li>
    </ul>
  </section>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 0;
  border-top: var(--hairline);
}
li {
  border-bottom: var(--hairline);
  display: flex;
  gap: 14px;
  align-items: center;
  min-height: 44px;
}
.what {
  flex: 1;
}
form {
  display: grid;
  grid-template-columns: 120px 1fr auto auto;
  gap: 12px;
  align-items: center;
  flex: 1;
}
@media (max-width: 600px) {
  form {
    grid-template-columns: 1fr;
  }
}
</style>
