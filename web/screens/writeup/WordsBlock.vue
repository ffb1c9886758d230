<script setup lang="ts">
import { ref, watch } from 'vue'
import FormText from '../../forms/FormText.vue'

/** Own words in Markdown; they stay when the figures change, and say so. */
const props = defineProps<{ words: string; changed: readonly string[] }>()
const emit = defineEmits<{ write: [words: string] }>()
const typed = ref(props.words)
watch(
  () => props.words,
  (now) => (typed.value = now),
)
const MOST_SHOWN = 6
const keep = () => {
  if (typed.value !== props.words) emit('write', typed.value)
}
</script>

<template>
  <div class="words">
    <v-alert v-if="changed.length" type="warning" variant="tonal" class="mb-2" data-testid="words-changed">
      Figures changed since these words were written:
      <ul>
        <li v-for="line in changed.slice(0, MOST_SHOWN)" :key="line">{{ line }}</li>
      </ul>
      <v-btn size="small" @click="emit('write', typed)">The words still hold</v-btn>
    </v-alert>
    <FormText v-model="typed" label="Own words (Markdown)" multiline maxlength="20000" @blur="keep" />
  </div>
</template>

<style scoped>
ul {
  margin-left: 20px;
}
@media print {
  .words {
    display: none;
  }
}
</style>
