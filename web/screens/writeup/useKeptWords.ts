import { ref, watch, type Ref } from 'vue'

export interface UseKeptWordsReturn {
  typed: Ref<string>
  /** What another tab wrote while other words were typed here; null where nothing did. */
  theirs: Ref<string | null>
  /** Keeps what was typed, unless another tab's words would be lost by it. */
  keep: () => void
  /** Keeps these words, whatever stands there. */
  settle: (words: string) => void
}

/** Writes words over those alone that this tab has seen, or sent itself. */
export type WriteOver = (words: string, over: readonly string[]) => void

/** Writes take far less than the second between two of them. */
const ON_ITS_WAY = 4

/** Words that are typed here and may be typed in another tab as well: neither overwrites the other's unasked. */
export function useKeptWords(stored: () => string, write: WriteOver): UseKeptWordsReturn {
  const typed = ref(stored())
  const theirs = ref<string | null>(null)
  /** What stood there, or was sent there from here, when typing began. */
  let base = stored()
  /** What was sent from here and may still be on its way. */
  let sent: string[] = []

  watch(stored, (now) => {
    if (sent.includes(now)) {
      // They arrive in their order: what was sent before stands there no more.
      sent = sent.slice(sent.indexOf(now))
      return
    }
    const isUntouched = typed.value === base
    base = now
    if (now === typed.value) theirs.value = null
    else if (isUntouched) typed.value = now
    else theirs.value = now
  })
  function settle(words: string) {
    typed.value = words
    theirs.value = null
    write(words, [stored(), ...sent])
    sent = [...sent.slice(-ON_ITS_WAY), words]
    base = words
  }
  const keep = () => {
    if (theirs.value === null && typed.value !== stored()) settle(typed.value)
  }
  return { typed, theirs, keep, settle }
}
