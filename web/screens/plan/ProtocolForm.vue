<script setup lang="ts">
import { mdiClose } from '@mdi/js'
import { useFieldArray } from 'vee-validate'
import { computed, ref } from 'vue'
import type { Campaign } from '@core/plan/campaign'
import { CONDITIONS } from '@core/protocol/conditions'
import { CONDITION_KINDS, START_WAYS, type Condition, type Protocol } from '@core/protocol/protocol'
import { protocolSchema } from '@core/protocol/schema'
import { closeProtocol, openProtocol, protocolField } from '@core/protocol/typedProtocol'
import FormFailure from '../../forms/FormFailure.vue'
import FormPick from '../../forms/FormPick.vue'
import FormText from '../../forms/FormText.vue'
import ReadingFields from '../../forms/ReadingFields.vue'
import StopFields from '../../forms/StopFields.vue'
import { useFollowing } from '../../forms/useFollowing'
import { useYupForm } from '../../forms/useYupForm'
import { useNotices } from '../../stores/notices'
import { usePlan } from '../../stores/plan'

const props = defineProps<{ campaign: Campaign }>()
const plan = usePlan()
const notices = useNotices()
/** The campaign as the form found it: what is not touched here keeps what another tab writes meanwhile. */
let begun = props.campaign
const chosen = ref(props.campaign.protocol.id)
const { form, values, submit, failure, busy } = useYupForm({
  schema: () => protocolSchema,
  initial: openProtocol(props.campaign.protocol),
  shape: (typed) => closeProtocol(chosen.value, typed),
  fieldOf: protocolField,
  long: true,
})
useFollowing({ form, values }, () => openProtocol(props.campaign.protocol))
const conditions = useFieldArray<Condition>('conditions')
const schools = computed(() => plan.protocols.map((p) => ({ value: p.id, title: p.name })))
const ways = Object.entries(START_WAYS).map(([value, title]) => ({ value, title }))
const addable = CONDITION_KINDS.map((value) => ({ value, title: CONDITIONS[value].label || 'In own words' }))

function takeUp(id: unknown) {
  const protocol = plan.protocols.find((p) => p.id === id)
  if (!protocol) return
  chosen.value = protocol.id
  form.resetForm({ values: openProtocol(protocol) })
}
function addCondition(kind: unknown) {
  const known = CONDITION_KINDS.find((k) => k === kind)
  if (known) conditions.push({ kind: known, required: CONDITIONS[known].usual })
}
const keep = submit(async (protocol: Protocol, asOwn: boolean) => {
  const named = { ...protocol }
  if (asOwn) {
    const other = plan.protocols.some((p) => p.id === named.id && p.name !== named.name)
    if (other) named.id = crypto.randomUUID()
    await plan.keepProtocol(named)
    chosen.value = named.id
  }
  begun = await plan.keepTyped(begun, { protocol: named })
  notices.say(
    asOwn ? `${named.name} is kept for other campaigns too.` : 'The protocol of this campaign is kept.',
  )
})
</script>

<template>
  <form class="fields" novalidate aria-label="Protocol" @submit.prevent="keep(false)">
    <FormPick
      class="wide"
      :model-value="chosen"
      label="Start from a school"
      :items="schools"
      @update:model-value="takeUp"
    />
    <div class="wide school">
      <p><strong>Good for.</strong> {{ values.goodFor || 'Not said yet.' }}</p>
      <p><strong>Hides.</strong> {{ values.hides || 'Not said yet.' }}</p>
    </div>
    <FormText name="name" label="Name" />
    <FormText name="goodFor" label="What it is good for" maxlength="400" />
    <FormText name="hides" label="What it hides" maxlength="400" />
    <h2 class="wide">Start</h2>
    <FormText name="startPercent" label="Start level" suffix="%" numeric />
    <FormPick name="startWay" label="Reached" :items="ways" />
    <FormText name="restMinutes" label="Rest" suffix="min" numeric />
    <h2 class="wide">Readings</h2>
    <ReadingFields />
    <h2 class="wide">Temperatures</h2>
    <FormText name="temperatureMinutes" label="Read at minutes" hint="Like 0 10 20 30; empty for none" />
    <FormText name="temperaturePlaces" label="Places" hint="Like front, back" />
    <FormText name="stopLimitC" label="Say stop at" suffix="°C" numeric />
    <h2 class="wide">Stop</h2>
    <StopFields />
    <h2 class="wide">What must be equal</h2>
    <div v-for="(c, i) in conditions.fields.value" :key="c.key" class="condition">
      <FormText
        :name="`conditions[${i}].required`"
        :label="CONDITIONS[c.value.kind].label || 'In own words'"
      />
      <v-btn
        :icon="mdiClose"
        size="small"
        :aria-label="`Drop ${CONDITIONS[c.value.kind].label || 'this condition'}`"
        @click="conditions.remove(i)"
      />
    </div>
    <FormPick
      :model-value="null"
      label="Add a condition"
      :items="addable"
      @update:model-value="addCondition"
    />
    <p class="wide quiet">
      Draining to nothing and fast charging again and again wear a battery. Protective settings switched off
      for a test must be put back: the campaign ends with a list of them.
    </p>
    <FormFailure :text="failure" />
    <div class="wide buttons">
      <v-btn-main type="submit" :loading="busy">Keep for this campaign</v-btn-main>
      <v-btn-other @click="keep(true)">Keep under its name too</v-btn-other>
    </div>
  </form>
</template>

<style scoped>
.school {
  border-left: 3px solid rgb(var(--v-theme-primary));
  padding-left: 12px;
}
.condition {
  display: flex;
  align-items: center;
  gap: 4px;
}
</style>
