import { useThrottleFn } from '@vueuse/core'
import { computed, onScopeDispose, ref, shallowRef, watch, type Ref } from 'vue'
import { api, hasCode, must, says, type Lecture, type Transcript } from '@/api/client'
import { screenShown } from '@/shared/idle'
import { useLatest } from '@/shared/useLatest'
import { useLive } from '@/shared/live'

/** A lecture with its transcript, kept fresh while words are still being recognised. */
export function useLecture(id: Ref<string>, lengthMs: Ref<number>) {
  const live = useLive()
  const lecture = ref<Lecture | null>(null)
  // Thousands of words: replaced as a whole, never watched one by one.
  const transcript = shallowRef<Transcript | null>(null)
  const problem = ref('')
  const isGone = ref(false)
  const path = () => ({ params: { path: { id: id.value } } })

  const [latestText, latestFacts] = [useLatest(), useLatest()]
  const loadTranscript = () =>
    latestText(
      () => must(api.GET('/api/lectures/{id}/transcript', path())),
      (text) => (transcript.value = text),
    )
  const loadFacts = () =>
    latestFacts(
      () => must(api.GET('/api/lectures/{id}', path())),
      (facts) => (lecture.value = facts),
    )

  async function load() {
    const asked = id.value
    problem.value = ''
    isGone.value = false
    try {
      await Promise.all([loadTranscript(), loadFacts()])
      if (asked !== id.value) return
      document.title = `${lecture.value?.title ?? ''} · Kostel`
      void screenShown.then(() => api.POST('/api/lectures/{id}/opened', path())).catch(() => undefined)
    } catch (e) {
      problem.value = says(e)
      isGone.value = hasCode(e, 'not-there')
    }
  }

  /** Another window may have changed more than the words: the length, the notice, the chapters' count. */
  const renew = async () => void (await Promise.all([loadTranscript(), loadFacts()]))

  const refresh = useThrottleFn(() => loadTranscript().catch(() => undefined), 1500, true, true)
  const stop = live.listen((report) => {
    if (report.lectureId !== id.value || !lecture.value) return
    if (report.state === 'done') void load()
    else {
      lecture.value = { ...lecture.value, progress: report }
      if (report.wordCount > 0) void refresh()
    }
  })
  onScopeDispose(stop)
  watch(id, load, { immediate: true })

  const durationMs = computed(() =>
    // What plays counts where nothing was recognised, as in a recording that could not be transcribed.
    Math.max(lecture.value?.durationMs || lengthMs.value, transcript.value?.passages.at(-1)?.endMs ?? 0, 1),
  )
  return { lecture, transcript, problem, isGone, durationMs, load, renew }
}
