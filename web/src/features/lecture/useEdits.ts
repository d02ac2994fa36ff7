import { computed, onScopeDispose, ref, type Ref } from 'vue'
import { api, hasCode, must, says, type Edit, type EditResult, type Transcript } from '@/api/client'
import { forgetTyped, typedBefore } from '@/page/typedWords'
import { useNotice } from '@/shared/notice'
import { useUnsaved } from '@/shared/useUnsaved'
import { useLive } from '@/shared/live'
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

/**
 * Edits of a transcript: sent one after the other, applied to what is shown, and said whether they are saved. What changes the text
 * comes in here and by one queue: our own edits with their answers, what other windows did with a text that is loaded anew.
 */
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

  /** Sends something in its turn, and puts its answer into the text before the next has its. */
  function inTurn(send: () => Promise<EditResult>): Promise<void> {
    pending.value++
    const done = queue
      .then(send)
      .then((result) => {
        problem.value = ''
        take(result)
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
      await inTurn(() =>
        // A page that goes meanwhile does not take it along.
        must(
          api.POST('/api/lectures/{id}/edits', { params: path(), body: { edit: wanted }, keepalive: isSmall(wanted) }),
        ),
      )
      return true
    } catch (e) {
      if (wanted.kind === 'rewrite' && hasCode(e, 'passage-changed')) {
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
      await inTurn(() => must(api.POST(address, { params: path() })))
    } catch {
      // What went wrong stands beside the text.
    }
  }

  /** Our own edits are told here too, often before they are answered; once everything that was sent is answered, only others' are left. */
  const stop = useLive().listenTexts((change) => {
    if (change.lectureId !== id.value) return
    void queue.then(() => {
      if (change.version > (transcript.value?.state.version ?? 0)) void reload().catch(() => undefined)
    })
  })
  onScopeDispose(stop)

  // Where nothing can be saved, the browser asks before the words go.
  useUnsaved(() => Boolean(problem.value) && typedBefore(id.value).length > 0)

  useTypedBefore(id, transcript, edit)

  return {
    state,
    problem,
    conflict,
    typing: (now: boolean) => (isTyping.value = now),
    edit,
    undo: () => step('undo'),
    redo: () => step('redo'),
    /** Resolves when everything that was sent is answered. */
    settled: () => queue,
  }
}

export type Edits = ReturnType<typeof useEdits>
