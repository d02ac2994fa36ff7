import { api, must, type WrittenPiece } from '@/api/client'
import { useWriterStream } from '@/features/writing/useWriterStream'

/** How an answer is to be written. */
export interface WritingWish {
  instructions: string | null
  allowsOutside: boolean
}

/** Lets the person's own model write of a question. */
export const useWriting = (questionId: () => number) =>
  useWriterStream({
    preview: (wish: WritingWish) =>
      must(
        api.POST('/api/questions/{question}/written/preview', {
          params: { path: { question: questionId() } },
          body: { ...wish, wasShown: false },
        }),
      ),
    address: () => `/api/questions/${questionId()}/written`,
    whole: (piece: WrittenPiece) => piece.written,
  })
