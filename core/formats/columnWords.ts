import { channel } from '../trace/channels'
import { channelChoices, isOwnName, type ColumnMeaning } from './columns'
import { quoted } from './problem'
import type { Table } from './table'

/**
 * What the columns of a table were guessed to hold, and which of them are not read: two sentences at most, and none for
 * columns that carry the names of the contract.
 */
export function columnWords(
  { headers }: Pick<Table, 'headers'>,
  meanings: readonly ColumnMeaning[],
): string[] {
  const guessed: string[] = []
  const unread: string[] = []
  headers.forEach((header, i) => {
    const meaning = meanings[i]
    if (meaning.kind === 'ignore') unread.push(header === '' ? `column ${i + 1}` : quoted(header))
    else if (!isOwnName(header)) guessed.push(`${quoted(header)} as ${called(meaning)}`)
  })
  return [
    guessed.length > 0 ? `Read ${guessed.join('; ')}.` : '',
    unread.length > 0 ? `Not read: ${unread.join(', ')}.` : '',
  ].filter(Boolean)
}

function called(meaning: Exclude<ColumnMeaning, { kind: 'ignore' }>): string {
  switch (meaning.kind) {
    case 'channel':
      return titleOf(meaning) ?? channel(meaning.channel).called
    case 'temperature':
      return `temperature${meaning.place ? ` of the ${meaning.place}` : ''}, ${meaning.fahrenheit ? '°F' : '°C'}`
    default:
      return meaning.kind
  }
}

const titleOf = (meaning: ColumnMeaning & { kind: 'channel' }): string | undefined =>
  channelChoices().find(({ meaning: m }) => m.channel === meaning.channel && m.divisor === meaning.divisor)
    ?.title
