import { replayAt, replayLength, type ReplayMoment, type ReplayRun } from '../compare/replay'
import { firstAtOrAfter, valueAt } from '../trace/samples'
import { clock, duration, figure } from '../words/figures'

/** What draws: the part of a canvas that a frame needs. */
export interface Pen {
  fillStyle: unknown
  strokeStyle: unknown
  lineWidth: number
  lineJoin: string
  font: string
  textAlign: string
  textBaseline: string
  fillRect(x: number, y: number, width: number, height: number): void
  fillText(text: string, x: number, y: number, widest?: number): void
  beginPath(): void
  moveTo(x: number, y: number): void
  lineTo(x: number, y: number): void
  arc(x: number, y: number, radius: number, from: number, to: number): void
  stroke(): void
  fill(): void
  setLineDash(dash: number[]): void
}

/** How a run is drawn, and the paper it is drawn on. */
export interface ReplayLook {
  inks: Record<string, { colour: string; dash: number[] }>
  colours: { page: string; text: string; quiet: string; grid: string; accent: string }
  text: string
  figures: string
}

/** What stands around the paths. */
export interface ReplayWords {
  title: string
  /** "60 times as fast" */
  pace: string
  /** Where the clock begins: "since power-on" */
  since: string
}

/** A frame is drawn in these units, whatever it is shown at. */
export const FRAME = { width: 1920, height: 1080 } as const
const PLOT = { left: 120, top: 190, right: 1300, bottom: 960 }
const SIDE = { left: 1390, right: 1860, top: 190, bottom: 980 }
const LEVELS = [0, 20, 40, 60, 80, 100]
const TICKS = 6
const ROUND_S = [60, 120, 300, 600, 900, 1200, 1800, 3600, 7200, 14_400]
const DOT = 9
const SIMULATED = 'simulated data'

/**
 * One frame of a replay: the paths so far, the finish line with who has arrived, the clock, and each run's level and
 * watts as they count. The same for the screen and for a film.
 *
 * @param atS moment of the runs' clock, s
 */
export function drawReplay(
  pen: Pen,
  runs: readonly ReplayRun[],
  atS: number,
  words: ReplayWords,
  look: ReplayLook,
): void {
  const { colours } = look
  pen.setLineDash([])
  pen.lineJoin = 'round'
  pen.fillStyle = colours.page
  pen.fillRect(0, 0, FRAME.width, FRAME.height)
  const lengthS = Math.max(1, replayLength(runs))
  const moments = replayAt(runs, atS)
  drawHead(pen, atS, words, moments, look)
  drawRules(pen, lengthS, look)
  runs.forEach((run, i) => drawPath(pen, run, moments[i], atS, lengthS, look))
  drawSide(pen, moments, look)
}

const xOf = (s: number, lengthS: number) => PLOT.left + (s / lengthS) * (PLOT.right - PLOT.left)
const yOf = (percent: number) => PLOT.bottom - (percent / 100) * (PLOT.bottom - PLOT.top)

function write(
  pen: Pen,
  text: string,
  [x, y]: [number, number],
  font: string,
  colour: string,
  align = 'left',
  widest?: number,
) {
  pen.font = font
  pen.fillStyle = colour
  pen.textAlign = align
  pen.textBaseline = 'alphabetic'
  pen.fillText(text, x, y, widest)
}

function line(pen: Pen, from: [number, number], to: [number, number], colour: string, width: number) {
  pen.strokeStyle = colour
  pen.lineWidth = width
  pen.beginPath()
  pen.moveTo(...from)
  pen.lineTo(...to)
  pen.stroke()
}

function drawHead(
  pen: Pen,
  atS: number,
  { title, pace, since }: ReplayWords,
  moments: readonly ReplayMoment[],
  { colours, text, figures }: ReplayLook,
) {
  write(pen, title, [PLOT.left, 92], `600 44px ${text}`, colours.text, 'left', SIDE.left - PLOT.left - 60)
  write(pen, clock(atS), [SIDE.right, 100], `600 76px ${figures}`, colours.text, 'right')
  // Made-up readings say so in every frame.
  const simulated = moments.some((m) => m.simulated) ? ` · ${SIMULATED}` : ''
  write(pen, `${pace}${simulated}`, [PLOT.left, 142], `400 28px ${text}`, colours.quiet)
  write(pen, since, [SIDE.right, 142], `400 28px ${text}`, colours.quiet, 'right')
}

