<script setup lang="ts">
import { KEY_LIST } from './useBenchKeys'

const open = defineModel<boolean>({ required: true })
</script>

<template>
  <v-dialog v-model="open" max-width="520" scrollable>
    <v-card>
      <v-card-title tag="h2">Keys</v-card-title>
      <v-card-text>
        <dl>
          <template v-for="[key, what] in KEY_LIST" :key="key">
            <dt>
              <kbd>{{ key }}</kbd>
            </dt>
            <dd>{{ what }}</dd>
          </template>
        </dl>
      </v-card-text>
      <v-card-actions><v-spacer /><v-btn @click="open = false">Close</v-btn></v-card-actions>
    </v-card>
  </v-dialog>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 8px 18px;
}
dd {
  margin: 0;
}
kbd {
  font-family: var(--figure-face);
  border: 1px solid rgba(var(--v-border-color), 0.4);
  border-radius: 3px;
  padding: 0 6px;
  white-space: nowrap;
}
</style>
