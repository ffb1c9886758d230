<script setup lang="ts">
import { computed } from 'vue'
import { duration, figure } from '@core/words/figures'
import type { Column } from '@core/words/sentences/pageTold'
import { ofRunsIn } from '@core/words/sentences/reachWords'
import { againstWords, groupTab, resultWords } from '@core/words/sentences/resultWords'
import CopyTable from '../../components/CopyTable.vue'
import InkMark from '../../components/InkMark.vue'
import { isSimulated } from '@core/logbook/run'
import SimulatedTag from '../../components/SimulatedTag.vue'
import { useResults, type ResultsOf } from './useResults'
import { placeOf } from '../../composables/places'

/** Every figure of every set-up with its ±, judged against the baseline's; sorted by any column, copied as it stands. */
const props = defineProps<
  ResultsOf & {
    inks: Readonly<Record<string, number>>
    inked: ReadonlySet<string>
    silent?: boolean
    alone?: boolean
  }
>()
/** While something keeps from a verdict, figures stand without one; of how many runs they speak is said always. */
const wordsOf = (column: Column, i: number) => {
  const { figure: said, verdict } = resultWords(column.quantity, column.results[i])
  const reach = ofRunsIn(column, i, props.setups[i].runs.length)
  return {
    figure: said,
    verdict: [props.silent || props.alone ? '' : verdict, reach].filter(Boolean).join('; '),
  }
}

const { group, groups, columns, compared, order, sort, sortBy } = useResults(props)
const ariaSort = (key: string) =>
  sort.value?.key !== key ? undefined : sort.value.down ? 'descending' : 'ascending'
const simulated = computed(() => props.setups.map((s) => s.runs.every(isSimulated)))
const allSimulated = computed(() => simulated.value.every(Boolean))
/** Beside the same gear at a bench its name says so already. */
const saysSo = (i: number) => props.names[i].includes('simulated')
const tagged = computed(() => simulated.value.map((is, i) => is && !allSimulated.value && !saysSo(i)))

const table = () => [
  ['Set-up', 'Runs', ...columns.value.map(({ quantity }) => quantity.label)],
  ...order.value.map((i) => [
    props.names[i] + (simulated.value[i] && !saysSo(i) ? ' (simulated)' : ''),
    String(props.setups[i].runs.length),
    ...columns.value.map((column) => {
      const { figure: said, verdict } = wordsOf(column, i)
      return verdict ? `${said} (${verdict})` : said
    }),
  ]),
]
const savings = computed(() =>
  compared.value.length > 0 && !props.alone ? order.value.filter((i) => i !== props.baseline) : [],
)
const savedTable = () => [
  ['Set-up', ...compared.value.flatMap(({ quantity }) => [`${quantity.label}: time saved`, 'share of time saved', 'speed ratio'])],
  ...savings.value.map((i) => [props.names[i], ...compared.value.flatMap(({ results }) => againstWords(results[i].against))]),
] // prettier-ignore
</script>

<template>
  <section aria-label="Results">
    <div class="head">
      <h2>Results</h2>
      <v-btn-toggle v-model="group" mandatory density="compact">
        <v-btn v-for="g in groups" :key="g" :value="g">{{ groupTab(g) }}</v-btn>
      </v-btn-toggle>
      <CopyTable :table="table" name="the results" />
    </div>
    <p class="quiet">
      <template v-if="!alone">Against {{ names[baseline] }}. </template
      ><template v-if="allSimulated">All <SimulatedTag />. </template>Press a head to sort by it.
    </p>
    <div class="scroll-x" tabindex="0">
      <table class="ruled" data-testid="results">
        <thead>
          <tr>
            <th scope="col">Set-up</th>
            <th
              v-for="{ quantity } in columns"
              :key="quantity.key"
              scope="col"
              class="number"
              :aria-sort="ariaSort(quantity.key)"
            >
              <button type="button" class="sort" @click="sortBy(quantity.key)">
                {{ quantity.label }}{{ sort?.key === quantity.key ? (sort.down ? ' ↓' : ' ↑') : '' }}
              </button>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="i in order" :key="setups[i].key">
            <th scope="row">
              <InkMark v-if="inked.has(setups[i].key)" :ink="inks[setups[i].runs[0].id]" />
              <router-link v-if="setups[i].runs.length === 1" :to="placeOf('sheet', setups[i].runs[0].id)">{{
                names[i]
              }}</router-link>
              <template v-else
                >{{ names[i] }}
                <span class="quiet"
                  >· runs
                  <template v-for="(run, k) in setups[i].runs" :key="run.id"
                    >{{ k ? ', ' : ''
                    }}<router-link
                      :to="placeOf('sheet', run.id)"
                      :aria-label="`Run ${k + 1} of ${names[i]}`"
                      >{{ k + 1 }}</router-link
                    ></template
                  ></span
                ></template
              >
              <SimulatedTag v-if="tagged[i]" />
            </th>
            <td v-for="column in columns" :key="column.quantity.key" class="number">
              {{ wordsOf(column, i).figure }}
              <span class="quiet verdict">{{ wordsOf(column, i).verdict }}</span>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <template v-if="savings.length">
      <div class="head">
        <h2>Saved against {{ names[baseline] }}</h2>
        <CopyTable :table="savedTable" name="what is saved" />
      </div>
      <p class="quiet">
        Three ways to say “faster by”. They give different figures for the same pair, so each is named.
      </p>
      <div class="scroll-x" tabindex="0">
        <table class="ruled" data-testid="against">
          <thead>
            <tr>
              <th scope="col" rowspan="2">Set-up</th>
              <th
                v-for="{ quantity } in compared"
                :key="quantity.key"
                scope="colgroup"
                colspan="3"
                class="group"
              >
                {{ quantity.label }}
              </th>
            </tr>
            <tr>
              <template v-for="{ quantity } in compared" :key="quantity.key">
                <th scope="col" class="number">time saved</th>
                <th scope="col" class="number">share of time saved</th>
                <th scope="col" class="number">speed ratio</th>
              </template>
            </tr>
          </thead>
          <tbody>
            <tr v-for="i in savings" :key="setups[i].key">
              <th scope="row">
                <InkMark v-if="inked.has(setups[i].key)" :ink="inks[setups[i].runs[0].id]" /> {{ names[i] }}
              </th>
              <template v-for="{ quantity, results } in compared" :key="quantity.key">
                <td class="number">{{ duration(results[i].against!.savedS) }}</td>
                <td class="number">{{ figure(results[i].against!.savedShare * 100, 1, '%') }}</td>
                <td class="number">{{ figure(results[i].against!.speedRatio, 2, '×') }}</td>
              </template>
            </tr>
          </tbody>
        </table>
      </div>
    </template>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 24px;
  align-items: center;
}
.head :deep(.v-btn-toggle) {
  height: auto;
  flex-wrap: wrap;
}
.sort {
  font: inherit;
  min-height: 24px;
  text-align: right;
}
.group {
  text-align: center;
}
th a {
  color: inherit;
}
th[scope='row'] {
  white-space: nowrap;
}
.verdict {
  display: block;
  font-size: 0.78rem;
  white-space: nowrap;
}
</style>
