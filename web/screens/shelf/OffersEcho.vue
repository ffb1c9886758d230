<script setup lang="ts">
import { computed } from 'vue'
import { figure } from '@core/words/figures'
import type { Offer } from '@core/gear/gear'

const props = defineProps<{ offers: readonly Offer[] }>()

const WORDS = { fixed: 'fixed', adjustable: 'adjustable', legacy: 'legacy 5 V', family: 'family' }
const voltsOf = (o: Offer) =>
  o.kind === 'adjustable' ? `${o.minVolts}–${o.maxVolts}` : o.kind === 'legacy' ? '5' : String(o.volts)
const topVolts = (o: Offer) => (o.kind === 'adjustable' ? o.maxVolts : o.kind === 'legacy' ? 5 : o.volts)
const rows = computed(() =>
  props.offers.map((o) => ({
    what: o.kind === 'family' ? o.family : WORDS[o.kind],
    volts: voltsOf(o),
    amps: String(o.amps),
    watts: figure(topVolts(o) * o.amps, 1),
  })),
)
</script>

<template>
  <table v-if="rows.length" class="ruled" aria-label="Offers as understood">
    <thead>
      <tr>
        <th scope="col">Understood as</th>
        <th scope="col" class="number">V</th>
        <th scope="col" class="number">A</th>
        <th scope="col" class="number">up to W</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="(row, i) in rows" :key="i">
        <td>{{ row.what }}</td>
        <td class="number">{{ row.volts }}</td>
        <td class="number">{{ row.amps }}</td>
        <td class="number">{{ row.watts }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
table.ruled td,
table.ruled th {
  padding: 3px 12px 3px 0;
}
</style>
