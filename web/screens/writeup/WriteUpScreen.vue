<script setup lang="ts">
import { computed, onMounted, ref, watch, useTemplateRef } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { changedSince, type Block } from '@core/logbook/writeUp'
import EmptyPage from '../../components/EmptyPage.vue'
import SimulatedTag from '../../components/SimulatedTag.vue'
import FormText from '../../forms/FormText.vue'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'
import BlockTools from './BlockTools.vue'
import TakeDataDialog from './TakeDataDialog.vue'
import PageBlockView from './PageBlockView.vue'
import WordsBlock from './WordsBlock.vue'
import { BLOCK_NAMES, useBlocks } from './useBlocks'
import { useDragBlocks } from './useDragBlocks'
import { useTakeOut } from './useTakeOut'
import { useWriteUpPage } from './useWriteUpPage'

const props = defineProps<{ id: string }>()
const route = useRoute()
const router = useRouter()
const logbook = useLogbook()
const notices = useNotices()
const record = computed(() => logbook.writeUp(props.id))
const { page, busy, figures, changed, isEmpty } = useWriteUpPage(() => record.value)

/** The comparison lives in the address; opened without one, it is the one that was kept. */
const kept = () => Object.fromEntries(new URLSearchParams(record.value?.settings ?? ''))
onMounted(async () => {
  if (record.value && !route.query.runs) await router.replace({ query: kept() })
})
const settings = computed(() => new URLSearchParams(route.query as Record<string, string>).toString())
watch(settings, (now) => {
  if (record.value && route.query.runs && now !== record.value.settings)
    void change(() => ({ settings: now }))
})

const { blocks, missing, change, moveBy, leaveOut, write, add } = useBlocks(record, figures)
const title = ref('')
watch(
  () => record.value?.title,
  (now) => (title.value = now ?? ''),
  { immediate: true },
)
const retitle = () => {
  if (title.value.trim() && title.value.trim() !== record.value?.title)
    void change(() => ({ title: title.value.trim() }))
}
const shownOf = (id: string) => page.value.blocks.find((b) => b.id === id)
useDragBlocks(useTemplateRef<HTMLElement>('list'), (blockId, by) => void moveBy(blockId, by))
function onKey(event: KeyboardEvent, block: Block) {
  if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return
  event.preventDefault()
  void moveBy(block.id, event.key === 'ArrowUp' ? -1 : 1)
}

/** Figures that are not as they were when the data were taken out for others. */
const strayed = computed(() => changedSince(record.value?.published ?? '', figures.value))
const out = useTakeOut(record, page, figures)
const takingData = ref(false)
const print = () => window.print()
async function remove() {
  if (!record.value) return
  try {
    const undo = await logbook.remove('writeUps', record.value.id)
    await router.push('/write-up')
    notices.say('The write-up was deleted.', undo)
  } catch (error) {
    notices.fail(error)
  }
}
</script>

<template>
  <div class="page">
    <EmptyPage v-if="!record" title="There is no such write-up" text="It may have been deleted.">
      <v-btn-main to="/write-up">See all write-ups</v-btn-main>
    </EmptyPage>
    <template v-else>
      <p class="tools"><router-link to="/write-up" class="quiet">All write-ups</router-link></p>
      <h1 class="offscreen printed">{{ page.title }}</h1>
      <FormText
        v-model="title"
        class="title"
        label="Title"
        maxlength="200"
        @blur="retitle"
        @keydown.enter="retitle"
      />
      <p class="quiet">{{ page.day }} <SimulatedTag v-if="page.simulated" /></p>
      <div class="tools deeds">
        <v-btn-main :disabled="busy || isEmpty" @click="out.takeHtml">Take it as a page (HTML)</v-btn-main>
        <v-btn :disabled="busy || isEmpty" @click="print">Print</v-btn>
        <v-btn :disabled="busy || isEmpty" @click="out.takeMarkdown">Markdown</v-btn>
        <v-btn :disabled="busy || isEmpty" @click="out.takeScript">Script to be spoken</v-btn>
        <v-btn :disabled="busy || isEmpty" @click="takingData = true">Data (zip)</v-btn>
        <v-btn :to="{ path: '/side-by-side', query: { ...route.query, writeUp: id } }"
          >Change the comparison</v-btn
        >
        <v-btn color="error" @click="remove">Delete it</v-btn>
      </div>
      <p v-if="record.published && !busy && !isEmpty" class="quiet tools" data-testid="published">
        {{
          strayed.length
            ? `${strayed.length} of ${figures.length} figures are not as they were when its data were taken out.`
            : `All ${figures.length} figures are as they were when its data were taken out.`
        }}
      </p>
      <p v-if="isEmpty" role="alert">
        The runs of this write-up are not in the logbook any more; its words are.
      </p>
      <p v-else-if="busy" role="status">Working out the figures …</p>
      <TakeDataDialog v-if="takingData" :take="out.takeData" @done="takingData = false" />
      <ol ref="list" class="blocks" data-testid="blocks">
        <li
          v-for="(block, i) in blocks"
          :key="block.id"
          :data-kind="block.kind"
          :data-block="block.id"
          @keydown="onKey($event, block)"
        >
          <BlockTools
            :name="BLOCK_NAMES[block.kind]"
            :is-first="i === 0"
            :is-last="i === blocks.length - 1"
            @move="moveBy(block.id, $event)"
            @leave-out="leaveOut(block)"
          />
          <div class="block">
            <WordsBlock
              v-if="block.kind === 'words'"
              :words="block.words"
              :changed="changed(block)"
              @write="(words, over) => write(block, words, over)"
            />
            <PageBlockView
              v-if="shownOf(block.id) && !busy"
              :block="shownOf(block.id)!"
              :title="page.title"
              :simulated="page.simulated"
            />
            <p v-else-if="block.kind !== 'words' && !busy" class="quiet tools">
              {{ BLOCK_NAMES[block.kind] }}: nothing to say.
            </p>
          </div>
        </li>
      </ol>
      <p class="tools deeds">
        <span class="quiet">Add</span>
        <v-btn v-for="kind in missing" :key="kind" size="small" @click="add(kind)">{{
          BLOCK_NAMES[kind]
        }}</v-btn>
      </p>
    </template>
  </div>
</template>

<style scoped>
.title {
  max-width: 760px;
}
.deeds {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
  margin: 10px 0;
}
.blocks {
  list-style: none;
  padding: 0;
  max-width: 1020px;
}
.blocks li {
  display: grid;
  grid-template-columns: 148px minmax(0, 1fr);
  gap: 18px;
  padding: 6px 0;
}
@media print {
  .tools,
  .title {
    display: none;
  }
  .printed {
    position: static;
    width: auto;
    height: auto;
    clip-path: none;
    overflow: visible;
    white-space: normal;
  }
  .blocks li {
    grid-template-columns: minmax(0, 1fr);
    break-inside: avoid;
  }
}
@media (max-width: 760px) {
  .blocks li {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
