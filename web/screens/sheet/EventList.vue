<script setup lang="ts">
import { computed, ref } from 'vue'
import { clock, exactClock } from '@core/words/figures'
import { eventSchema } from '@core/formats/clockForm'
import type { Run } from '@core/logbook/run'
import type { TraceEvent } from '@core/trace/trace'
import FormFailure from '../../forms/FormFailure.vue'
import FormText from '../../forms/FormText.vue'
import NewEvent from './NewEvent.vue'
import { useYupForm } from '../../forms/useYupForm'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'

/** What happened in the run; times and words can be put right later. */
const props = defineProps<{ run: Run; durationS: number }>()
const logbook = useLogbook()
const notices = useNotices()
const editing = ref<number | 'new' | null>(null)
const rows = computed(() =>
  props.run.events.map((event, i) => ({ event, i })).sort((a, b) => a.event.t - b.event.t),
)

const kindOf = (i: number | 'new' | null) => (typeof i === 'number' ? props.run.events[i].kind : '')
const { form, submit, failure } = useYupForm({
  schema: () => eventSchema(props.durationS, kindOf(editing.value)),
  initial: { time: '', text: '' },
})

function open(i: number, event: TraceEvent) {
  editing.value = i
  form.resetForm({ values: { time: exactClock(event.t), text: event.text } })
}
/** Changes the events as they stand now: another may have come since these were drawn. */
const store = async (how: (now: TraceEvent[]) => TraceEvent[]) =>
  void (await logbook.changeRun(props.run.id, ({ events }) => ({ events: how(events) })))
const placeOf = (events: TraceEvent[], event: TraceEvent) =>
  events.findIndex((e) => JSON.stringify(e) === JSON.stringify(event))

const keep = submit(async ({ time, text }: { time: number; text: string }) => {
  const event = props.run.events[editing.value as number]
  await store((now) => {
    const place = placeOf(now, event)
    return now.map((e, i) => (i === place ? { ...e, t: time, text } : e))
  })
  editing.value = null
})
/** What was noted nowhere while it ran, or belongs to a run that came from a file. */
async function add(event: TraceEvent) {
  await store((now) => [...now, event])
  editing.value = null
}
async function remove(event: TraceEvent) {
  try {
    await store((now) => now.filter((_, i) => i !== placeOf(now, event)))
    notices.say('The event was deleted.', () => store((now) => [...now, event]))
  } catch (error) {
    notices.fail(error)
  }
}
</script>

<template>
  <section aria-label="Events">
    <h2>What happened</h2>
    <NewEvent v-if="editing === 'new'" :duration-s="durationS" :add="add" @leave="editing = null" />
    <v-btn v-else size="small" @click="editing = 'new'">Add what happened</v-btn>
    <ul v-if="rows.length">
      <li v-for="{ event, i } in rows" :key="i">
        <form v-if="editing === i" novalidate @submit.prevent="keep()">
          <FormText name="time" label="Time" />
          <FormText name="text" label="What" maxlength="160" />
          <v-btn-other type="submit">Keep</v-btn-other>
          <v-btn @click="editing = null">Leave it</v-btn>
          <FormFailure :text="failure" />
        </form>
        <template v-else>
          <span class="figure">{{ clock(event.t) }}</span>
          <span class="what">{{ event.text }}</span>
          <v-btn size="small" :aria-label="`Change ${event.text}`" @click="open(i, event)">Change</v-btn>
          <v-btn size="small" :aria-label="`Delete ${event.text}`" @click="remove(event)">Delete</v-btn>
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
  flex-wrap: wrap;
  gap: 0 14px;
  align-items: center;
  min-height: 44px;
}
.what {
  flex: 1 1 5em;
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
