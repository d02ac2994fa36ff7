import { computed, ref, watch, type Ref } from 'vue'
import { api, must, type Silence, type Transcript } from '@/api/client'
import { indexAt } from '@/shared/time'
import { useLatest } from '@/shared/useLatest'
import type { Player } from './player'
import { savedMs } from './silences'

/** Moving through a lecture by what is said, and passing over what is not. */
export function useListening(
  id: Ref<string>,
  transcript: Ref<Transcript | null>,
  player: Player,
  skips: Ref<boolean>,
  bring: (ms: number) => void,
) {
  const latest = useLatest()
  const silences = ref<Silence[] | null>(null)
  const starts = computed(() => ({
    sentence: transcript.value?.passages.flatMap((p) => p.sentenceStartsMs) ?? [],
    passage: transcript.value?.passages.map((p) => p.startMs) ?? [],
    chapter: transcript.value?.chapters.map((c) => c.startMs) ?? [],
  }))

  function take(found: Silence[]) {
    silences.value = found
    player.skipped.value = skips.value ? found : []
  }

  /** Goes a sentence, passage or chapter on, or back to the beginning of this one and then before it. */
  function jump(by: keyof typeof starts.value, step: number) {
    const list = starts.value[by]
    const now = indexAt(list, player.timeMs.value)
    const isWellIn = player.timeMs.value - (list[now] ?? 0) > 1200
    const to = list[Math.max(0, step < 0 && isWellIn ? now : now + step)]
    if (to === undefined) return
    player.seek(to)
    bring(to)
  }

  watch(
    [skips, () => transcript.value?.state.version, id],
    async ([on]) => {
      if (!on) player.skipped.value = []
      else {
        await latest(
          () => must(api.GET('/api/lectures/{id}/silences', { params: { path: { id: id.value } } })),
          take,
          () => take([]),
        )
      }
    },
    { immediate: true },
  )
  return { jump, saved: computed(() => (silences.value ? savedMs(silences.value) : null)) }
}
