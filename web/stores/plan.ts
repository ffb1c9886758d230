import { defineStore } from 'pinia'
import { computed, ref, shallowReactive } from 'vue'
import { format } from 'date-fns'
import type { Arrangement } from '@core/plan/arrangement'
import type { PlanGear } from '@core/plan/expectations'
import { threeWayParts } from '@core/logbook/threeWay'
import { moveRun, type Move } from '@core/plan/moveRun'
import type { Saving } from '@core/plan/savings'
import { calendarOf } from '@core/plan/calendar'
import { plannedRunsFor, usualMeans, type Campaign, type PairPlan } from '@core/plan/campaign'
import { plannedOnto } from '@core/plan/plannedOnto'
import { settledRuns, stateOf } from '@core/plan/progress'
import { pairsFor, QUESTIONS } from '@core/plan/questions'
import { DATE, eveningsOnly } from '@core/plan/windows'
import { obstacleInWords, type Names } from '@core/plan/words'
import { protocolsWith } from '@core/protocol/schools'
import type { Protocol } from '@core/protocol/protocol'
import { planWork } from '../workers/plan'
import { useBench } from './bench'
import { useCurves } from './curves'
import { useLogbook } from './logbook'

const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** Campaigns: what is to be run, when, and how far it is. */
export const usePlan = defineStore('plan', () => {
  const logbook = useLogbook()
  const bench = useBench()
  const curves = useCurves()
  /** What the last layout of each campaign told, by campaign id. */
  const arrangements = shallowReactive(new Map<string, Arrangement>())
  const saved = shallowReactive(new Map<string, Saving[]>())
  const busy = ref(false)

  const protocols = computed(() => protocolsWith(logbook.protocols))
  const running = computed(() => new Set([...bench.lanes].flatMap((l) => l.setup.planned?.plannedId ?? [])))
  const names: Names = {
    device: (id) => logbook.device(id)?.name ?? 'a deleted device',
    source: (id) => logbook.source(id)?.name ?? 'a deleted source',
  }
  const settled = (campaign: Campaign) => settledRuns(campaign, logbook.runs, running.value)
  const stateOfRun = (campaign: Campaign, plannedId: string) =>
    stateOf(
      campaign.planned.find((p) => p.id === plannedId)!,
      logbook.runs,
      running.value,
    )

  async function gear(): Promise<PlanGear> {
    return {
      devices: plain(logbook.devices),
      sources: plain(logbook.sources),
      cables: plain(logbook.cables),
      curves: await curves.all(),
    }
  }

  async function begin(questionId: string): Promise<Campaign> {
    const question = QUESTIONS.find((q) => q.id === questionId)!
    const protocol = protocols.value.find((p) => p.id === question.protocolId) ?? protocols.value[0]
    const meters = logbook.meters.filter((m) => m.kind === 'power meter').length
    const campaign: Campaign = {
      id: crypto.randomUUID(),
      name: question.text.split(/[:?]/)[0],
      questionId,
      protocol: plain(protocol),
      pairs: pairsFor(question, logbook.devices, logbook.sources),
      availability: { startDate: format(new Date(), DATE), week: eveningsOnly(), daysOff: [] },
      means: { ...usualMeans(), meters: Math.max(1, meters), ...question.means },
      planned: [],
      putBack: [],
      createdAt: new Date().toISOString(),
    }
    return logbook.put('campaigns', withRuns(campaign))
  }

  /** Its runs follow its pairs, and those already made stay. */
  function withRuns(campaign: Campaign): Campaign {
    const made = new Set([...logbook.runs.flatMap((r) => r.planned?.plannedId ?? []), ...running.value])
    const isMade = (id: string) => made.has(id)
    return {
      ...campaign,
      planned: plannedRunsFor(campaign.pairs, campaign.planned, isMade, () => crypto.randomUUID()),
    }
  }
  /** Changes a campaign as it stands: of two quick presses, or two tabs, neither is written over by the other. */
  const keep = ({ id }: Campaign, how: (now: Campaign) => Partial<Campaign>): Promise<Campaign> =>
    logbook.changeCampaign(id, (now) => withRuns({ ...now, ...how(now) }))

  /** What a form has typed of a campaign: what it did not touch keeps what another tab wrote since `begun`. */
  const keepTyped = (
    begun: Campaign,
    typed: Partial<Pick<Campaign, 'protocol' | 'availability' | 'means'>>,
  ) => keep(begun, (now) => threeWayParts(begun, typed, now))

  const setPairs = (campaign: Campaign, how: (now: PairPlan[]) => PairPlan[]) =>
    keep(campaign, ({ pairs }) => ({ pairs: how(pairs) }))

  /** Lays the open runs on the free hours from now on, or from the start date if that is later. */
  async function layOut(campaign: Campaign): Promise<Arrangement> {
    busy.value = true
    try {
      const known = await gear()
      const options = { settled: [...settled(campaign)], notBefore: Date.now() }
      const arrangement = await planWork().arrange(plain(campaign), known, options)
      await logbook.changeCampaign(campaign.id, ({ planned }) => ({
        planned: plannedOnto(planned, campaign.planned, arrangement.planned),
      }))
      return arrangement
    } finally {
      busy.value = false
    }
  }

  /** Works out what the timetable amounts to as it stands. */
  async function study(campaign: Campaign) {
    const options = { settled: [...settled(campaign)], notBefore: Date.now() }
    const [arrangement, saving] = await planWork().study(plain(campaign), await gear(), options)
    arrangements.set(campaign.id, arrangement)
    saved.set(campaign.id, saving)
  }

  /** Moves one run to the first place from a moment on; says why not where a rule stands against it. */
  async function move(
    campaign: Campaign,
    plannedId: string,
    fromMs: number,
  ): Promise<Move & { why: string }> {
    const known = await gear()
    let result!: Move
    // On the timetable as it stands: of two quick moves the second knows where the first went.
    await logbook.changeCampaign(campaign.id, (now) => {
      result = moveRun(plain(now), known, plannedId, fromMs / 1000, settled(now))
      return result.ok ? { planned: result.planned } : {}
    })
    if (!result.ok) return { ...result, why: obstacleInWords(result.obstacle, names) }
    return { ...result, why: '' }
  }

  const change = (campaign: Campaign, plannedId: string, what: Partial<Campaign['planned'][number]>) =>
    logbook.changeCampaign(campaign.id, ({ planned }) => ({
      planned: planned.map((p) => (p.id === plannedId ? { ...p, ...what } : p)),
    }))

  const keepProtocol = (protocol: Protocol) => logbook.put('protocols', protocol)
  const calendar = (campaign: Campaign) => calendarOf(campaign, names, new Date())

  return {
    arrangements,
    saved,
    busy,
    protocols,
    running,
    names,
    settled,
    stateOfRun,
    gear,
    begin,
    keep,
    keepTyped,
    setPairs,
    layOut,
    study,
    move,
    change,
    keepProtocol,
    calendar,
  }
})
