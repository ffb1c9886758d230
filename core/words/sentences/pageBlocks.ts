import { figure } from '../figures'
import { nice } from 'd3-array'
import type { PageBar, PageBlock, PagePath, PageTable } from '../page'
import { CAUTIONS, doubtWords, methodWords } from './methodWords'
import type { Column, Told } from './pageTold'
import { PART_HEAD } from './partRows'
import { ofRunsIn } from './reachWords'
import { againstWords, resultWords } from './resultWords'
import { noneWords, goalTab, goalWithSpread } from './verdictSentence'

type Made = Omit<PageBlock, 'id'>

const block = (heading: string, paragraphs: readonly string[], more: Partial<PageBlock> = {}): Made => ({
  heading,
  paragraphs: paragraphs.filter(Boolean),
  list: [],
  ...more,
})
const isStopped = ({ blocking, accepted }: Told): boolean => blocking.length > 0 && !accepted
/** Where no display showed a level there is no curve of it. */
const isBare = (paths: readonly PagePath[]) => paths.every(({ points }) => points.length === 0)
const ended = (paths: readonly PagePath[]) => paths.filter((p) => p.end)
const endWords = (paths: readonly PagePath[]): string =>
  ended(paths)
    .map((p) => `${p.name} ${p.end}`.trim())
    .join('; ')
const barWords = (bars: readonly PageBar[]): string => bars.map((b) => `${b.name} ${b.said}`).join('; ')
const barTable = (bars: readonly PageBar[], caption: string, head: readonly string[]): PageTable => ({
  caption,
  head,
  rows: bars.map((b) => [b.name, b.said]),
})
/** Figures of a line, each with the verdict on it, with none while something keeps from it; and of how many runs. */
const judged = (columns: readonly Column[], { lines }: Told, i: number, isSilent = false): string[] =>
  columns.map((column) => {
    const { figure, verdict } = resultWords(column.quantity, column.results[i])
    const said = [isSilent ? '' : verdict, ofRunsIn(column, i, lines[i].runs)].filter(Boolean)
    return said.length > 0 ? `${figure} (${said.join('; ')})` : figure
  })
/** On more paths than this no points are called out: nobody could tell whose they are. The table has them. */
const MOST_CALLED = 5
const legible = (paths: readonly PagePath[]): readonly PagePath[] =>
  ended(paths).length > MOST_CALLED ? paths.map((p) => ({ ...p, calls: [] })) : paths
/** What is called out at a level, in words; '' for what was not reached. */
const calledAt = ({ calls = [] }: PagePath, percent: number): string => {
  const call = calls.find(({ y }) => y === percent)
  return call ? [call.at, call.said].filter(Boolean).join(', ') : ''
}
const LEVEL = { unit: '%', max: 100 }
const capitalised = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1)
/** Times to levels; until the current stops where that is the question, or where no level was read. */
function timesOf({ goal, levels, currentStops }: Told): readonly Column[] {
  const isAsked = goal.key === 'current-stops'
  const known = levels.filter(hasFigure)
  return isAsked || known.length === 0 ? [...known, currentStops] : known
}
const hasFigure = ({ results }: Column): boolean => results.some((r) => r.runs > 0)

/** Where the clocks begin, where that is not power-on. */
const fromWords = ({ alignedAt }: Told): string =>
  alignedAt === null ? '' : ` from ${figure(alignedAt, 0, '%')} on`
const clockWords = ({ alignedAt }: Told): string =>
  alignedAt === null
    ? ''
    : `The clocks were set to where each run came to ${figure(alignedAt, 0, '%')}: times, levels and gains count from there.`

/** Repeats of one set-up are held against nothing, and each has a line of its own. */
const isAlone = ({ names }: Told): boolean => names.length < 2
/** What a line stands for. */
const lineHead = (t: Told): string => (isAlone(t) ? 'Run' : 'Set-up')

