<script setup lang="ts">
import { computed } from 'vue'
import type { Campaign } from '@core/plan/campaign'
import { putBackList } from '@core/protocol/conditions'
import { dayAndTime } from '@core/words/moments'
import { useNotices } from '../../stores/notices'
import { usePlan } from '../../stores/plan'

/** What was switched for the test and must be put back; ticks are kept with their time. */
const props = defineProps<{ campaign: Campaign; over: boolean }>()
const plan = usePlan()
const notices = useNotices()
const items = computed(() =>
  putBackList(props.campaign.protocol).map((text) => ({
    text,
    done: props.campaign.putBack.find((a) => a.text === text),
  })),
)

function tick(text: string, on: boolean | null) {
  const answer = {
    id: text,
    text,
    answer: 'done' as const,
    value: null,
    outside: false,
    when: new Date().toISOString(),
  }
  const others = ({ putBack }: Campaign) => putBack.filter((a) => a.text !== text)
  plan
    .keep(props.campaign, (now) => ({ putBack: on ? [...others(now), answer] : others(now) }))
    .catch(notices.fail)
}
</script>

<template>
  <section v-if="items.length" aria-label="Put back">
    <h2>Put back {{ over ? 'now' : 'after the last run' }}</h2>
    <p class="quiet">Protective settings switched off for the test, and what else was changed.</p>
    <v-checkbox
      v-for="i in items"
      :key="i.text"
      :model-value="Boolean(i.done)"
      :label="i.done ? `${i.text} (${dayAndTime(i.done.when)})` : i.text"
      hide-details
      density="compact"
      @update:model-value="tick(i.text, $event)"
    />
  </section>
</template>
