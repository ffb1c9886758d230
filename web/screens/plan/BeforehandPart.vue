<script setup lang="ts">
import { computed, ref } from 'vue'
import { intervalNear, undecidedGains, undecidedPairs } from '@core/compare/beforehand'
import { outlookOf } from '@core/compare/outlook'
import { pairKey, type Campaign } from '@core/plan/campaign'
import { comparedBy, comparedPairs, expectedFigure } from '@core/plan/compared'
import { expectations } from '@core/plan/expectations'
import {
  againstEach,
  alikeWords,
  undecidedGainWords,
  undecidedWords,
} from '@core/words/sentences/beforehandWords'
import { readingInWords } from '@core/protocol/rules'
import { useLogbook } from '../../stores/logbook'
import { duration, figure } from '@core/words/figures'
import { useAnalyses } from '../../stores/analyses'
import { useCurves } from '../../stores/curves'
import { useLearnt } from '../../stores/learnt'

/** Before the test: what it will be able to tell apart, and what it would take where it will not. */
const props = defineProps<{ campaign: Campaign }>()
const logbook = useLogbook()
const curves = useCurves()
const expected = computed(() =>
  expectations(props.campaign, {
    devices: logbook.devices,
    sources: logbook.sources,
    cables: logbook.cables,
    curves: curves.known,
  }),
)
const watched = ref(false)
const learnt = useLearnt()
const analyses = useAnalyses()
void analyses.fill().catch(() => undefined)

const by = computed(() => comparedBy(props.campaign))
const isPoints = computed(() => by.value === 'points')
/** Times to full or to a level; of a fixed time the points gained. */
const told = computed(() => {
  const { protocol, pairs } = props.campaign
  const plan = { intervalS: intervalNear(protocol.reading), watched: watched.value }
  const asked = by.value
  if (asked === null) return []
  return comparedPairs(pairs).map(({ by: side, id, pairs: own }) => {
    const repeats = learnt.repeatabilityFor(own[0])
    const figures = own.map((p) => ({
      id: pairKey(p),
      repeats: p.repeats,
      value: expectedFigure(asked, expected.value.get(pairKey(p)), protocol.startPercent),
    }))
    const called = (ids: readonly string[]) => ids.map(nameIn(side))
    const { all, undecided, alike, open } = isPoints.value
      ? outlookOf(figures, (of) => undecidedGains(of.map((f) => ({ ...f, gain: f.value })), repeats))
      : outlookOf(figures, (of) => undecidedPairs(of.map((f) => ({ ...f, seconds: f.value })), plan, repeats))
    const words = [
      ...open.map(({ a, b, told }) => {
        const who = againstEach(called(a), called(b))
        return 'limitS' in told ? undecidedWords(told, who) : undecidedGainWords(told, who)
      }),
      ...alike.map((ids) => alikeWords(called(ids), side)),
    ]
    const item = side === 'device' ? logbook.device(id) : logbook.source(id)
    return { key: id, name: item?.name ?? '?', repeats, decided: all - undecided, all, words }
  })
}) // prettier-ignore
/** Of one device its sources are told apart, of one source the devices. */
const nameIn = (side: 'device' | 'source') => (key: string) => {
  const pair = props.campaign.pairs.find((p) => pairKey(p) === key)
  const item = side === 'device' ? logbook.source(pair?.sourceId ?? '') : logbook.device(pair?.deviceId ?? '')
  const cable = logbook.cable(pair?.cableId ?? null)?.name
  return [item?.name ?? 'deleted', cable && `(${cable})`].filter(Boolean).join(' ')
}
const fixedMinutes = computed(() => {
  const { stop } = props.campaign.protocol
  return stop.kind === 'duration' ? duration(stop.seconds) : ''
})
</script>

<template>
  <section v-if="told.length" aria-label="What it will tell" data-testid="beforehand">
    <h2>What it will be able to tell apart</h2>
    <p class="quiet">
      <template v-if="isPoints">As planned: the points gained in {{ fixedMinutes }}, read on time.</template>
      <template v-else>As planned: read {{ readingInWords(campaign.protocol.reading) }}.</template>
      From {{ isPoints ? 'the forecast' : 'the times above' }}, found in nine cases of ten.
    </p>
    <v-checkbox
      v-if="!isPoints"
      v-model="watched"
      label="The display will be watched as it turns full"
      density="compact"
    />
    <template v-for="d in told" :key="d.key">
      <h3>{{ d.name }}: {{ d.decided }} of {{ d.all }} pairs will be decided</h3>
      <p class="quiet">
        By runs that repeat to {{ figure(100 * d.repeats.share, 1, '%') }},
        <span v-if="d.repeats.assumed" class="assumed">assumed</span
        ><template v-else>learnt from this logbook</template>.
      </p>
      <ul v-if="d.words.length">
        <li v-for="words in d.words" :key="words">{{ words }}</li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
h3 {
  font-size: 1rem;
}
</style>
