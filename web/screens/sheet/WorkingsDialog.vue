<script setup lang="ts">
import type { Workings } from '@core/words/sentences/workings'
import FormDialog from '../../forms/FormDialog.vue'

/** How a figure was worked out. */
defineProps<{ workings: Workings }>()
const emit = defineEmits<{ done: [] }>()
</script>

<template>
  <FormDialog
    :title="`${workings.title}: how it was worked out`"
    leave="Close"
    :width="620"
    @update:model-value="emit('done')"
  >
    <p>{{ workings.rule }}</p>
    <p class="figure formula">{{ workings.formula }}</p>
    <dl v-if="workings.used.length">
      <div v-for="{ label, value } in workings.used" :key="label">
        <dt>{{ label }}</dt>
        <dd class="figure">{{ value }}</dd>
      </div>
    </dl>
    <p v-for="text in workings.assumed" :key="text"><span class="assumed">Assumed</span>: {{ text }}</p>
    <p class="quiet">Source: {{ workings.source }}</p>
  </FormDialog>
</template>

<style scoped>
.formula {
  border-left: 3px solid rgb(var(--v-theme-primary));
  padding-left: 10px;
}
dl > div {
  display: flex;
  justify-content: space-between;
  gap: 16px;
  border-bottom: var(--hairline);
  padding: 4px 0;
}
</style>