/** Figures of every line, each with the verdict on it; a column in which nobody has one says nothing. */
function judgedTable(
  heading: string,
  paragraphs: readonly string[],
  t: Told,
  columns: readonly Column[],
): Made | null {
  const { names, lines, baseAt } = t
  const known = columns.filter(hasFigure)
  if (known.length === 0) return null
  return block(heading, paragraphs, {
    table: {
      caption: `${heading}${fromWords(t)}${isAlone(t) ? '' : `, against ${names[baseAt] ?? ''}`}, with twice the standard uncertainty`,
      head: [lineHead(t), ...(isAlone(t) ? [] : ['Runs']), ...known.map((c) => c.quantity.label)],
      rows: lines.map(({ name, runs }, i) => [
        name,
        ...(isAlone(t) ? [] : [String(runs)]),
        ...judged(known, t, i, isAlone(t) || isStopped(t)),
      ]),
    },
  })
}

/** Blocks by their kind; null where there is nothing to say. */
export const MADE = {
  answer: (t: Told): Made =>
    block(
      'The answer',
      isStopped(t)
        ? [`No verdict: these runs differ in what decides it (${t.blocking.join(', ')}).`]
        : [t.answer, t.choice],
    ),
  how: (t: Told): Made =>
    block('How it was done', [], { list: [...methodWords(t.methods), ...[clockWords(t)].filter(Boolean)] }),
  paths: (t: Told): Made | null => {
    const { paths, until } = t
    return isBare(paths)
      ? null
      : block('The charge curves', [clockWords(t)], {
          picture: {
            kind: 'paths',
            alt: `Level against time: ${endWords(paths)}`,
            paths: legible(paths),
            until,
            ...LEVEL,
          },
          table: {
            caption: 'Where each path ended, and what is called out on it',
            head: [lineHead(t), 'Half', '80 %', 'Full'],
            rows: ended(paths).map((p) => [p.name, calledAt(p, 50), calledAt(p, 80), p.end]),
          },
        })
  },
  power: (t: Told): Made | null => {
    const { watts, wattsAt, until } = t
    const points = watts.flatMap((path) => path.points)
    const [lowest, highest] = points.reduce(
      ([low, top], { y }) => [Math.min(low, y), Math.max(top, y)],
      [0, 0],
    )
    if (highest === lowest) return null
    // A battery that drains, or a device that feeds out, goes below nothing.
    const [min, max] = nice(lowest, highest, 5)
    const rows = watts.flatMap(({ name, calls = [] }) => calls.map(({ at, said }) => [name, at, said]))
    const isOwn = wattsAt === 'battery'
    const said = isOwn
      ? ['The watts are those into the battery, as the device tells them: no meter read the source’s.']
      : []
    return block('Power over the charge', said, {
      picture: {
        kind: 'paths',
        alt: `Watts ${isOwn ? 'into the battery ' : ''}against time: ${endWords(watts)}`,
        paths: legible(watts),
        until,
        unit: 'W',
        min,
        max,
      },
      table: { caption: 'What is called out', head: [lineHead(t), 'At', 'Power'], rows },
    })
  },
  panels: ({ panels, until }: Told): Made | null =>
    panels.length < 2 || isBare(panels.flatMap((p) => p.paths))
      ? null
      : block('Each in a frame of its own', [], {
          picture: {
            kind: 'panels',
            alt: `Level against time, ${panels.map((p) => `${p.title}: ${endWords(p.paths)}`).join('. ')}`,
            panels,
            until,
            ...LEVEL,
          },
          table: {
            caption: 'Where each path ended, by frame',
            head: ['Frame', 'Set-up', 'Full'],
            rows: panels.flatMap((p) => ended(p.paths).map((q) => [p.title, q.name || p.title, q.end])),
          },
        }),
  ranking: (t: Told): Made | null => {
    if (isStopped(t)) return null
    const bars = t.ranking.places.map(({ index, value, spread }) => ({
      name: t.lines[index].name,
      value,
      spread,
      said: Number.isNaN(value) ? noneWords(t.goal) : goalWithSpread(t.goal, value, spread),
    }))
    const tab = goalTab(t.goal)
    return block(`In order: ${tab}`, [], {
      picture: { kind: 'bars', alt: barWords(bars), bars },
      table: barTable(bars, `In order of ${tab}`, [lineHead(t), tab]),
    })
  },
  results: (t: Told): Made | null => judgedTable('Times', [], t, timesOf(t)),
  saved: (t: Told): Made | null => {
    const { names, baseAt } = t
    if (isAlone(t)) return null
    const farthest = timesOf(t).findLast(
      ({ results }) => (results.at(baseAt)?.runs ?? 0) > 0 && results.filter((r) => r.runs > 0).length > 1,
    )
    if (!farthest) return null
    return block(
      `Saved against ${names[baseAt] ?? ''}`,
      ['Three ways to say “faster by”: they give different figures for the same pair, so each is named.'],
      {
        table: {
          caption: capitalised(farthest.quantity.label),
          head: ['Set-up', 'time saved', 'share of time saved', 'speed ratio'],
          rows: names.flatMap((name, i) =>
            i === baseAt ? [] : [[name, ...againstWords(farthest.results[i].against)]],
          ),
        },
      },
    )
  },
  gains: (t: Told): Made | null =>
    judgedTable('What some minutes bring', isStopped(t) ? [] : [...t.leads, t.sizes], t, t.gains),
  advice: (t: Told): Made | null =>
    isStopped(t) || isAlone(t)
      ? null
      : block('For whom which', [], { list: t.purposes.map((p) => `${p.purpose}: ${p.answer}.`) }),
  parts: (t: Told): Made | null => {
    const ofFirst = t.lines.some(({ runs }) => runs > 1) ? '; of repeats, the first that came farthest' : ''
    return t.parts.length === 0
      ? null
      : block(
          'Parts of the curves',
          [`Where power holds level, where it steps down, and where it runs out${ofFirst}.`],
          {
            table: {
              caption: `Parts, by ${lineHead(t).toLowerCase()}`,
              head: [lineHead(t), ...PART_HEAD],
              rows: t.parts,
            },
          },
        )
  },
  grid: ({ grid }: Told): Made | null =>
    grid.rows.length === 0
      ? null
      : block(
          'What charges what',
          ['What was seen where somebody looked, else what the two should agree on.'],
          { table: { caption: 'By source and device', ...grid } },
        ),
  load: (t: Told): Made | null => {
    const { load, names, lines, baseAt } = t
    const isSilent = isStopped(t) || isAlone(t)
    return load.figures.length === 0
      ? null
      : block('Under load', isSilent ? [] : load.sentences, {
          table: {
            caption: isAlone(t) ? 'As means' : `Against ${names[baseAt] ?? ''}, as means`,
            head: [lineHead(t), ...load.figures.map(({ quantity: { label } }) => label)],
            rows: lines.map(({ name }, i) => [name, ...judged(load.figures, t, i, isSilent)]),
          },
        })
  },
  heat: (t: Told): Made | null => {
    const { hottest, lines } = t
    const { quantity, results } = hottest
    const bars = results
      .map((r, i) => ({
        name: lines[i].name,
        value: r.value,
        spread: r.spread,
        said: resultWords(quantity, r).figure,
      }))
      .filter(({ value }) => Number.isFinite(value))
    return bars.length === 0
      ? null
      : block('How warm', [], {
          picture: { kind: 'bars', alt: barWords(bars), bars },
          table: barTable(bars, 'The hottest place that was read', [lineHead(t), 'hottest']),
        })
  },
  odd: ({ odd }: Told): Made | null => (odd.length === 0 ? null : block('What is odd', [], { list: odd })),
  uncertain: ({ doubts }: Told): Made => block('What is uncertain', [], { list: doubtWords(doubts) }),
  cautions: (): Made => block('Cautions', [], { list: CAUTIONS }),
}
