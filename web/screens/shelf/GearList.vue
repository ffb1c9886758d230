<script lang="ts">
/** One line of a shelf, ready to read. */
export interface GearRow {
  id: string
  name: string
  label: string
  facts: string[]
  figure: string
  /** What was assumed for the figure; '' when nothing was. */
  assumed: string
  second: string
}
</script>

<script setup lang="ts">
import { mdiContentDuplicate, mdiTrashCanOutline } from '@mdi/js'

defineProps<{ title: string; add: string; rows: GearRow[] }>()
const emit = defineEmits<{ add: []; edit: [id: string]; copy: [id: string]; remove: [id: string] }>()
</script>

<template>
  <section :aria-label="title">
    <div class="head">
      <h2>{{ title }}</h2>
      <v-btn size="small" color="primary" @click="emit('add')">{{ add }}</v-btn>
    </div>
    <ul>
      <li v-for="row in rows" :key="row.id">
        <button type="button" class="item" :aria-label="`Edit ${row.name}`" @click="emit('edit', row.id)">
          <span>
            <strong>{{ row.name }}</strong> <span class="quiet">{{ row.label }}</span>
            <span class="facts quiet">{{ row.facts.filter(Boolean).join(' · ') }}</span>
          </span>
          <span class="numbers">
            <span class="figure" :class="{ assumed: row.assumed }" :title="row.assumed || undefined">{{
              row.figure
            }}</span>
            <span class="facts quiet">{{ row.second }}</span>
          </span>
        </button>
        <v-btn
          :icon="mdiContentDuplicate"
          size="small"
          :aria-label="`Duplicate ${row.name}`"
          @click="emit('copy', row.id)"
        />
        <v-btn
          :icon="mdiTrashCanOutline"
          size="small"
          :aria-label="`Delete ${row.name}`"
          @click="emit('remove', row.id)"
        />
      </li>
      <li v-if="rows.length === 0" class="none quiet">None yet.</li>
    </ul>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  align-items: baseline;
  justify-content: space-between;
}
ul {
  list-style: none;
  padding: 0;
  border-top: var(--hairline);
}
li {
  display: flex;
  align-items: center;
  border-bottom: var(--hairline);
}
.item {
  flex: 1;
  display: flex;
  justify-content: space-between;
  gap: 16px;
  text-align: left;
  padding: 9px 4px;
  min-height: 48px;
}
.item:hover strong {
  text-decoration: underline;
}
.facts {
  display: block;
  font-size: 0.86rem;
}
.numbers {
  text-align: right;
}
.none {
  padding: 12px 4px;
}
</style>
