<script setup lang="ts">
import { counted } from '@core/words/lists'
import { ref } from 'vue'
import FormDialog from '../../forms/FormDialog.vue'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'

const open = defineModel<boolean>({ required: true })
const logbook = useLogbook()
const notices = useNotices()
const failure = ref('')

async function wipe() {
  try {
    await logbook.wipe()
    open.value = false
    notices.say('The logbook is empty.', logbook.undoEdition)
  } catch (error) {
    failure.value = (error as Error).message
  }
}
</script>

<template>
  <FormDialog
    v-model="open"
    title="Wipe the logbook"
    leave="Keep everything"
    main="Wipe it"
    danger
    :failure="failure"
    @submit="wipe"
  >
    {{ counted(logbook.runs.length, 'run') }} and the whole shelf leave this browser. Take the file first
    unless you have it already.
  </FormDialog>
</template>
