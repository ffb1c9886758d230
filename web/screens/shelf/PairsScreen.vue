<script setup lang="ts">
import { ref } from 'vue'
import { DEVICE_KINDS } from '@core/gear/gear'
import type { GridCell } from '@core/gear/grid'
import { asRead } from '@core/words/figures'
import FormPick from '../../forms/FormPick.vue'
import FormText from '../../forms/FormText.vue'
import EmptyPage from '../../components/EmptyPage.vue'
import { useLogbook } from '../../stores/logbook'
import PairCell from './PairCell.vue'
import PairDialog from './PairDialog.vue'
import ShelfTabs from './ShelfTabs.vue'
import { AS_ON_SHELF, usePairs } from './usePairs'

const logbook = useLogbook()
const { filter, devices, links, visibleRows, shown, contradictions } = usePairs()
const open = ref<GridCell | null>(null)
const SHOWS = [
  { value: 'all', title: 'every pair' },
  { value: 'charges', title: 'charges' },
  { value: 'slow', title: 'charges slowly' },
  { value: 'connected', title: 'connected, not charging' },
  { value: 'none', title: 'does not connect' },
  { value: 'contradiction', title: 'seen otherwise than expected' },
]
const print = () => window.print()
</script>

<template>
  <div class="page">
    <h1>What they agree on</h1>
    <p class="quiet">
      The level that each device and source should settle on, and what keeps it from being more.
    </p>
    <ShelfTabs />
    <EmptyPage
      v-if="!logbook.devices.length || !logbook.sources.length"
      title="Nothing to set against each other"
      text="The grid needs at least one device and one source."
    >
      <v-btn-main to="/shelf">Go to the gear</v-btn-main>
    </EmptyPage>
    <template v-else>
      <div class="filters">
        <FormPick
          v-model="filter.cableId"
          label="Through"
          :items="[
            { value: null, title: 'a usual 3 A cable' },
            ...logbook.cables.map((c) => ({ value: c.id, title: c.name })),
          ]"
        />
        <FormPick
          v-if="links.length"
          v-model="filter.fedFromId"
          label="Pads, docks and banks fed from"
          :items="[
            { value: AS_ON_SHELF, title: 'what the shelf says' },
            { value: null, title: 'a source that is enough' },
            ...logbook.sources.filter((s) => s.takes === '').map((s) => ({ value: s.id, title: s.name })),
          ]"
        />
        <FormPick
          v-model="filter.kind"
          label="Devices"
          :items="[
            { value: 'all', title: 'all kinds' },
            ...DEVICE_KINDS.map((k) => ({ value: k, title: `${k}s` })),
          ]"
        />
        <FormPick v-model="filter.show" label="Show" :items="SHOWS" />
        <FormText v-model="filter.words" label="Name contains" clearable @click:clear="filter.words = ''" />
        <v-btn class="flush print" @click="print">Print the grid</v-btn>
      </div>
      <p v-if="visibleRows.length === 0" role="status">No pair is like that. Widen the choice above.</p>
      <div v-else class="scroll-x" tabindex="0" role="group" aria-label="Grid of devices and sources">
        <table class="ruled" data-testid="pairs">
          <thead>
            <tr>
              <th scope="col">Source</th>
              <th v-for="d in devices" :key="d.id" scope="col">
                {{ d.name }}
                <span class="quiet">{{
                  d.maxWatts === null ? '' : `takes ${asRead(d.maxWatts, 2, 'W')}`
                }}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in visibleRows" :key="row.source.id">
              <th scope="row">
                {{ row.source.name }} <span class="quiet">{{ row.source.ratedWatts }} W</span>
              </th>
              <td v-for="cell in row.cells" :key="cell.device.id">
                <PairCell :cell="cell" :dim="!shown(cell)" @open="open = cell" />
              </td>
            </tr>
          </tbody>
        </table>
      </div>
      <p class="quiet key">
        A stroke is as long as the share of what the device takes. A dotted stroke with a bar charges slowly;
        a thin one is connected without charging; a cross has no way in.
      </p>
      <section v-if="contradictions.length" aria-label="Findings">
        <h2>Seen otherwise than expected</h2>
        <ul class="findings">
          <li v-for="c in contradictions" :key="`${c.device.id} ${c.source.id}`">
            <strong>{{ c.device.name }} from {{ c.source.name }}.</strong> {{ c.contradiction }}
          </li>
        </ul>
      </section>
    </template>
    <PairDialog v-if="open" :cell="open" :cable-id="filter.cableId" @done="open = null" />
  </div>
</template>

<style scoped>
.print {
  justify-self: start;
}
.filters {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 190px), 1fr));
  gap: 8px 24px;
  align-items: center;
  margin: 14px 0;
}
th[scope='row'] {
  min-width: 110px;
  vertical-align: top;
  padding-top: 12px;
}
th .quiet {
  display: block;
  font-weight: 400;
}
td {
  min-width: 132px;
  vertical-align: top;
}
.key {
  font-size: 0.86rem;
  margin-top: 10px;
}
.findings {
  padding-left: 18px;
}
@media print {
  .filters {
    display: none;
  }
  .scroll-x {
    overflow: visible;
  }
  td {
    min-width: 0;
  }
}
</style>
