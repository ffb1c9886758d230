import { computed, ref, watch } from 'vue'
import { duration } from '@core/words/figures'
import { prepareFrom } from '@core/plan/jobs'
import { dayInWeek, longDay, timeOfDay, weekdayAndTime } from '@core/words/moments'
import type { Campaign, PlannedRun } from '@core/plan/campaign'
import { windowsOf } from '@core/plan/windows'
import { lengthInWords, limitInWords, savingInWords } from '@core/plan/words'
import { repeatName } from '@core/words/names'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'
import { usePlan } from '../../stores/plan'

/** Free stretches shown after the last run, to drag runs into. */
const SPARE_WINDOWS = 4

export interface Card {
  planned: PlannedRun
  from: string
  to: string
  name: string
  detail: string
  state: string
  startMs: number
  /** Place along the stretch of free hours, in percent. */
  left: number
  width: number
}

/** The timetable as the screen shows it: stretches of free hours, and the runs on them. */
export function useTimetable(campaign: () => Campaign) {
  const logbook = useLogbook()
  const plan = usePlan()
  const notices = useNotices()
  const refusal = ref('')

  const windows = computed(() => windowsOf(campaign().availability))
  const prepareAt = computed(() => prepareFrom(campaign()))
  const startOf = (p: PlannedRun) => Date.parse(p.slot!.startsAt)

  function card(p: PlannedRun, opens: number, length: number): Card {
    const { chargeS, unit, lane } = p.slot!
    const startMs = startOf(p)
    const units = campaign().means.units[p.deviceId] ?? 1
    return {
      planned: p,
      startMs,
      from: timeOfDay(startMs),
      to: timeOfDay(startMs + chargeS * 1000),
      name: logbook.nameOf(p),
      detail: [
        `run ${p.repeat}`,
        units > 1 ? `unit ${unit + 1}` : '',
        `lane ${lane + 1}`,
        `drain and rest from ${weekdayAndTime(prepareAt.value(p.slot!))}`,
      ]
        .filter(Boolean)
        .join(' · '),
      state: plan.stateOfRun(campaign(), p.id),
      left: ((startMs / 1000 - opens) / length) * 100,
      width: (chargeS / length) * 100,
    }
  }

  const days = computed(() => {
    const placed = campaign().planned.filter((p) => p.slot && p.setAside === null)
    const shown = windows.value.map((w) => ({
      ...w,
      cards: placed
        .filter((p) => startOf(p) / 1000 >= w.startS && startOf(p) / 1000 < w.endS)
        .sort((a, b) => startOf(a) - startOf(b))
        .map((p) => card(p, w.startS, w.endS - w.startS)),
    }))
    const last = shown.findLastIndex((w) => w.cards.length > 0)
    const first = shown.findIndex((w) => w.cards.length > 0 || w.endS * 1000 > Date.now())
    return shown.slice(Math.max(0, first), last + 1 + SPARE_WINDOWS).map((w) => ({
      ...w,
      title: dayInWeek(w.startS * 1000),
      hours: `${timeOfDay(w.startS * 1000)}–${timeOfDay(w.endS * 1000)}`,
    }))
  })
  /** Placed once, but the free hours have changed since, or the moment lies in none of them. */
  const astray = computed(() => {
    const inside = new Set(days.value.flatMap((d) => d.cards.map((c) => c.planned.id)))
    return campaign().planned.filter((p) => p.slot && p.setAside === null && !inside.has(p.id))
  })
  const unplaced = computed(() =>
    campaign()
      .planned.filter((p) => !p.slot && ['planned', 'spoilt'].includes(plan.stateOfRun(campaign(), p.id)))
      .map((p) => ({ id: p.id, name: repeatName(logbook.nameOf(p), p.repeat), why: whyUnplaced(p.id) })),
  )
  // A look at the whole follows every change, by hand or not; it moves nothing.
  watch(campaign, (now) => void plan.study(now).catch(notices.fail), { immediate: true })
  const arrangement = computed(() => plan.arrangements.get(campaign().id))

  function whyUnplaced(id: string): string {
    const found = arrangement.value?.unplaceable.find((u) => u.plannedId === id)
    if (found?.reason !== 'too-long')
      return 'not laid out yet, or no room is left in two years of these hours'
    return `it takes ${duration(found.needsS)}; the longest free stretch is ${duration(found.longestS)}. Give it a longer one, or another stop rule.`
  }
  const summary = computed(() => {
    const a = arrangement.value
    const ends = days.value.flatMap((d) => d.cards.map((c) => c.startMs + c.planned.slot!.chargeS * 1000))
    return {
      ends: ends.length ? `${longDay(Math.max(...ends))}, ${timeOfDay(Math.max(...ends))}` : '',
      length: a ? lengthInWords(a) : '',
      limit: a ? limitInWords(a.limit, plan.names) : '',
      unfair: a?.alwaysFirst
        ? 'On some device one source comes first in every round: another seed may part them.'
        : '',
      savings: (plan.saved.get(campaign().id) ?? []).map((s) => savingInWords(s, plan.names)),
    }
  })

  async function layOut() {
    refusal.value = ''
    await plan.layOut(campaign()).catch(notices.fail)
  }
  async function move(plannedId: string, fromMs: number): Promise<boolean> {
    refusal.value = ''
    try {
      const result = await plan.move(campaign(), plannedId, fromMs)
      const name = logbook.nameOf(campaign().planned.find((p) => p.id === plannedId)!)
      if (!result.ok) refusal.value = `${name} stays where it was. ${result.why}`
      else notices.say(`${name} was moved.`)
      return result.ok
    } catch (error) {
      notices.fail(error)
      return false
    }
  }
  const release = (id: string) => plan.change(campaign(), id, { pinned: false }).catch(notices.fail)
  const setAside = (id: string, why: string | null) =>
    plan
      .change(campaign(), id, { setAside: why, ...(why === null ? { slot: null } : {}) })
      .catch(notices.fail)

  return { days, astray, unplaced, summary, refusal, layOut, move, release, setAside }
}
