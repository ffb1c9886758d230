<script setup lang="ts">
import { onMounted, reactive, ref, useTemplateRef } from 'vue'
import { ValidationError } from 'yup'
import { duration, figure } from '@core/format/figures'
import { entrySchema } from '@core/protocol/entry'
import { useBench } from '../../stores/bench'
import type { Lane } from '../../stores/lane'

const props = defineProps<{ lane: Lane }>()
const bench = useBench()
const typed = reactive({ percent: '', power: '', voltage: '', current: '' })
const errors = ref<Record<string, string>>({})
const mode = ref<'watts' | 'volts'>('watts')
const saved = ref('')
const busy = ref(false)
const form = useTemplateRef<HTMLFormElement>('form')

const inputs = () => Array.from(form.value?.querySelectorAll('input') ?? [])
onMounted(() => inputs()[0]?.focus())

/** Enter goes to the next field, and from the last one notes the reading: no mouse is needed. */
function enter(event: KeyboardEvent) {
  const fields = inputs()
  const next = fields[fields.indexOf(event.target as HTMLInputElement) + 1]
  if (!next) return
  event.preventDefault()
  next.focus()
  next.select()
}

async function note() {
  if (busy.value) return
  errors.value = {}
  const fields =
    mode.value === 'watts'
      ? { percent: typed.percent, power: typed.power }
      : { percent: typed.percent, voltage: typed.voltage, current: typed.current }
  let values
  try {
    values = entrySchema.validateSync(fields, { abortEarly: false })
  } catch (error) {
    const { inner, message, path } = error as ValidationError
    for (const e of inner.length ? inner : [{ path, message }])
      errors.value[e.path || 'percent'] ??= e.message
    return
  }
  busy.value = true
  const kept = Object.fromEntries(Object.entries(values).filter(([, v]) => v !== undefined))
  const reading = await bench.note(props.lane, kept)
  busy.value = false
  // The fields are cleared only now, when the reading is safe.
  Object.assign(typed, { percent: '', power: '', voltage: '', current: '' })
  saved.value = `Noted at ${duration(reading.t)}: ${[figure(reading.percent, 0, '%'), reading.power !== undefined ? figure(reading.power, 1, 'W') : ''].filter((t) => t && t !== '–').join(', ')}`
  inputs()[0]?.focus()
}

async function takeBack() {
  await bench.takeBack(props.lane)
  saved.value = 'The last reading was taken back.'
}
</script>

<template>
  <form
    ref="form"
    class="entry"
    novalidate
    aria-label="Note a reading"
    @submit.prevent="note"
    @keydown.enter="enter"
  >
    <v-text-field
      v-model="typed.percent"
      label="Level"
      suffix="%"
      inputmode="decimal"
      autocomplete="off"
      :error-messages="errors.percent"
    />
    <v-text-field
      v-if="mode === 'watts'"
      v-model="typed.power"
      label="Power"
      suffix="W"
      inputmode="decimal"
      autocomplete="off"
      :error-messages="errors.power"
    />
    <template v-else>
      <v-text-field
        v-model="typed.voltage"
        label="Volts"
        suffix="V"
        inputmode="decimal"
        autocomplete="off"
        :error-messages="errors.voltage"
      />
      <v-text-field
        v-model="typed.current"
        label="Amperes"
        suffix="A"
        inputmode="decimal"
        autocomplete="off"
        :error-messages="errors.current"
      />
    </template>
    <div class="buttons">
      <v-btn type="submit" variant="flat" color="primary" :loading="busy">Note a reading</v-btn>
      <v-btn @click="mode = mode === 'watts' ? 'volts' : 'watts'">{{
        mode === 'watts' ? 'Type volts and amperes' : 'Type watts'
      }}</v-btn>
      <v-btn v-if="lane.count > 1 && lane.readings.length > 1" @click="takeBack">Take back the last</v-btn>
    </div>
    <p class="saved quiet" role="status">{{ saved }}</p>
  </form>
</template>

<style scoped>
.entry {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 24px;
  align-items: start;
  margin: 4px 0 12px;
}
.entry > :deep(.v-input) {
  flex: 0 1 150px;
}
.entry :deep(input) {
  font-family: var(--figure-face);
  font-size: 1.5rem;
}
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding-top: 8px;
}
.buttons .v-btn {
  min-height: 44px;
}
.saved {
  flex-basis: 100%;
  min-height: 1.4em;
}
@media (max-width: 700px) {
  .entry > :deep(.v-input) {
    flex: 1 1 30%;
  }
  .buttons {
    flex-basis: 100%;
  }
}
</style>
