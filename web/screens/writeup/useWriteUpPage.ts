import { computed, type ComputedRef } from 'vue'
import type { Block, WriteUp } from '@core/logbook/writeUp'
import { changedSince } from '@core/logbook/writeUp'
import { DEFAULT_MILESTONES } from '@core/analysis/milestones'
import { farthest } from '@core/compare/farthest'
import { quantityOf, type Quantity } from '@core/compare/quantities'
import { resultsOf } from '@core/compare/results'
import type { Source } from '@core/gear/gear'
import { gridRow } from '@core/gear/grid'
import { isSimulated, type Run } from '@core/logbook/run'
import { loadNames } from '@core/protocol/events'
import { readingInWords } from '@core/protocol/rules'
import { stopInWords } from '@core/protocol/stopping'
import { watchedOf } from '@core/trace/trace'
import { figure, plainly } from '@core/words/figures'
import { fullDay } from '@core/words/moments'
import { nameWithin } from '@core/words/names'
import type { Page, PageBlock, PageCall, PagePath } from '@core/words/page'
import { choiceWords, oddWords, purposeWords } from '@core/words/sentences/adviceWords'
import type { Method } from '@core/words/sentences/methodWords'
import { levelCalls, powerCalls } from '@core/words/sentences/namedPoints'
import { MADE } from '@core/words/sentences/pageBlocks'
import type { Told } from '@core/words/sentences/pageTold'
import { pairInWords } from '@core/words/sentences/pairWords'
import { partRows } from '@core/words/sentences/partRows'
import { resultWords } from '@core/words/sentences/resultWords'
import { verdictSentence } from '@core/words/sentences/verdictSentence'
import type { Path } from '../../charts/options'
import { useLogbook } from '../../stores/logbook'
import { useSettings } from '../../stores/settings'
import { useSpells } from '../../stores/spells'
import { useAdvice } from '../compare/useAdvice'
import { useApart } from '../compare/useApart'
import { useComparison } from '../compare/useComparison'
import { useLeads } from '../compare/useLeads'
import { useSizes } from '../compare/useSizes'
import { usePaths } from '../compare/usePaths'
import { useThresholds } from '../compare/useThresholds'
import { useUnderLoad } from '../compare/useUnderLoad'
import { useVerdict } from '../compare/useVerdict'
import { markdownHtml } from './markdown'

/** Of the usual moments those that one asks for, and half an hour in Wh and hours of use as well. */
const GAINS = ['gain-5', 'gain-15', 'gain-30', 'gain-60', 'wh-30', 'use-30']
const WHOLE = { from: 0, until: Infinity, views: 1 }

export interface UseWriteUpPageReturn {
  page: ComputedRef<Page>
  busy: ComputedRef<boolean>
  /** Lines of the figures as they are now: what own words are held against. */
  figures: ComputedRef<string[]>
  /** Lines that changed since a block's words were written. */
  changed: (block: Block) => string[]
  isEmpty: ComputedRef<boolean>
}

