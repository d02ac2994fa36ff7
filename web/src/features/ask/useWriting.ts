import { onScopeDispose, ref, shallowRef } from 'vue'
import { api, must, says, type Written, type WrittenPiece, type WritingPreview } from '@/api/client'

/** How an answer is to be written. */
export interface WritingWish {
  instructions: string | null
  allowsOutside: boolean
}

/** Each line of a stream, as it comes. */
async function* linesOf(stream: ReadableStream<Uint8Array>) {
  const reader = stream.getReader()
  const letters = new TextDecoder()
  let rest = ''
  for (;;) {
    const { done, value } = await reader.read()
    if (done) break
    const lines = (rest + letters.decode(value, { stream: true })).split('\n')
    rest = lines.pop() ?? ''
    yield* lines
  }
  if (rest) yield rest
}

/** Lets the person's own model write of a question: shows first what is sent where that is wanted, streams, and can be stopped. */
export function useWriting(questionId: () => number) {
  const preview = shallowRef<WritingPreview | null>(null)
  const text = ref('')
  const isWriting = ref(false)
  const problem = ref('')
  let stopper: AbortController | null = null
  let wished: WritingWish = { instructions: null, allowsOutside: false }

  /** Begins; returns what was written where nothing had to be shown first. */
  async function begin(wish: WritingWish) {
    problem.value = ''
    wished = wish
    try {
      const shown = await must(
        api.POST('/api/questions/{question}/written/preview', {
          params: { path: { question: questionId() } },
          body: { ...wish, wasShown: false },
        }),
      )
      if (!shown.mustShow) return await write(true)
      preview.value = shown
    } catch (e) {
      problem.value = says(e)
    }
    return null
  }

  /** Sends it. */
  async function write(showsFirst: boolean): Promise<Written | null> {
    preview.value = null
    text.value = ''
    isWriting.value = true
    stopper = new AbortController()
    let written: Written | null = null
    try {
      const answer = await fetch(`/api/questions/${questionId()}/written`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ ...wished, wasShown: true, showsFirst: showsFirst ? null : false }),
        signal: stopper.signal,
      })
      if (!answer.ok || !answer.body) {
        const { detail } = (await answer.json().catch(() => ({}))) as { detail?: string }
        throw new Error(detail ?? 'Kostel could not ask the model.')
      }
      for await (const line of linesOf(answer.body)) {
        const piece = JSON.parse(line) as WrittenPiece
        if (piece.text) text.value += piece.text
        if (piece.written) written = piece.written
        if (piece.problem) problem.value = piece.problem
      }
    } catch (e) {
      if (!stopper.signal.aborted) problem.value = says(e)
    }
    isWriting.value = false
    text.value = ''
    return written
  }

  const stop = () => stopper?.abort()
  onScopeDispose(stop)
  return { preview, text, isWriting, problem, begin, write, stop }
}
