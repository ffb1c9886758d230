/** How one run is drawn everywhere: hue, dash and end mark together, so that grey print still tells them apart. */
export interface Ink {
  name: string
  light: string
  dark: string
  dash: number[]
  mark: 'circle' | 'triangle' | 'rect' | 'rectRot' | 'star' | 'crossRot' | 'rectRounded' | 'cross'
}

export const INKS: readonly Ink[] = [
  { name: 'cobalt', light: '#1d4f91', dark: '#85b7f2', dash: [], mark: 'circle' },
  { name: 'mallow', light: '#9c2566', dark: '#f193c3', dash: [9, 4], mark: 'triangle' },
  { name: 'sea green', light: '#23703a', dark: '#83d291', dash: [2, 4], mark: 'rect' },
  { name: 'ochre', light: '#8a5d00', dark: '#e6bd58', dash: [12, 4, 2, 4], mark: 'rectRot' },
  { name: 'violet', light: '#5a3da3', dark: '#bda8f5', dash: [5, 3], mark: 'star' },
  { name: 'lagoon', light: '#006a78', dark: '#65ccd8', dash: [14, 5], mark: 'crossRot' },
  { name: 'sepia', light: '#6a4526', dark: '#d8ab80', dash: [7, 3, 2, 3, 2, 3], mark: 'rectRounded' },
  { name: 'graphite', light: '#3b424c', dark: '#c6ced8', dash: [3, 2], mark: 'cross' },
]

export const inkOf = (index: number): Ink => INKS[index % INKS.length]