function drawRules(pen: Pen, lengthS: number, { colours, text }: ReplayLook) {
  for (const level of LEVELS) {
    line(
      pen,
      [PLOT.left, yOf(level)],
      [PLOT.right, yOf(level)],
      level === 100 ? colours.text : colours.grid,
      2,
    )
    write(
      pen,
      `${level}\u00a0%`,
      [PLOT.left - 16, yOf(level) + 9],
      `400 26px ${text}`,
      colours.quiet,
      'right',
    )
  }
  const step = ROUND_S.find((s) => s >= lengthS / TICKS) ?? lengthS
  for (let s = 0; s <= lengthS; s += step) {
    line(pen, [xOf(s, lengthS), PLOT.top], [xOf(s, lengthS), PLOT.bottom], colours.grid, 2)
    const said = s === 0 ? '0' : duration(s)
    write(pen, said, [xOf(s, lengthS), PLOT.bottom + 44], `400 26px ${text}`, colours.quiet, 'center')
  }
}

function drawPath(
  pen: Pen,
  { id, level }: ReplayRun,
  { percent, fullS, arrived }: ReplayMoment,
  atS: number,
  lengthS: number,
  { inks }: ReplayLook,
) {
  if (Number.isNaN(percent)) return
  const { colour, dash } = inks[id]
  const endS = arrived ? fullS : Math.min(atS, level.t[level.t.length - 1])
  pen.strokeStyle = colour
  pen.lineWidth = 5
  pen.setLineDash(dash.map((d) => d * 2))
  pen.beginPath()
  pen.moveTo(xOf(Math.max(0, level.t[0]), lengthS), yOf(valueAt(level, Math.max(0, level.t[0]))))
  const end = firstAtOrAfter(level.t, endS)
  for (let i = 0; i < end; i++) if (level.t[i] > 0) pen.lineTo(xOf(level.t[i], lengthS), yOf(level.v[i]))
  const [x, y] = [xOf(endS, lengthS), yOf(percent)]
  pen.lineTo(x, y)
  pen.stroke()
  pen.setLineDash([])
  pen.fillStyle = colour
  pen.beginPath()
  pen.arc(x, y, DOT, 0, 2 * Math.PI)
  pen.fill()
}

function drawSide(pen: Pen, moments: readonly ReplayMoment[], { inks, colours, text, figures }: ReplayLook) {
  const row = Math.min(190, (SIDE.bottom - SIDE.top) / Math.max(1, moments.length))
  const size = Math.min(60, row * 0.5)
  const small = Math.min(28, row * 0.3)
  moments.forEach((m, i) => {
    const top = SIDE.top + i * row
    const { colour, dash } = inks[m.id]
    pen.setLineDash(dash.map((d) => d * 2))
    line(pen, [SIDE.left, top + small * 0.7], [SIDE.left + 70, top + small * 0.7], colour, 5)
    pen.setLineDash([])
    const nameAt: [number, number] = [SIDE.left + 86, top + small]
    write(pen, m.name, nameAt, `600 ${small}px ${text}`, colours.text, 'left', SIDE.right - SIDE.left - 86)
    const base = top + small + size
    write(pen, figure(m.shown, 0, '%'), [SIDE.left, base], `600 ${size}px ${figures}`, colours.text)
    const [said, tone] = sideWords(m, colours)
    write(pen, said, [SIDE.right, base], `${m.arrived ? 600 : 400} ${small}px ${text}`, tone, 'right')
  })
}

function sideWords(m: ReplayMoment, { accent, quiet, text }: ReplayLook['colours']): [string, string] {
  if (m.arrived) return [`full in ${duration(m.fullS)}`, accent]
  if (m.ended) return ['stopped here', quiet]
  return [`${figure(m.watts, 1, 'W')}${m.isOwn && !Number.isNaN(m.watts) ? ' into the battery' : ''}`, text]
}
