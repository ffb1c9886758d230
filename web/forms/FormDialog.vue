<script setup lang="ts">
import FormFailure from './FormFailure.vue'

/** Every dialog: what it is about, what went wrong, a way out, and the one thing that it does. */
withDefaults(
  defineProps<{
    title: string
    /** The way out. */
    leave: string
    /** What it does; none where it only tells. */
    main?: string
    danger?: boolean
    busy?: boolean
    failure?: string
    width?: number
    /** Fields side by side, as many as there is room for. */
    fields?: boolean
  }>(),
  { main: undefined, failure: '', width: 500 },
)
const open = defineModel<boolean>({ default: true })
const emit = defineEmits<{ submit: [] }>()
</script>

<template>
  <v-dialog v-model="open" :max-width="width">
    <v-card>
      <form class="dialog-form" novalidate @submit.prevent="emit('submit')">
        <v-card-title tag="h2">{{ title }}</v-card-title>
        <v-card-text :class="{ fields }">
          <slot />
          <FormFailure :text="failure" />
        </v-card-text>
        <v-card-actions>
          <v-btn @click="open = false">{{ leave }}</v-btn>
          <v-spacer />
          <slot name="actions">
            <v-btn-main v-if="main" type="submit" :color="danger ? 'error' : undefined" :loading="busy">{{
              main
            }}</v-btn-main>
          </slot>
        </v-card-actions>
      </form>
    </v-card>
  </v-dialog>
</template>

<style scoped>
.dialog-form {
  display: flex;
  flex-direction: column;
  max-height: 90vh;
}
.dialog-form > :deep(.v-card-text) {
  overflow-y: auto;
}
/* What it is about, and what it does, stand whole on the narrowest phone. */
.dialog-form > .v-card-title {
  white-space: normal;
  overflow-wrap: anywhere;
}
.dialog-form > .v-card-actions {
  flex-wrap: wrap;
}
</style>
