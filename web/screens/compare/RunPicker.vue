<script setup lang="ts">
import { computed } from 'vue'
import { choicesFor, type Choice } from '@core/compare/choices'
import { isSimulated, isSound, RUN_STATE_WORDS } from '@core/logbook/run'
import { setUpsOf } from '@core/logbook/setUps'
import { datedName } from '@core/words/names'
import { choiceTitle } from '@core/words/sentences/choiceWords'
import FormPick from '../../forms/FormPick.vue'
import { useLogbook } from '../../stores/logbook'
import { useSpells } from '../../stores/spells'

/** Runs by the question that they answer, or one by one. */
const chosen = defineModel<string[]>('chosen', { required: true })
const baseline = defineModel<string>('baseline', { required: true })
const logbook = useLogbook()
const spells = useSpells()

const setUps = computed(() => setUpsOf(logbook.runs, spells.besideOf))
const choices = computed(() =>
  choicesFor(
    logbook.runs.map((r) => ({
      id: r.id,
      deviceId: r.deviceId,
      sourceId: r.sourceId,
      cableId: r.cableId,
      fedFromId: r.conditions.fedFromId,
      kind: logbook.device(r.deviceId)?.kind ?? '',
      sound: isSound(r),
      startedAt: r.startedAt,
      setUp: setUps.value.get(r.id)!.key,
      campaignId: r.planned?.campaignId ?? null,
    })),
  ),
)
const titleOf = (c: Choice) =>
  choiceTitle(c, {
    device: logbook.device(c.deviceId ?? '')?.name,
    source: logbook.source(c.sourceId ?? '')?.name,
    campaign: logbook.campaign(c.campaignId ?? null)?.name,
  })
const questions = computed(() =>
  choices.value.map((c, i) => ({ value: i, title: `${titleOf(c)} (${c.runIds.length} runs)` })),
)
const same = (a: readonly string[], b: readonly string[]) =>
  a.length === b.length && a.every((id) => b.includes(id))
const question = computed<number | null>({
  get: () => {
    const at = choices.value.findIndex((c) => same(c.runIds, chosen.value))
    return at < 0 ? null : at
  },
  set: (at) => {
    if (at !== null) chosen.value = choices.value[at].runIds
  },
})
const items = computed(() =>
  logbook.runs.map((r) => ({
    value: r.id,
    title: datedName(
      logbook.nameOf(r),
      r,
      isSimulated(r) && 'simulated',
      r.state !== 'done' && RUN_STATE_WORDS[r.state],
    ),
  })),
)
const chosenItems = computed(() => items.value.filter((i) => chosen.value.includes(i.value)))
</script>

<template>
  <div class="picker">
    <v-autocomplete
      v-model="question"
      :items="questions"
      label="By question"
      placeholder="Chosen one by one"
      persistent-placeholder
      variant="underlined"
      hide-details
      color="primary"
    />
    <FormPick v-if="chosen.length > 1" v-model="baseline" :items="chosenItems" label="Set against" />
    <v-autocomplete
      v-model="chosen"
      class="runs"
      :items="items"
      label="Runs"
      multiple
      chips
      closable-chips
      clearable
      variant="underlined"
      hide-details
      color="primary"
    >
      <template v-if="chosen.length > 12" #selection="{ index }">
        <span v-if="index === 0">{{ chosen.length }} runs</span>
      </template>
    </v-autocomplete>
  </div>
</template>

<style scoped>
.picker {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px 32px;
  margin: 8px 0 16px;
  align-items: end;
}
.runs {
  grid-column: 1 / -1;
}
@media (max-width: 760px) {
  .picker {
    grid-template-columns: 1fr;
  }
}
</style>
