<script setup lang="ts">
import { mdiClose } from '@mdi/js'
import { computed, ref } from 'vue'
import type { Campaign } from '@core/plan/campaign'
import { CONDITIONS } from '@core/protocol/conditions'
import { CONDITION_KINDS, START_WAYS } from '@core/protocol/protocol'
import { useNotices } from '../../stores/notices'
import { usePlan } from '../../stores/plan'
import ReadingFields from './ReadingFields.vue'
import StopFields from './StopFields.vue'
import { useProtocolForm } from './useProtocolForm'

const props = defineProps<{ campaign: Campaign }>()
const plan = usePlan()
const notices = useNotices()
const { typed, errors, first, read, reset, addCondition, dropCondition } = useProtocolForm(
  () => props.campaign.protocol,
)
const chosen = ref(props.campaign.protocol.id)
const schools = computed(() => plan.protocols.map((p) => ({ value: p.id, title: p.name })))
const ways = Object.entries(START_WAYS).map(([value, title]) => ({ value, title }))
const addable = CONDITION_KINDS.map((value) => ({ value, title: CONDITIONS[value].label || 'In own words' }))

function takeUp(id: string) {
  const protocol = plan.protocols.find((p) => p.id === id)
  if (!protocol) return
  chosen.value = id
  reset(protocol)
}
async function keep(asOwn: boolean) {
  const protocol = read()
  if (!protocol) return
  try {
    const named = { ...protocol, id: chosen.value }
    if (asOwn) {
      const other = plan.protocols.some((p) => p.id === named.id && p.name !== named.name)
      if (other) named.id = crypto.randomUUID()
      await plan.keepProtocol(named)
      chosen.value = named.id
    }
    await plan.keep({ ...props.campaign, protocol: named })
    notices.say(
      asOwn ? `${named.name} is kept for other campaigns too.` : 'The protocol of this campaign is kept.',
    )
  } catch (error) {
    notices.fail(error)
  }
}
</script>

<template>
  <form class="fields" novalidate aria-label="Protocol" @submit.prevent="keep(false)">
    <v-select
      class="wide"
      :model-value="chosen"
      label="Start from a school"
      :items="schools"
      @update:model-value="takeUp"
    />
    <div class="wide school">
      <p><strong>Good for.</strong> {{ typed.goodFor || 'Not said yet.' }}</p>
      <p><strong>Hides.</strong> {{ typed.hides || 'Not said yet.' }}</p>
    </div>
    <v-text-field v-model="typed.name" label="Name" :error-messages="errors.name" />
    <v-text-field v-model="typed.goodFor" label="What it is good for" maxlength="400" />
    <v-text-field v-model="typed.hides" label="What it hides" maxlength="400" />
    <h2 class="wide">Start</h2>
    <v-text-field
      v-model="typed.startPercent"
      label="Start level"
      suffix="%"
      inputmode="decimal"
      :error-messages="errors.startPercent"
    />
    <v-select v-model="typed.startWay" label="Reached" :items="ways" :error-messages="errors.startWay" />
    <v-text-field
      v-model="typed.restMinutes"
      label="Rest"
      suffix="min"
      inputmode="decimal"
      :error-messages="errors.restMinutes"
    />
    <h2 class="wide">Readings</h2>
    <ReadingFields :typed="typed" :error="errors.reading" />
    <h2 class="wide">Temperatures</h2>
    <v-text-field
      v-model="typed.temperatureMinutes"
      label="Read at minutes"
      hint="Like 0 10 20 30; empty for none"
      :error-messages="errors.temperatureMinutes"
    />
    <v-text-field
      v-model="typed.temperaturePlaces"
      label="Places"
      hint="Like front, back"
      :error-messages="errors.temperaturePlaces"
    />
    <v-text-field
      v-model="typed.stopLimitC"
      label="Say stop at"
      suffix="°C"
      inputmode="decimal"
      :error-messages="errors.stopLimitC"
    />
    <h2 class="wide">Stop</h2>
    <StopFields :typed="typed" :error="errors.stop" />
    <h2 class="wide">What must be equal</h2>
    <div v-for="(c, i) in typed.conditions" :key="i" class="condition">
      <v-text-field
        v-model="c.required"
        :label="CONDITIONS[c.kind].label || 'In own words'"
        :error-messages="c.required.trim() ? '' : errors.conditions"
      />
      <v-btn
        :icon="mdiClose"
        size="small"
        :aria-label="`Drop ${CONDITIONS[c.kind].label || 'this condition'}`"
        @click="dropCondition(i)"
      />
    </div>
    <v-select
      :model-value="null"
      label="Add a condition"
      :items="addable"
      @update:model-value="(kind) => kind && addCondition(kind)"
    />
    <p class="wide quiet">
      Draining to nothing and fast charging again and again wear a battery. Protective settings switched off
      for a test must be put back: the campaign ends with a list of them.
    </p>
    <p v-if="first" class="wide failure" role="alert">{{ first }}</p>
    <div class="wide buttons">
      <v-btn type="submit" variant="flat" color="primary">Keep for this campaign</v-btn>
      <v-btn variant="outlined" @click="keep(true)">Keep under its name too</v-btn>
    </div>
  </form>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 230px), 1fr));
  gap: 8px 28px;
  align-items: start;
}
.wide {
  grid-column: 1 / -1;
}
.school {
  border-left: 3px solid rgb(var(--v-theme-primary));
  padding-left: 12px;
}
.condition {
  display: flex;
  align-items: center;
  gap: 4px;
}
.buttons {
  display: flex;
  gap: 12px;
  flex-wrap: wrap;
}
.failure {
  color: rgb(var(--v-theme-error));
}
</style>
