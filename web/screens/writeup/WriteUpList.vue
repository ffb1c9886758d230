<script setup lang="ts">
import { dayAndTime } from '@core/words/moments'
import EmptyPage from '../../components/EmptyPage.vue'
import { idsInWord, placeOf } from '../../composables/places'
import { useLogbook } from '../../stores/logbook'

const logbook = useLogbook()
const runsOf = (settings: string) => idsInWord(new URLSearchParams(settings).get('runs') ?? '').length
</script>

<template>
  <div class="page">
    <h1>Write-up</h1>
    <EmptyPage
      v-if="!logbook.writeUps.length"
      title="Nothing written up yet"
      text="Set runs side by side; then “Write it up” makes a page of the comparison, with your own words in it."
    >
      <v-btn-main to="/side-by-side">Set runs side by side</v-btn-main>
    </EmptyPage>
    <ul v-else>
      <li v-for="w in logbook.writeUps" :key="w.id">
        <router-link :to="placeOf('write-up', w.id)"
          ><strong>{{ w.title }}</strong></router-link
        >
        <span class="quiet">{{ runsOf(w.settings) }} runs · changed {{ dayAndTime(w.changedAt) }}</span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
}
li {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 4px 16px;
  padding: 10px 0;
  border-bottom: var(--hairline);
}
li a {
  color: inherit;
}
</style>
