<script setup lang="ts">
import { ref } from 'vue'
import EmptyPage from '../../components/EmptyPage.vue'
import { useBench } from '../../stores/bench'
import { useLogbook } from '../../stores/logbook'
import LaneCard from './LaneCard.vue'
import LaneSetupForm from './LaneSetupForm.vue'
import StripPanel from './StripPanel.vue'
import { useStrip } from '../../stores/strip'

const bench = useBench()
const logbook = useLogbook()
const strip = useStrip()
const adding = ref(false)
const MOST_LANES = 8
</script>

<template>
  <div class="page">
    <h1>Bench</h1>
    <v-alert v-if="bench.alarm" type="error" variant="tonal" role="alert" class="my-3">{{
      bench.alarm
    }}</v-alert>
    <v-alert
      v-if="bench.clockNotice"
      type="warning"
      variant="tonal"
      closable
      class="my-3"
      @click:close="bench.clockNotice = ''"
    >
      {{ bench.clockNotice }}
    </v-alert>
    <EmptyPage
      v-if="!logbook.devices.length || !logbook.sources.length"
      title="Nothing to charge yet"
      text="The bench needs at least one device and one source from the shelf."
    >
      <v-btn variant="flat" color="primary" to="/shelf">Go to the shelf</v-btn>
    </EmptyPage>
    <template v-else>
      <div class="lanes">
        <LaneCard v-for="lane in bench.lanes" :key="lane.setup.runId" :lane="lane" />
      </div>
      <StripPanel v-if="strip.rigged.length" />
      <LaneSetupForm v-if="(!bench.running && !strip.rigged.length) || adding" @started="adding = false" />
      <v-btn
        v-else-if="bench.lanes.length + strip.rigged.length < MOST_LANES"
        class="mt-4"
        variant="outlined"
        @click="adding = true"
        >Add a lane</v-btn
      >
      <p class="caution quiet">
        Stop on swelling, smell, hissing, smoke or discolouration. Do not charge a damaged pack. Charge on a
        hard, non-flammable surface, within the battery’s temperature range, and do not leave a test
        unattended.
      </p>
    </template>
  </div>
</template>

<style scoped>
.lanes {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 28px;
}
.caution {
  margin-top: 36px;
  font-size: 0.88rem;
  max-width: 78ch;
}
</style>
