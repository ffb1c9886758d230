<script setup lang="ts">
import { computed } from 'vue'
import { useFieldArray } from 'vee-validate'
import type { Campaign } from '@core/plan/campaign'
import { usualDrainHours } from '@core/plan/durations'
import { campaignSchema } from '@core/plan/schema'
import { closeMeans, meansField, openMeans, openWeek, type TypedDay } from '@core/plan/typedMeans'
import { eveningsOnly, usualWeek, weekendsOnly, WEEKDAYS } from '@core/plan/windows'
import FormCheck from '../../forms/FormCheck.vue'
import FormFailure from '../../forms/FormFailure.vue'
import FormText from '../../forms/FormText.vue'
import { useFollowing } from '../../forms/useFollowing'
import { useYupForm } from '../../forms/useYupForm'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'
import { usePlan } from '../../stores/plan'

const props = defineProps<{ campaign: Campaign }>()
const emit = defineEmits<{ laid: [] }>()
const plan = usePlan()
const logbook = useLogbook()
const notices = useNotices()

const used = new Set(props.campaign.pairs.map((p) => p.deviceId))
const devices = logbook.devices.filter((d) => used.has(d.id))
/** The campaign as the form found it: what is not touched here keeps what another tab writes meanwhile. */
let begun = props.campaign
const typed = () =>
  openMeans(
    props.campaign,
    devices.map((d) => d.id),
  )
const initial = typed()
const { form, values, submit, failure, busy } = useYupForm({
  schema: () => campaignSchema,
  initial,
  shape: (typed) => closeMeans(props.campaign, typed),
  fieldOf: (path) => meansField(initial, path),
  long: true,
})
useFollowing({ form, values }, typed)
const days = useFieldArray<TypedDay>('days')
const presets = [
  { title: 'Evenings', week: eveningsOnly },
  { title: 'Evenings and weekends', week: usualWeek },
  { title: 'Weekends', week: weekendsOnly },
]
const rows = computed(() =>
  devices.map((device, i) => ({ device, path: `devices[${i}]`, usual: usualDrainHours(device) })),
)

const keep = submit(async ({ availability, means }: Campaign, thenLayOut: boolean) => {
  const kept = await plan.keepTyped(begun, { availability, means })
  begun = kept
  notices.say('Time and means are kept.')
  if (!thenLayOut) return
  await plan.layOut(kept)
  emit('laid')
})
</script>

<template>
  <form class="fields means" novalidate aria-label="Time and means" @submit.prevent="keep(false)">
    <h2 class="wide">Free hours</h2>
    <FormText name="startDate" label="From" type="date" />
    <FormText name="daysOff" label="Days without" hint="Dates like 2026-03-14, parted by spaces" />
    <div class="wide buttons">
      <v-btn-other
        v-for="p in presets"
        :key="p.title"
        size="small"
        @click="days.replace(openWeek(p.week()))"
        >{{ p.title }}</v-btn-other
      >
    </div>
    <div class="wide week">
      <div v-for="(day, i) in days.fields.value" :key="day.key" class="day">
        <FormCheck :name="`days[${i}].on`" :label="WEEKDAYS[i]" />
        <template v-if="day.value.on">
          <FormText :name="`days[${i}].from`" :label="`${WEEKDAYS[i]} from`" />
          <FormText :name="`days[${i}].to`" :label="`${WEEKDAYS[i]} to`" />
          <FormText
            :name="`days[${i}].also`"
            class="also"
            :label="`${WEEKDAYS[i]}, and besides`"
            placeholder="6:30–7:45, 12:00–13:00"
          />
        </template>
      </div>
    </div>
    <h2 class="wide">The bench</h2>
    <FormText name="meters" label="Meters" numeric hint="0 where only the shown level is read" />
    <FormText name="lanes" label="Lanes at the strip" numeric />
    <FormCheck name="sideBySide" label="Runs may stand side by side" />
    <FormCheck name="sharePorts" label="Several ports of one source may be used at once" />
    <FormCheck name="drainAttended" label="Drain and rest only while somebody is there" />
    <FormText name="setupMinutes" label="Rigging a run takes" suffix="min" numeric />
    <FormText name="marginPercent" label="Kept in hand" suffix="% of the time" numeric />
    <FormText name="seed" label="Seed of the order" numeric hint="Same seed, same order" />
    <p class="wide quiet">
      The order is shuffled: a source that always came first would get the device rested and the room cool,
      and win by it. A source that shares its watts among its ports gives each less: where several are used at
      once, that is part of the result. Draining and resting may run outside the free hours, unless somebody
      is to be there; charging never does.
    </p>
    <h2 class="wide">Units and draining</h2>
    <div v-for="{ device, path, usual } in rows" :key="device.id" class="wide fields">
      <strong>{{ device.name }}</strong>
      <FormText :name="`${path}.units`" :label="`Units of ${device.name}`" numeric />
      <FormText
        :name="`${path}.drainHours`"
        :label="`${device.name} drains from full in`"
        suffix="h"
        numeric
        :placeholder="String(usual)"
        persistent-placeholder
        :hint="`${usual} h is assumed when empty`"
      />
    </div>
    <FormFailure :text="failure" />
    <div class="wide buttons">
      <v-btn-other type="submit">Keep</v-btn-other>
      <v-btn-main :loading="busy || plan.busy" @click="keep(true)">Keep and lay out the runs</v-btn-main>
    </div>
  </form>
</template>

<style scoped>
.means {
  --field-least: 200px;
}
.week {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 340px), 1fr));
  gap: 4px 32px;
}
.day {
  display: grid;
  grid-template-columns: 150px 1fr 1fr;
  gap: 10px;
  align-items: center;
  min-height: 56px;
}
.also {
  grid-column: 2 / -1;
}
</style>
