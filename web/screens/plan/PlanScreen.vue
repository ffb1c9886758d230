<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { countStates } from '@core/plan/progress'
import { QUESTIONS } from '@core/plan/questions'
import EmptyPage from '../../components/EmptyPage.vue'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'
import { usePlan } from '../../stores/plan'
import { placeOf } from '../../composables/places'

const logbook = useLogbook()
const plan = usePlan()
const notices = useNotices()
const router = useRouter()

const campaigns = computed(() =>
  logbook.campaigns.map((c) => {
    const counts = countStates(c, logbook.runs, plan.running)
    return { id: c.id, name: c.name, protocol: c.protocol.name, total: c.planned.length, ...counts }
  }),
)

async function begin(questionId: string) {
  try {
    const campaign = await plan.begin(questionId)
    await router.push(placeOf('plan', campaign.id))
  } catch (error) {
    notices.fail(error)
  }
}
async function remove(id: string, name: string) {
  try {
    notices.say(`${name} was deleted; its runs stay.`, await logbook.remove('campaigns', id))
  } catch (error) {
    notices.fail(error)
  }
}
</script>

<template>
  <div class="page">
    <h1>Plan</h1>
    <p class="quiet">A campaign is one question, the pairs that answer it, and the evenings they take.</p>
    <EmptyPage
      v-if="!logbook.devices.length || !logbook.sources.length"
      title="Nothing to plan with yet"
      text="A campaign needs at least one device and one source from the shelf."
    >
      <v-btn-main to="/shelf">Go to the shelf</v-btn-main>
    </EmptyPage>
    <template v-else>
      <section v-if="campaigns.length" aria-label="Campaigns">
        <h2>Campaigns</h2>
        <ul class="list">
          <li v-for="c in campaigns" :key="c.id">
            <router-link :to="placeOf('plan', c.id)">
              <strong>{{ c.name }}</strong>
              <span class="quiet">{{ c.protocol }}</span>
            </router-link>
            <span class="figure">{{ c.done }} of {{ c.total }} done</span>
            <v-btn size="small" @click="remove(c.id, c.name)">Delete</v-btn>
          </li>
        </ul>
      </section>
      <section aria-label="Begin a campaign">
        <h2>What do you want to know?</h2>
        <p class="quiet">
          Each question presets the pairs, the protocol and the repeats; all can be changed.
        </p>
        <ol class="list questions">
          <li v-for="q in QUESTIONS" :key="q.id">
            <button type="button" @click="begin(q.id)">{{ q.text }}</button>
          </li>
        </ol>
      </section>
    </template>
  </div>
</template>

<style scoped>
.list {
  list-style: none;
  padding: 0;
  border-top: var(--hairline);
}
.list li {
  display: flex;
  gap: 16px;
  align-items: center;
  border-bottom: var(--hairline);
}
.list a {
  flex: 1;
  color: inherit;
  text-decoration: none;
  padding: 10px 4px;
  display: grid;
}
.list a:hover strong,
.questions button:hover {
  text-decoration: underline;
}
.questions {
  counter-reset: q;
}
.questions button {
  text-align: left;
  padding: 12px 4px;
  width: 100%;
  min-height: 48px;
}
</style>
