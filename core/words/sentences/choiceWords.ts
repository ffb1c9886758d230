import type { Choice } from '../../compare/choices'

/** What a question is called; names are `undefined` where the thing has left the shelf. */
export function choiceTitle(
  { kind, deviceKind }: Choice,
  names: { device?: string; source?: string; campaign?: string },
): string {
  const { device = 'A deleted device', source = 'a deleted source', campaign = 'A deleted campaign' } = names
  switch (kind) {
    case 'sources':
      return `${device}: over its sources`
    case 'devices':
      return `All devices from ${source}`
    case 'generations':
      return `Every ${deviceKind} from ${source}`
    case 'feeds':
      return `${device} from ${source}: over what feeds it`
    case 'repeats':
      return `${device} from ${source}: its repeats`
    case 'before-after':
      return `${device} from ${source}: before and after`
    case 'campaign':
      return campaign
  }
}
