<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { computed, onMounted, ref } from 'vue'
import EmptyPage from '../../components/EmptyPage.vue'
import { useBench } from '../../stores/bench'
import { useCurves } from '../../stores/curves'
import { useLogbook } from '../../stores/logbook'
import { MOST_LANES } from '@core/bench/strip'
import { useStrip } from '../../stores/strip'
import BenchClock from './BenchClock.vue'
import BenchNotices from './BenchNotices.vue'
import EntryDock from './EntryDock.vue'
import LaneCard from './LaneCard.vue'
import LanePath from './LanePath.vue'
import LaneTile from './LaneTile.vue'
import LaneSetupForm from './LaneSetupForm.vue'
import PreparePart from './PreparePart.vue'
import StripPanel from './StripPanel.vue'
import { askToNotify, canAskToNotify, flashing } from '../../composables/benchCall'
import { useQueue } from './useQueue'

const bench = useBench()
const logbook = useLogbook()
const strip = useStrip()
const adding = ref(false)
const queue = useQueue()
const many = computed(() => bench.lanes.length > 1)
/** More lanes than this are shown as tiles, so that all are in sight at once; on a phone any are. */
const CARDS = 2
const phone = useMediaQuery('(max-width: 760px)')
const tiles = computed(() => phone.value || bench.lanes.length > CARDS)
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
    <BenchClock v-if="bench.lanes.length > 1" :lanes="bench.lanes" />
    <h1 v-else :class="{ offscreen: phone && bench.running }">Bench</h1>
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
        <div v-if="tiles" class="tiles" role="group" aria-label="Lanes">
          <LaneTile
            v-for="(lane, i) in bench.lanes"
            :key="lane.setup.runId"
            :lane="lane"
            :place="i + 1"
            :flashing="flashing"
            :here="lane === queue.current.value"
            :path="!phone"
            @choose="queue.choose(lane)"
          />
        </div>
        <div v-else class="lanes" :class="{ many }" role="group" aria-label="Lanes">
          <LaneCard
            v-for="lane in bench.lanes"
            :key="lane.setup.runId"
            :lane="lane"
            :size="many ? 130 : 230"
            :flashing="flashing"
            :here="many && lane === queue.current.value"
            @choose="queue.choose(lane)"
          />
        </div>
        <EntryDock v-if="dock" :queue="queue" />
        <LanePath v-if="phone && queue.current.value" :lane="queue.current.value" :height="170" />
      </div>
      <StripPanel v-if="strip.rigged.length && !bench.watching && !strip.starting" />
      <template v-if="!bench.watching">
        <LaneSetupForm v-if="(!bench.running && !strip.rigged.length) || adding" @started="adding = false" />
        <v-btn-other v-else-if="room" class="mt-4" @click="adding = true">Add a lane</v-btn-other>
      </template>
      <PreparePart v-if="!bench.watching" />
      <p v-if="!bench.running" class="quiet">
        Many sources, a minute each: <router-link to="/bench/survey">make a survey</router-link>. Some minutes
        each, by the meter’s count: <router-link to="/bench/spot">spot checks</router-link>.
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
  </div>
</template>

<style scoped>
.page.wide {
  max-width: 1500px;
  padding-top: 16px;
}
.lanes {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 28px 36px;
}
.lanes.many {
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 380px), 1fr));
}
.tiles {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
  gap: 14px 18px;
}
@media (max-width: 760px) {
  .tiles {
    grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
    gap: 6px 14px;
  }
}
/* Where there is room the entry stands beside the lanes and stays in sight. */
@media (min-width: 1000px) {
  .beside {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 280px;
    gap: 32px;
    align-items: start;
  }
  .beside > :last-child {
    position: sticky;
    top: 72px;
    max-height: calc(100vh - 84px);
    overflow-y: auto;
  }
}
.caution {
  margin-top: 36px;
  font-size: 0.88rem;
  max-width: 78ch;
}
</style>
