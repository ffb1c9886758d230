import { inkOf } from '../theme/inks'

/** The colours of a chart: those of the page around it. */
export interface ChartColours {
  dark: boolean
  text: string
  quiet: string
  grid: string
  faded: string
  accent: string
  ground: string
  page: string
}

/** A colour of the theme, `#rrggbb`, let through to a share between 0 and 1. */
const veiled = (hex: string, share: number): string =>
  `${hex}${Math.round(share * 255)
    .toString(16)
    .padStart(2, '0')}`

/** Taken from the theme of Vuetify, where they are said once. */
export function chartColours(theme: { dark: boolean; colors: Record<string, string> }): ChartColours {
  const { dark, colors } = theme
  const text = colors['on-background']
  return {
    dark,
    text,
    quiet: colors.secondary,
    grid: veiled(text, 0.09),
    faded: veiled(text, 0.32),
    accent: colors.primary,
    ground: colors.surface,
    page: colors.background,
  }
}

export const inkColour = (index: number, { dark }: Pick<ChartColours, 'dark'>): string =>
  inkOf(index)[dark ? 'dark' : 'light']
