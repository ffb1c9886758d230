// The lint rule that holds the arrows of the house: each room imports only what its entry in the table allows.
import { dirname, join, relative, sep } from 'node:path'
import { fileURLToPath } from 'node:url'
import { HOUSE, TEST_PACKAGES } from './house.js'

const ROOT = fileURLToPath(new URL('../..', import.meta.url))
const asPosix = (path) => path.split(sep).join('/')
const isTest = (path) => /\.(test|fixture)\.ts$/.test(path)

/** The room that a file of the project stands in; null outside of all. */
export function roomOf(path) {
  const parts = path.split('/')
  for (let length = parts.length; length > 0; length--) {
    const room = parts.slice(0, length).join('/')
    if (HOUSE[room]) return room
  }
  // A folder of core/ or web/ that the table does not know is no room at all.
  return null
}

/** Where an import leads, as a path from the root of the project; null when it leads to a package. */
function targetOf(source, file) {
  if (source.startsWith('@core/')) return `core/${source.slice('@core/'.length)}`
  if (!source.startsWith('.')) return null
  return asPosix(relative(ROOT, join(ROOT, dirname(file), source)))
}

const packageAllowed = (source, packages) =>
  packages.some((p) =>
    p === 'node:*'
      ? source.startsWith('node:')
      : p.endsWith('/*')
        ? source.startsWith(p.slice(0, -1))
        : source === p,
  )

/** Why an import is not allowed; null when it is. `file` is a path from the root of the project. */
export function refusal(file, source) {
  const room = roomOf(file)
  if (!room || (room === 'web' && /^web\/\w+\//.test(file)))
    return `${dirname(file)}/ is not a room of the house: add it to scripts/lint/house.js.`
  const { rooms, packages } = HOUSE[room]
  const target = targetOf(source, file)
  if (target === null) {
    // Assets and modules that the build makes have no room.
    if (/^virtual:|\.css$/.test(source)) return null
    const allowed = isTest(file) ? [...packages, ...TEST_PACKAGES] : packages
    return packageAllowed(source, allowed) ? null : `${room}/ may not use the package "${source}".`
  }
  const other = roomOf(target)
  if (other === room || (other && rooms.some((r) => other === r || other.startsWith(`${r}/`)))) return null
  return `${room}/ may not know ${other ?? target}/.`
}

/** @type {import('eslint').Rule.RuleModule} */
export const arrows = {
  meta: { type: 'problem', schema: [], messages: { refused: '{{ why }}' } },
  create(context) {
    const file = asPosix(relative(ROOT, context.filename))
    const check = (node) => {
      if (typeof node?.value !== 'string') return
      const why = refusal(file, node.value)
      if (why) context.report({ node, messageId: 'refused', data: { why } })
    }
    return {
      ImportDeclaration: (node) => check(node.source),
      ImportExpression: (node) => check(node.source),
      ExportNamedDeclaration: (node) => check(node.source),
      ExportAllDeclaration: (node) => check(node.source),
      TSImportType: (node) => check(node.source ?? node.argument?.literal),
    }
  },
}
