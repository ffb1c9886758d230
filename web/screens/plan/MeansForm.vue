<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { ValidationError } from 'yup'
import type { Campaign } from '@core/plan/campaign'
import { usualDrainHours } from '@core/plan/durations'
import { campaignSchema } from '@core/plan/schema'
import { eveningsOnly, usualWeek, weekendsOnly, WEEKDAYS } from '@core/plan/windows'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'
import { usePlan } from '../../stores/plan'

const props = defineProps<{ campaign: Campaign }>()
const plan = usePlan()
const logbook = useLogbook()
const notices = useNotices()
const errors = ref<Record<string, string>>({})

const { availability, means } = props.campaign
const typed = reactive({
  startDate: availability.startDate,
  daysOff: availability.daysOff.join(' '),
  days: availability.week.map((d) => ({ on: d !== null, from: d?.from ?? '18:30', to: d?.to ?? '22:30' })),
  meters: String(means.meters),
  lanes: String(means.lanes),
  sideBySide: means.sideBySide,
  setupMinutes: String(means.setupMinutes),
  marginPercent: String(means.marginPercent),
  seed: String(means.seed),
  units: Object.fromEntries(logbook.devices.map((d) => [d.id, String(means.units[d.id] ?? 1)])),
  drainHours: Object.fromEntries(
    logbook.devices.map((d) => [
      d.id,
      means.drainHours[d.id] === undefined ? '' : String(means.drainHours[d.id]),
    ]),
  ),
})
const devices = computed(() => {
  const used = new Set(props.campaign.pairs.map((p) => p.deviceId))
  return logbook.devices.filter((d) => used.has(d.id))
})
function takeWeek(week: Campaign['availability']['week']) {
  typed.days = week.map((d) => ({ on: d !== null, from: d?.from ?? '18:30', to: d?.to ?? '22:30' }))
}

/** Fields left empty fall back to what is usual, so they are not handed on. */
const filled = (record: Record<string, string>) =>
  Object.fromEntries(Object.entries(record).filter(([, v]) => String(v).trim() !== ''))

async function keep(thenLayOut: boolean) {
  errors.value = {}
  const draft = {
    ...props.campaign,
    availability: {
      startDate: typed.startDate,
      week: typed.days.map((d) => (d.on ? { from: d.from, to: d.to } : null)),
      daysOff: typed.daysOff.split(/[\s,;]+/).filter(Boolean),
    },
    means: {
      ...typed,
      units: filled(typed.units),
      drainHours: filled(typed.drainHours),
    },
  }
  try {
    const checked = campaignSchema.validateSync(draft, { abortEarly: false, stripUnknown: true })
    const kept = await plan.keep(checked)
    notices.say('Time and means are kept.')
    if (thenLayOut) {
      await plan.layOut(kept)
      emit('laid')
    }
  } catch (error) {
    if (!(error instanceof ValidationError)) return notices.fail(error)
    for (const e of error.inner.length ? error.inner : [error]) errors.value[e.path ?? 'form'] ??= e.message
  }
}
const emit = defineEmits<{ laid: [] }>()
const of = (path: string) => errors.value[path]
const first = computed(() => Object.values(errors.value)[0] ?? '')
</script>

