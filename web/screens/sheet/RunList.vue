<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { duration, figure } from '@core/format/figures'
import { isSimulated, type Run } from '@core/logbook/run'
import EmptyPage from '../../components/EmptyPage.vue'
import InkMark from '../../components/InkMark.vue'
import SimulatedTag from '../../components/SimulatedTag.vue'
import { useAnalyses } from '../../stores/analyses'
import { useLogbook } from '../../stores/logbook'

const logbook = useLogbook()
const analyses = useAnalyses()
const router = useRouter()
const chosen = ref<string[]>([])

const runs = computed(() => [...logbook.runs].reverse())
onMounted(() => runs.value.forEach((run) => void analyses.ask(run.id)))
const full = (run: Run) => {
  const m = analyses.of(run.id)?.milestones.find((x) => x.percent === 100)
  return m && !m.reason ? duration(m.timeS) : '–'
}
const compare = () => router.push({ path: '/side-by-side', query: { runs: chosen.value.join(',') } })
</script>

<template>
  <div class="page">
    <div class="head">
      <h1>Sheet</h1>
      <v-btn variant="flat" color="primary" :disabled="chosen.length < 2" @click="compare"
        >Set side by side</v-btn
      >
    </div>
    <EmptyPage
      v-if="!runs.length"
      title="No runs yet"
      text="A run logged on the bench, or read from a file, gets its sheet here."
    >
      <v-btn variant="flat" color="primary" to="/bench">Go to the bench</v-btn>
      <v-btn to="/files">Read a file</v-btn>
    </EmptyPage>
    <div v-else class="scroll-x" tabindex="0">
      <table class="ruled">
        <thead>
          <tr>
            <th scope="col"><span class="offscreen">Choose</span></th>
            <th scope="col">Run</th>
            <th scope="col">Evening</th>
            <th scope="col" class="number">Levels</th>
            <th scope="col" class="number">To full</th>
            <th scope="col" class="number">Held peak</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="run in runs" :key="run.id" :class="{ off: run.state !== 'done' }">
            <td class="tick">
              <v-checkbox v-model="chosen" :value="run.id" :aria-label="`Choose ${logbook.nameOf(run)}`" />
            </td>
            <td>
              <router-link :to="`/sheet/${run.id}`"
                ><InkMark :ink="run.ink" /> {{ logbook.nameOf(run) }}</router-link
              >
              <SimulatedTag v-if="isSimulated(run)" />
              <span v-if="run.state !== 'done'" class="quiet">
                {{ run.state === 'spoilt' ? 'spoilt' : 'set aside' }}</span
              >
            </td>
            <td class="quiet">
              {{
                new Date(run.startedAt).toLocaleDateString(undefined, {
                  day: 'numeric',
                  month: 'short',
                  year: 'numeric',
                })
              }}
            </td>
            <td class="number">
              {{ figure(analyses.of(run.id)?.startPercent, 0) }}–{{
                figure(analyses.of(run.id)?.endPercent, 0, '%')
              }}
            </td>
            <td class="number">{{ full(run) }}</td>
            <td class="number">{{ figure(analyses.of(run.id)?.power.heldPeakW, 1, 'W') }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </div>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  margin-bottom: 12px;
}
a {
  color: inherit;
  font-weight: 600;
}
.tick {
  width: 44px;
  padding: 0;
}
.off a {
  font-weight: 400;
  text-decoration-style: dotted;
}
</style>
