import { computed, onBeforeUnmount, ref, type Ref } from 'vue'
import type { Transcript } from '@/api/client'
import { useRanges } from '@/page/highlights'
import type { Passages } from '@/page/usePassages'
import type { Edits } from './useEdits'

/** A word that the recogniser was unsure of. */
export interface Doubt {
  passage: number
  passageId: string
  word: number
  text: string
  chance: number
  startMs: number
  endMs: number
}

/** Every doubtful word of a transcript, in order. */
export function doubtsIn(transcript: Transcript | null): Doubt[] {
  return (transcript?.passages ?? []).flatMap((p, passage) => {
    const texts = p.text.split(' ')
    return p.doubts.map((d) => ({
      passage,
      passageId: p.id,
      word: d.word,
      text: texts[d.word] ?? '',
      chance: d.chance,
      startMs: p.startsMs[d.word] ?? p.startMs,
      endMs: p.endsMs[d.word] ?? p.endMs,
    }))
  })
}

/** Walks through the doubtful words: hear, accept or fix, next. */
export function useDoubts(transcript: Ref<Transcript | null>, edits: Edits) {
  const isOpen = ref(false)
  const atMs = ref(-1)
  const done = ref(0)
  const total = ref(0)
  const range = useRanges('checked')
  const all = computed(() => doubtsIn(transcript.value))
  const index = computed(() => all.value.findIndex((d) => d.startMs >= atMs.value))
  const current = computed(() => (isOpen.value ? (all.value[index.value < 0 ? 0 : index.value] ?? null) : null))

  function open(fromMs: number) {
    atMs.value = fromMs
    done.value = 0
    total.value = all.value.length
    isOpen.value = true
  }
  function close() {
    isOpen.value = false
    range.clear()
  }
  function skip(step: number) {
    const list = all.value
    const now = current.value ? list.indexOf(current.value) : -1
    const next = list[(now + step + list.length) % Math.max(1, list.length)]
    if (next) atMs.value = next.startMs
  }

  /** What the person says the word is; the same word accepts it. */
  async function settle(text: string): Promise<string | null> {
    const word = current.value
    if (!word) return null
    const next = all.value[all.value.indexOf(word) + 1]
    const isRight = text === word.text
    const saved = await edits.edit(
      isRight
        ? { kind: 'accept', passageId: word.passageId, firstWord: word.word, wordCount: 1, expected: word.text }
        : {
            kind: 'replace',
            places: [{ passageId: word.passageId, firstWord: word.word, wordCount: 1, expected: word.text, text }],
          },
    )
    if (!saved) return null
    done.value++
    atMs.value = next?.startMs ?? 0
    return isRight ? null : word.text
  }

  function draw(passages: Passages | undefined) {
    const r = current.value ? passages?.range(current.value.passage, current.value.word, current.value.word) : null
    range.set(r ? [r] : [])
  }
  onBeforeUnmount(range.clear)
  return { isOpen, all, current, done, total, open, close, skip, settle, draw }
}

export type Doubts = ReturnType<typeof useDoubts>