<template>
  <form class="fields" novalidate aria-label="Time and means" @submit.prevent="keep(false)">
    <h2 class="wide">Free hours</h2>
    <v-text-field
      v-model="typed.startDate"
      type="date"
      label="From"
      :error-messages="of('availability.startDate')"
    />
    <v-text-field
      v-model="typed.daysOff"
      label="Days without"
      hint="Dates like 2026-03-14, parted by spaces"
      :error-messages="Object.entries(errors).find(([k]) => k.startsWith('availability.daysOff'))?.[1]"
    />
    <div class="wide presets">
      <v-btn size="small" variant="outlined" @click="takeWeek(eveningsOnly())">Evenings</v-btn>
      <v-btn size="small" variant="outlined" @click="takeWeek(usualWeek())">Evenings and weekends</v-btn>
      <v-btn size="small" variant="outlined" @click="takeWeek(weekendsOnly())">Weekends</v-btn>
    </div>
    <div class="wide week">
      <div v-for="(day, i) in typed.days" :key="i" class="day">
        <div><v-checkbox-btn v-model="day.on" :label="WEEKDAYS[i]" /></div>
        <template v-if="day.on">
          <div>
            <v-text-field
              v-model="day.from"
              :label="`${WEEKDAYS[i]} from`"
              :error-messages="of(`availability.week[${i}].from`)"
            />
          </div>
          <div>
            <v-text-field
              v-model="day.to"
              :label="`${WEEKDAYS[i]} to`"
              :error-messages="of(`availability.week[${i}].to`)"
            />
          </div>
        </template>
      </div>
    </div>
    <p v-if="of('availability.week')" class="wide failure" role="alert">{{ of('availability.week') }}</p>
    <h2 class="wide">The bench</h2>
    <v-text-field
      v-model="typed.meters"
      label="Meters"
      inputmode="numeric"
      hint="0 where only the shown level is read"
      :error-messages="of('means.meters')"
    />
    <v-text-field
      v-model="typed.lanes"
      label="Lanes at the strip"
      inputmode="numeric"
      :error-messages="of('means.lanes')"
    />
    <v-switch v-model="typed.sideBySide" color="primary" label="Runs may stand side by side" />
    <v-text-field
      v-model="typed.setupMinutes"
      label="Rigging a run takes"
      suffix="min"
      inputmode="decimal"
      :error-messages="of('means.setupMinutes')"
    />
    <v-text-field
      v-model="typed.marginPercent"
      label="Kept in hand"
      suffix="% of the time"
      inputmode="decimal"
      :error-messages="of('means.marginPercent')"
    />
    <v-text-field
      v-model="typed.seed"
      label="Seed of the order"
      inputmode="numeric"
      hint="Same seed, same order"
      :error-messages="of('means.seed')"
    />
    <p class="wide quiet">
      The order is shuffled: a source that always came first would get the device rested and the room cool,
      and win by it. Draining and resting may run outside the free hours; charging never does.
    </p>
    <h2 class="wide">Units and draining</h2>
    <div v-for="d in devices" :key="d.id" class="wide unit">
      <strong>{{ d.name }}</strong>
      <v-text-field
        v-model="typed.units[d.id]"
        :label="`Units of ${d.name}`"
        inputmode="numeric"
        :error-messages="of(`means.units.${d.id}`)"
      />
      <v-text-field
        v-model="typed.drainHours[d.id]"
        :label="`${d.name} drains from full in`"
        suffix="h"
        inputmode="decimal"
        :placeholder="String(usualDrainHours(d))"
        persistent-placeholder
        :hint="`${usualDrainHours(d)} h is assumed when empty`"
        :error-messages="of(`means.drainHours.${d.id}`)"
      />
    </div>
    <p v-if="first" class="wide failure" role="alert">{{ first }}</p>
    <div class="wide presets">
      <v-btn type="submit" variant="outlined">Keep</v-btn>
      <v-btn variant="flat" color="primary" :loading="plan.busy" @click="keep(true)"
        >Keep and lay out the runs</v-btn
      >
    </div>
  </form>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 200px), 1fr));
  gap: 8px 28px;
  align-items: start;
}
.wide {
  grid-column: 1 / -1;
}
.presets {
  display: flex;
  gap: 10px;
  flex-wrap: wrap;
}
.week {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 340px), 1fr));
  gap: 4px 32px;
}
.day {
  display: grid;
  grid-template-columns: 130px 1fr 1fr;
  gap: 10px;
  align-items: center;
  min-height: 56px;
}
.unit {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(160px, 1fr));
  gap: 16px;
  align-items: center;
}
.failure {
  color: rgb(var(--v-theme-error));
}
</style>
