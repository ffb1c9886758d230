<script setup lang="ts">
import { problemInWords } from '@core/formats/problem'
import { download } from '../../composables/download'
import type { ReadRecord } from '../../workers/files.worker'

/** What of a record could not be read: why none of it, or which places of it. */
const props = defineProps<{ file: string; failure: string; result: ReadRecord | null }>()
const MOST_SHOWN = 12
const takeFaults = () =>
  download(
    `${props.file}-faults.txt`,
    (props.result?.problems ?? []).map(problemInWords).join('\n'),
    'text/plain',
  )
</script>

<template>
  <v-alert v-if="failure" type="error" variant="tonal" role="alert" class="my-3"
    >{{ failure }} Nothing stored was changed.</v-alert
  >
  <v-alert v-if="result?.problems.length" type="warning" variant="tonal" role="alert" class="my-3">
    {{ result.problemCount }} {{ result.problemCount === 1 ? 'place' : 'places' }} could not be read;
    everything else is kept.
    <ul>
      <li v-for="(problem, i) in result.problems.slice(0, MOST_SHOWN)" :key="i">
        {{ problemInWords(problem) }}
      </li>
    </ul>
    <span v-if="result.problemCount > MOST_SHOWN"
      >and {{ result.problemCount - MOST_SHOWN }} more.
      <v-btn size="small" @click="takeFaults">Take the list</v-btn></span
    >
  </v-alert>
</template>

<style scoped>
ul {
  padding-left: 20px;
}
</style>
