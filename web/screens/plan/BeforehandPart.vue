<script setup lang="ts">
import { computed, ref } from 'vue'
import { groups } from 'd3-array'
import { intervalNear, undecidedPairs } from '@core/compare/beforehand'
import { pairKey, type Campaign } from '@core/plan/campaign'
import { expectations } from '@core/plan/expectations'
import { undecidedWords } from '@core/words/sentences/adviceWords'
import { readingInWords } from '@core/protocol/rules'
import { useLogbook } from '../../stores/logbook'
import { figure } from '@core/words/figures'
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

/** Pairs of one device are compared; a fixed time decides nothing about times. */
const told = computed(() => {
  const { protocol, pairs } = props.campaign
  if (protocol.stop.kind === 'duration') return []
  const plan = { intervalS: intervalNear(protocol.reading), watched: watched.value }
  return groups(pairs, (p) => p.deviceId).flatMap(([deviceId, own]) =>
    own.length < 2
      ? []
      : [
          {
            device: logbook.device(deviceId)?.name ?? 'A deleted device',
            repeats: learnt.repeatabilityFor(own[0]),
            all: (own.length * (own.length - 1)) / 2,
            pairs: undecidedPairs(
              own.map((p) => {
                const time = expected.value.get(pairKey(p))
                // What is not expected to charge comes to no time that could be compared.
                const seconds = time && time.basis !== 'watched' ? time.chargeS : NaN
                return { id: pairKey(p), seconds, repeats: p.repeats }
              }),
              plan,
              learnt.repeatabilityFor(own[0]),
            ),
          },
        ],
  )
})
const name = (key: string) => {
  const pair = props.campaign.pairs.find((p) => pairKey(p) === key)
  const source = logbook.source(pair?.sourceId ?? '')?.name ?? 'a deleted source'
  const cable = logbook.cable(pair?.cableId ?? null)?.name
  return cable ? `${source} (${cable})` : source
}
</script>

<template>
  <section v-if="told.length" aria-label="What it will tell" data-testid="beforehand">
    <h2>What it will be able to tell apart</h2>
    <p class="quiet">
      As planned: read {{ readingInWords(campaign.protocol.reading) }}. From the times above, found in nine
      cases of ten.
    </p>
    <v-checkbox v-model="watched" label="The display will be watched as it turns full" density="compact" />
    <template v-for="d in told" :key="d.device">
      <h3>{{ d.device }}: {{ d.all - d.pairs.length }} of {{ d.all }} pairs will be decided</h3>
      <p class="quiet">
        By runs that repeat to {{ figure(100 * d.repeats.share, 1, '%') }},
        <span v-if="d.repeats.assumed" class="assumed">assumed</span
        ><template v-else>learnt from this logbook</template>.
      </p>
      <ul v-if="d.pairs.length">
        <li v-for="u in d.pairs" :key="`${u.a} ${u.b}`">{{ undecidedWords(u, name) }}</li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
h3 {
  font-size: 1rem;
}
</style>
