<script setup lang="ts">
import { computed, watch } from 'vue'
import { closeSpot, spotField, spotSchema, type SpotChoice, type TypedSpot } from '@core/bench/spot'
import { expectationWords } from '@core/words/sentences/pairWords'
import { named, namedOrNot } from '../../forms/choices'
import FormFailure from '../../forms/FormFailure.vue'
import FormPick from '../../forms/FormPick.vue'
import FormText from '../../forms/FormText.vue'
import { useYupForm } from '../../forms/useYupForm'
import { useBench } from '../../stores/bench'
import { useExpected } from '../../stores/expected'
import { useLogbook } from '../../stores/logbook'
import FeedPicker from './FeedPicker.vue'

/** What the next spot check is set up with: as the last, with the next source. */
const props = defineProps<{ initial: TypedSpot }>()
const bench = useBench()
const logbook = useLogbook()
const expectedOf = useExpected()
const { form, values, submit, failure, busy } = useYupForm({
  schema: () => spotSchema,
  initial: props.initial,
  shape: closeSpot,
  fieldOf: spotField,
})
const [feed] = form.defineField('feed')
const meters = computed(() => logbook.meters.filter((m) => m.kind === 'power meter'))
const takes = computed(() => (logbook.source(values.sourceId)?.takes ?? '') !== '')
watch(
  () => values.sourceId,
  (id) => form.setFieldValue('conditions.fedFromId', logbook.source(id)?.fedFromId ?? null),
)
const expectation = computed(() => {
  const expected = expectedOf(values)
  return expected ? expectationWords(expected) : ''
})
const begin = submit(async ({ lane, countAtStart }: SpotChoice) => {
  await bench.start(lane, countAtStart === undefined ? {} : { counterWh: countAtStart })
})
</script>

<template>
  <form class="fields spot" novalidate aria-label="A spot check" @submit.prevent="begin()">
    <FormPick name="deviceId" label="Device" :items="named(logbook.devices)" />
    <FormPick name="sourceId" label="Source" :items="named(logbook.sources)" />
    <FormPick name="cableId" label="Cable" :items="namedOrNot(logbook.cables)" />
    <FormPick
      v-if="takes"
      name="conditions.fedFromId"
      label="Fed from"
      :items="namedOrNot(logbook.sources.filter((s) => s.id !== values.sourceId))"
    />
    <FormPick v-if="meters.length" name="conditions.meterId" label="Meter" :items="namedOrNot(meters)" />
    <FormText name="startPercent" label="Start level" suffix="%" numeric autofocus />
    <FormText name="minutes" label="For" suffix="min" numeric />
    <FormText
      name="conditions.deviceState"
      label="State of the device"
      placeholder="Like asleep, flight mode"
    />
    <FormText
      v-if="feed.kind === 'hand'"
      name="countAtStart"
      label="Count at the start"
      hint="Empty where the meter was set to nothing"
      suffix="Wh"
      numeric
    />
    <FeedPicker v-model="feed" :seed="1 + logbook.runs.length" />
    <p class="wide">{{ expectation }}</p>
    <FormFailure :text="failure" />
    <div class="wide">
      <v-btn-main type="submit" size="large" :loading="busy">Start the clock</v-btn-main>
      <span v-if="feed.kind === 'hand'" class="quiet hint"
        >Set the meter’s count to nothing or type it, and press as you plug in.</span
      >
    </div>
  </form>
</template>

<style scoped>
.spot {
  --field-least: 240px;
  gap: 16px 32px;
  margin-top: 20px;
}
.hint {
  margin-left: 16px;
}
</style>
