import { computed, ref, type Ref } from 'vue'
import { api, must, Problem, says, type Edit, type EditResult, type Transcript } from '@/api/client'
import { forgetTyped, typedBefore } from '@/page/typedWords'
import { useNotice } from '@/shared/notice'
import { useUnsaved } from '@/shared/useUnsaved'
import { stays } from './takeBack'
import { useTypedBefore } from './useTypedBefore'

/** Browsers let only so much be sent on behalf of a page that may go. */
const isSmall = (edit: Edit) => JSON.stringify(edit).length < 30_000

export type SaveState = 'saved' | 'typing' | 'saving' | 'failed'

/** A passage that was typed anew while another window changed it. */
export interface Conflict {
  passageId: string
  mine: string
}

/** Edits of a transcript: sent one after the other, applied to what is shown, and said whether they are saved. */
export function useEdits(id: Ref<string>, transcript: Ref<Transcript | null>, reload: () => Promise<void>) {
  const notice = useNotice()
  const pending = ref(0)
  const isTyping = ref(false)
  const problem = ref('')
  const conflict = ref<Conflict | null>(null)
  let queue: Promise<unknown> = Promise.resolve()
  const path = () => ({ path: { id: id.value } })

  const state = computed<SaveState>(() =>
    problem.value ? 'failed' : pending.value ? 'saving' : isTyping.value ? 'typing' : 'saved',
  )

  /** Puts what an edit changed into the text that is shown; a text of another version is loaded anew. */
  function take(result: EditResult) {
    if (result.leftAlone) notice.tell(stays(result.leftAlone))
    const now = transcript.value
    if (!now) return
    if (now.state.version !== result.baseVersion) {
      void reload()
      return
    }
    const passages = [...now.passages]
    for (const s of [...result.splices].reverse()) passages.splice(s.at, s.removed, ...s.passages)
    transcript.value = {
      ...now,
      passages,
      speakers: result.speakers ?? now.speakers,
      chapters: result.chapters ?? now.chapters,
      state: result.state,
    }
  }

  function inTurn<T>(work: () => Promise<T>): Promise<T | undefined> {
    pending.value++
    const done = queue
      .then(work)
      .then((value) => {
        problem.value = ''
        return value
      })
      .catch((e: unknown) => {
        problem.value = says(e)
        throw e
      })
      .finally(() => pending.value--)
    queue = done.catch(() => undefined)
    return done
  }

  /** Does an edit. A conflict in a passage is kept for the person to decide; other problems are said beside the text. */
  async function edit(wanted: Edit): Promise<boolean> {
    try {
      const result = await inTurn(() =>
        // A page that goes meanwhile does not take it along.
        must(
          api.POST('/api/lectures/{id}/edits', { params: path(), body: { edit: wanted }, keepalive: isSmall(wanted) }),
        ),
      )
      if (result) take(result)
      return true
    } catch (e) {
      if (
        e instanceof Problem &&
        e.status === 409 &&
        wanted.kind === 'rewrite' &&
        e.message.includes('another window')
      ) {
        problem.value = ''
        await reload()
        forgetTyped(id.value, wanted.passageId)
        conflict.value = { passageId: wanted.passageId, mine: wanted.text }
      }
      return false
    }
  }

  async function step(way: 'undo' | 'redo') {
    if (!transcript.value?.state[way] && pending.value === 0) return
    try {
      const address = way === 'undo' ? '/api/lectures/{id}/edits/undo' : '/api/lectures/{id}/edits/redo'
      const result = await inTurn(() => must(api.POST(address, { params: path() })))
      if (result) take(result)
    } catch {
      // What went wrong stands beside the text.
    }
  }

  // Where nothing can be saved, the browser asks before the words go.
  useUnsaved(() => Boolean(problem.value) && typedBefore(id.value).length > 0)

  useTypedBefore(id, transcript, edit)

  return {
    state,
    problem,
    conflict,
    isTyping,
    edit,
    undo: () => step('undo'),
    redo: () => step('redo'),
    /** Resolves when everything that was sent is answered. */
    settled: () => queue,
  }
}

export type Edits = ReturnType<typeof useEdits>
