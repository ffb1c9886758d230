import { defineStore } from 'pinia'
import { reactive, ref, watch } from 'vue'
import * as disk from '../storage/diskFile'
import { onCopyState, type CopyState } from '../storage/secondCopy'
import { useLogbook } from './logbook'

/** A run that was just kept is often corrected at once: the file waits for it to settle, ms. */
const SETTLE_MS = 1500

/** Where else the logbook is, and how old each copy is. */
export const useCopies = defineStore('copies', () => {
  const logbook = useLogbook()
  const second = reactive<CopyState>({ kept: null, at: null, failure: '' })
  const file = ref<{ name: string; writtenAt: number | null; mayWrite: boolean; failure: string } | null>(
    null,
  )
  const takenAt = ref<string | null>(null)
  let handle: FileSystemFileHandle | null = null
  let waiting: ReturnType<typeof setTimeout> | undefined
  onCopyState((state) => Object.assign(second, state))

  async function load() {
    takenAt.value = await disk.lastTaken()
    handle = await disk.rememberedFile()
    if (handle)
      file.value = {
        name: handle.name,
        writtenAt: null,
        mayWrite: await disk.mayWrite(handle, false),
        failure: '',
      }
  }

  /** Names the file; it is written at once. */
  async function nameFile() {
    handle = (await disk.nameFile('inkpath-logbook.json', await logbook.exportText())) ?? handle
    if (handle) file.value = { name: handle.name, writtenAt: Date.now(), mayWrite: true, failure: '' }
  }

  /** Writes the file anew; `ask` lets the browser ask for leave, which it does only when something was pressed. */
  async function rewrite(ask = false) {
    if (!handle || !file.value) return
    try {
      file.value.mayWrite = await disk.mayWrite(handle, ask)
      if (!file.value.mayWrite) return
      await disk.rewriteFile(handle, await logbook.exportText())
      Object.assign(file.value, { writtenAt: Date.now(), failure: '' })
    } catch (error) {
      file.value.failure = (error as Error).message
    }
  }

  async function forget() {
    await disk.forgetFile()
    handle = null
    file.value = null
  }

  async function noteTaken() {
    takenAt.value = new Date().toISOString()
    await disk.noteTaken(takenAt.value)
  }

  watch(
    () => logbook.runs.length,
    (now, before) => {
      if (now <= before || !file.value) return
      clearTimeout(waiting)
      waiting = setTimeout(() => void rewrite(), SETTLE_MS)
    },
  )
  return { second, file, takenAt, load, nameFile, rewrite, forget, noteTaken, canNameFile: disk.canNameFile }
})
