<script setup lang="ts">
import { computed, ref } from 'vue'
import { drainedAtMs, preparingSchema, restedMinutes, type Preparing } from '@core/bench/preparing'
import { clock, figure } from '@core/words/figures'
import { timeOfDay } from '@core/words/moments'
import FormDialog from '../../forms/FormDialog.vue'
import FormPick from '../../forms/FormPick.vue'
import FormText from '../../forms/FormText.vue'
import { useYupForm } from '../../forms/useYupForm'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'
import { usePreparing } from '../../stores/preparing'

/** Draining and resting, each with a clock and a call. */
const logbook = useLogbook()
const notices = useNotices()
const preparing = usePreparing()
const adding = ref(false)
const free = computed(() =>
  logbook.devices
    .filter((d) => !preparing.list.some((p) => p.deviceId === d.id))
    .map((d) => ({ value: d.id, title: d.name })),
)
const { form, submit, failure, busy } = useYupForm({
  schema: () => preparingSchema,
  initial: { deviceId: '', fromPercent: '', toPercent: '1', restMinutes: '21' },
  shape: (typed) => ({ ...typed, drainFromMs: Date.now(), restFromMs: null }),
})
const begin = submit(async (p: Preparing) => {
  await preparing.begin(p)
  adding.value = false
})
function open() {
  form.resetForm()
  form.setFieldValue('deviceId', free.value[0]?.value ?? '')
  adding.value = true
}
const since = (ms: number) => clock(Math.max(0, (preparing.nowMs - ms) / 1000))
const at = (p: Preparing, hours: number) => timeOfDay(new Date(drainedAtMs(p, hours)).toISOString())

async function reached(deviceId: string) {
  try {
    const hours = await preparing.reached(deviceId)
    const device = logbook.device(deviceId)
    if (!device || Number.isNaN(hours)) return
    const drainHours = Math.round(hours * 10) / 10
    const learnt = { ...device, drainHours }
    await logbook.put('devices', learnt, device)
    const undo = async () => void (await logbook.put('devices', device, learnt))
    notices.say(
      `${device.name} drains from full in ${figure(drainHours, 1, 'h')}: the plan reckons with it.`,
      undo,
    )
  } catch (error) {
    notices.fail(error)
  }
}
</script>

<template>
  <section v-if="logbook.devices.length" aria-label="Preparation" class="prepare">
    <h2 v-if="preparing.rows.length">Draining and resting</h2>
    <ul>
      <li v-for="p in preparing.rows" :key="p.deviceId" :class="{ due: p.due }">
        <strong>{{ logbook.device(p.deviceId)?.name }}</strong>
        <template v-if="p.restFromMs === null">
          <span>
            drains from {{ p.fromPercent }} to {{ p.toPercent }} %,
            <span class="figure">{{ since(p.drainFromMs) }}</span>{{
              p.due === 'look' ? ': it should be there, look' : `; expected at ${at(p, p.hours)}`
            }}
          </span>
          <v-btn-other size="small" @click="reached(p.deviceId)">It shows {{ p.toPercent }} %</v-btn-other>
        </template>
        <span v-else>
          rests since <span class="figure">{{ since(p.restFromMs) }}</span>{{
            p.due === 'rested' ? ': it has rested' : p.restMinutes ? ` of ${p.restMinutes} min` : ''
          }}
          <span class="offscreen">{{ Math.round(restedMinutes(p, preparing.nowMs)) }} minutes</span>
        </span>
        <v-btn size="small" @click="preparing.done(p.deviceId).catch(notices.fail)">Take it off</v-btn>
      </li>
    </ul>
    <v-btn v-if="free.length" size="small" class="flush" @click="open"
      >Drain a device to its start level</v-btn
    >
    <FormDialog
      v-if="adding"
      title="Drain to the start level"
      leave="Not now"
      main="Start draining"
      :busy="busy"
      :failure="failure"
      @submit="begin()"
      @update:model-value="adding = false"
    >
      <FormPick name="deviceId" label="Device" :items="free" />
      <FormText name="fromPercent" label="It shows now" suffix="%" numeric autofocus />
      <FormText name="toPercent" label="Start level" suffix="%" numeric />
      <FormText name="restMinutes" label="Then rest" suffix="min" numeric />
      <p class="quiet">
        Draining to nothing wears a battery. Play a film or keep the screen on; do not leave a hot device
        alone.
      </p>
    </FormDialog>
  </section>
</template>

<style scoped>
.prepare {
  margin-top: 24px;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0 0 6px;
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
  min-height: 46px;
  border-bottom: var(--hairline);
}
li > span {
  flex: 1 1 240px;
}
.due > span {
  color: rgb(var(--v-theme-primary));
  font-weight: 600;
}
</style>
