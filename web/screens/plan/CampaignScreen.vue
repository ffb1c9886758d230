<script setup lang="ts">
import { counted } from '@core/words/lists'
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { countStates, isOver } from '@core/plan/progress'
import { QUESTIONS } from '@core/plan/questions'
import FormText from '../../forms/FormText.vue'
import EmptyPage from '../../components/EmptyPage.vue'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'
import { usePlan } from '../../stores/plan'
import MeansForm from './MeansForm.vue'
import PairPicker from './PairPicker.vue'
import ProgressPart from './ProgressPart.vue'
import ProtocolForm from './ProtocolForm.vue'
import TimetablePart from './TimetablePart.vue'

const props = defineProps<{ id: string }>()
const route = useRoute()
const router = useRouter()
const logbook = useLogbook()
const plan = usePlan()
const notices = useNotices()

const PARTS = [
  { value: 'pairs', title: 'Pairs' },
  { value: 'protocol', title: 'Protocol' },
  { value: 'means', title: 'Time and means' },
  { value: 'timetable', title: 'Timetable' },
  { value: 'progress', title: 'Progress' },
]
const campaign = computed(() => logbook.campaign(props.id))
const laidOut = computed(() => campaign.value?.planned.some((p) => p.slot) ?? false)
const part = computed({
  get: () => String(route.query.part ?? (laidOut.value ? 'timetable' : 'pairs')),
  set: (value) => void router.replace({ query: { part: value } }),
})
const question = computed(() => QUESTIONS.find((q) => q.id === campaign.value?.questionId)?.text ?? '')
const counts = computed(() =>
  campaign.value ? countStates(campaign.value, logbook.runs, plan.running) : null,
)
const over = computed(() => campaign.value && isOver(campaign.value, logbook.runs, plan.running))

const name = ref('')
watch(
  () => campaign.value?.name,
  (now) => (name.value = now ?? ''),
  { immediate: true },
)
const nameError = computed(() => (name.value.trim() ? '' : 'Give the campaign a name.'))
async function rename() {
  if (!campaign.value || nameError.value || name.value.trim() === campaign.value.name) return
  try {
    const typed = name.value.trim().slice(0, 120)
    await plan.keep(campaign.value, () => ({ name: typed }))
  } catch (error) {
    notices.fail(error)
  }
}
</script>

<template>
  <div class="page">
    <EmptyPage v-if="!campaign" title="There is no such campaign" text="It may have been deleted.">
      <v-btn-main to="/plan">See all campaigns</v-btn-main>
    </EmptyPage>
    <template v-else>
      <p><router-link to="/plan" class="quiet">All campaigns</router-link></p>
      <h1 class="offscreen">{{ campaign.name }}</h1>
      <FormText
        v-model="name"
        class="name"
        label="Campaign"
        maxlength="120"
        :error="nameError"
        @blur="rename"
        @keydown.enter="rename"
      />
      <p class="quiet">
        {{ question }}
        <template v-if="counts">
          · {{ counted(campaign.planned.length, 'run') }}: {{ counts.done }} done,
          {{ counts.running }} running, {{ counts.planned + counts.spoilt }} to go{{
            counts['set-aside'] ? `, ${counts['set-aside']} set aside` : ''
          }}.
        </template>
      </p>
      <p v-if="over" class="over" role="status">
        Every run is made. Put the settings back: the list stands under Progress.
      </p>
      <v-btn-toggle v-model="part" mandatory class="parts">
        <v-btn v-for="p in PARTS" :key="p.value" :value="p.value">{{ p.title }}</v-btn>
      </v-btn-toggle>
      <PairPicker v-if="part === 'pairs'" :campaign="campaign" />
      <ProtocolForm v-else-if="part === 'protocol'" :key="campaign.id" :campaign="campaign" />
      <MeansForm v-else-if="part === 'means'" :key="campaign.id" :campaign="campaign" />
      <TimetablePart v-else-if="part === 'timetable'" :campaign="campaign" />
      <ProgressPart v-else :campaign="campaign" />
    </template>
  </div>
</template>

<style scoped>
.name {
  max-width: 560px;
  margin: 8px 0 0;
}
.parts {
  margin: 14px 0 10px;
  flex-wrap: wrap;
  height: auto !important;
}
.parts .v-btn {
  min-height: 44px;
}
.over {
  font-weight: 650;
}
@media print {
  .parts,
  .name {
    display: none;
  }
}
</style>
