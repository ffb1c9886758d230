<script setup lang="ts">
import { computed } from 'vue'
import { useDisplay, useTheme } from 'vuetify'
import { download, fileName } from '../../composables/download'
import CopyTable from '../../components/CopyTable.vue'
import type { PageBlock } from '@core/words/page'
import { pictureSvg, pngOf, type Size } from './pictures'
import { useNotices } from '../../stores/notices'

/** A block as others will see it. */
const props = defineProps<{ block: PageBlock; title: string; simulated: boolean }>()
const theme = useTheme()
const { smAndDown } = useDisplay()
const notices = useNotices()
const paper = computed(() => (theme.current.value.dark ? 'dark' : 'light'))
const svg = computed(() =>
  props.block.picture
    ? pictureSvg(props.block.picture, paper.value, props.simulated, smAndDown.value ? 'phone' : 'page')
    : '',
)
const name = computed(() => `${props.title} ${props.block.heading}`)
const drawn = (size: Size) => pictureSvg(props.block.picture!, paper.value, props.simulated, size)
const takeSvg = () => download(fileName(name.value, 'svg'), drawn('page'), 'image/svg+xml')
async function takePng(size: Size) {
  try {
    download(
      fileName(`${name.value} ${size === 'wide' ? '16 9' : ''}`, 'png'),
      await pngOf(drawn(size)),
      'image/png',
    )
  } catch (error) {
    notices.fail(error)
  }
}
const rows = () => [props.block.table!.head, ...props.block.table!.rows]
async function takeSheet() {
  try {
    const { sheetFile } = await import('./sheetFile')
    download(
      fileName(name.value, 'xlsx'),
      await sheetFile(rows()),
      'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    )
  } catch (error) {
    notices.fail(error)
  }
}
</script>

<template>
  <h2 v-if="block.heading" class="heading">{{ block.heading }}</h2>
  <p v-for="text in block.paragraphs" :key="text">{{ text }}</p>
  <!-- eslint-disable-next-line vue/no-v-html -- own words, cleaned by DOMPurify -->
  <div v-if="block.html" class="own" v-html="block.html"></div>
  <ul v-if="block.list.length">
    <li v-for="text in block.list" :key="text">{{ text }}</li>
  </ul>
  <template v-if="block.picture">
    <!-- eslint-disable-next-line vue/no-v-html -- made by svgPicture, which escapes every word -->
    <div class="picture" v-html="svg"></div>
    <p class="deeds">
      <v-btn size="small" variant="text" @click="takePng('page')">PNG</v-btn>
      <v-btn size="small" variant="text" @click="takePng('wide')">PNG, 16:9</v-btn>
      <v-btn size="small" variant="text" @click="takeSvg">SVG</v-btn>
    </p>
  </template>
  <template v-if="block.table">
    <div class="scroll-x" tabindex="0">
      <table class="ruled">
        <caption class="quiet">
          {{
            block.table.caption
          }}
        </caption>
        <thead>
          <tr>
            <th v-for="(head, i) in block.table.head" :key="i" scope="col">{{ head }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(row, i) in block.table.rows" :key="i">
            <th scope="row">{{ row[0] }}</th>
            <td v-for="(cell, k) in row.slice(1)" :key="k">{{ cell }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <p class="deeds">
      <CopyTable :table="rows" :name="block.heading" />
      <v-btn size="small" variant="text" @click="takeSheet">Spreadsheet</v-btn>
    </p>
  </template>
</template>

<style scoped>
.picture :deep(svg) {
  max-width: 100%;
  height: auto;
}
/* On the line of the buttons that move its block. */
h2.heading {
  margin-top: 6px;
}
th[scope='row'] {
  min-width: 6.5rem;
}
caption {
  text-align: left;
  font-size: 0.86rem;
}
.own :deep(ul),
.own :deep(ol) {
  margin-left: 20px;
}
@media print {
  .deeds {
    display: none;
  }
  .picture :deep(svg > rect:first-of-type) {
    fill: #fff;
  }
}
</style>
