import type { Ref } from 'vue'
import { api, must, type Transcript } from '@/api/client'
import type { Span } from '@/page/usePassages'
import { useNotice } from '@/shared/notice'
import { selectedCard } from './selectedCard'

/** Makes a card of what is selected, in one gesture; with what the video shows there, if wanted. */
export function useSelectedCard(id: Ref<string>, transcript: Ref<Transcript | null>) {
  const notice = useNotice()
  return async ({ quote, startMs, endMs }: Span, withPicture = false) => {
    const passage = transcript.value?.passages.find((p) => p.startMs <= startMs && p.endMs > startMs)
    const body = { ...selectedCard(quote, passage?.text ?? ''), startMs, endMs, withPicture }
    const call = api.POST('/api/lectures/{id}/cards/own', { params: { path: { id: id.value } }, body })
    const made = await notice.attempt(() => must(call))
    if (made) notice.tell(`A card, due today: ${made.front}`)
  }
}
