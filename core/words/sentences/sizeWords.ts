import type { mostEnergy } from '../../compare/sizes'
import { duration, figure } from '../figures'
import { listSome } from '../lists'

/** That points are not energy where batteries of different size are compared, and where most of it went; '' where they are alike. */
export function sizeWords(
  most: ReturnType<typeof mostEnergy>,
  names: readonly string[],
  minutes: number,
): string {
  if (most === null) return ''
  const said = 'These batteries differ in size, and a point of one is not the energy of a point of another.'
  if (most.length === 0) return said
  const apart = most.length > 1 ? ', which can’t be told apart' : ''
  const energies = listSome(most.map(({ wh }) => figure(wh, 1, 'Wh')))
  return `${said} In ${duration(minutes * 60)} most energy went into ${listSome(most.map(({ index }) => names[index]))}${apart}: ${energies}.`
}
