<script setup lang="ts">
import {
  mdiCalendarOutline,
  mdiCompare,
  mdiFileOutline,
  mdiPencilOutline,
  mdiTextBoxOutline,
  mdiTimerOutline,
  mdiTrayFull,
  mdiWeatherNight,
  mdiWhiteBalanceSunny,
} from '@mdi/js'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useTheme } from 'vuetify'
import { useBench } from './stores/bench'
import { useSettings } from './stores/settings'

/** The screens in the order of the work, and the paper. */
const PLACES = [
  { to: '/shelf', label: 'Shelf', icon: mdiTrayFull },
  { to: '/plan', label: 'Plan', icon: mdiCalendarOutline },
  { to: '/bench', label: 'Bench', icon: mdiTimerOutline },
  { to: '/sheet', label: 'Sheet', icon: mdiPencilOutline },
  { to: '/side-by-side', label: 'Side by side', icon: mdiCompare },
  { to: '/write-up', label: 'Write-up', icon: mdiTextBoxOutline },
  { to: '/files', label: 'Files', icon: mdiFileOutline },
]
const settings = useSettings()
const bench = useBench()
const theme = useTheme()
const route = useRoute()
const dark = computed(() => theme.current.value.dark)
const toggleTheme = () => (settings.theme = dark.value ? 'paper' : 'night')
</script>

<template>
  <header class="top">
    <router-link to="/shelf" class="name">
      <svg viewBox="0 0 40 24" width="40" height="24" aria-hidden="true">
        <path
          d="M2 21C8 11 13 6 20 5s11-1 14-1"
          fill="none"
          stroke="currentColor"
          stroke-width="2.6"
          stroke-linecap="round"
        />
        <circle cx="35" cy="4" r="3" fill="rgb(var(--v-theme-primary))" />
      </svg>
      Inkpath Log
    </router-link>
    <nav aria-label="Screens">
      <router-link
        v-for="place in PLACES"
        :key="place.to"
        :to="place.to"
        class="place"
        :class="{ here: route.path.startsWith(place.to) }"
      >
        <v-icon :icon="place.icon" size="20" class="place-icon" />
        <span>{{ place.label }}</span>
        <span v-if="place.to === '/bench' && bench.running" class="running" aria-label="running">●</span>
      </router-link>
    </nav>
    <v-btn
      :icon="dark ? mdiWhiteBalanceSunny : mdiWeatherNight"
      size="small"
      :aria-label="dark ? 'Use the light paper' : 'Use the night paper'"
      @click="toggleTheme"
    />
  </header>
</template>

<style scoped>
.top {
  display: flex;
  align-items: center;
  gap: 28px;
  padding: 10px 28px;
  border-bottom: var(--hairline);
  background: rgb(var(--v-theme-background));
  position: sticky;
  top: 0;
  z-index: 5;
}
.name {
  display: flex;
  align-items: center;
  gap: 8px;
  font-weight: 700;
  letter-spacing: -0.01em;
  white-space: nowrap;
}
.top a {
  color: inherit;
  text-decoration: none;
}
nav {
  display: flex;
  gap: 4px;
  flex: 1;
}
.place {
  display: flex;
  align-items: center;
  padding: 10px 12px;
  border-bottom: 2px solid transparent;
}
.place-icon {
  display: none;
}
.place.here {
  border-bottom-color: rgb(var(--v-theme-primary));
  font-weight: 650;
}
.running {
  color: rgb(var(--v-theme-primary));
  margin-left: 6px;
  font-size: 0.7rem;
}
@media (forced-colors: active) {
  .place:not(.here) {
    border-color: Canvas;
  }
}
@media (max-width: 760px) {
  .top {
    padding: 8px 16px;
    justify-content: space-between;
  }
  nav {
    position: fixed;
    bottom: 0;
    left: 0;
    right: 0;
    z-index: 6;
    background: rgb(var(--v-theme-surface));
    border-top: var(--hairline);
    justify-content: space-between;
    gap: 0;
  }
  .place {
    flex-direction: column;
    flex: 1 1 0;
    font-size: 0.7rem;
    line-height: 1.15;
    text-align: center;
    padding: 8px 2px 10px;
    min-width: 0;
    min-height: 54px;
    border-bottom: 0;
    border-top: 2px solid transparent;
    position: relative;
  }
  .place.here {
    border-top-color: rgb(var(--v-theme-primary));
  }
  .place-icon {
    display: inline-flex;
  }
  .running {
    position: absolute;
    top: 4px;
    right: 8px;
  }
}
</style>
