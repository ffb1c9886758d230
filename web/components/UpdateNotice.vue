<script setup lang="ts">
import { computed } from 'vue'
import { useNewVersion } from '../composables/newVersion'
import { benchHeldAnywhere } from '../stores/benchLock'
import { useNotices } from '../stores/notices'
import { useBench } from '../stores/bench'

/** A newer version waits: it is never taken up while lanes run. */
const newer = useNewVersion()
const bench = useBench()
const notices = useNotices()
/** Lanes of this tab, or of another that this one watches. */
const waits = computed(() => bench.running)

async function takeUp() {
  // Another tab may have started a lane since: the lock tells for sure.
  if (await benchHeldAnywhere())
    return notices.fail('A lane runs in another tab: the new version waits until it is over.')
  newer.takeUp()
}
</script>

<template>
  <v-alert v-if="newer.waits.value" type="info" variant="tonal" class="update" role="status">
    A newer version of the program is here.
    {{ waits ? 'It is taken up once no lane runs.' : '' }}
    <template v-if="!waits" #append>
      <v-btn-other @click="takeUp">Take it up</v-btn-other>
    </template>
  </v-alert>
</template>

<style scoped>
.update {
  position: fixed;
  right: 16px;
  bottom: 84px;
  max-width: 420px;
  z-index: 7;
  background: rgb(var(--v-theme-surface));
}
</style>
