<script setup lang="ts">
import { useOneByOne } from '../composables/useOneByOne'

/** A heavy part of a page that comes some turns after what stands above it, so that none holds the page up for all. */
defineProps<{ turn: number }>()
const count = useOneByOne()
</script>

<template>
  <slot v-if="count >= turn" />
</template>
