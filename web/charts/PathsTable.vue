<script setup lang="ts">
import { computed, ref } from 'vue'
import { clock, figure } from '@core/words/figures'
import type { Path } from './options'
import { pathRows, type PathRowsOptions } from './pathRows'

/** The pictures above it as tables, made once somebody looks into them. */
const props = defineProps<
  PathRowsOptions & { pictures: readonly { title: string; unit: string; paths: readonly Path[] }[] }
>()
const DIGITS: Record<string, number> = { Wh: 2, A: 2 }
const isOpen = ref(false)
const tables = computed(() =>
  isOpen.value
    ? props.pictures.map(({ title, unit, paths }) => ({
        title,
        names: paths.map(({ label }) => label),
        rows: pathRows(paths, props).map(({ x, values }) => ({
          x,
          at: props.across === 'level' ? figure(x, 0, '%') : clock(x),
          said: values.map((value) => figure(value, DIGITS[unit] ?? 1, unit)),
        })),
      }))
    : [],
)
</script>

<template>
  <details class="as-table" @toggle="isOpen = ($event.target as HTMLDetailsElement).open">
    <summary>As a table</summary>
    <div v-for="(table, k) in tables" :key="k" class="scroll-x" tabindex="0" role="group">
      <table class="ruled">
        <caption>
          {{
            table.title
          }}
        </caption>
        <thead>
          <tr>
            <th scope="col">{{ across === 'level' ? 'Level' : 'Clock' }}</th>
            <th v-for="(name, i) in table.names" :key="i" scope="col" class="number">{{ name }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in table.rows" :key="row.x">
            <th scope="row">{{ row.at }}</th>
            <td v-for="(said, i) in row.said" :key="i" class="number">{{ said }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </details>
</template>

<style scoped>
summary {
  min-height: 24px;
  font-size: 0.84rem;
  cursor: pointer;
  width: fit-content;
}
caption {
  text-align: left;
  white-space: nowrap;
  font-size: 0.84rem;
  padding: 6px 0 2px;
}
table {
  width: auto;
}
</style>
