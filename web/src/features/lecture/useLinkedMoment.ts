import { computed, watch, type Ref } from 'vue'
import { useRoute } from 'vue-router'
import type { Transcript } from '@/api/client'

/** A link to a lecture at a second opens there: once for each link, and not again when the text changes.
 * Links have whole seconds: a passage that begins within this one is the one that is meant. */
export function useLinkedMoment(transcript: Ref<Transcript | null>, open: (ms: number) => void) {
  const route = useRoute()
  const askedMs = computed(() => Math.round(Number(route.query.t ?? 0) * 1000))
  watch(
    [transcript, askedMs],
    ([t, ms], [earlier, before]) => {
      if (!t || !ms || Number.isNaN(ms) || (earlier && before === ms)) return
      const meant = t.passages.find((p) => p.startMs >= ms && p.startMs < ms + 1000)
      open(meant?.startMs ?? ms)
    },
    { flush: 'post' },
  )
}
