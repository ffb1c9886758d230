import { defineStore } from 'pinia'
import { ref } from 'vue'

export type RunGroup = 'none' | 'device' | 'source' | 'campaign' | 'day'
/** Which runs are listed by how they stand. */
export type RunFilter = 'all' | 'sound' | 'minded' | 'out'

/** How the list of runs was left: one who comes back finds it so. */
export const useRunListView = defineStore('runListView', () => {
  const chosen = ref<string[]>([])
  const search = ref('')
  const group = ref<RunGroup>('none')
  const filter = ref<RunFilter>('all')
  const scrollTop = ref(0)
  const sortBy = ref<{ key: string; order: 'asc' | 'desc' }[]>([{ key: 'startedAt', order: 'desc' }])
  return { chosen, search, group, filter, scrollTop, sortBy }
})
