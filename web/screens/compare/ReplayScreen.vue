<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { computed, onBeforeUnmount, onMounted, ref, shallowRef, useTemplateRef, watch } from 'vue'
import { drawReplay, FRAME, type Pen } from '@core/formats/replayPicture'
import { replayAt } from '@core/compare/replay'
import { clock, duration, figure, howWritten } from '@core/words/figures'
import EmptyPage from '../../components/EmptyPage.vue'
import FormPick from '../../forms/FormPick.vue'
import FormText from '../../forms/FormText.vue'
import { download, fileName } from '../../composables/download'
import { useNotices } from '../../stores/notices'
import { makeFilm, type FilmInHand } from '../../workers/film'
import { useComparison } from './useComparison'
import { useReplay } from './useReplay'

/** Runs that were made one after another run again side by side, and become a film. */
const notices = useNotices()
const comparison = useComparison()
const { runs, look, lengthS, atS, playing, pace, toggle, step } = useReplay(comparison)
const title = ref('Side by side')
const FRAMES_PER_SECOND = 30
const PACES = [60, 120, 300, 600, 1200].map((value) => ({ value, title: `${value} times as fast` }))
const words = computed(() => {
  const { percent } = comparison.alignment.value
  return {
    title: title.value,
    pace: `${pace.value} times as fast`,
    since: percent === null ? 'since power-on' : `since ${figure(percent, 0, '%')}`,
  }
})

const canvas = useTemplateRef<HTMLCanvasElement>('canvas')
function draw() {
  const pen = canvas.value?.getContext('2d') as unknown as Pen | null | undefined
  if (pen && runs.value.length) drawReplay(pen, runs.value, atS.value, words.value, look.value)
}
onMounted(async () => {
  // A canvas does not wait for fonts by itself.
  await Promise.all(
    [look.value.text, look.value.figures].map((face) => document.fonts.load(`600 40px ${face}`)),
  )
  draw()
})
watch([runs, look, atS, words, canvas], draw, { flush: 'post' })
const summary = computed(
  () =>
    `At ${clock(atS.value)}: ` +
    replayAt(runs.value, atS.value)
      .map((m) => `${m.name} ${m.arrived ? `full in ${duration(m.fullS)}` : figure(m.shown, 0, '%')}`)
      .join(', '),
)

const STEP_S = 60
const KEYS: Record<string, () => void> = {
  ' ': toggle,
  ArrowRight: () => step(STEP_S),
  ArrowLeft: () => step(-STEP_S),
  Home: () => step(-Infinity),
  End: () => step(Infinity),
}
useEventListener(window, 'keydown', (event: KeyboardEvent) => {
  const act = KEYS[event.key]
  const isTyping = (event.target as HTMLElement).closest('input, textarea, button, [role=combobox]')
  if (!act || isTyping || event.ctrlKey || event.metaKey || event.altKey) return
  event.preventDefault()
  act()
})

const filming = shallowRef<FilmInHand | null>(null)
const progress = ref(0)
async function film(asPictures: boolean) {
  progress.value = 0
  playing.value = false
  const order = {
    runs: runs.value,
    words: words.value,
    look: look.value,
    writing: howWritten(),
    pace: pace.value,
    framesPerSecond: asPictures ? 2 : FRAMES_PER_SECOND,
    asPictures,
  }
  const inHand = makeFilm(order, (share) => (progress.value = share))
  filming.value = inHand
  try {
    const { kind, bytes, frames } = await inHand.done
    if (filming.value !== inHand) return
    const type = kind === 'webm' ? 'video/webm' : 'application/zip'
    download(fileName(title.value, kind), bytes as BlobPart, type)
    const instead = !asPictures && kind === 'zip' ? ' This browser cannot write a film.' : ''
    notices.say(`${frames} frames are in the file.${instead}`)
  } catch (error) {
    if (filming.value === inHand) notices.fail(error)
  } finally {
    if (filming.value === inHand) filming.value = null
  }
}
function stop() {
  filming.value?.stop()
  filming.value = null
  notices.say('The film was stopped; nothing of it was kept.')
}
onBeforeUnmount(() => filming.value?.stop())
const seconds = computed(() => Math.round(lengthS.value / pace.value))
</script>

<template>
  <div class="page replay">
    <EmptyPage
      v-if="comparison.chosen.value.length < 1"
      title="Nothing to play again"
      text="Choose runs side by side first; then play them again here, on one clock."
    >
      <v-btn-main to="/side-by-side">Choose runs</v-btn-main>
    </EmptyPage>
    <p v-else-if="!runs.length" role="status">Reading the runs …</p>
    <template v-else>
      <h1 class="offscreen">Replay</h1>
      <canvas
        ref="canvas"
        :width="FRAME.width"
        :height="FRAME.height"
        role="img"
        :aria-label="summary"
        @click="toggle"
      />
      <div class="bar">
        <v-btn-main @click="toggle">{{ playing ? 'Pause' : 'Play' }}</v-btn-main>
        <v-btn aria-label="One minute back" @click="step(-STEP_S)">− 1 min</v-btn>
        <v-btn aria-label="One minute on" @click="step(STEP_S)">+ 1 min</v-btn>
        <v-slider
          v-model="atS"
          :min="0"
          :max="lengthS"
          hide-details
          color="primary"
          aria-label="The clock"
          :aria-valuetext="clock(atS)"
          class="slider"
          @start="playing = false"
        />
        <FormPick v-model="pace" label="Pace" :items="PACES" density="compact" class="pace" />
      </div>
      <div class="bar">
        <FormText v-model="title" label="Title in the picture" maxlength="80" class="title" />
        <template v-if="filming">
          <v-progress-linear :model-value="100 * progress" class="progress" aria-label="Writing the film" />
          <span role="status">{{ Math.round(100 * progress) }} %</span>
          <v-btn @click="stop">Stop it</v-btn>
        </template>
        <template v-else>
          <v-btn-other @click="film(false)">Write a film, {{ seconds }} s</v-btn-other>
          <v-btn @click="film(true)">Numbered pictures</v-btn>
        </template>
      </div>
      <p v-if="comparison.chosen.value.length > runs.length" class="quiet">
        {{ runs.length }} of {{ comparison.chosen.value.length }} chosen runs are played, one of each
        {{ comparison.pathOrder.value.length > runs.length ? 'of the quickest set-ups' : 'set-up' }}.
      </p>
      <p class="quiet">
        Space plays and pauses, ← → step by a minute, Home and End go to the ends. The film is 1920 × 1080,
        made in this browser.
        <router-link class="quiet" :to="{ path: '/side-by-side', query: $route.query }"
          >Back to side by side</router-link
        >
      </p>
    </template>
  </div>
</template>

<style scoped>
.replay {
  max-width: 1240px;
  padding-top: 16px;
}
canvas {
  width: 100%;
  max-height: calc(100vh - 260px);
  object-fit: contain;
  object-position: left top;
  display: block;
}
.bar {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
  margin-top: 10px;
}
.slider {
  flex: 1 1 240px;
}
.pace {
  flex: 0 1 210px;
}
.title {
  flex: 0 1 320px;
}
.progress {
  flex: 1 1 200px;
}
</style>
