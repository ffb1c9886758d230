<script setup lang="ts">
import { watchDebounced } from '@vueuse/core'
import { onBeforeUnmount } from 'vue'
import FormText from '../../forms/FormText.vue'
import { useKeptWords } from './useKeptWords'

/** Own words in Markdown; they stay when the figures change, and say so. */
const props = defineProps<{ words: string; changed: readonly string[] }>()
const emit = defineEmits<{ write: [words: string, over: readonly string[]] }>()
const { typed, theirs, keep, settle } = useKeptWords(
  () => props.words,
  (words, over) => emit('write', words, over),
)
/** So long after the last letter they are kept: who writes for an hour does not leave the field. */
watchDebounced(typed, keep, { debounce: 1000 })
onBeforeUnmount(keep)
const MOST_SHOWN = 6
</script>

<template>
  <div class="words">
    <v-alert v-if="changed.length" type="warning" variant="tonal" class="mb-2" data-testid="words-changed">
      Figures changed since these words were written:
      <ul>
        <li v-for="line in changed.slice(0, MOST_SHOWN)" :key="line">{{ line }}</li>
      </ul>
      <v-btn size="small" @click="settle(typed)">The words still hold</v-btn>
    </v-alert>
    <v-alert v-if="theirs !== null" type="warning" variant="tonal" class="mb-2" role="alert">
      Another tab wrote other words here while you typed. Neither is lost until you say so.
      <blockquote>{{ theirs || 'Nothing: they were taken out.' }}</blockquote>
      <v-btn size="small" @click="settle(`${typed}\n\n${theirs}`)">Keep both</v-btn>
      <v-btn size="small" @click="settle(typed)">Keep mine</v-btn>
      <v-btn size="small" @click="settle(theirs)">Take theirs</v-btn>
    </v-alert>
    <FormText v-model="typed" label="Own words (Markdown)" multiline maxlength="20000" @blur="keep" />
  </div>
</template>

<style scoped>
ul {
  margin-left: 20px;
}
blockquote {
  margin: 6px 0;
  padding-left: 12px;
  border-left: 1px solid;
  white-space: pre-wrap;
}
@media print {
  .words {
    display: none;
  }
}
</style>
