/** Terms under which data may be used by others, by their SPDX identifiers. */
export interface Licence {
  name: string
  title: string
  path: string
}

/** The usual ones for data, from the freest on; without one, nobody may use it without asking. */
export const LICENCES: readonly Licence[] = [
  { name: 'CC0-1.0', title: 'CC0 1.0 Universal', path: 'https://creativecommons.org/publicdomain/zero/1.0/' },
  {
    name: 'CC-BY-4.0',
    title: 'Creative Commons Attribution 4.0',
    path: 'https://creativecommons.org/licenses/by/4.0/',
  },
  {
    name: 'CC-BY-SA-4.0',
    title: 'Creative Commons Attribution Share-Alike 4.0',
    path: 'https://creativecommons.org/licenses/by-sa/4.0/',
  },
  {
    name: 'CC-BY-NC-4.0',
    title: 'Creative Commons Attribution Non-Commercial 4.0',
    path: 'https://creativecommons.org/licenses/by-nc/4.0/',
  },
  {
    name: 'ODbL-1.0',
    title: 'Open Data Commons Open Database License 1.0',
    path: 'https://opendatacommons.org/licenses/odbl/1-0/',
  },
]
