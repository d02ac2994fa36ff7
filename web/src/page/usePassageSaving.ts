import { inject, onBeforeUnmount, ref, type Ref } from 'vue'
import { lectureIdKey } from './lectureId'
import { forgetTyped, keepTyped, sendTyped } from './typedWords'

const saveAfterMs = 900

interface Passage {
  id: () => string
  /** The text that is stored, as the page knows it. */
  text: () => string
  /** What stands in the paragraph. */
  typed: () => string
  /** Stores what was typed over the text that the person saw; says whether that was done. */
  save: (expected: string, text: string) => Promise<boolean>
  /** All of it is stored. */
  done: () => void
  typing: (isTyping: boolean) => void
}

/** Keeps what is typed in a passage until it is stored: a moment after the last key, when the passage is left, and as the page goes. */
export function usePassageSaving(passage: Passage) {
  const lectureId: Ref<string> = inject(lectureIdKey, ref(''))
  /** What is stored as far as this window knows. It goes on being that while another window changes the passage under what is typed. */
  let stored = ''
  let sending = ''
  let refused: string | null = null
  let isSaving = false
  /** The paragraph is taken away, and what is read from it now is nothing. */
  let isGone = false
  let hasTyped = false
  let saving: Promise<void> | null = null
  let timer: ReturnType<typeof setTimeout> | undefined

  const isDirty = () => !isGone && hasTyped && passage.typed() !== stored
  const forget = (passageId = passage.id()) => forgetTyped(lectureId.value, passageId)
  const draft = (text: string) => ({ passageId: passage.id(), expected: isSaving ? sending : stored, text })

  function input() {
    clearTimeout(timer)
    hasTyped = true
    passage.typing(true)
    // A passage that is emptied on the way to another wording is not deleted meanwhile, nor by a reload.
    if (passage.typed()) keepTyped(lectureId.value, draft(passage.typed()))
    timer = setTimeout(() => void flush(false), saveAfterMs)
  }

  /** Stores what was typed; done when all of it is, or when it was refused. */
  function flush(mayBeEmpty: boolean): Promise<void> {
    clearTimeout(timer)
    passage.typing(false)
    saving ??= store(mayBeEmpty).finally(() => (saving = null))
    return saving
  }

  async function store(mayBeEmpty: boolean): Promise<void> {
    const text = passage.typed()
    if (isGone) return
    if (!isDirty()) forget()
    if (!isDirty() || text === refused || (!mayBeEmpty && !text)) return
    isSaving = true
    sending = text
    const isDone = await passage.save(stored, text)
    isSaving = false
    refused = isDone ? null : text
    if (!isDone) return
    stored = text
    // What was typed while that was on its way.
    if (isDirty()) await store(false)
    else {
      forget()
      passage.done()
    }
  }

  /** The page goes, and there is no time to wait for an answer. What is on its way is taken for stored: the browser finishes sending it. */
  function pageGoes() {
    const text = passage.typed()
    if (!isDirty() || !text || text === refused || (isSaving && sending === text)) return
    sendTyped(lectureId.value, draft(text))
    // A page that comes back out of the browser's memory does not send it again.
    if (!isSaving) stored = text
  }

  onBeforeUnmount(() => {
    removeEventListener('pagehide', pageGoes)
    clearTimeout(timer)
    const passageId = passage.id()
    if (isDirty() && passage.typed())
      void passage.save(stored, passage.typed()).then((isDone) => isDone && forget(passageId))
    isGone = true
  })

  return {
    isDirty,
    /** Whether the paragraph must stay as it is. */
    isHeld: () => isSaving || isDirty(),
    isRefused: (text: string) => text === refused,
    input,
    flush,
    /** The paragraph shows what is stored. */
    shown() {
      hasTyped = false
      stored = passage.text()
    },
    begin() {
      addEventListener('pagehide', pageGoes)
      if (!isDirty()) stored = passage.text()
      refused = null
    },
    end: () => removeEventListener('pagehide', pageGoes),
  }
}
