<script setup lang="ts">
import { computed } from 'vue'
import { figure, UNKNOWN } from '@core/words/figures'
import type { Offer } from '@core/gear/gear'

const props = defineProps<{ offers: readonly Offer[] }>()

/** An offer as it was understood: what it is called, volts, amperes, most watts. */
function rowOf(o: Offer): [what: string, volts: string, amps: string, watts: number] {
  switch (o.kind) {
    case 'fixed':
      return ['fixed', String(o.volts), String(o.amps), o.volts * o.amps]
    case 'adjustable':
      return ['adjustable', `${o.minVolts}–${o.maxVolts}`, String(o.amps), o.maxVolts * o.amps]
    case 'family':
      return [`${o.family} only`, String(o.volts), String(o.amps), o.volts * o.amps]
    case 'type-c':
      return ['by the Type-C socket', '5', String(o.amps), 5 * o.amps]
    case 'legacy':
      return ['plain 5 V', '5', String(o.amps), 5 * o.amps]
    case 'wireless':
      return ['wireless', UNKNOWN, UNKNOWN, o.watts]
  }
}
const rows = computed(() =>
  props.offers.map((o) => {
    const [what, volts, amps, watts] = rowOf(o)
    return { what, volts, amps, watts: figure(watts, 1) }
  }),
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
