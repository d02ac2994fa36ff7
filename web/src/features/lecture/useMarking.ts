import type { Ref } from 'vue'
import type { Mark, MarkKind, Passage } from '@/api/client'
import type { Span } from '@/page/usePassages'
import type { Sheet } from './sheets'

/** From a wish to mark something to the mark: at once, or by way of a sheet where words belong to it. */
export function useMarking(
  sheet: Ref<Sheet | null>,
  span: Ref<Span | null>,
  timeMs: Ref<number>,
  add: (kind: MarkKind, span: Span | null) => Promise<void>,
) {
  function mark(kind: MarkKind) {
    const now = Math.round(timeMs.value)
    const about = span.value ?? { startMs: now, endMs: now, quote: '' }
    if (kind === 'note' || kind === 'label') sheet.value = { is: 'mark', mark: null, draft: { kind, ...about } }
    else void add(kind, span.value)
  }
  function label(p: Passage) {
    const draft = { kind: 'label' as const, startMs: p.startMs, endMs: p.endMs, quote: p.text }
    sheet.value = { is: 'mark', mark: null, draft }
  }
  const openMark = (m: Mark) => (sheet.value = { is: 'mark', mark: m, draft: null })
  return { mark, label, openMark }
}
