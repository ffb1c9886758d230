<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import EmptyPage from '../../components/EmptyPage.vue'
import { useBench } from '../../stores/bench'
import { useCurves } from '../../stores/curves'
import { useLogbook } from '../../stores/logbook'
import { MOST_LANES } from '@core/bench/strip'
import { useStrip } from '../../stores/strip'
import BenchNotices from './BenchNotices.vue'
import EntryDock from './EntryDock.vue'
import KeysDialog from './KeysDialog.vue'
import LaneCard from './LaneCard.vue'
import LaneSetupForm from './LaneSetupForm.vue'
import StripPanel from './StripPanel.vue'
import { askToNotify, canAskToNotify, flashing } from '../../composables/benchCall'
import { useQueue } from './useQueue'

const bench = useBench()
const logbook = useLogbook()
const strip = useStrip()
const adding = ref(false)
const keys = ref(false)
const queue = useQueue()
const many = computed(() => bench.lanes.length > 1)
/** More lanes than this are shown small, so that most are in sight at once. */
const CROWD = 4
const crowded = computed(() => bench.lanes.length > CROWD)
const dock = computed(() => queue.enterable.value.length > 0 && !bench.watching)
const room = computed(() => bench.lanes.length + strip.rigged.length < MOST_LANES)

const mayAsk = ref(canAskToNotify())
const ask = async () => {
  await askToNotify()
  mayAsk.value = canAskToNotify()
}

onMounted(() => {
  void bench.resume()
  void useCurves()
    .all()
    .catch(() => undefined)
})
</script>

<template>
  <div class="page" :class="{ wide: many }">
    <h1>Bench</h1>
    <BenchNotices />
    <EmptyPage
      v-if="!logbook.devices.length || !logbook.sources.length"
      title="Nothing to charge yet"
      text="The bench needs at least one device and one source from the shelf."
    >
      <v-btn-main to="/shelf">Go to the shelf</v-btn-main>
    </EmptyPage>
    <template v-else>
      <div :class="{ beside: dock }">
        <EntryDock v-if="dock" :queue="queue" @keys="keys = true" />
        <div class="lanes" :class="{ many, crowded }">
          <LaneCard
            v-for="lane in bench.lanes"
            :key="lane.setup.runId"
            :lane="lane"
            :size="crowded ? 90 : many ? 130 : 230"
            :flashing="flashing"
            :here="many && lane === queue.current.value"
            @choose="queue.choose(lane)"
          />
        </div>
      </div>
      <StripPanel v-if="strip.rigged.length && !bench.watching && !strip.starting" />
      <template v-if="!bench.watching">
        <LaneSetupForm v-if="(!bench.running && !strip.rigged.length) || adding" @started="adding = false" />
        <v-btn-other v-else-if="room" class="mt-4" @click="adding = true">Add a lane</v-btn-other>
      </template>
      <p v-if="!bench.running" class="quiet">
        Many sources, a minute each: <router-link to="/bench/survey">make a survey</router-link>.
      </p>
      <p v-if="mayAsk && bench.running">
        <v-btn size="small" @click="ask">Let this page notify you of due readings</v-btn>
      </p>
      <p class="caution quiet">
        Stop on swelling, smell, hissing, smoke or discolouration. Do not charge a damaged pack. Charge on a
        hard, non-flammable surface, within the battery’s temperature range, and do not leave a test
        unattended.
      </p>
    </template>
    <KeysDialog v-model="keys" />
  </div>
</template>

<style scoped>
.page.wide {
  max-width: 1500px;
}
.lanes {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 28px 36px;
}
.lanes.many {
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 380px), 1fr));
}
/* Where there is room the entry stands beside the lanes and stays in sight. */
@media (min-width: 1100px) {
  .beside {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 330px;
    gap: 36px;
    align-items: start;
  }
  .beside > :first-child {
    order: 2;
    position: sticky;
    top: 72px;
    max-height: calc(100vh - 84px);
    overflow-y: auto;
  }
}
.lanes.crowded {
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 250px), 1fr));
  gap: 20px 24px;
}
.caution {
  margin-top: 36px;
  font-size: 0.88rem;
  max-width: 78ch;
}
</style>
