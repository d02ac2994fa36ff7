import { computed, ref, watch, type Ref } from 'vue'
import type { Transcript } from '@/api/client'
import type { Stretch } from '@/stave/paint'
import type { Span } from '@/page/usePassages'

/** The words that are said in a stretch. */
export function wordsIn(text: Transcript, { startMs, endMs }: Stretch): string {
  const found: string[] = []
  for (const p of text.passages) {
    if (p.endMs < startMs || p.startMs > endMs) continue
    const words = p.text.split(' ')
    p.startsMs.forEach((from, i) => {
      const middle = (from + (p.endsMs[i] ?? from)) / 2
      if (middle >= startMs && middle < endMs) found.push(words[i] ?? '')
    })
  }
  return found.join(' ')
}

/** What is selected, on the page or on the stave: the one that was selected last. */
export function useStaveSelection(
  transcript: Ref<Transcript | null>,
  page: { span: Ref<Span | null>; box: Ref<{ top: number; bottom: number; left: number }> },
) {
  const selected = ref<Stretch | null>(null)
  watch(page.span, (span) => span && (selected.value = null))
  const fromStave = computed<Span | null>(() =>
    selected.value && transcript.value
      ? {
          startMs: Math.round(selected.value.startMs),
          endMs: Math.round(selected.value.endMs),
          quote: wordsIn(transcript.value, selected.value),
        }
      : null,
  )
  const span = computed(() => page.span.value ?? fromStave.value)
  const box = computed(() => {
    if (page.span.value) return page.box.value
    const foot = Number.parseFloat(document.documentElement.style.getPropertyValue('--foot')) || 0
    return { top: innerHeight - foot, bottom: innerHeight, left: 220 }
  })
  return { selected, span, box }
}
