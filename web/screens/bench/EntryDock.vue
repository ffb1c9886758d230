<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { computed, nextTick, ref, useTemplateRef } from 'vue'
import { turnSchema } from '@core/bench/turn'
import { mayTakeBack } from '@core/bench/state'
import { asWritten, writtenUnit } from '@core/words/figures'
import { channel, type Channel } from '@core/trace/channels'
import FormText from '../../forms/FormText.vue'
import { checkTyped } from '../../forms/yupErrors'
import { useBench } from '../../stores/bench'
import type { Lane } from '../../stores/lane'
import { useLogbook } from '../../stores/logbook'
import EntryKinds from './EntryKinds.vue'
import EntryTurn from './EntryTurn.vue'
import EventBar from './EventBar.vue'
import KeyPad from './KeyPad.vue'
import { useBenchKeys } from './useBenchKeys'
import { useEntry } from './useEntry'
import { useFieldInTurn } from './useFieldInTurn'
import type { useQueue } from './useQueue'
import { useKeys } from '../../composables/keys'
import { useTurn } from './useTurn'

/** The one place where readings are typed, whichever lane has its turn. */
const props = defineProps<{ queue: ReturnType<typeof useQueue> }>()
const { open: openKeys } = useKeys()
const bench = useBench()
const logbook = useLogbook()
const { current, turns, enterable, heatDue, goOn, step } = props.queue
const turnOf = computed(() => (current.value ? enterable.value.indexOf(current.value) + 1 : 0))
const entry = useEntry(() => current.value, heatDue)
const { typed, degrees, errors, question, saved, unsafe, busy, fields, places, isLine, note, clear } = entry
/** A meter shows its count of charge in thousandths. */
const titleOf = (field: Channel) =>
  field === 'counterAh' ? 'Count, mAh' : field === 'counterWh' ? 'Count, Wh' : channel(field).label
const unitOf = (field: Channel) => (field.startsWith('counter') ? undefined : channel(field).unit)
const form = useTemplateRef<HTMLFormElement>('form')
const events = useTemplateRef<InstanceType<typeof EventBar>>('events')
const touch = useMediaQuery('(pointer: coarse), (max-width: 700px)')
const showPad = ref(touch.value)
const name = (lane: Lane) => logbook.nameOf(lane.setup)
const { active, focusOn, count } = useFieldInTurn(form, () => [current.value?.setup.runId, turns.value])

/** The first reading is the start level; it stands. */
const mayUndo = computed(() => {
  const lane = current.value
  void lane?.count
  return lane !== undefined && lane.setup.feed.kind !== 'simulated' && mayTakeBack(lane.state)
})

/** Enter goes to the next field, and from the last one notes the reading: no mouse is needed. */
function enter() {
  const next = active.value + 1
  // A question stands: Enter answers it.
  // What was typed in one line is all of it.
  if (question.value === '' && next < count() && !isLine()) focusOn(next)
  else void submit()
}
async function submit() {
  const lane = current.value
  if (!lane || !(await note())) return
  goOn(lane)
  await nextTick()
  focusOn(0)
}
async function undo() {
  if (!current.value || !mayUndo.value) return
  const stored = await bench.takeBack(current.value)
  saved.value = stored ? 'The last reading was taken back.' : 'Taken back, but that is not stored yet.'
}

const { expected, turn: noteTurn } = useTurn()
/** The next level, the one that was typed, or full. The moment is that of the key, whatever is checked. */
async function turned(full: boolean) {
  const lane = current.value
  if (!lane || expected(lane) === null) return
  const said = (typed.percent ?? '').trim()
  const read = checkTyped(turnSchema, full ? 100 : said || expected(lane))
  if ('value' in read) {
    const noted = noteTurn(lane, read.value)
    typed.percent = ''
    errors.value = {}
    await noted
  } else errors.value = { percent: read.error }
}

