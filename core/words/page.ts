/** A page for others, in parts that every form of it is made from: HTML, Markdown, a script to be spoken. */
export interface PageTable {
  caption: string
  head: readonly string[]
  rows: readonly (readonly string[])[]
}

/** A point of a path that is called out: where, and in words when and what. */
export interface PageCall {
  x: number
  y: number
  at: string
  /** '' where the moment says all. */
  said: string
}

/** One run of a picture. Points in seconds and the picture's unit. */
export interface PagePath {
  name: string
  /** Index into the inks. */
  ink: number
  points: readonly { x: number; y: number }[]
  /** What stands at its end; '' for a repeat that needs no name. */
  end: string
  calls?: readonly PageCall[]
  /** Of more than there are inks: drawn thin and grey. */
  faded?: boolean
}
export interface PagePaths {
  kind: 'paths'
  /** What it shows, for those who cannot see it. */
  alt: string
  paths: readonly PagePath[]
  until: number
  unit: string
  /** Where the scale begins; 0 where it is not given. */
  min?: number
  max: number
}
export interface PageBar {
  name: string
  value: number
  spread: number
  said: string
}
export interface PageBars {
  kind: 'bars'
  alt: string
  bars: readonly PageBar[]
}
/** Small frames beside each other, all to one scale. */
export interface PagePanels {
  kind: 'panels'
  alt: string
  panels: readonly { title: string; paths: readonly PagePath[] }[]
  until: number
  unit: string
  max: number
}
export type PagePicture = PagePaths | PageBars | PagePanels

/** One block of a page. Own words come as Markdown and as HTML that was cleaned already. */
export interface PageBlock {
  id: string
  heading: string
  paragraphs: readonly string[]
  list: readonly string[]
  picture?: PagePicture
  table?: PageTable
  markdown?: string
  html?: string
}
export interface Page {
  title: string
  /** True where anything on it was made by the charge model: it then says so. */
  simulated: boolean
  blocks: readonly PageBlock[]
  /** The day in words. */
  day: string
}
