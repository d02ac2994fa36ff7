import { watch, type Ref } from 'vue'
import type { Edit, Transcript } from '@/api/client'
import { useNotice } from '@/shared/notice'
import { forgetTyped, typedBefore } from '@/page/typedWords'

/** Stores words that were typed in this tab before it was reloaded, and says so; what reads otherwise by now becomes a conflict, with both wordings. */
export function useTypedBefore(
  id: Ref<string>,
  transcript: Ref<Transcript | null>,
  edit: (wanted: Edit) => Promise<boolean>,
) {
  const notice = useNotice()
  watch(
    () => [id.value, Boolean(transcript.value?.isWhole)] as const,
    async ([lectureId, isThere]) => {
      if (!isThere) return
      for (const words of typedBefore(lectureId)) {
        const now = transcript.value?.passages.find((p) => p.id === words.passageId)?.text
        // Its last words were sent as the page went.
        const isStored = now === words.text
        if (!isStored && (await edit({ kind: 'rewrite', ...words })))
          notice.tell('What you typed last was not saved yet. It is now.')
        forgetTyped(lectureId, words.passageId)
      }
    },
    { immediate: true },
  )
}
