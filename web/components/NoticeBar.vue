<script setup lang="ts">
import { useMediaQuery } from '@vueuse/core'
import { computed } from 'vue'
import { useNotices } from '../stores/notices'

const notices = useNotices()
const open = computed({
  get: () => notices.current !== null,
  set: (value) => {
    if (!value) notices.current = null
  },
})
/** On a phone the foot is the way to the other screens, and on the bench the number pad: a notice stands at the head there. */
const phone = useMediaQuery('(max-width: 760px)')
const TIMEOUT_MS = 10_000
</script>

<template>
  <v-snackbar
    v-if="notices.current"
    :key="notices.current.id"
    v-model="open"
    :location="phone ? 'top' : 'bottom'"
    min-width="0"
    :timeout="notices.current.tone === 'error' ? -1 : TIMEOUT_MS"
    :color="notices.current.tone === 'error' ? 'error' : undefined"
  >
    {{ notices.current.text }}
    <template #actions>
      <v-btn v-if="notices.current.undo" @click="notices.undo()">Undo</v-btn>
      <v-btn v-else @click="open = false">Close</v-btn>
    </template>
  </v-snackbar>
</template>
