import { useEventListener } from '@vueuse/core'
import { computed, ref, type Ref } from 'vue'
import type { Chapter, Transcript } from '@/api/client'
import type { Lane } from './lanes'
import type { Stretch } from './paint'
import { lengthOf, pan, snap, type View } from './view'

interface Stave {
  band: Ref<HTMLElement | undefined>
  view: Ref<View>
  lanes: Ref<readonly Lane[]>
  durationMs: Ref<number>
  chapters: Ref<Chapter[]>
  transcript: Ref<Transcript | null>
  canEdit: Ref<boolean>
  selected: Ref<Stretch | null>
  seek: (ms: number) => void
  moveChapter: (startMs: number, passageId: string) => void
}

/** A hand is steady to about so many pixels. */
const nearPx = 6

/** What a pointer does on the stave: a press goes there, drawing along selects, the axis is drawn along, a chapter's edge is moved. */
export function useStavePointer(s: Stave) {
  const hoverMs = ref<number | null>(null)
  const movedEdge = ref<{ index: number; ms: number } | null>(null)
  const doing = ref<'press' | 'select' | 'along' | 'edge' | null>(null)
  const overEdge = ref(false)
  let fromX = 0
  let fromMs = 0
  let fromView: View | null = null

  const box = () => s.band.value?.getBoundingClientRect() ?? { left: 0, top: 0, width: 1 }
  const rawMs = (clientX: number) =>
    s.view.value.fromMs + ((clientX - box().left) / Math.max(1, box().width)) * lengthOf(s.view.value)
  const msAt = (event: { clientX: number }) =>
    Math.round(Math.min(s.durationMs.value, Math.max(0, rawMs(event.clientX))))
  const nearMs = () => (nearPx / Math.max(1, box().width)) * lengthOf(s.view.value)

  /** Where words begin and end: a selection keeps to them. */
  const edges = computed(() => {
    const found: number[] = []
    for (const p of s.transcript.value?.passages ?? []) {
      for (let i = 0; i < p.startsMs.length; i++) found.push(p.startsMs[i] ?? 0, p.endsMs[i] ?? 0)
    }
    return found.every((ms, i) => i === 0 || ms >= (found[i - 1] ?? 0)) ? found : found.sort((a, b) => a - b)
  })
  const laneAt = (event: PointerEvent) => {
    const y = event.clientY - box().top
    return s.lanes.value.find((l) => y >= l.top && y < l.top + l.height)?.key
  }
  const edgeAt = (event: PointerEvent) => {
    if (!s.canEdit.value || laneAt(event) !== 'chapters') return -1
    const ms = rawMs(event.clientX)
    return s.chapters.value.findIndex((c, i) => i > 0 && Math.abs(c.startMs - ms) <= nearMs())
  }
  const span = (a: number, b: number): Stretch => ({ startMs: Math.min(a, b), endMs: Math.max(a, b) })

  function down(event: PointerEvent) {
    if (event.button !== 0) return
    fromX = event.clientX
    fromMs = msAt(event)
    fromView = s.view.value
    const edge = edgeAt(event)
    if (edge > 0) {
      doing.value = 'edge'
      movedEdge.value = { index: edge, ms: s.chapters.value[edge]?.startMs ?? 0 }
    } else doing.value = laneAt(event) === 'axis' ? 'along' : 'press'
  }

  function dragged(event: PointerEvent) {
    const ms = msAt(event)
    if (doing.value === 'press' && Math.abs(event.clientX - fromX) > nearPx) doing.value = 'select'
    if (doing.value === 'select') {
      const [a, b] = [snap(fromMs, edges.value, nearMs()), snap(ms, edges.value, nearMs())]
      s.selected.value = a === b ? null : span(a, b)
    } else if (doing.value === 'along' && fromView) {
      const by = ((fromX - event.clientX) / Math.max(1, box().width)) * lengthOf(fromView)
      if (lengthOf(fromView) < s.durationMs.value) s.view.value = pan(fromView, by, s.durationMs.value)
      else s.seek(ms)
    } else if (doing.value === 'edge' && movedEdge.value) {
      const starts = (s.transcript.value?.passages ?? []).slice(1).map((p) => p.startMs)
      movedEdge.value = { ...movedEdge.value, ms: snap(ms, starts, Infinity) }
    }
  }

  function move(event: PointerEvent) {
    hoverMs.value = msAt(event)
    overEdge.value = edgeAt(event) > 0
  }

  function up(event: PointerEvent) {
    const what = doing.value
    doing.value = null
    if (what === 'press') {
      s.selected.value = null
      s.seek(fromMs)
    } else if (what === 'along' && Math.abs(event.clientX - fromX) <= nearPx) s.seek(fromMs)
    else if (what === 'edge' && movedEdge.value) {
      const { index, ms } = movedEdge.value
      movedEdge.value = null
      const [chapter, passage] = [s.chapters.value[index], s.transcript.value?.passages.find((p) => p.startMs === ms)]
      if (chapter && passage && ms !== chapter.startMs) s.moveChapter(chapter.startMs, passage.id)
    }
  }

  useEventListener(window, 'pointermove', (event: PointerEvent) => doing.value && dragged(event))
  useEventListener(window, 'pointerup', (event: PointerEvent) => doing.value && up(event))
  useEventListener(window, 'pointercancel', () => {
    doing.value = null
    movedEdge.value = null
  })

  /** Selects on from where the playhead was, by key. */
  function extend(beforeMs: number, ms: number) {
    const now = s.selected.value
    const fixed = now
      ? Math.abs(now.startMs - beforeMs) < Math.abs(now.endMs - beforeMs)
        ? now.endMs
        : now.startMs
      : beforeMs
    s.selected.value = fixed === ms ? null : span(fixed, ms)
  }

  const cursor = computed(() =>
    overEdge.value || doing.value === 'edge' ? 'ew-resize' : doing.value === 'along' ? 'grabbing' : 'crosshair',
  )
  return {
    hoverMs,
    movedEdge,
    cursor,
    isBusy: computed(() => doing.value !== null),
    msAt,
    down,
    move,
    leave: () => (hoverMs.value = null),
    extend,
  }
}
