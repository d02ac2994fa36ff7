import { useEventListener } from '@vueuse/core'
import { ref, watch, type Ref } from 'vue'
import { api, must, says, type Mark, type MarkKind, type Transcript } from '@/api/client'
import { useRanges } from '@/page/highlights'
import { isOpen } from '@/page/marks'
import type { Passages, Span } from '@/page/usePassages'
import { isTyping } from '@/shared/keys'
import { useNotice } from '@/shared/notice'
import { useLatest } from '@/shared/useLatest'

/** The marks of a lecture: made, taken away and brought back, drawn on the page. */
export function useMarks(id: Ref<string>, timeMs: Ref<number>, transcript: Ref<Transcript | null>) {
  const notice = useNotice()
  const latest = useLatest()
  const marks = ref<Mark[]>([])
  const marked = useRanges('marked')
  const unclear = useRanges('unclear')
  const path = () => ({ id: id.value })

  const load = () =>
    latest(
      () => must(api.GET('/api/lectures/{id}/marks', { params: { path: path() } })),
      (there) => (marks.value = there),
      notice.fail,
    )
  watch(id, load, { immediate: true })
  // What is said where a mark stands, and the mark's own words, can change with the text.
  watch(
    () => transcript.value?.state.version,
    (_, before) => before !== undefined && void load(),
  )

  /** Marks a span, or the moment that is played. */
  async function add(kind: MarkKind, span: Span | null) {
    const at = Math.round(timeMs.value)
    const made = await notice.attempt(() =>
      must(
        api.POST('/api/lectures/{id}/marks', {
          params: { path: path() },
          body: { kind, text: '', startMs: span?.startMs ?? at, endMs: span?.endMs ?? at, quote: span?.quote ?? '' },
        }),
      ),
    )
    if (!made) return
    await load()
    notice.tell('Marked.', () => void remove(made))
  }

  async function remove(mark: Mark) {
    await notice.attempt(() =>
      must(api.DELETE('/api/lectures/{id}/marks/{mark}', { params: { path: { ...path(), mark: mark.id } } })),
    )
    await load()
  }

  /** Says that a mark was taken away, and brings it back where that was a mistake. */
  function removed(mark: Mark) {
    void load()
    notice.tell('The mark was taken away.', () => {
      const call = api.POST('/api/lectures/{id}/marks/{mark}/restore', {
        params: { path: { ...path(), mark: mark.id } },
      })
      void notice.attempt(() => must(call)).then(load)
    })
  }

  /** Puts a picture at the moment that is played. */
  async function addPicture(file: Blob) {
    const answer = await fetch(`/api/lectures/${id.value}/marks/picture?atMs=${Math.round(timeMs.value)}`, {
      method: 'POST',
      body: file,
    }).catch((e: unknown) => notice.fail(says(e)))
    if (!(answer instanceof Response)) return
    if (!answer.ok) {
      const { detail } = (await answer.json().catch(() => ({}))) as { detail?: string }
      notice.fail(new Error(detail ?? 'The picture could not be kept.'))
      return
    }
    await load()
    notice.tell('The picture stands at this time.')
  }

  const pictures = (data: DataTransfer | null) => [...(data?.files ?? [])].filter((f) => f.type.startsWith('image/'))
  useEventListener(document, 'paste', (event: ClipboardEvent) => {
    const found = pictures(event.clipboardData)
    if (!found.length || (isTyping(event) && !(event.target as Element).closest('.page'))) return
    event.preventDefault()
    for (const f of found) void addPicture(f)
  })
  useEventListener(document, 'dragover', (event: DragEvent) => event.preventDefault())
  useEventListener(document, 'drop', (event: DragEvent) => {
    const found = pictures(event.dataTransfer)
    if (!found.length) return
    event.preventDefault()
    for (const f of found) void addPicture(f)
  })

  function draw(passages: Passages | undefined) {
    const ranges = (which: (m: Mark) => boolean) =>
      marks.value.filter((m) => m.quote && which(m)).flatMap((m) => passages?.between(m.startMs, m.endMs) ?? [])
    marked.set(ranges((m) => m.kind !== 'label' && m.kind !== 'unclear'))
    unclear.set(ranges(isOpen))
  }
  return { marks, load, add, removed, addPicture, draw }
}
