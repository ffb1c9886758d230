<script setup lang="ts">
import { computed, ref, useTemplateRef } from 'vue'
import { channelsOf } from '@core/trace/trace'
import FormPick from '../../forms/FormPick.vue'
import type { JoinedEnds, OneEnd } from '../../stores/importedRun'
import ContinuePart from './ContinuePart.vue'
import JoinPart from './JoinPart.vue'

/** A file that joins another one of its run: read at the other end, or begun after the first had stopped. */
const props = defineProps<{ first: OneEnd; second: OneEnd }>()
const WAYS = [
  { value: 'end', title: 'the other end of it' },
  { value: 'after', title: 'what came after it' },
]
/** What reads the same things went on; what reads others looked from the other end. */
const isSameKind = computed(
  () => channelsOf(props.first.trace).join() === channelsOf(props.second.trace).join(),
)
const chosen = ref<'end' | 'after'>()
const way = computed({
  get: () => chosen.value ?? (isSameKind.value ? 'after' : 'end'),
  set: (to) => (chosen.value = to),
})
const isAfter = computed(() => way.value === 'after')
const join = useTemplateRef<{ take: () => Promise<JoinedEnds> }>('join')
const goingOn = useTemplateRef<{ take: () => JoinedEnds | null; isWhole: boolean }>('goingOn')
defineExpose({
  take: async (): Promise<JoinedEnds | undefined> =>
    (isAfter.value ? goingOn.value?.take() : await join.value?.take()) ?? undefined,
  /** Further files may follow what came after. */
  isAfter,
  isReady: computed(() => !isAfter.value || goingOn.value?.isWhole === true),
})
</script>

<template>
  <FormPick v-model="way" :label="`To ${first.file} it is`" :items="WAYS" class="way" />
  <ContinuePart v-if="isAfter" ref="goingOn" :first="first" :second="second" />
  <JoinPart v-else ref="join" :first="first" :second="second" />
</template>

<style scoped>
.way {
  max-width: 420px;
}
</style>
