import { onScopeDispose, ref, shallowRef } from 'vue'
import { says, type WritingPreview } from '@/api/client'
import { streamed } from '@/shared/streamed'

/** What comes of a stream: pieces of text, and last the whole or why there is none. */
interface Piece {
  text?: string | null
  problem?: string | null
}

/** Where something is written, and what is read of it. */
interface Writing<W, P extends Piece, R> {
  /** What would be sent for a wish. */
  preview: (wish: W) => Promise<WritingPreview>
  address: () => string
  /** The whole, in the piece that brings it. */
  whole: (piece: P) => R | null | undefined
  /** Is told of each piece. */
  each?: (piece: P) => void
}

/** Lets the person's own model write: shows first what is sent where that is wanted, streams, and can be stopped. */
export function useWriterStream<W extends object, P extends Piece, R>(writing: Writing<W, P, R>) {
  const preview = shallowRef<WritingPreview | null>(null)
  const text = ref('')
  const isWriting = ref(false)
  const problem = ref('')
  let stopper: AbortController | null = null
  let wished: W | null = null

  /** Begins; returns what was written where nothing had to be shown first. */
  async function begin(wish: W) {
    problem.value = ''
    wished = wish
    try {
      const shown = await writing.preview(wish)
      if (!shown.mustShow) return await write(true)
      preview.value = shown
    } catch (e) {
      problem.value = says(e)
    }
    return null
  }

  /** Sends it. */
  async function write(showsFirst: boolean): Promise<R | null> {
    preview.value = null
    text.value = ''
    isWriting.value = true
    stopper = new AbortController()
    let whole: R | null = null
    try {
      const sent = { ...wished, wasShown: true, showsFirst: showsFirst ? null : false }
      for await (const piece of streamed<P>(
        writing.address(),
        sent,
        stopper.signal,
        'Kostel could not ask the model.',
      )) {
        writing.each?.(piece)
        if (piece.text) text.value += piece.text
        whole = writing.whole(piece) ?? whole
        if (piece.problem) problem.value = piece.problem
      }
    } catch (e) {
      if (!stopper.signal.aborted) problem.value = says(e)
    }
    isWriting.value = false
    text.value = ''
    return whole
  }

  const stop = () => stopper?.abort()
  onScopeDispose(stop)
  return { preview, text, isWriting, problem, begin, write, stop }
}
