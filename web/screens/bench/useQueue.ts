import { computed, ref, watch } from 'vue'
import { useBench } from '../../stores/bench'
import { dueAt, heatDueAt, isDue } from '@core/bench/due'
import { isByHand } from '@core/bench/setup'
import type { Lane } from '../../stores/lane'

/** Which lanes wait for the reviewer, and which one the entry fields belong to. */
export function useQueue() {
  const bench = useBench()
  const chosen = ref<string | null>(null)

  /** The state is changed in place: its count tells when. */
  const heatDue = (lane: Lane): number | null => (lane.count >= 0 ? heatDueAt(lane) : null)
  const waits = (lane: Lane): boolean => (lane.count >= 0 && isDue(lane)) || heatDue(lane) !== null
  /** Lanes that wait, the longest first. */
  const due = computed(() =>
    bench.lanes.filter(waits).sort((a, b) => b.elapsedS - dueAt(b) - (a.elapsedS - dueAt(a))),
  )
  /** Something can happen on any lane, so any may have its turn; those that wait for a reading come first. */
  const enterable = computed(() => bench.lanes)
  const current = computed(
    () =>
      bench.lanes.find((l) => l.setup.runId === chosen.value && enterable.value.includes(l)) ??
      due.value[0] ??
      enterable.value.find((l) => isByHand(l.setup)) ??
      enterable.value[0],
  )
  /** Raised with every choice, the same lane again included: the cursor goes to its first field. */
  const turns = ref(0)
  function choose(lane: Lane) {
    chosen.value = lane.setup.runId
    turns.value++
  }

  /** After an entry the next lane that waits has its turn; without one, the same lane stays. */
  function goOn(from: Lane) {
    const next = due.value.find((l) => l !== from)
    if (next && !waits(from)) choose(next)
  }
  function step(by: 1 | -1) {
    const list = enterable.value
    const at = current.value ? list.indexOf(current.value) : -1
    if (list.length) choose(list[(at + by + list.length) % list.length])
  }
  // Nobody has chosen a lane yet: the first that falls due takes the fields, and keeps them.
  watch(
    () => due.value.map((l) => l.setup.runId).join(),
    () => {
      const mine = current.value
      if (due.value[0] && (!mine || !waits(mine))) choose(due.value[0])
    },
  )
  return { due, enterable, current, turns, heatDue, choose, goOn, step }
}
