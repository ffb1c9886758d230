<script setup lang="ts">
import { computed } from 'vue'
import { useTheme } from 'vuetify'
import { inkOf } from '../theme/inks'

const props = defineProps<{ ink: number }>()
const theme = useTheme()
const ink = computed(() => inkOf(props.ink))
const colour = computed(() => ink.value[theme.current.value.dark ? 'dark' : 'light'])

/** End marks as small outlines around (36, 8). */
const MARKS: Record<string, string> = {
  circle: 'M32 8a4 4 0 1 0 8 0a4 4 0 1 0-8 0',
  triangle: 'M36 3.5l4.6 8h-9.2z',
  rect: 'M32.2 4.2h7.6v7.6h-7.6z',
  rectRot: 'M36 3l5 5-5 5-5-5z',
  star: 'M36 3v10M31.7 5.5l8.6 5M31.7 10.500l8.6-5',
  crossRot: 'M32.5 4.500l7 7M39.500 4.500l-7 7',
  rectRounded: 'M34 4h4a2 2 0 0 1 2 2v4a2 2 0 0 1-2 2h-4a2 2 0 0 1-2-2v-4a2 2 0 0 1 2-2z',
  cross: 'M36 3v10M31 8h10',
}
</script>

<template>
  <svg width="44" height="16" viewBox="0 0 44 16" aria-hidden="true" class="ink">
    <path
      d="M1 8h30"
      :stroke="colour"
      stroke-width="2.2"
      :stroke-dasharray="ink.dash.join(' ')"
      fill="none"
    />
    <path :d="MARKS[ink.mark]" :stroke="colour" stroke-width="2" :fill="colour" />
  </svg>
</template>

<style scoped>
.ink {
  vertical-align: -2px;
  flex: none;
  margin-right: 4px;
}
</style>
