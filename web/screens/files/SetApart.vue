<script setup lang="ts">
import { computed } from 'vue'
import { COLLECTIONS } from '@core/logbook/collections'
import { download } from '../../composables/download'
import { useBench } from '../../stores/bench'
import { useLogbook } from '../../stores/logbook'

/** What lies in the store and cannot be read: named, and to be had as it is. */
const logbook = useLogbook()
const bench = useBench()
const MOST_SHOWN = 12
const lanes = computed(() => bench.apart.length + bench.unclaimed.length)

/** Columns of numbers become lists; everything else is written as it lies there. */
const asText = (): string =>
  JSON.stringify(
    { records: logbook.apart, lanes: bench.apart, journals: bench.unclaimed },
    (_, value: unknown) => (value instanceof Float64Array ? Array.from(value) : value),
  )
const take = () => download('inkpath-set-apart.json', asText(), 'application/json')
</script>

<template>
  <v-alert v-if="logbook.apart.length || lanes" type="warning" variant="tonal" class="my-4" role="alert">
    {{ logbook.apart.length + lanes }}
    {{ logbook.apart.length + lanes === 1 ? 'record' : 'records' }} in the store cannot be read. They stay as
    they are, and nothing else is touched by them.
    <ul>
      <li v-for="a in logbook.apart.slice(0, MOST_SHOWN)" :key="`${a.collection}/${a.id}`">
        {{ COLLECTIONS[a.collection].called }} {{ a.id }}: {{ a.reason }}
      </li>
      <li v-if="lanes">{{ lanes }} {{ lanes === 1 ? 'lane' : 'lanes' }} of the bench</li>
    </ul>
    <span v-if="logbook.apart.length > MOST_SHOWN">and {{ logbook.apart.length - MOST_SHOWN }} more.</span>
    <template #append><v-btn-other @click="take">Take them out as they are</v-btn-other></template>
  </v-alert>
</template>

<style scoped>
ul {
  margin: 6px 0 6px 20px;
}
</style>
