import { computed, onBeforeUnmount, ref, watch, type Ref } from 'vue'
import type { Transcript } from '@/api/client'
import { rangeIn, useRanges } from './highlights'
import type { Passages } from './usePassages'
import { layOut, occurrences } from './text'

/** A place where what is looked for stands. */
export interface Hit {
  passage: number
  from: number
  to: number
  startMs: number
  endMs: number
}

/** Looks for text in the whole transcript, as it is shown. */
export function hitsIn(transcript: Transcript | null, wanted: string, hidesFillers: boolean): Hit[] {
  if (!transcript || !wanted.trim()) return []
  const found: Hit[] = []
  transcript.passages.forEach((p, passage) => {
    const l = layOut(p.text, hidesFillers ? p.fillers : [])
    for (const [from, to] of occurrences(l.text, wanted)) {
      const first = l.words[l.to.findIndex((end) => end > from)] ?? 0
      const last = l.words[l.from.filter((start) => start < to).length - 1] ?? first
      found.push({ passage, from, to, startMs: p.startsMs[first] ?? p.startMs, endMs: p.endsMs[last] ?? p.endMs })
    }
  })
  return found
}

/** Our own find: counts, marks and walks through every hit. */
export function useFind(transcript: Ref<Transcript | null>, hidesFillers: Ref<boolean>) {
  const isOpen = ref(false)
  const wanted = ref('')
  const at = ref(0)
  const all = useRanges('found')
  const here = useRanges('found-here')
  const hits = computed(() => (isOpen.value ? hitsIn(transcript.value, wanted.value, hidesFillers.value) : []))
  const hit = computed(() => hits.value[at.value] ?? null)

  watch(wanted, () => (at.value = 0))
  watch(hits, (found) => (at.value = Math.min(at.value, Math.max(0, found.length - 1))))

  /** Draws the hits on the page. */
  function draw(passages: Passages | undefined) {
    const range = (h: Hit) => rangeIn(passages?.element(h.passage), h.from, h.to)
    all.set(hits.value.map(range).filter((r) => r !== null))
    const r = hit.value ? range(hit.value) : null
    here.set(r ? [r] : [])
  }

  const step = (n: number) => {
    if (hits.value.length) at.value = (at.value + n + hits.value.length) % hits.value.length
  }
  onBeforeUnmount(() => {
    all.clear()
    here.clear()
  })
  const close = () => (isOpen.value = false)
  return { isOpen, wanted, at, hits, hit, step, draw, close }
}

export type Find = ReturnType<typeof useFind>
