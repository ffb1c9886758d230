import { computed, type ComputedRef } from 'vue'
import type { Block, BlockKind, WriteUp } from '@core/logbook/writeUp'
import { changedSince } from '@core/logbook/writeUp'
import { DEFAULT_MILESTONES } from '@core/analysis/milestones'
import { QUANTITIES } from '@core/compare/quantities'
import { resultsOf } from '@core/compare/results'
import type { Source } from '@core/gear/gear'
import { gridRow } from '@core/gear/grid'
import { isSimulated, type Run } from '@core/logbook/run'
import { readingInWords } from '@core/protocol/rules'
import { stopInWords } from '@core/protocol/stopping'
import { watchedOf } from '@core/trace/trace'
import { plainly } from '@core/words/figures'
import { fullDay } from '@core/words/moments'
import type { Page, PageBar, PageBlock, PagePath } from '@core/words/page'
import { choiceWords, oddWords, purposeWords } from '@core/words/sentences/adviceWords'
import { CAUTIONS, doubtWords, methodWords, type Method } from '@core/words/sentences/methodWords'
import { pairInWords } from '@core/words/sentences/pairWords'
import { PART_HEAD, partRows } from '@core/words/sentences/partRows'
import { againstWords, resultWords } from '@core/words/sentences/resultWords'
import { goalTab, goalWithSpread, verdictSentence } from '@core/words/sentences/verdictSentence'
import { useLogbook } from '../../stores/logbook'
import { useSettings } from '../../stores/settings'
import { useAdvice } from '../compare/useAdvice'
import { useComparison } from '../compare/useComparison'
import { usePaths } from '../compare/usePaths'
import { useThresholds } from '../compare/useThresholds'
import { useVerdict } from '../compare/useVerdict'
import { markdownHtml } from './markdown'

