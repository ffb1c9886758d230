<script setup lang="ts">
import { ref } from 'vue'
import FormDialog from '../../forms/FormDialog.vue'
import FormText from '../../forms/FormText.vue'
import { useFiles } from '../../stores/files'

/** A table pasted from a spreadsheet, or typed like one. */
const open = defineModel<boolean>({ required: true })
const files = useFiles()
const typed = ref('')
async function read() {
  const text = typed.value
  open.value = false
  await files.openAll([new File([text], 'the pasted table', { type: 'text/csv' })])
  typed.value = ''
}
</script>

<template>
  <FormDialog
    v-model="open"
    title="Paste or type a table"
    leave="Leave it"
    main="Read it"
    :width="640"
    @submit="read"
  >
    <p class="quiet mb-3">
      Cells copied from a spreadsheet, lines like “time_s;battery_percent;power_w” and below “0;5;18.2”, or
      notes like “19:30 5 % 18 W”. The first line names the columns: a time, and what was read; or columns of
      several chargers. Without names, units tell, or you are asked what each column holds.
    </p>
    <FormText v-model="typed" label="Table" multiline autofocus rows="10" class="figure" />
  </FormDialog>
</template>
