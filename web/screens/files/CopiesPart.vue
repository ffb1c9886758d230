<script setup lang="ts">
import { useNow } from '@vueuse/core'
import { computed } from 'vue'
import { duration } from '@core/words/figures'
import { useCopies } from '../../stores/copies'
import { useNotices } from '../../stores/notices'

/** Where else the logbook is, and how old each copy is. */
const copies = useCopies()
const notices = useNotices()
const now = useNow({ interval: 5000 })

const ago = (ms: number): string => `${duration(Math.max(0, (now.value.getTime() - ms) / 1000))} ago`
const second = computed(() => {
  const { kept, at, failure } = copies.second
  if (kept === false) return 'This browser keeps no second copy: take files more often.'
  if (failure) return `The second copy could not be written (${failure}).`
  return at === null
    ? 'Kept in this browser’s private files.'
    : `Kept in this browser’s private files, ${ago(at)}.`
})
const taken = computed(() =>
  copies.takenAt === null
    ? 'No file was taken from here yet.'
    : `Last taken ${ago(Date.parse(copies.takenAt))}.`,
)
const disk = computed(() => {
  const { file } = copies
  if (!file) return 'Not named yet.'
  if (file.failure) return `${file.name} could not be written (${file.failure}).`
  if (!file.mayWrite) return `The browser wants to be asked again before ${file.name} is written.`
  return file.writtenAt === null
    ? `${file.name}, not written since the start.`
    : `${file.name}, written ${ago(file.writtenAt)}.`
})
const run = (work: () => Promise<unknown>) => void work().catch(notices.fail)
</script>

<template>
  <section aria-label="Copies">
    <h2>Copies</h2>
    <dl>
      <dt>Files you took</dt>
      <dd data-testid="copy-taken">{{ taken }}</dd>
      <dt>Second copy</dt>
      <dd data-testid="copy-second">{{ second }}</dd>
      <template v-if="copies.canNameFile">
        <dt>A file on disk, rewritten after every run</dt>
        <dd data-testid="copy-disk">
          {{ disk }}
          <v-btn
            v-if="copies.file && !copies.file.mayWrite"
            size="small"
            @click="run(() => copies.rewrite(true))"
            >Allow it again</v-btn
          >
          <v-btn size="small" @click="run(copies.nameFile)">{{
            copies.file ? 'Name another' : 'Name a file'
          }}</v-btn>
          <v-btn v-if="copies.file" size="small" @click="run(copies.forget)">Stop writing it</v-btn>
        </dd>
      </template>
    </dl>
  </section>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: minmax(160px, auto) 1fr;
  gap: 6px 24px;
  margin: 0;
}
dt {
  font-weight: 600;
}
dd {
  margin: 0;
}
@media (max-width: 760px) {
  dl {
    grid-template-columns: 1fr;
  }
}
</style>