const WHOLE = { from: 0, until: Infinity }
const quantity = (key: string) => QUANTITIES.find((q) => q.key === key)!

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
  const comparison = useComparison()
  const { runs, busy, baseline } = comparison
  const thresholds = useThresholds()
  const verdict = useVerdict(comparison, thresholds)
  const { goal, setups, names, ranking, repeatability, fair, blocking, sentence } = verdict
  const told = useAdvice(verdict, thresholds)
  const paths = usePaths(comparison, () => 'one')

  const baseAt = computed(() =>
    Math.max(0, setups.value.findIndex((s) => s.runs.some((r) => r.id === baseline.value))),
  )
  const resultsFor = (key: string) =>
    resultsOf(setups.value.map((s) => s.sides), baseAt.value, quantity(key), repeatability.value)
  const times = computed(() =>
    DEFAULT_MILESTONES.map((p) => ({ quantity: quantity(`to-${p}`), results: resultsFor(`to-${p}`) })),
  )
  const methodOf = (r: Run): Method => ({
    device: logbook.device(r.deviceId)?.name ?? 'a deleted device',
    unit: r.conditions.unitLabel,
    source: logbook.source(r.sourceId)?.name ?? 'a deleted source',
    cable: logbook.cable(r.cableId)?.name ?? '',
    from: r.startPercent ?? NaN,
    stop: stopInWords(r.stop),
    reading: readingInWords(r.reading),
    state: r.conditions.deviceState,
    ambientC: r.conditions.ambientC ?? NaN,
    restMinutes: r.conditions.restMinutes ?? NaN,
    meter: logbook.meter(r.conditions.meterId)?.name ?? '',
    thermometer: logbook.meter(r.conditions.thermometerId)?.name ?? '',
    healthPercent: r.conditions.healthPercent ?? NaN,
    day: fullDay(r.startedAt),
    simulated: isSimulated(r),
    watched: watchedOf(logbook.traces.get(r.id) ?? { time: new Float64Array(0), temperatures: {} }).length > 0,
  })
  const drawn = (ids: readonly string[], title = ''): PagePath[] =>
    paths.levels(ids, WHOLE).map((p) => ({
      name: p.label === title ? '' : p.label,
      ink: p.ink,
      points: p.points,
      end: p.unnamed || p.faded ? '' : (p.finish ?? ''),
    }))
  const picturePaths = computed(() => drawn(runs.value.map((r) => r.id)))
  /** A frame for each device where there are several, else for each source. */
  const frames = usePaths(comparison, () => (new Set(runs.value.map((r) => r.deviceId)).size > 1 ? 'device' : 'source')).panels
  const panels = computed(() => frames.value.map(({ title, ids }) => ({ title, paths: drawn(ids, title) })))
  const endWords = (of: readonly PagePath[]) => of.filter((p) => p.end).map((p) => `${p.name} ${p.end}`.trim()).join('; ')
  const bars = computed<PageBar[]>(() =>
    ranking.value.places.map(({ index, value, spread }) => ({
      name: names.value[index],
      value,
      spread,
      said: Number.isNaN(value) ? 'not reached' : goalWithSpread(goal.value, value, spread),
    })),
  )
  const heatBars = computed<PageBar[]>(() => {
    const results = resultsFor('hottest')
    return results
      .map((r, i) => ({ name: names.value[i], value: r.value, spread: r.spread, said: resultWords(quantity('hottest'), r).figure }))
      .filter(({ value }) => Number.isFinite(value))
  })
  const rankTable = (of: readonly PageBar[], caption: string, head: string) => ({
    caption,
    head: ['Set-up', head],
    rows: of.map((b) => [b.name, b.said]),
  })
  const isStopped = computed(() => blocking.value.length > 0 && !verdict.accepted.value)
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
  const MADE: Record<Exclude<BlockKind, 'words'>, () => Omit<PageBlock, 'id'> | null> = {
    answer: () =>
      block('The answer', isStopped.value
        ? [`No verdict: these runs differ in what decides it (${blocking.value.map((r) => r.label.toLowerCase()).join(', ')}).`]
        : [sentence.value, choiceWords(goal.value, told.advice.value, names.value, thresholds.prefer.value)]),
    how: () => block('How it was done', [], { list: methodWords(runs.value.map(methodOf)) }),
    paths: () => block('The charge curves', [], {
      picture: {
        kind: 'paths',
        alt: `Level against time: ${endWords(picturePaths.value)}`,
        paths: picturePaths.value,
        until: paths.until.value,
        unit: '%',
        max: 100,
      },
      table: { caption: 'Where each path ended', head: ['Set-up', 'Full'], rows: picturePaths.value.filter((p) => p.end).map((p) => [p.name, p.end]) },
    }),
    panels: () => panels.value.length < 2 ? null : block('Each in a frame of its own', [], {
      picture: {
        kind: 'panels',
        alt: `Level against time, ${panels.value.map((p) => `${p.title}: ${endWords(p.paths)}`).join('. ')}`,
        panels: panels.value,
        until: paths.until.value,
        unit: '%',
        max: 100,
      },
      table: {
        caption: 'Where each path ended, by frame',
        head: ['Frame', 'Set-up', 'Full'],
        rows: panels.value.flatMap((p) => p.paths.filter((q) => q.end).map((q) => [p.title, q.name || p.title, q.end])),
      },
    }),
    ranking: () => isStopped.value ? null : block(`In order: ${goalTab(goal.value)}`, [], {
      picture: { kind: 'bars', alt: bars.value.map((b) => `${b.name} ${b.said}`).join('; '), bars: bars.value },
      table: rankTable(bars.value, `In order of ${goalTab(goal.value)}`, goalTab(goal.value)),
    }),
    results: () => block('Times', [], {
      table: {
        caption: `Against ${names.value[baseAt.value] ?? ''}, with twice the standard uncertainty`,
        head: ['Set-up', 'Runs', ...times.value.map((t) => t.quantity.label)],
        rows: setups.value.map((s, i) => [names.value[i], String(s.runs.length), ...times.value.map(({ quantity: q, results }) => {
          const { figure, verdict: word } = resultWords(q, results[i])
          return word ? `${figure} (${word})` : figure
        })]),
      },
    }),
    saved: () => block(`Saved against ${names.value[baseAt.value] ?? ''}`, ['Three ways to say “faster by”: they give different figures for the same pair, so each is named.'], {
      table: {
        caption: 'To full',
        head: ['Set-up', 'time saved', 'share of time saved', 'speed ratio'],
        rows: setups.value.flatMap((_, i) => (i === baseAt.value ? [] : [[names.value[i], ...againstWords(times.value[times.value.length - 1].results[i].against)]])),
      },
    }),
    advice: () => isStopped.value ? null : block('For whom which', [], {
      list: purposeWords(told.advice.value, names.value, {
        ...thresholds.options.value,
        atS: Number(thresholds.ladderMinutes.value) * 60,
        topUpS: Number(thresholds.topUpMinutes.value) * 60,
        gains: told.offered.value.map((o) => o.topUp),
        currency: settings.currency,
      }).map(({ purpose, answer }) => `${purpose}: ${answer}.`),
    }),
    parts: () => {
      const rows = setups.value.flatMap((s, i) => partRows(s.sides[0].analysis.parts).map((row) => [names.value[i], ...row]))
      return rows.length === 0 ? null : block('Parts of the curves', ['Where power holds level, where it steps down, and where it runs out; of repeats, the first.'], {
        table: { caption: 'Parts, by set-up', head: ['Set-up', ...PART_HEAD], rows },
      })
    },
    grid: () => grid.value.rows.length === 0 ? null : block('What charges what', ['What was seen where somebody looked, else what the two should agree on.'], {
      table: { caption: 'By source and device', ...grid.value },
    }),
    heat: () => heatBars.value.length === 0 ? null : block('How warm', [], {
      picture: { kind: 'bars', alt: heatBars.value.map((b) => `${b.name} ${b.said}`).join('; '), bars: heatBars.value },
      table: rankTable(heatBars.value, 'The hottest place that was read', 'hottest'),
    }),
    odd: () => told.odd.value.length === 0 ? null : block('What is odd', [], { list: told.odd.value.map((o) => oddWords(o, names.value)) }),
    uncertain: () => block('What is uncertain', [], {
      list: doubtWords({
        differing: fairBy('different'),
        unknown: fairBy('unknown'),
        accepted: verdict.accepted.value ? blocking.value.map((r) => r.label.toLowerCase()) : [],
        repeatPercent: 100 * ranking.value.repeatability.share,
        assumed: ranking.value.repeatability.assumed,
        worthS: thresholds.worthMinutes.value * 60,
      }),
    }),
    cautions: () => block('Cautions', [], { list: CAUTIONS }),
  }
  function block(heading: string, paragraphs: readonly string[], more: Partial<PageBlock> = {}): Omit<PageBlock, 'id'> {
    return { heading, paragraphs: paragraphs.filter(Boolean), list: [], ...more }
  }
  const page = computed<Page>(() => {
    const of = record()
    return {
      title: of?.title ?? '',
      day: fullDay(of?.changedAt ?? new Date().toISOString()),
      simulated: runs.value.some(isSimulated),
      blocks: (of?.blocks ?? []).flatMap(({ id, kind, words }): PageBlock[] => {
        if (kind === 'words')
          return words.trim() ? [{ id, heading: '', paragraphs: [], list: [], markdown: words, html: markdownHtml(words) }] : []
        const made = MADE[kind]()
        return made ? [{ id, ...made }] : []
      }),
    }
  })
  const figures = computed(() =>
    plainly(() => [
      verdictSentence(goal.value, ranking.value, names.value),
      ...times.value.flatMap(({ quantity: q, results }) =>
        results.map((r, i) => `${names.value[i]} ${q.label}: ${resultWords(q, r).figure}`),
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
