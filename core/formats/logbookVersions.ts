/** The version of the logbook's layout; raised together with a step in {@link migrate}. */
export const LOGBOOK_SCHEMA_VERSION = 2

type File = Record<string, unknown>

/** What each version added to the one before it. */
const STEPS: Record<number, (file: File) => File> = {
  // 2: meters, observations, protocols and campaigns; runs know their place in a campaign and their checklist.
  1: (file) => ({
    meters: [],
    observations: [],
    protocols: [],
    campaigns: [],
    ...file,
    runs: Array.isArray(file.runs)
      ? file.runs.map((run: unknown) => ({ planned: null, checklist: [], ...(run as File | null) }))
      : file.runs,
  }),
}

/** Brings a file of an older version forward, one step at a time. */
export function migrate(file: File, from: number): File {
  let current = file
  for (let version = from; version < LOGBOOK_SCHEMA_VERSION; version++) current = STEPS[version](current)
  return { ...current, schemaVersion: LOGBOOK_SCHEMA_VERSION }
}
