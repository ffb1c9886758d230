import { format } from 'date-fns'
import { computed } from 'vue'
import { duration } from '@core/words/figures'
import { prepareFrom } from '@core/plan/jobs'
import { longDay, timeOfDay, weekdayAndTime } from '@core/words/moments'
import { pairKey, type Campaign } from '@core/plan/campaign'
import { cellProgress, isOver, nextUp, type CellProgress } from '@core/plan/progress'
import { DATE } from '@core/plan/windows'
import { repeatName } from '@core/words/names'
import { useLogbook } from '../../stores/logbook'
import { useNotices } from '../../stores/notices'
import { usePlan } from '../../stores/plan'
import { useStrip } from '../../stores/strip'

const cellWords = (c: CellProgress): string =>
  [
    c.running ? `${c.running} running` : '',
    c.missing ? `${c.missing} missing` : c.running ? '' : 'complete',
    c.spoilt ? `${c.spoilt} spoilt` : '',
    c.setAside ? `${c.setAside} set aside` : '',
  ]
    .filter(Boolean)
    .join(', ')

/** How far a campaign is, and what comes next. */
export function useProgress(campaign: () => Campaign) {
  const logbook = useLogbook()
  const plan = usePlan()
  const strip = useStrip()
  const notices = useNotices()

  const cells = computed(() => cellProgress(campaign(), logbook.runs, plan.running))
  const devices = computed(() => {
    const ids = new Set(campaign().planned.map((p) => p.deviceId))
    return logbook.devices.filter((d) => ids.has(d.id))
  })
  const rows = computed(() => {
    const lines = new Map(campaign().planned.map((p) => [`${p.sourceId} ${p.cableId ?? ''}`, p]))
    return [...lines].map(([id, { sourceId, cableId }]) => {
      const cable = logbook.cable(cableId)
      return {
        id,
        name: plan.names.source(sourceId) + (cable ? `, ${cable.name}` : ''),
        cells: devices.value.map((d) => {
          const cell = cells.value.get(pairKey({ deviceId: d.id, sourceId, cableId }))
          return cell ? { ...cell, words: cellWords(cell) } : null
        }),
      }
    })
  })
  const dayOf = (iso: string) => format(new Date(iso), DATE)
  const next = computed(() => nextUp(campaign(), plan.settled(campaign()), dayOf))
  /** Those that start together with the first: one switch, one power-on. */
  const together = computed(() =>
    next.value.filter((p) => p.slot!.startsAt === next.value[0].slot!.startsAt).map((p) => p.id),
  )
  const prepareAt = computed(() => prepareFrom(campaign()))
  const tonight = computed(() =>
    next.value.map((p) => ({
      id: p.id,
      name: logbook.nameOf(p),
      time: timeOfDay(p.slot!.startsAt),
      detail: [
        `run ${p.repeat}`,
        logbook.cable(p.cableId)?.name ?? '',
        `lane ${p.slot!.lane + 1}`,
        `about ${duration(p.slot!.chargeS)}`,
        `drain and rest from ${weekdayAndTime(prepareAt.value(p.slot!))}`,
      ]
        .filter(Boolean)
        .join(' · '),
    })),
  )
  const overdue = computed(
    () => next.value.length > 0 && dayOf(next.value[0].slot!.startsAt) < format(new Date(), DATE),
  )
  const tonightTitle = computed(() => {
    const first = next.value[0]?.slot?.startsAt
    if (!first) return ''
    if (dayOf(first) === format(new Date(), DATE)) return 'Next on the shelf: tonight'
    return `Next on the shelf: ${longDay(first)}`
  })
  const aside = computed(() =>
    campaign()
      .planned.filter((p) => p.setAside !== null)
      .map((p) => ({ id: p.id, name: repeatName(logbook.nameOf(p), p.repeat), why: p.setAside })),
  )
  const over = computed(() => isOver(campaign(), logbook.runs, plan.running))

  async function carry(ids: string[]): Promise<boolean> {
    try {
      for (const id of ids) await strip.rig(campaign(), id)
      return true
    } catch (error) {
      notices.fail(error)
      return false
    }
  }
  const bringBack = (id: string) =>
    plan.change(campaign(), id, { setAside: null, slot: null, pinned: false }).catch(notices.fail)
  return { rows, devices, tonight, together, overdue, tonightTitle, aside, over, carry, bringBack }
}
