<script setup lang="ts">
import { computed, ref } from 'vue'
import { dayAndTime } from '@core/words/moments'
import { download } from '../composables/download'
import { useNotices } from '../stores/notices'
import { useStartup, type Loss } from '../stores/startup'
import EmptyPage from './EmptyPage.vue'

/** The browser's store holds less than it held: said before anything else is shown, with what can be brought back. */
const props = defineProps<{ loss: Loss }>()
const startup = useStartup()
const notices = useNotices()
const busy = ref(false)

const counted = (runs: number, lanes: number): string =>
  `${runs} ${runs === 1 ? 'run' : 'runs'} and ${lanes} ${lanes === 1 ? 'lane' : 'lanes'} on the bench`
const copied = computed(() => props.loss.found.copied)
const hasCopy = computed(() => copied.value !== null || props.loss.found.lanes > 0)
const held = computed(() => {
  const { note, runs, lanes } = props.loss
  const before = note
    ? `On ${dayAndTime(note.at)} this browser’s store held ${counted(note.runs, note.lanes)}; now it`
    : 'This browser’s store'
  const behind = note ? '' : ', less than its second copy'
  return `${before} holds ${counted(runs, lanes)}${behind}. The browser may have lost or cleared its database.`
})
const offer = computed(() => {
  if (!hasCopy.value)
    return 'There is no second copy in this browser. Bring in the last file you took, on Files.'
  const { lanes } = props.loss.found
  const runs = copied.value?.logbook.runs.length ?? 0
  const left = copied.value?.left ?? 0
  const broken = left ? ` ${left} of its records cannot be read and stay behind.` : ''
  return `The second copy holds ${counted(runs, lanes)}.${broken}`
})

async function act(work: () => Promise<void>) {
  busy.value = true
  try {
    await work()
  } catch (error) {
    notices.fail(error)
  } finally {
    busy.value = false
  }
}
const takeFile = () =>
  act(async () => {
    const text = await startup.copyAsText()
    if (text) download('inkpath-second-copy.json', text, 'application/json')
  })
</script>

<template>
  <EmptyPage title="Something is missing" :text="`${held} ${offer}`">
    <v-btn-main v-if="hasCopy" :loading="busy" @click="act(startup.bringBack)"
      >Bring the second copy back</v-btn-main
    >
    <v-btn v-if="copied" :disabled="busy" @click="takeFile">Take it as a file</v-btn>
    <v-btn-other :disabled="busy" @click="act(startup.leaveLoss)">Go on with what is here</v-btn-other>
  </EmptyPage>
</template>
