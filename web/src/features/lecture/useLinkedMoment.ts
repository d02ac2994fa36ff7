import { computed, watch, type Ref } from 'vue'
import { useRoute } from 'vue-router'
import type { Transcript } from '@/api/client'

/** A link to a lecture at a second opens there: once for each link, and not again when the text changes. */
export function useLinkedMoment(transcript: Ref<Transcript | null>, open: (ms: number) => void) {
  const route = useRoute()
  const askedMs = computed(() => Math.round(Number(route.query.t ?? 0) * 1000))
  watch(
    [transcript, askedMs],
    ([t, ms], [earlier, before]) => {
      if (!t || !ms || Number.isNaN(ms) || (earlier && before === ms)) return
      open(ms)
    },
    { flush: 'post' },
  )
}
