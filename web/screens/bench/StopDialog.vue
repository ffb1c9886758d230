<script setup lang="ts">
import { computed, ref } from 'vue'
import { useRouter } from 'vue-router'
import { stopReached } from '@core/bench/stop'
import { stopInWords } from '@core/protocol/stopping'
import { useBench } from '../../stores/bench'
import { takeLaneFile } from './laneFile'
import type { Lane } from '../../stores/lane'
import { useNotices } from '../../stores/notices'
import { usePutBack } from '../../stores/putBack'

const props = defineProps<{ lane: Lane }>()
const bench = useBench()
const notices = useNotices()
const router = useRouter()
const open = ref(false)
const reason = ref('')
const needsReason = ref(false)

/** A run that its rule did not end is kept as stopped early, and its place in the plan stays open. */
const early = computed(() => {
  void open.value
  void props.lane.count
  const { stop } = props.lane.setup
  return stop.kind !== 'open' && stopReached(stop, props.lane.state, props.lane.elapsedS) === null
})
const nothing = computed(() => props.lane.count >= 0 && props.lane.state.readings.length === 0)

async function finish(spoilt: boolean) {
  if (spoilt && !reason.value.trim()) {
    needsReason.value = true
    return
  }
  try {
    const run = await bench.finish(props.lane, { spoilt, reason: reason.value.trim() })
    const repeat = run.state !== 'done' && run.planned ? ' A repeat of it waits in the plan.' : ''
    notices.say(`The run is in the logbook.${repeat} Put protective charging settings back as they were.`)
    // While other lanes run, the bench is where the reviewer is needed.
    if (!bench.running) await router.push(usePutBack().texts.length ? '/bench' : `/sheet/${run.id}`)
  } catch (error) {
    notices.fail(error)
  }
}

const powerCut = () => {
  reason.value ||= 'The power was cut.'
  return finish(true)
}
async function takeOff() {
  try {
    await bench.takeOff(props.lane)
  } catch (error) {
    notices.fail(error)
  }
}
/** The way out when the browser refuses to store: the lane's readings as a file. */
const takeFile = () => takeLaneFile(props.lane)
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
          <p v-if="nothing">Nothing was read on this lane: there is no run to keep.</p>
          <p v-else>Its readings go into the logbook either way.</p>
          <p v-if="early && !nothing" class="early">
            Its rule is to stop {{ stopInWords(lane.setup.stop) }}, and that has not come. It is kept as
            stopped early; its place in the plan stays open.
          </p>
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
          <v-btn v-if="nothing" variant="flat" color="primary" @click="takeOff">Take it off the bench</v-btn>
          <template v-else>
            <v-btn @click="powerCut">Power was cut</v-btn>
            <v-btn @click="finish(true)">Keep as spoilt</v-btn>
            <v-btn variant="flat" color="primary" @click="finish(false)">Stop and keep</v-btn>
          </template>
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
