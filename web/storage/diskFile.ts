import { metaDrawer } from './database'

/** A file on disk that the reviewer has named, rewritten whole after every finished run. */
const HANDLE = 'disk-file'
type WithPermission = FileSystemFileHandle & {
  queryPermission?: (options: { mode: 'readwrite' }) => Promise<PermissionState>
  requestPermission?: (options: { mode: 'readwrite' }) => Promise<PermissionState>
}

/** Whether this browser lets a page write to a file that it was given once. */
export const canNameFile: boolean = 'showSaveFilePicker' in globalThis

/** Loaded when it is first needed: few reviewers name a file. */
const save: typeof import('browser-fs-access').fileSave = async (...what) =>
  (await import('browser-fs-access')).fileSave(...what)

export const rememberedFile = async (): Promise<FileSystemFileHandle | null> =>
  (await metaDrawer.getItem<FileSystemFileHandle>(HANDLE)) ?? null
export const forgetFile = (): Promise<void> => metaDrawer.removeItem(HANDLE)

/** Asks for a file and writes the text into it. Null when the reviewer leaves the dialog. */
export async function nameFile(name: string, text: string): Promise<FileSystemFileHandle | null> {
  try {
    const handle = await save(blobOf(text), { fileName: name, extensions: ['.json'] })
    if (handle) await metaDrawer.setItem(HANDLE, handle)
    return handle
  } catch (error) {
    if ((error as Error).name === 'AbortError') return null
    throw error
  }
}

/** Whether the file may be written to; the browser asks again after a restart, and only when something was pressed. */
export async function mayWrite(handle: FileSystemFileHandle, ask: boolean): Promise<boolean> {
  const { queryPermission, requestPermission } = handle as WithPermission
  const mode = { mode: 'readwrite' as const }
  if ((await queryPermission?.call(handle, mode)) === 'granted') return true
  return ask && (await requestPermission?.call(handle, mode)) === 'granted'
}

export async function rewriteFile(handle: FileSystemFileHandle, text: string): Promise<void> {
  await save(blobOf(text), { fileName: handle.name, extensions: ['.json'] }, handle, true)
}

const blobOf = (text: string): Blob => new Blob([text], { type: 'application/json' })

/** When a file was last taken out, ISO 8601; null when none was. */
export const lastTaken = async (): Promise<string | null> =>
  (await metaDrawer.getItem<string>('taken-at')) ?? null
export const noteTaken = (at: string): Promise<unknown> => metaDrawer.setItem('taken-at', at)
