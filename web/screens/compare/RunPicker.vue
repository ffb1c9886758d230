<script setup lang="ts">
import { computed } from 'vue'
import { isSimulated, RUN_STATE_WORDS } from '@core/logbook/run'
import { datedName } from '@core/words/names'
import FormPick from '../../forms/FormPick.vue'
import { useLogbook } from '../../stores/logbook'

const chosen = defineModel<string[]>('chosen', { required: true })
const baseline = defineModel<string>('baseline', { required: true })
const logbook = useLogbook()

const items = computed(() =>
  logbook.runs.map((r) => ({
    value: r.id,
    title: datedName(
      logbook.nameOf(r),
      r.startedAt,
      isSimulated(r) && 'simulated',
      r.state !== 'done' && RUN_STATE_WORDS[r.state],
    ),
  })),
)
const chosenItems = computed(() => items.value.filter((i) => chosen.value.includes(i.value)))
</script>

<template>
  <div class="picker">
    <v-autocomplete
      v-model="chosen"
      :items="items"
      label="Runs"
      multiple
      chips
      closable-chips
      variant="underlined"
      hide-details
      color="primary"
    />
    <FormPick v-if="chosen.length > 1" v-model="baseline" :items="chosenItems" label="Baseline" />
  </div>
</template>

<style scoped>
.picker {
  display: grid;
  grid-template-columns: 2fr 1fr;
  gap: 12px 32px;
  margin: 8px 0 16px;
  align-items: end;
}
@media (max-width: 760px) {
  .picker {
    grid-template-columns: 1fr;
  }
}
</style>
