<script setup lang="ts">
import { computed, defineAsyncComponent, onMounted, watchEffect } from 'vue'
import { useTheme } from 'vuetify'
import TopBar from './TopBar.vue'
import UpdateNotice from './components/UpdateNotice.vue'
import EmptyPage from './components/EmptyPage.vue'
import { download } from './composables/download'
import { useBenchCall } from './composables/benchCall'
import { useFileDrop } from './composables/fileDrop'
import { useLettingGo } from './composables/lettingGo'
import { usePrinting } from './theme/printing'
import { useLogbook } from './stores/logbook'
import { useNotices } from './stores/notices'
import { useSettings } from './stores/settings'
import { useStartup } from './stores/startup'

// Neither is in the first paint: notices follow it, and the loss of a logbook is hardly ever seen.
const NoticeBar = defineAsyncComponent(() => import('./components/NoticeBar.vue'))
const GuideBar = defineAsyncComponent(() => import('./GuideBar.vue'))
const PageFoot = defineAsyncComponent(() => import('./components/PageFoot.vue'))
const LostLogbook = defineAsyncComponent(() => import('./components/LostLogbook.vue'))
const startup = useStartup()
const logbook = useLogbook()
const settings = useSettings()
const theme = useTheme()
const { dragging, over, drop } = useFileDrop()
useBenchCall()

const printing = usePrinting()
watchEffect(() => theme.change(printing.value ? 'paper' : settings.themeName))
useLettingGo()
const isOpening = computed(
  () => logbook.state === 'loading' || (logbook.state === 'ready' && logbook.isEmpty && !startup.decided),
)
const reload = () => location.reload()
/** The private files may be whole where the database is not. */
async function takeCopy() {
  const text = await startup.copyAsText().catch(() => null)
  if (text) download('inkpath-second-copy.json', text, 'application/json')
  else useNotices().fail('There is no second copy in this browser.')
}
onMounted(async () => {
  await startup.begin().catch(useNotices().fail)
  const { callPreparing } = await import('./composables/preparingCall')
  await callPreparing()
})
</script>

<template>
  <v-app :class="{ dragging }" @dragover="over" @dragleave.self="dragging = false" @drop="drop">
    <a class="skip" href="#content">Skip to the page</a>
    <TopBar />
    <v-main id="content" class="rest">
      <div v-if="isOpening" class="page" role="status">Opening the logbook …</div>
      <EmptyPage
        v-else-if="logbook.state === 'failed'"
        title="The logbook could not be opened"
        :text="logbook.failure"
      >
        <v-btn-main @click="reload">Try again</v-btn-main>
        <v-btn @click="takeCopy">Take the second copy as a file</v-btn>
      </EmptyPage>
      <LostLogbook v-else-if="startup.loss" :loss="startup.loss" />
      <template v-else>
        <GuideBar />
        <div class="screen"><router-view /></div>
        <PageFoot />
      </template>
    </v-main>
    <UpdateNotice />
    <NoticeBar />
  </v-app>
</template>

<style scoped>
.dragging {
  outline: 2px dashed rgb(var(--v-theme-primary));
  outline-offset: -4px;
}
/* The foot stands at the bottom from the first: what is drawn before it does not push it down the screen. */
@media screen {
  .rest {
    display: flex;
    flex-direction: column;
  }
  .screen {
    flex: 1 0 auto;
  }
}
.skip {
  position: absolute;
  left: -999px;
}
.skip:focus {
  left: 8px;
  top: 8px;
  z-index: 10;
  background: rgb(var(--v-theme-surface));
  padding: 8px;
}
</style>
