import { convertSchema } from '@sodaru/yup-to-json-schema'
import type { Schema } from 'yup'
import { COLLECTION_NAMES, COLLECTIONS } from '../logbook/collections'
import { CHANNELS, channel } from '../trace/channels'
import { LOGBOOK_FORMAT, LOGBOOK_SCHEMA_VERSION } from './logbookJson'

type JsonSchema = Record<string, unknown>

const numbers = (extra: JsonSchema = {}): JsonSchema => ({
  type: 'array',
  items: { type: ['number', 'null'], ...extra },
})

/** A trace in a file: columns of one length; null where nothing was read. */
const traceSchema = (): JsonSchema => ({
  type: 'object',
  required: ['time'],
  properties: {
    time: {
      type: 'array',
      minItems: 1,
      items: { type: 'number', minimum: 0 },
      description: 'Seconds since power-on, never falling',
    },
    ...Object.fromEntries(
      CHANNELS.map((c) => {
        const { called, unit, bounds } = channel(c)
        const description = [called, unit].filter(Boolean).join(', ')
        return [c, { ...numbers({ minimum: bounds[0], maximum: bounds[1] }), description }]
      }),
    ),
    temperatures: { type: 'object', additionalProperties: numbers(), description: '°C by place' },
    notes: { type: 'array', items: { type: 'string' } },
  },
})

/** A value that its own rule checks has no type that JSON Schema could name: it is left open there. */
function anyTyped(part: unknown): unknown {
  if (Array.isArray(part)) return part.map(anyTyped)
  if (typeof part !== 'object' || part === null) return part
  const open = (key: string, value: unknown) => key === 'type' && Array.isArray(value) && value.length === 0
  return Object.fromEntries(
    Object.entries(part).flatMap(([key, value]) => (open(key, value) ? [] : [[key, anyTyped(value)]])),
  )
}

/**
 * The JSON Schema (draft-07) of a logbook's file, made from the table of collections. It says what a file looks like; a
 * file that holds to it may still be refused: references must lead somewhere, and rules of reading and stopping hold.
 */
export function logbookJsonSchema(): JsonSchema {
  const collections = COLLECTION_NAMES.map((name) => {
    const { schema, most } = COLLECTIONS[name]
    const items = anyTyped(convertSchema(schema as unknown as Schema)) as JsonSchema
    const record =
      name === 'runs'
        ? {
            ...items,
            properties: { ...(items.properties as JsonSchema), trace: traceSchema() },
            required: [...(items.required as string[]), 'trace'],
          }
        : items
    return [name, { type: 'array', maxItems: most, items: record }]
  })
  return {
    $schema: 'http://json-schema.org/draft-07/schema#',
    title: 'Inkpath Log logbook',
    type: 'object',
    required: ['format', 'schemaVersion', ...COLLECTION_NAMES],
    properties: {
      format: { const: LOGBOOK_FORMAT },
      schemaVersion: { const: LOGBOOK_SCHEMA_VERSION },
      exportedAt: { type: 'string' },
      ...(Object.fromEntries(collections) as JsonSchema),
    },
  }
}
