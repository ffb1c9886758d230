<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import type { Campaign } from '@core/plan/campaign'
import EmptyPage from '../../components/EmptyPage.vue'
import PutBackList from './PutBackList.vue'
import { useProgress } from './useProgress'

const props = defineProps<{ campaign: Campaign }>()
const router = useRouter()
const { rows, devices, tonight, together, overdue, tonightTitle, aside, over, carry, bringBack } =
  useProgress(() => props.campaign)
const anything = computed(() => props.campaign.planned.length > 0)

async function toTheBench(ids: string[]) {
  if (await carry(ids)) await router.push('/bench')
}
const print = () => window.print()
</script>

<template>
  <EmptyPage v-if="!anything" title="Nothing planned yet" text="Choose the pairs first; then lay them out." />
  <section v-else aria-label="Progress">
    <template v-if="tonight.length">
      <div class="head">
        <h2>{{ tonightTitle }}</h2>
        <v-btn-main @click="toTheBench(together)">{{
          together.length === 1
            ? 'Carry the first to the bench'
            : `Carry the first ${together.length} to the bench`
        }}</v-btn-main>
        <v-btn @click="print">Print the list</v-btn>
      </div>
      <p v-if="overdue" class="overdue">
        That day has passed. Carry them over now, or lay the open runs anew under Timetable.
      </p>
      <ol class="tonight">
        <li v-for="t in tonight" :key="t.id">
          <span class="figure">{{ t.time }}</span>
          <span class="what">
            <strong>{{ t.name }}</strong> <span class="quiet">{{ t.detail }}</span>
          </span>
          <v-btn-other size="small" :aria-label="`Carry ${t.name} to the bench`" @click="toTheBench([t.id])"
            >To the bench</v-btn-other
          >
        </li>
      </ol>
    </template>
    <p v-else-if="!over">No open run has a place in the timetable: lay them out under Timetable.</p>
    <h2>Runs by pair</h2>
    <div class="scroll-x" tabindex="0" role="group" aria-label="Runs by pair">
      <table class="ruled" data-testid="progress">
        <thead>
          <tr>
            <th scope="col">Source</th>
            <th v-for="d in devices" :key="d.id" scope="col">{{ d.name }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.id">
            <th scope="row">{{ row.name }}</th>
            <td v-for="(cell, i) in row.cells" :key="i">
              <template v-if="cell">
                <span class="figure">{{ cell.done }} of {{ cell.wanted }}</span>
                <span class="small quiet">{{ cell.words }}</span>
              </template>
              <span v-else class="quiet">not asked</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <template v-if="aside.length">
      <h2>Set aside</h2>
      <ul class="tonight">
        <li v-for="a in aside" :key="a.id">
          <span class="what"
            >{{ a.name }} <span class="quiet">{{ a.why }}</span></span
          >
          <v-btn size="small" @click="bringBack(a.id)">Take it back in</v-btn>
        </li>
      </ul>
    </template>
    <PutBackList :campaign="campaign" :over="over" />
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  align-items: center;
  margin-top: 20px;
}
.head h2 {
  margin: 0 !important;
  flex: 1;
}
.tonight {
  list-style: none;
  padding: 0;
  border-top: var(--hairline);
}
.tonight li {
  display: flex;
  gap: 14px;
  align-items: center;
  border-bottom: var(--hairline);
  min-height: 52px;
}
.what {
  flex: 1;
}
.what .quiet,
.small {
  display: block;
  font-size: 0.84rem;
}
td,
th[scope='row'] {
  vertical-align: top;
}
.overdue {
  font-weight: 600;
}
</style>
