<script setup lang="ts">
import { ref } from 'vue'
import { useRouter } from 'vue-router'
import type { RunState } from '@core/logbook/run'
import { useBench } from '../../stores/bench'
import { download } from '../../composables/download'
import type { Lane } from '../../stores/lane'
import { useNotices } from '../../stores/notices'

const props = defineProps<{ lane: Lane }>()
const bench = useBench()
const notices = useNotices()
const router = useRouter()
const open = ref(false)
const reason = ref('')
const needsReason = ref(false)

async function finish(state: RunState) {
  if (state === 'spoilt' && !reason.value.trim()) {
    needsReason.value = true
    return
  }
  try {
    const run = await bench.finish(props.lane, state, reason.value.trim())
    const repeat = state === 'spoilt' && run.planned ? ' A repeat of it waits in the plan.' : ''
    notices.say(`The run is in the logbook.${repeat} Put protective charging settings back as they were.`)
    // While other lanes run, the bench is where the reviewer is needed.
    if (!bench.running) await router.push(bench.putBack.length ? '/bench' : `/sheet/${run.id}`)
  } catch (error) {
    notices.fail(error)
  }
}

const powerCut = () => {
  reason.value ||= 'The power was cut.'
  return finish('spoilt')
}
/** The way out when the browser refuses to store: the lane's readings as a file. */
const takeFile = () =>
  download(`lane-${props.lane.setup.runId.slice(0, 8)}.csv`, bench.laneCsv(props.lane), 'text/csv')
</script>

<template>
  <div class="stop">
    <p v-if="lane.offerStop" class="offer" role="status">
      {{ lane.offerStop }} The stop rule is met; stop when you are ready.
    </p>
    <v-btn
      :variant="lane.offerStop ? 'flat' : 'outlined'"
      :color="lane.offerStop ? 'primary' : undefined"
      @click="open = true"
      >Stop this run</v-btn
    >
    <v-btn v-if="bench.alarm" color="error" variant="flat" @click="takeFile">Take the file now</v-btn>
    <v-dialog v-model="open" max-width="520">
      <v-card>
        <v-card-title tag="h2">Stop this run</v-card-title>
        <v-card-text>
          <p>Its readings go into the logbook either way.</p>
          <v-text-field
            v-model="reason"
            label="If it is spoilt, what happened?"
            :error-messages="
              needsReason && !reason.trim() ? 'Say what spoilt it, so that it is known later.' : ''
            "
          />
        </v-card-text>
        <v-card-actions>
          <v-btn @click="open = false">Go on charging</v-btn>
          <v-spacer />
          <v-btn @click="powerCut">Power was cut</v-btn>
          <v-btn @click="finish('spoilt')">Keep as spoilt</v-btn>
          <v-btn variant="flat" color="primary" @click="finish('done')">Stop and keep</v-btn>
        </v-card-actions>
      </v-card>
    </v-dialog>
  </div>
</template>

<style scoped>
.stop {
  display: flex;
  gap: 12px;
  align-items: center;
  flex-wrap: wrap;
  margin-top: 8px;
}
.offer {
  font-weight: 600;
  flex-basis: 100%;
}
</style>