/** A write-up as a page: made from the logbook as it is now, by the comparison that stands in the address. */
export function useWriteUpPage(record: () => WriteUp | undefined): UseWriteUpPageReturn {
  const logbook = useLogbook()
  const settings = useSettings()
  const spells = useSpells()
  const comparison = useComparison()
  const { runs, busy } = comparison
  const thresholds = useThresholds(comparison)
  const verdict = useVerdict(comparison, thresholds)
  const { goal, setups, names, lines, ranking, lineRanking, fair, blocking, baseAt, sentence, reach } = verdict
  const leads = useLeads(verdict)
  const sizes = useSizes(verdict)
  const told = useAdvice(verdict, thresholds)
  const apart = useApart(comparison, verdict, told, thresholds)
  const underLoad = useUnderLoad(verdict)
  const paths = usePaths(comparison, () => 'one')

  const resultsIn = (quantity: Quantity) =>
    resultsOf(lines.value.map((s) => s.sides), baseAt.value, quantity, underLoad.priorOf(quantity))
  const column = (key: string) => ({ quantity: quantityOf(key), results: resultsIn(quantityOf(key)) })
  const times = DEFAULT_MILESTONES.map((p) => quantityOf(`to-${p}`))
  const methodOf = (r: Run): Method => ({
    device: logbook.device(r.deviceId)?.name ?? 'a deleted device',
    unit: r.conditions.unitLabel,
    source: logbook.source(r.sourceId)?.name ?? 'a deleted source',
    fedFrom: logbook.source(r.conditions.fedFromId)?.name ?? '',
    cable: logbook.cable(r.cableId)?.name ?? '',
    chain: r.conditions.chain,
    software: r.conditions.software,
    from: r.startPercent ?? NaN,
    stop: r.stop.kind === 'open' ? '' : stopInWords(r.stop),
    outcome: r.state,
    reading: readingInWords(r.reading),
    state: r.conditions.deviceState,
    ambientC: r.conditions.ambientC ?? NaN,
    restMinutes: r.conditions.restMinutes ?? NaN,
    meter: logbook.meter(r.conditions.meterId)?.name ?? '',
    thermometer: logbook.meter(r.conditions.thermometerId)?.name ?? '',
    healthPercent: r.conditions.healthPercent ?? NaN,
    day: r.dated ? fullDay(r.startedAt) : '',
    protocol: r.conditions.protocol,
    corrected: r.corrections.length > 0,
    cut: r.leftOut.length > 0,
    missed: r.events.filter(({ kind }) => kind === 'missed').length,
    load: loadNames(r.events).join(', '),
    fedBeside: spells.fedBesideOf(r.id),
    simulated: isSimulated(r),
    watched: watchedOf(logbook.traces.get(r.id) ?? { time: new Float64Array(0), temperatures: {} }).length > 0,
  })
  /** The run that a path is of, with its figures. */
  const drawnBy = ({ of }: Pick<Path, 'of'>) =>
    setups.value
      .flatMap(({ runs: own, sides }) => own.map((run, k) => ({ run, side: sides[k] })))
      .find(({ run }) => run.id === of)
  /** The source's watts, or the battery's own where no meter read those of any run. */
  const wattsOf = () => (paths.has('power', runs.value.map((r) => r.id)) ? 'power' : 'battery')
  /** Of a set-up that bears its name in a picture: what is called out on the path that does. */
  function called(what: 'level' | 'power', path: Path): PageCall[] {
    const { run, side } = drawnBy(path) ?? {}
    if (!run || !side || path.unnamed || path.faded) return []
    const wattsAt = (at: number) => paths.shownAt(wattsOf(), run.id, at)
    if (what === 'level') return levelCalls(side.analysis, wattsAt)
    // Parts are told on the run's own clock.
    const shift = comparison.alignment.value.shiftS[runs.value.indexOf(run)] || 0
    return powerCalls(side.analysis, wattsAt, shift)
  }
  const drawn = (ids: readonly string[], title = ''): PagePath[] =>
    paths.levels(ids, WHOLE).map((p) => ({
      name: nameWithin(p.label, title),
      ink: p.ink,
      points: p.points,
      end: p.unnamed || p.faded ? '' : (p.finish ?? ''),
      ...(p.faded ? { faded: true } : {}),
      ...(title === '' ? { calls: called('level', p) } : {}),
    }))
  const watts = (ids: readonly string[]): PagePath[] =>
    paths.strip(wattsOf(), ids, WHOLE).map((p) => {
      const of = drawnBy(p)?.side.analysis
      const held = (wattsOf() === 'battery' ? of?.atBattery : of)?.power.heldPeakW ?? NaN
      const end = p.unnamed || p.faded ? '' : `held ${figure(held, 1, 'W')}`
      return { name: p.label, ink: p.ink, points: p.points, end, calls: called('power', p), ...(p.faded ? { faded: true } : {}) }
    })
  /** A frame for each device where there are several, else for each source. */
  const frames = usePaths(comparison, () => (new Set(runs.value.map((r) => r.deviceId)).size > 1 ? 'device' : 'source')).panels
  const fairBy = (state: string) => fair.value.filter((r) => r.state === state).map((r) => r.label.toLowerCase())

  /** The gear of these runs, each with each. */
  const grid = computed(() => {
    const own = <T>(ids: readonly string[], of: (id: string) => T | undefined): T[] => [...new Set(ids)].flatMap((id) => of(id) ?? [])
    const devices = own(runs.value.map((r) => r.deviceId), logbook.device)
    const sources = own(runs.value.map((r) => r.sourceId), logbook.source)
    const cells = (s: Source) => gridRow(s, devices, null, logbook.observations, logbook.sources)
    return {
      head: ['Source', ...devices.map((d) => d.name)],
      rows: sources.map((s) => [s.name, ...cells(s).map((c) => pairInWords(c.seen[0], c.expected))]),
    }
  })
  const blocks = computed<Told>(() => {
    const blockers = blocking.value.map((r) => r.label.toLowerCase())
    return {
      goal: goal.value,
      ranking: lineRanking.value,
      names: names.value,
      lines: lines.value.map(({ name, runs: { length } }) => ({ name, runs: length })),
      answer: [sentence.value, reach.value].filter(Boolean).join(' '),
      choice: choiceWords(goal.value, told.advice.value, names.value, thresholds.prefer.value),
      blocking: blockers,
      accepted: verdict.accepted.value,
      methods: runs.value.map(methodOf),
      alignedAt: comparison.alignment.value.percent,
      paths: drawn(runs.value.map((r) => r.id)),
      panels: frames.value.map(({ title, ids }) => ({ title, paths: drawn(ids, title) })),
      watts: watts(runs.value.map((r) => r.id)),
      wattsAt: wattsOf() === 'battery' ? 'battery' : 'source',
      until: paths.until.value,
      baseAt: baseAt.value,
      levels: times.map(({ key }) => column(key)),
      currentStops: column('taper-end'),
      gains: GAINS.map(column),
      leads: leads.value,
      sizes: sizes.value,
      hottest: column('hottest'),
      load: {
        sentences: underLoad.sentences.value,
        figures: underLoad.quantities.value.map((quantity) => ({ quantity, results: resultsIn(quantity) })),
      },
      purposes: [
        ...apart.value,
        ...purposeWords(told.advice.value, names.value, {
          ...thresholds.options.value,
          atS: Number(thresholds.ladderMinutes.value) * 60,
          topUpS: Number(thresholds.topUpMinutes.value) * 60,
          gains: told.offered.value.map((o) => o.topUp),
          currency: settings.currency,
        }),
      ],
      parts: lines.value.flatMap(({ name, sides }) => {
        const repeats = sides.map(({ analysis }) => analysis)
        return partRows(repeats[farthest(repeats)]).map((row) => [name, ...row])
      }),
      grid: grid.value,
      odd: told.odd.value.map((o) => oddWords(o, names.value)),
      doubts: {
        differing: fairBy('different'),
        unknown: fairBy('unknown'),
        accepted: verdict.accepted.value ? blockers : [],
        repeatPercent: 100 * ranking.value.repeatability.share,
        assumed: ranking.value.repeatability.assumed,
        worthS: thresholds.worthMinutes.value * 60,
      },
    }
  })
  const page = computed<Page>(() => {
    const of = record()
    return {
      title: of?.title ?? '',
      day: fullDay(of?.changedAt ?? new Date().toISOString()),
      simulated: runs.value.some(isSimulated),
      blocks: (of?.blocks ?? []).flatMap(({ id, kind, words }): PageBlock[] => {
        if (kind === 'words')
          return words.trim() ? [{ id, heading: '', paragraphs: [], list: [], markdown: words, html: markdownHtml(words) }] : []
        const made = MADE[kind](blocks.value)
        return made ? [{ id, ...made }] : []
      }),
    }
  })
  const figures = computed(() =>
    plainly(() => [
      verdictSentence(goal.value, ranking.value, names.value),
      ...underLoad.sentences.value,
      // Held against what stood there once: a figure that there is not is always said in the same words.
      ...times.flatMap((q) =>
        resultsOf(setups.value.map((s) => s.sides), baseAt.value, q, verdict.repeatability.value).map((r, i) => `${names.value[i]} ${q.label}: ${resultWords(q, { ...r, why: '' }).figure}`),
      ),
    ]),
  )
  return {
    page,
    busy,
    figures,
    changed: ({ words, then }) => (words.trim() === '' ? [] : changedSince(then, figures.value)),
    isEmpty: computed(() => runs.value.length < 2),
  }
} // prettier-ignore
