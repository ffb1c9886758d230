<script setup lang="ts">
import type { Logbook } from '@core/logbook/logbook'
import { useFiles } from '../../stores/files'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'

defineProps<{ file: string; incoming: Logbook }>()
const files = useFiles()
const logbook = useLogbook()
const notices = useNotices()

async function take(mode: 'merge' | 'replace') {
  try {
    if (!(await files.takeLogbook(mode))) return
    notices.say(
      mode === 'merge' ? 'The file was merged into the logbook.' : 'The logbook was replaced by the file.',
      logbook.undoEdition,
    )
  } catch (error) {
    notices.fail(error)
  }
}
</script>

<template>
  <section class="mt-4" aria-label="A logbook to bring in">
    <p>
      <strong>{{ file }}</strong> holds {{ incoming.devices.length }} devices,
      {{ incoming.sources.length }} sources and {{ incoming.runs.length }} runs.
    </p>
    <div class="d-flex ga-3 flex-wrap mt-2">
      <v-btn-main @click="take('merge')">Merge it in</v-btn-main>
      <v-btn-other @click="take('replace')">Replace my logbook with it</v-btn-other>
      <v-btn @click="files.openNext()">Leave it</v-btn>
    </div>
    <p class="quiet mt-2">
      Merging keeps what is here; where both hold the same run or gear, the file’s wins.
      <template v-if="!logbook.isEmpty"
        >Replacing removes the {{ logbook.runs.length }} runs that are here now.</template
      >
    </p>
  </section>
</template>
