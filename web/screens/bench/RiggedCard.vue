<script setup lang="ts">
import { computed, reactive } from 'vue'
import type { ChecklistItem } from '@core/protocol/checklist'
import { askedSchema } from '@core/protocol/entry'
import FormText from '../../forms/FormText.vue'
import { checkTyped } from '../../forms/yupErrors'
import { timeOfDay } from '@core/words/moments'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'
import type { Feed } from '@core/bench/setup'
import type { RiggedLane } from '@core/bench/strip'
import { useStrip } from '../../stores/strip'
import FeedPicker from './FeedPicker.vue'

const props = defineProps<{ lane: RiggedLane }>()
const strip = useStrip()
const logbook = useLogbook()
const notices = useNotices()
const values = reactive<Record<string, string>>(
  Object.fromEntries(
    props.lane.items.flatMap(({ id, offered }) => (offered === undefined ? [] : [[id, String(offered)]])),
  ),
)
const errors = reactive<Record<string, string>>({})
const answers = computed(() => new Map(props.lane.choice.checklist.map((a) => [a.id, a])))

/** A number that the item asks for, or the reason it is none. */
function valueOf(item: ChecklistItem): number | null {
  const read = checkTyped(askedSchema(item.asks ?? ''), values[item.id] ?? '')
  errors[item.id] = read.error
  return 'value' in read ? read.value : null
}
function answer(item: ChecklistItem, given?: 'done' | 'skipped') {
  const value = given === 'done' && item.asks ? valueOf(item) : null
  if (given === 'done' && item.asks && value === null) return
  strip.answer(props.lane, item, given, value).catch(notices.fail)
}
const setFeed = (feed: Feed) => strip.setFeed(props.lane, feed).catch(notices.fail)
</script>

<template>
  <article class="rigged" :aria-label="logbook.nameOf(lane.choice)">
    <header>
      <h3>{{ logbook.nameOf(lane.choice) }}</h3>
      <span class="quiet">{{ lane.protocolName || `from ${lane.choice.start.percent} %` }}</span>
      <v-btn size="small" @click="strip.takeOff(lane.id).catch(notices.fail)">Take it off</v-btn>
    </header>
    <ul>
      <li v-for="item in lane.items" :key="item.id" :class="answers.get(item.id)?.answer">
        <span class="text">{{ item.text }}</span>
        <template v-if="answers.get(item.id)">
          <span class="quiet" :class="{ outside: answers.get(item.id)!.outside }">
            {{ answers.get(item.id)!.answer === 'done' ? 'done' : 'skipped'
            }}{{
              answers.get(item.id)!.value === null
                ? ''
                : `: ${answers.get(item.id)!.value} ${item.asks ?? ''}`
            }}{{ answers.get(item.id)!.outside ? ', outside what is required' : '' }},
            {{ timeOfDay(answers.get(item.id)!.when) }}
          </span>
          <v-btn size="small" :aria-label="`Change: ${item.text}`" @click="answer(item)">Change</v-btn>
        </template>
        <template v-else>
          <FormText
            v-if="item.asks"
            v-model="values[item.id]"
            class="value"
            density="compact"
            :label="item.asks === '%' ? 'Level' : 'Value'"
            :aria-label="item.text"
            :suffix="item.asks"
            numeric
            :error="errors[item.id]"
            @keydown.enter.prevent="answer(item, 'done')"
          />
          <v-btn-other :aria-label="`Done: ${item.text}`" @click="answer(item, 'done')">Done</v-btn-other>
          <v-btn size="small" :aria-label="`Skip: ${item.text}`" @click="answer(item, 'skipped')">Skip</v-btn>
        </template>
      </li>
    </ul>
    <div v-if="lane.choice.planned" class="feed">
      <FeedPicker
        :model-value="lane.choice.feed"
        :seed="1 + logbook.runs.length"
        @update:model-value="setFeed"
      />
    </div>
  </article>
</template>

<style scoped>
.rigged {
  border-top: 2px solid rgba(var(--v-border-color), 0.6);
  padding: 8px 0 16px;
}
header {
  display: flex;
  gap: 6px 16px;
  align-items: baseline;
  flex-wrap: wrap;
}
h3 {
  font-size: 1.1rem;
  font-weight: 650;
  margin: 0;
}
ul {
  list-style: none;
  padding: 0;
  margin: 4px 0;
}
li {
  display: flex;
  gap: 6px 12px;
  align-items: center;
  border-bottom: var(--hairline);
  min-height: 48px;
  flex-wrap: wrap;
}
.text {
  flex: 1 1 170px;
}
.done .text {
  opacity: 0.76;
}
.skipped .text {
  text-decoration: line-through;
}
.outside {
  color: rgb(var(--v-theme-warning));
  font-weight: 650;
}
.value {
  flex: 0 1 130px;
}
.feed {
  display: grid;
  margin-top: 10px;
}
</style>
