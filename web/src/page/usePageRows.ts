import { computed } from 'vue'
import type { Passage, Transcript } from '@/api/client'
import { indexAt } from '@/shared/time'

/** A passage on the page, or the gap that passages leave which are not laid out yet. */
export interface PageRow {
  key: string
  /** Its height where it is a gap; 0 for a passage. */
  gap: number
  passage: Passage
  index: number
  /** Who speaks, where that is another than before. */
  speaker: string | null
  isQuestion: boolean
}

/** Passages under their chapters; one nameless chapter while there are none yet. Those that are not laid out yet are one gap. */
export function usePageRows(
  transcript: () => Transcript,
  isReady: (index: number) => boolean,
  heightOf: (passage: Passage) => number,
) {
  const starts = computed(() => transcript().passages.map((p) => p.startMs))
  const names = computed(() => new Map(transcript().speakers.map((s) => [s.id, s])))
  const firstFrom = (ms: number) => indexAt(starts.value, ms - 1) + 1

  function rowsOf(from: number, to: number) {
    const { passages, speakers } = transcript()
    const rows: PageRow[] = []
    for (let index = from; index < to; index++) {
      const passage = passages[index]
      if (!passage) break
      const last = rows.at(-1)
      if (!isReady(index)) {
        const gap = heightOf(passage)
        if (last?.gap) last.gap += gap
        else rows.push({ key: `gap ${passage.id}`, gap, passage, index, speaker: null, isQuestion: false })
        continue
      }
      const speaker = speakers.length > 1 ? names.value.get(passage.speakerId) : undefined
      const isNew = passage.speakerId !== passages[index - 1]?.speakerId
      const row = { key: passage.id, gap: 0, passage, index, isQuestion: speaker?.asks === true }
      rows.push({ ...row, speaker: isNew ? (speaker?.name ?? null) : null })
    }
    return rows
  }

  return computed(() => {
    const { chapters, passages } = transcript()
    return chapters.length === 0
      ? [{ chapter: null, rows: rowsOf(0, passages.length) }]
      : chapters.map((chapter) => ({
          chapter,
          rows: rowsOf(firstFrom(chapter.startMs), firstFrom(chapter.endMs)),
        }))
  })
}
