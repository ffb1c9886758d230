<script setup lang="ts">
import { computed, ref } from 'vue'
import { stopReached } from '@core/bench/stop'
import { stopSchema } from '@core/protocol/entry'
import { stopInWords } from '@core/protocol/stopping'
import FormDialog from '../../forms/FormDialog.vue'
import FormText from '../../forms/FormText.vue'
import { useYupForm } from '../../forms/useYupForm'
import { useBench } from '../../stores/bench'
import { takeLaneFile } from './laneFile'
import type { Lane } from '../../stores/lane'
import { useNotices } from '../../stores/notices'
import { usePutBack } from '../../stores/putBack'
import { useGoOn } from '../../composables/goOn'
import { holdPointer } from '../../composables/holdPointer'
import { placeOf } from '../../composables/places'

const props = defineProps<{ lane: Lane; small?: boolean }>()
const bench = useBench()
const notices = useNotices()
const goOn = useGoOn()
const open = ref(false)
const { form, submit, failure } = useYupForm({
  schema: () => stopSchema,
  initial: { reason: '', spoilt: false },
})

/** A run that its rule did not end is kept as stopped early, and its place in the plan stays open. */
const early = computed(() => {
  void open.value
  void props.lane.count
  const { stop } = props.lane.setup
  return stop.kind !== 'open' && stopReached(stop, props.lane.state, props.lane.elapsedS) === null
})
const nothing = computed(() => props.lane.count >= 0 && props.lane.state.readings.length === 0)

const finish = submit(async ({ reason, spoilt }: { reason: string; spoilt: boolean }) => {
  const run = await bench.finish(props.lane, { spoilt, reason })
  const repeat = run.state !== 'done' && run.planned ? ' A repeat of it waits in the plan.' : ''
  notices.say(`The run is in the logbook.${repeat} Put protective charging settings back as they were.`)
  // While other lanes run, the bench is where the reviewer is needed.
  if (!bench.running) await goOn(usePutBack().texts.length ? '/bench' : placeOf('sheet', run.id))
})
function stop(spoilt: boolean) {
  form.setFieldValue('spoilt', spoilt)
  return finish()
}
function powerCut() {
  if (!form.values.reason.trim()) form.setFieldValue('reason', 'The power was cut.')
  return stop(true)
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
  <div class="stop" :class="{ small }">
    <!-- One button all along: a finger may be on it as the rule is met. -->
    <v-btn
      :size="small ? 'small' : undefined"
      :class="{ quiet: small && !lane.offerStop }"
      :variant="lane.offerStop ? 'flat' : small ? undefined : 'outlined'"
      :color="lane.offerStop ? 'primary' : undefined"
      aria-label="Stop this run"
      @pointerdown="holdPointer"
      @click="open = true"
      >{{ small && !lane.offerStop ? 'Stop' : 'Stop this run' }}</v-btn
    >
    <v-btn-main v-if="bench.alarm" color="error" @click="takeFile">Take the file now</v-btn-main>
    <p v-if="lane.offerStop" class="offer" role="status">
      {{ lane.offerStop }}<template v-if="!small"> The stop rule is met; stop when you are ready.</template>
    </p>
    <FormDialog
      v-model="open"
      title="Stop this run"
      leave="Go on charging"
      :failure="failure"
      @submit="nothing || stop(form.values.reason.trim() !== '')"
    >
      <p v-if="nothing">Nothing was read on this lane: there is no run to keep.</p>
      <p v-else>Its readings go into the logbook either way.</p>
      <p v-if="early && !nothing" class="early">
        Its rule is to stop {{ stopInWords(lane.setup.stop) }}, and that has not come. It is kept as stopped
        early; its place in the plan stays open.
      </p>
      <FormText name="reason" label="If it is spoilt, what happened?" />
      <template #actions>
        <v-btn-main v-if="nothing" @click="takeOff">Take it off the bench</v-btn-main>
        <template v-else>
          <v-btn @click="powerCut">Power was cut</v-btn>
          <v-btn @click="stop(true)">Keep as spoilt</v-btn>
          <v-btn-main @click="stop(false)">Stop and keep</v-btn-main>
        </template>
      </template>
    </FormDialog>
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
.stop.small {
  margin: 0;
  gap: 2px;
  justify-content: flex-end;
  flex: 0 0 auto;
  max-width: 60%;
}
.stop.small .offer {
  font-size: 0.84rem;
  line-height: 1.2;
  text-align: right;
}
</style>
