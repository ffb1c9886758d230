<script setup lang="ts">
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'

const open = defineModel<boolean>({ required: true })
const logbook = useLogbook()
const notices = useNotices()

async function wipe() {
  try {
    await logbook.wipe()
    open.value = false
    notices.say('The logbook is empty.', logbook.undoEdition)
  } catch (error) {
    notices.fail(error)
  }
}
</script>

<template>
  <v-dialog v-model="open" max-width="480">
    <v-card>
      <v-card-title tag="h2">Wipe the logbook</v-card-title>
      <v-card-text>
        All {{ logbook.runs.length }} runs and the whole shelf leave this browser. Take the file first unless
        you have it already.
      </v-card-text>
      <v-card-actions>
        <v-spacer />
        <v-btn @click="open = false">Keep everything</v-btn>
        <v-btn variant="flat" color="error" @click="wipe">Wipe it</v-btn>
      </v-card-actions>
    </v-card>
  </v-dialog>
</template>