/** The pad types into the field that has its turn. */
function press(key: string) {
  const all = [...fields.value, ...places.value]
  const field = all[active.value]
  if (field === undefined) return
  const target: Record<string, string> = active.value < fields.value.length ? typed : degrees
  const before = target[field] ?? ''
  target[field] = key === 'back' ? before.slice(0, -1) : before + key
}
useBenchKeys({
  undo,
  turned,
  clear,
  step,
  toEntry: () => focusOn(0),
  event: (kind) => events.value?.begin(kind),
})
</script>

<template>
  <section v-if="current" class="dock" aria-label="Entry">
    <form
      ref="form"
      novalidate
      :aria-label="`Note a reading, ${name(current)}`"
      @submit.prevent="submit"
      @keydown.enter.prevent="enter"
    >
      <EntryTurn :lane="current" :place="turnOf" :of="enterable.length" :heat-at-s="heatDue(current)" />
      <div class="values">
        <FormText
          v-for="(field, i) in fields"
          :key="field"
          v-model="typed[field]"
          :label="titleOf(field)"
          :suffix="unitOf(field)"
          :class="{ chief: i === 0 }"
          :inputmode="showPad ? 'none' : 'decimal'"
          autocomplete="off"
          :error="errors[field]"
          @focus="active = i"
        />
        <FormText
          v-for="(place, i) in places"
          :key="place"
          v-model="degrees[place]"
          :label="`Temperature, ${place}`"
          :suffix="writtenUnit('°C')"
          :inputmode="showPad ? 'none' : 'decimal'"
          autocomplete="off"
          :error="errors[place]"
          @focus="active = fields.length + i"
        />
      </div>
      <p v-if="question" class="question" role="alert">
        {{ asWritten(question) }} Press Enter again to keep it, or type it anew.
      </p>
      <p v-if="unsafe" class="unsafe" role="alert">{{ unsafe }}</p>
      <KeyPad v-if="showPad && fields.length + places.length" @press="press" @enter="enter" />
      <div class="buttons">
        <v-btn-main v-if="fields.length + places.length" type="submit" :loading="busy">{{
          question ? 'Keep it' : unsafe ? 'Store it now' : 'Note a reading'
        }}</v-btn-main>
        <v-btn v-if="expected(current) !== null" @click="turned(true)">It just turned 100 %</v-btn>
        <v-btn v-if="mayUndo" @click="undo">Take back the last</v-btn>
      </div>
      <p class="saved quiet" role="status">{{ saved }}</p>
    </form>
    <EventBar ref="events" :lane="current" @done="focusOn(0)" />
    <EntryKinds
      v-model:mode="entry.mode.value"
      v-model:counting="entry.counting.value"
      v-model:both-ends="entry.bothEnds.value"
    >
      <v-btn size="small" @click="showPad = !showPad">{{ showPad ? 'Hide the pad' : 'Number pad' }}</v-btn>
      <v-btn size="small" aria-label="Keys" @click="openKeys = true">Keys: ?</v-btn>
    </EntryKinds>
  </section>
</template>

<style scoped>
.dock {
  border-top: 2px solid rgb(var(--v-theme-primary));
  background: rgb(var(--v-theme-background));
  padding: 8px 2px 4px 0;
  margin-bottom: 20px;
}
.values {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
}
.values > :deep(.v-input) {
  flex: 1 1 118px;
}
.values :deep(input) {
  font-family: var(--figure-face);
  font-size: 1.6rem;
}
.values > .chief :deep(input) {
  font-weight: 600;
}
.question,
.unsafe {
  border-left: 3px solid rgb(var(--v-theme-warning));
  padding-left: 10px;
  font-weight: 600;
}
.unsafe {
  border-left-color: rgb(var(--v-theme-error));
  color: rgb(var(--v-theme-error));
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding-top: 8px;
}
.buttons .v-btn {
  min-height: 44px;
}
.buttons > [type='submit'] {
  flex: 1 1 150px;
}
.saved {
  min-height: 1.4em;
  margin: 4px 0;
}
@media (max-width: 760px) {
  .dock {
    padding-top: 4px;
  }
  .saved {
    min-height: 0;
  }
}
</style>
