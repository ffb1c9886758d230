<script setup lang="ts">
import { mdiDotsVertical, mdiDrag, mdiPinOutline } from '@mdi/js'
import { computed } from 'vue'
import type { Card } from './useTimetable'

const props = defineProps<{ card: Card }>()
const emit = defineEmits<{ move: []; release: []; aside: [] }>()
const WORDS: Record<string, string> = { running: 'running', done: 'done', spoilt: 'spoilt, to repeat' }
const fixed = computed(() => props.card.state === 'done' || props.card.state === 'running')
</script>

<template>
  <div class="card" :class="card.state">
    <span v-if="!fixed" class="grip" aria-hidden="true"><v-icon :icon="mdiDrag" size="20" /></span>
    <span class="figure time">{{ card.from }}–{{ card.to }}</span>
    <span class="what">
      <strong>{{ card.name }}</strong>
      <v-icon v-if="card.planned.pinned" :icon="mdiPinOutline" size="15" aria-label="put here by hand" />
      <span v-if="WORDS[card.state]" class="state">{{ WORDS[card.state] }}</span>
      <span class="quiet detail">{{ card.detail }}</span>
    </span>
    <v-menu v-if="!fixed">
      <template #activator="{ props: menu }">
        <v-btn
          v-bind="menu"
          :icon="mdiDotsVertical"
          size="small"
          :aria-label="`More for ${card.name}, run ${card.planned.repeat}`"
        />
      </template>
      <v-list>
        <v-list-item title="Move to …" @click="emit('move')" />
        <v-list-item v-if="card.planned.pinned" title="Let it move again" @click="emit('release')" />
        <v-list-item title="Set aside" @click="emit('aside')" />
      </v-list>
    </v-menu>
  </div>
</template>

<style scoped>
.card {
  display: flex;
  gap: 10px;
  align-items: center;
  min-height: 44px;
}
.grip {
  cursor: grab;
  touch-action: none;
  padding: 8px 2px;
}
.time {
  font-size: 0.9rem;
  white-space: nowrap;
}
.what {
  flex: 1;
  min-width: 0;
}
.detail {
  display: block;
  font-size: 0.82rem;
}
.state {
  margin-left: 8px;
  font-style: italic;
}
@media (max-width: 360px) {
  .time {
    width: 8ch;
    white-space: normal;
  }
}
.done .what strong {
  text-decoration: line-through;
  text-decoration-thickness: 1px;
}
</style>
