import { mkdir, writeFile } from 'node:fs/promises'
import { dirname } from 'node:path'
import { writeLogbook } from '@core/formats/logbookJson'
import { demoLogbook } from './logbook'

// Writes the demo logbook as a file that the program imports like any other.
const path = process.argv[2] ?? 'dist/demo-logbook.json'
await mkdir(dirname(path), { recursive: true })
await writeFile(path, writeLogbook(demoLogbook(), '2026-03-20T12:00:00.000Z'))
