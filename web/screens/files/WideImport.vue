<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { namedBy, type WideChannel } from '@core/formats/wide'
import FormPick from '../../forms/FormPick.vue'
import { useLogbook } from '../../stores/logbook'
import type { OpenedTable } from '../../workers/files.worker'

/** A table with one column a charger: which column is whose. */
const props = defineProps<{ opened: OpenedTable; taking: boolean }>()
const emit = defineEmits<{
  take: [wide: { columns: { column: number; sourceId: string }[]; channel: WideChannel }]
}>()
const logbook = useLogbook()
const CHANNELS = [
  { value: 'percent', title: 'the level, %' },
  { value: 'power', title: 'watts' },
]
const sources = computed(() => [
  { value: '', title: 'leave out' },
  ...logbook.sources.map((s) => ({ value: s.id, title: s.name })),
])
const holds = ref<WideChannel>('percent')
const whose = reactive(
  Object.fromEntries(
    props.opened.wide.map((i) => {
      const at = namedBy(
        props.opened.headers[i],
        logbook.sources.map((s) => s.name),
      )
      return [i, logbook.sources[at]?.id ?? '']
    }),
  ) as Record<number, string>,
)
const columns = computed(() =>
  props.opened.wide.flatMap((column) => (whose[column] ? [{ column, sourceId: whose[column] }] : [])),
)
</script>

<template>
  <div class="columns">
    <FormPick v-model="holds" label="Each column holds" :items="CHANNELS" />
    <FormPick
      v-for="column in opened.wide"
      :key="column"
      v-model="whose[column]"
      :label="`“${opened.headers[column]}” is from`"
      :items="sources"
    />
  </div>
  <v-btn-main
    class="mt-3"
    :disabled="columns.length === 0"
    :loading="taking"
    @click="emit('take', { columns, channel: holds })"
    >Make {{ columns.length }} {{ columns.length === 1 ? 'run' : 'runs' }} of it</v-btn-main
  >
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
  gap: 8px 24px;
  margin-top: 8px;
}
</style>
