<script setup lang="ts">
import { computed } from 'vue'
import type { Campaign } from '@core/plan/campaign'
import FormPick from '../../forms/FormPick.vue'
import { useLogbook } from '../../stores/logbook'
import BeforehandPart from './BeforehandPart.vue'
import { usePairPicker } from './usePairPicker'

const props = defineProps<{ campaign: Campaign }>()
const logbook = useLogbook()
const { cableId, usual, cells, elsewhere, setOne, setMany, setRepeatsOfAll } = usePairPicker(
  () => props.campaign,
)
const devices = computed(() => logbook.devices.map((d) => d.id))
const sources = computed(() => logbook.sources.map((s) => s.id))
const allIn = (column: { repeats: number }[]) => column.every((c) => c.repeats > 0)
const deviceColumn = (id: string) => cells.value.map((row) => row.cells.find((c) => c.device.id === id)!)
const valueOf = (event: Event) => Number((event.target as HTMLInputElement).value)
</script>

<template>
  <section aria-label="Pairs to run">
    <div class="bar">
      <FormPick
        v-model="cableId"
        label="Pairs through"
        :items="[
          { value: null, title: 'no cable named' },
          ...logbook.cables.map((c) => ({ value: c.id, title: c.name })),
        ]"
      />
      <v-number-input v-model="usual" label="Repeats" :min="1" :max="20" control-variant="stacked" />
      <v-btn @click="setRepeatsOfAll">Give all pairs these repeats</v-btn>
      <v-btn @click="setMany(devices, sources, true)">Select all</v-btn>
      <v-btn @click="setMany(devices, sources, false)">Select none</v-btn>
    </div>
    <p v-if="elsewhere" class="quiet">
      {{ elsewhere }} more {{ elsewhere === 1 ? 'pair goes' : 'pairs go' }} through another cable; choose it
      above to see them.
    </p>
    <div class="scroll-x" tabindex="0" role="group" aria-label="Grid of pairs">
      <table class="ruled" data-testid="pair-grid">
        <thead>
          <tr>
            <th scope="col">Source</th>
            <th v-for="d in logbook.devices" :key="d.id" scope="col">
              {{ d.name }}
              <button
                type="button"
                class="all"
                :aria-label="`${allIn(deviceColumn(d.id)) ? 'Exclude' : 'Include'} every source for ${d.name}`"
                @click="setMany([d.id], sources, !allIn(deviceColumn(d.id)))"
              >
                {{ allIn(deviceColumn(d.id)) ? 'none' : 'all' }}
              </button>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in cells" :key="row.source.id">
            <th scope="row">
              {{ row.source.name }}
              <button
                type="button"
                class="all"
                :aria-label="`${allIn(row.cells) ? 'Exclude' : 'Include'} every device for ${row.source.name}`"
                @click="setMany(devices, [row.source.id], !allIn(row.cells))"
              >
                {{ allIn(row.cells) ? 'none' : 'all' }}
              </button>
            </th>
            <td v-for="c in row.cells" :key="c.device.id" :class="{ out: c.repeats === 0 }">
              <div class="cell">
                <v-checkbox-btn
                  :model-value="c.repeats > 0"
                  :aria-label="`Run ${c.device.name} from ${row.source.name}`"
                  @update:model-value="setOne(c.pair, $event ? usual : 0)"
                />
                <input
                  v-if="c.repeats > 0"
                  class="figure"
                  type="number"
                  min="1"
                  max="20"
                  :value="c.repeats"
                  :aria-label="`Repeats of ${c.device.name} from ${row.source.name}`"
                  @change="setOne(c.pair, valueOf($event))"
                />
              </div>
              <div class="small" :title="c.why">
                {{ c.expect }}
                <span class="quiet" :class="{ assumed: c.basis === 'generic' }">{{ c.basis }}</span>
              </div>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="quiet small">
      Times marked <em>forecast</em> come from a full run of the device in this logbook, <em>generic</em> from
      the usual curve of its kind, <em>set</em> from the protocol.
    </p>
    <BeforehandPart :campaign="campaign" />
  </section>
</template>

<style scoped>
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
  margin-bottom: 8px;
}
.bar > .v-input {
  flex: 0 1 220px;
}
.all {
  display: block;
  text-decoration: underline;
  min-height: 28px;
  padding: 0;
  font-weight: 400;
  font-size: 0.84rem;
}
.cell {
  display: flex;
  align-items: center;
  gap: 4px;
}
.cell > .v-selection-control {
  flex: none;
}
.cell input {
  width: 52px;
  min-height: 36px;
  border: 0;
  border-bottom: 1px solid currentColor;
  background: none;
  color: inherit;
  font-size: 1rem;
  padding: 2px 4px;
}
td {
  min-width: 132px;
  vertical-align: top;
}
.small {
  font-size: 0.82rem;
}
th[scope='row'] {
  vertical-align: top;
  min-width: 110px;
}
</style>
