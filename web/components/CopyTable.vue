<script setup lang="ts">
import { useClipboard } from '@vueuse/core'
import { ref } from 'vue'
import { tableText, type TableForm, type TextTable } from '@core/formats/tableText'

/** Copies a table as it stands: for a text, a spreadsheet or a page. */
const props = defineProps<{ table: () => TextTable; name: string }>()
const { copy } = useClipboard({ legacy: true })
const told = ref('')
const FORMS: { form: TableForm; title: string }[] = [
  { form: 'cells', title: 'Cells' },
  { form: 'csv', title: 'CSV' },
  { form: 'markdown', title: 'Markdown' },
  { form: 'text', title: 'Text' },
]

async function take(form: TableForm, title: string) {
  try {
    await copy(tableText(props.table(), form))
    told.value = `Copied as ${title}.`
  } catch {
    told.value = 'The browser did not let it be copied.'
  }
}
</script>

<template>
  <span class="copy" role="group" :aria-label="`Copy ${name}`">
    <span class="quiet">Copy as</span>
    <v-btn v-for="f in FORMS" :key="f.form" size="small" variant="text" @click="take(f.form, f.title)">{{
      f.title
    }}</v-btn>
    <span class="quiet" role="status">{{ told }}</span>
  </span>
</template>

<style scoped>
.copy {
  font-size: 0.84rem;
}
</style>
