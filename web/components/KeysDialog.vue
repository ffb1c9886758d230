<script setup lang="ts">
import FormDialog from '../forms/FormDialog.vue'

/** The keys of the screen that is open. */
defineProps<{ keys: readonly (readonly [key: string, what: string])[] }>()
const open = defineModel<boolean>({ required: true })
</script>

<template>
  <FormDialog v-model="open" title="Keys" leave="Close" :width="520" @submit="open = false">
    <dl>
      <template v-for="[key, what] in keys" :key="key">
        <dt>
          <kbd>{{ key }}</kbd>
        </dt>
        <dd>{{ what }}</dd>
      </template>
    </dl>
  </FormDialog>
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
