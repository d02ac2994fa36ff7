import { ref } from 'vue'
import { api, must, type WrittenSheetPiece, type WrittenSheetWish } from '@/api/client'
import { useWriterStream } from '@/features/writing/useWriterStream'

/** What the person chooses; what they saw is said when it is sent. */
export type SheetWish = Omit<WrittenSheetWish, 'wasShown' | 'showsFirst'>

/** Lets the person's own model write a sheet of a lecture, chapter by chapter. */
export function useSheetWriting(lectureId: string) {
  const part = ref(0)
  const parts = ref(0)
  const writing = useWriterStream({
    preview: (wish: SheetWish) =>
      must(
        api.POST('/api/lectures/{id}/sheets/written/preview', {
          params: { path: { id: lectureId } },
          body: { ...wish, wasShown: false },
        }),
      ),
    address: () => `/api/lectures/${lectureId}/sheets/written`,
    whole: (piece: WrittenSheetPiece) => piece.sheet,
    each: (piece) => ([part.value, parts.value] = [piece.part || part.value, piece.parts || parts.value]),
  })
  return { ...writing, part, parts }
}
