<script setup lang="ts">
import { computed, ref } from 'vue'
import { ownEfficiency } from '@core/analysis/ownEfficiency'
import { ASSUMED_EFFICIENCY } from '@core/analysis/spot'
import { capacityOf } from '@core/gear/capacity'
import { isSound } from '@core/logbook/run'
import { ASSUMED_USABLE_SHARE, chargesIn, hoursOn, packFor, wattsOfUse } from '@core/model/budget'
import { decimal } from '@core/trace/decimal'
import { duration, figure } from '@core/words/figures'
import EmptyPage from '../../components/EmptyPage.vue'
import FormPick from '../../forms/FormPick.vue'
import FormText from '../../forms/FormText.vue'
import { useAnalyses } from '../../stores/analyses'
import { useLogbook } from '../../stores/logbook'
import { useTelling } from '../../stores/telling'
import ShelfTabs from './ShelfTabs.vue'

/** How many charges a bank holds, what pack a device needs, and how long a use goes on it. */
const logbook = useLogbook()
const analyses = useAnalyses()
const told = useTelling()
void analyses.fill()
const deviceId = ref(logbook.devices[0]?.id ?? '')
const [packWh, sharePercent, charges, useWh, useMinutes] = [ref(''), ref(''), ref('1'), ref(''), ref('')]
const device = computed(() => logbook.device(deviceId.value))

const positive = (text: string) => {
  const number = decimal(text)
  return number > 0 ? number : NaN
}
const fault = (text: string, most = Infinity) =>
  text.trim() === '' || (positive(text) <= most && positive(text) > 0)
    ? ''
    : most === Infinity
      ? 'A number above 0.'
      : `Above 0 and up to ${most}.`
const share = computed(() => {
  const typed = positive(sharePercent.value) / 100
  return typed > 0 && typed <= 1 ? typed : undefined
})
/** The device's own efficiency where its runs tell it; else what is usual. */
const own = computed(() =>
  ownEfficiency(
    told.ofCharging
      .filter((r) => r.deviceId === deviceId.value && isSound(r))
      .flatMap(({ id }) => analyses.headline(id) ?? []),
  ),
)
const chargeWh = computed(() =>
  device.value ? capacityOf(device.value).usableWh / (own.value ?? ASSUMED_EFFICIENCY) : NaN,
)
const held = computed(() => chargesIn(positive(packWh.value), chargeWh.value, share.value))
const pack = computed(() => packFor(chargeWh.value, positive(charges.value), share.value))
const useW = computed(() => wattsOfUse(positive(useWh.value), positive(useMinutes.value)))
const hours = computed(() => hoursOn(positive(packWh.value), useW.value, share.value))
const named = computed(() => logbook.devices.map((d) => ({ value: d.id, title: d.name })))
</script>

<template>
  <div class="page">
    <h1>Shelf</h1>
    <p class="quiet">What a pack or panel must hold, and how far it goes.</p>
    <ShelfTabs />
    <EmptyPage v-if="!device" title="No device yet" text="A budget needs a device with its capacity.">
      <v-btn-main to="/shelf">Go to the shelf</v-btn-main>
    </EmptyPage>
    <template v-else>
      <div class="fields mt-3">
        <FormPick v-model="deviceId" label="Device" :items="named" />
        <FormText v-model="packWh" label="Pack holds" suffix="Wh" numeric :error="fault(packWh)" />
        <FormText
          v-model="sharePercent"
          label="of which is usable"
          suffix="%"
          numeric
          :placeholder="`${100 * ASSUMED_USABLE_SHARE}, assumed`"
          persistent-placeholder
          :error="fault(sharePercent, 100)"
        />
        <FormText v-model="charges" label="Charges wanted" numeric :error="fault(charges)" />
        <FormText v-model="useWh" label="A use takes" suffix="Wh" numeric :error="fault(useWh)" />
        <FormText v-model="useMinutes" label="in" suffix="min" numeric :error="fault(useMinutes)" />
      </div>
      <dl data-testid="budget">
        <div>
          <dt>One full charge at the meter</dt>
          <dd>
            {{ figure(chargeWh, 1, 'Wh') }}
            <span class="quiet" :class="{ assumed: own === undefined }">{{
              own === undefined
                ? `${100 * ASSUMED_EFFICIENCY} % arriving, assumed`
                : `${figure(100 * own, 0, '%')} arriving, as its runs tell`
            }}</span>
          </dd>
        </div>
        <div>
          <dt>Charges in the pack</dt>
          <dd>{{ figure(held.value, 1) }}</dd>
        </div>
        <div>
          <dt>Pack for {{ charges || '…' }} {{ charges === '1' ? 'charge' : 'charges' }}</dt>
          <dd>{{ figure(pack.value, 0, 'Wh') }}</dd>
        </div>
        <div>
          <dt>The use draws</dt>
          <dd>{{ figure(useW, 1, 'W') }}</dd>
        </div>
        <div>
          <dt>and goes on the pack for</dt>
          <dd>{{ duration(hours.value * 3600) }}</dd>
        </div>
      </dl>
    </template>
  </div>
</template>

<style scoped>
dl {
  margin-top: 18px;
  max-width: 720px;
}
dl > div {
  display: grid;
  grid-template-columns: minmax(160px, 280px) 1fr;
  gap: 4px 20px;
  padding: 6px 0;
  border-bottom: var(--hairline);
}
dd {
  font-weight: 600;
}
</style>
