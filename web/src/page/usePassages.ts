import { computed, onBeforeUnmount, watch, type Ref } from 'vue'
import type { Transcript } from '@/api/client'
import { rangeIn, useRanges } from './highlights'
import type { TextLayout } from './text'

/** A passage that is on the page. */
export interface Row {
  text?: { element?: HTMLElement; layout: TextLayout }
}

/** A stretch of the text that a person chose. */
export interface Span {
  startMs: number
  endMs: number
  quote: string
}

/** The passages as they stand on the page: from words to places in the text and back. */
export function usePassages(transcript: () => Transcript) {
  const rows = new Map<string, Row>()

  function attach(id: string, row: Row | null) {
    if (row) rows.set(id, row)
    else rows.delete(id)
  }
  const row = (index: number) => rows.get(transcript().passages[index]?.id ?? '')
  const element = (index: number) => row(index)?.text?.element ?? null
  const layout = (index: number) => row(index)?.text?.layout ?? null

  /** The range over words of a passage, both ends included; null if none of them is shown. */
  function range(index: number, first: number, last: number): Range | null {
    const l = layout(index)
    if (!l) return null
    const shown = l.words.map((w, i) => (w >= first && w <= last ? i : -1)).filter((i) => i >= 0)
    const [a, b] = [shown[0], shown.at(-1)]
    return a === undefined || b === undefined ? null : rangeIn(element(index), l.from[a] ?? 0, l.to[b] ?? 0)
  }

  /** The ranges over what is said between two moments, a range a passage. */
  function between(startMs: number, endMs: number): Range[] {
    const found: Range[] = []
    transcript().passages.forEach((p, index) => {
      if (p.endMs < startMs || p.startMs > endMs) return
      const inside = p.startsMs
        .map((s, i) => ((s + (p.endsMs[i] ?? s)) / 2 >= startMs && (s + (p.endsMs[i] ?? s)) / 2 <= endMs ? i : -1))
        .filter((i) => i >= 0)
      const r = inside.length ? range(index, inside[0] ?? 0, inside.at(-1) ?? 0) : null
      if (r) found.push(r)
    })
    return found
  }

  /** What is selected on the page, to whole words; null for nothing. */
  function selected(): Span | null {
    const selection = getSelection()
    if (!selection?.rangeCount || selection.isCollapsed) return null
    const chosen = selection.getRangeAt(0)
    const words: { startMs: number; endMs: number; text: string }[] = []
    transcript().passages.forEach((p, index) => {
      const e = element(index)
      const l = layout(index)
      const node = e?.firstChild
      if (!e || !l || !node || !chosen.intersectsNode(e)) return
      const from = chosen.startContainer === node ? chosen.startOffset : 0
      const to = chosen.endContainer === node ? chosen.endOffset : (node.textContent?.length ?? 0)
      const texts = p.text.split(' ')
      l.words.forEach((w, i) => {
        if ((l.to[i] ?? 0) > from && (l.from[i] ?? 0) < to)
          words.push({ startMs: p.startsMs[w] ?? 0, endMs: p.endsMs[w] ?? 0, text: texts[w] ?? '' })
      })
    })
    const [first, last] = [words[0], words.at(-1)]
    return first && last
      ? {
          startMs: first.startMs,
          endMs: Math.max(last.endMs, first.startMs + 1),
          quote: words.map((w) => w.text).join(' '),
        }
      : null
  }

  return { attach, element, layout, range, between, selected }
}

export type Passages = ReturnType<typeof usePassages>

/** Marks the word that is spoken and gives its index in the current passage, -1 for none. */
export function useSpokenWord(
  passages: Passages,
  transcript: () => Transcript,
  current: Ref<number>,
  timeMs: () => number,
) {
  const ranges = useRanges('spoken')
  const word = computed(() => {
    const passage = transcript().passages[current.value]
    const ms = timeMs()
    if (!passage || ms === 0) return -1
    let found = -1
    for (const start of passage.startsMs) {
      if (start > ms) break
      found++
    }
    return found
  })
  watch(
    [word, current, transcript],
    () => {
      const r = word.value < 0 ? null : passages.range(current.value, word.value, word.value)
      ranges.set(r ? [r] : [])
    },
    { flush: 'post' },
  )
  onBeforeUnmount(ranges.clear)
  return word
}
