<script setup lang="ts">
import { ref } from 'vue'
import { asWritten, duration } from '@core/words/figures'
import type { Finding } from '@core/analysis/findings/findings'
import { answerTo } from '@core/logbook/answers'
import type { Run } from '@core/logbook/run'
import { useGoOn } from '../../composables/goOn'
import { idsAsWord } from '../../composables/places'
import { useNotices } from '../../stores/notices'
import { useParting } from '../../stores/parting'
import AnswerDialog from './AnswerDialog.vue'

/** Findings with what to do about each, and what the reviewer says to it. */
const props = defineProps<{
  run: Run
  findings: readonly Finding[]
  letterOf: (finding: Finding) => string
}>()
const answering = ref<Finding | null>(null)
const { part: partRun } = useParting()
const notices = useNotices()
const goOn = useGoOn()
const parting = ref(false)
/** The charges of this run, set beside each other. */
async function part() {
  parting.value = true
  try {
    const { ids, undo } = await partRun(props.run.id)
    await goOn({ path: '/side-by-side', query: { runs: idsAsWord(ids) } })
    notices.say(`Its ${ids.length} charges are runs.`, undo)
  } catch (error) {
    notices.fail(error)
  } finally {
    parting.value = false
  }
}
const MARK = { notice: 'Note', warning: 'Mind', blocking: 'Wrong' }
</script>

<template>
  <ul>
    <li
      v-for="(f, i) in findings"
      :key="i"
      :class="[f.severity, { answered: answerTo(run, f)?.text }]"
      :data-testid="`finding-${f.code}`"
    >
      <p>
        <span v-if="letterOf(f)" class="letter">{{ letterOf(f) }}</span>
        <strong>{{ MARK[f.severity] }}</strong>
        <span v-if="Number.isFinite(f.atS)" class="figure quiet at">{{ duration(f.atS) }}</span>
      </p>
      <p>
        {{ asWritten(f.message) }} <span class="quiet">{{ asWritten(f.advice) }}</span>
      </p>
      <p v-if="answerTo(run, f)?.text" class="answer">Known: {{ answerTo(run, f)?.text }}</p>
      <button
        v-if="f.code === 'another-charge' && run.state !== 'set-aside'"
        type="button"
        class="ask"
        :disabled="parting"
        @click="part"
      >
        Make a run of each charge
      </button>
      <button type="button" class="ask" @click="answering = f">
        {{ answerTo(run, f)?.text ? 'Answer it anew' : 'Answer it' }}
      </button>
    </li>
  </ul>
  <AnswerDialog v-if="answering" :run="run" :finding="answering" @done="answering = null" />
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
}
li {
  border-left: 3px solid rgba(var(--v-border-color), 0.3);
  padding: 2px 0 2px 12px;
  margin: 10px 0;
}
li p {
  margin: 1px 0;
}
.warning {
  border-color: rgb(var(--v-theme-warning));
}
.blocking {
  border-color: rgb(var(--v-theme-error));
}
.warning strong {
  color: rgb(var(--v-theme-warning));
}
.blocking strong {
  color: rgb(var(--v-theme-error));
}
.answered {
  border-style: dotted;
}
.answer {
  font-style: italic;
}
.letter {
  display: inline-block;
  min-width: 18px;
  margin-right: 6px;
  border-radius: 9px;
  text-align: center;
  font-size: 0.76rem;
  font-weight: 700;
  background: rgb(var(--v-theme-primary));
  color: rgb(var(--v-theme-surface));
}
.at {
  margin-left: 8px;
  font-size: 0.9rem;
}
.ask {
  min-height: 24px;
  padding: 0;
  text-decoration: underline dotted;
  text-underline-offset: 3px;
  font-size: 0.86rem;
}
.ask + .ask {
  margin-left: 18px;
}
</style>
