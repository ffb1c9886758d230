<script setup lang="ts">
import { counted } from '@core/words/lists'
import { computed } from 'vue'
import type { Logbook } from '@core/logbook/logbook'
import { mergePreview } from '@core/logbook/preview'
import { useFiles } from '../../stores/files'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'
import { useOtherReadings } from './useOtherReadings'

const props = defineProps<{
  file: string
  incoming: Logbook
  /** Of a data package: which of its files are not as they were written. */
  from?: { changed: string[]; checked: number }
}>()
const files = useFiles()
const logbook = useLogbook()
const notices = useNotices()

const MOST_NAMED = 5
const otherReadings = useOtherReadings(() => props.incoming)
/** What a merge would do, before it happens. */
const preview = computed(() =>
  mergePreview(
    logbook,
    { ...props.incoming, runs: props.incoming.runs.map(({ run }) => run) },
    otherReadings.value,
  ),
)
const staying = computed(() => preview.value.some((p) => p.staying.length > 0))
const named = (names: readonly string[]): string =>
  names.slice(0, MOST_NAMED).join(', ') +
  (names.length > MOST_NAMED ? ` and ${names.length - MOST_NAMED} more` : '')

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
      <strong>{{ file }}</strong> holds {{ counted(incoming.devices.length, 'device') }},
      {{ counted(incoming.sources.length, 'source') }} and {{ counted(incoming.runs.length, 'run') }}.
    </p>
    <v-alert
      v-if="from"
      :type="from.changed.length ? 'warning' : 'success'"
      variant="tonal"
      class="my-3"
      data-testid="checksums"
    >
      {{
        from.changed.length
          ? `Changed since it was written, by its checksums: ${from.changed.join(', ')}.`
          : `All ${from.checked} files are as they were written, by their checksums.`
      }}
    </v-alert>
    <table v-if="!logbook.isEmpty" class="ruled" data-testid="preview">
      <thead>
        <tr>
          <th scope="col">Merging</th>
          <th scope="col" class="number">new</th>
          <th scope="col" class="number">the same</th>
          <th scope="col">different: the file’s counts</th>
          <th v-if="staying" scope="col">different: yours stays</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="p in preview" :key="p.called">
          <th scope="row">{{ p.called }}s</th>
          <td class="number">{{ p.fresh }}</td>
          <td class="number">{{ p.same }}</td>
          <td>{{ named(p.differing) }}</td>
          <td v-if="staying">{{ named(p.staying) }}</td>
        </tr>
      </tbody>
    </table>
    <div class="d-flex ga-3 flex-wrap mt-2">
      <v-btn-main @click="take('merge')">Merge it in</v-btn-main>
      <v-btn-other @click="take('replace')">Replace my logbook with it</v-btn-other>
      <v-btn @click="files.openNext()">Leave it</v-btn>
    </div>
    <p class="quiet mt-2">
      Merging keeps what is here; where both hold the same run or gear, the file’s wins, unless what is here
      was put right, or written, since.
      <template v-if="!logbook.isEmpty"
        >Replacing removes what is here now, {{ counted(logbook.runs.length, 'run') }}.</template
      >
    </p>
  </section>
</template>
