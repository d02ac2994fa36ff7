import { useEventListener } from '@vueuse/core'
import { ref } from 'vue'
import type { Passages, Span } from '@/page/usePassages'

/** What is selected on the page and where it stands on the screen. */
export function useSelection(passages: () => Passages | undefined) {
  const span = ref<Span | null>(null)
  const box = ref({ top: 0, bottom: 0, left: 0 })
  let timer: ReturnType<typeof setTimeout> | undefined

  function look() {
    const selection = getSelection()
    const inPage = selection?.anchorNode?.parentElement?.closest('.page')
    span.value = inPage ? (passages()?.selected() ?? null) : null
    if (!span.value || !selection?.rangeCount) return
    const r = selection.getRangeAt(0).getBoundingClientRect()
    box.value = { top: r.top, bottom: r.bottom, left: r.left }
  }
  function soon() {
    clearTimeout(timer)
    if (getSelection()?.isCollapsed !== false) span.value = null
    else timer = setTimeout(look, 180)
  }
  useEventListener(document, 'selectionchange', soon)
  useEventListener(document, 'scroll', () => span.value && look(), { capture: true, passive: true })
  return { span, box }
}
