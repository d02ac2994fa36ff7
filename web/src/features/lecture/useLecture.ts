import { useThrottleFn } from '@vueuse/core'
import { computed, onUnmounted, ref, shallowRef, watch, type Ref } from 'vue'
import { api, must, Problem, says, type Lecture, type Transcript } from '@/api/client'
import { screenShown } from '@/shared/idle'
import { useWork } from '@/shared/work'

/** A lecture with its transcript, kept fresh while words are still being recognised. */
export function useLecture(id: Ref<string>, lengthMs: Ref<number>) {
  const work = useWork()
  const lecture = ref<Lecture | null>(null)
  // Thousands of words: replaced as a whole, never watched one by one.
  const transcript = shallowRef<Transcript | null>(null)
  const peaks = ref<Uint8Array>(new Uint8Array())
  const problem = ref('')
  const isGone = ref(false)
  const path = () => ({ params: { path: { id: id.value } } })

  async function loadTranscript() {
    transcript.value = await must(api.GET('/api/lectures/{id}/transcript', path()))
  }

  async function loadPeaks() {
    const answer = await fetch(`/api/lectures/${id.value}/peaks`)
    if (answer.ok) peaks.value = new Uint8Array(await answer.arrayBuffer())
  }

  async function load() {
    problem.value = ''
    isGone.value = false
    try {
      const text = loadTranscript()
      text.catch(() => undefined)
      lecture.value = await must(api.GET('/api/lectures/{id}', path()))
      await text
      document.title = `${lecture.value.title} · Kostel`
      void screenShown.then(() => api.POST('/api/lectures/{id}/opened', path())).catch(() => undefined)
      void loadPeaks().catch(() => undefined)
    } catch (e) {
      problem.value = says(e)
      isGone.value = e instanceof Problem && e.status === 404
    }
  }

  /** Another window may have changed more than the words: the length, the notice, the chapters' count. */
  async function renew() {
    await loadTranscript()
    lecture.value = await must(api.GET('/api/lectures/{id}', path()))
  }

  const refresh = useThrottleFn(() => loadTranscript().catch(() => undefined), 1500, true, true)
  const stop = work.listen((report) => {
    if (report.lectureId !== id.value || !lecture.value) return
    if (report.state === 'done') void load()
    else {
      lecture.value = { ...lecture.value, work: report }
      if (report.wordCount > 0) void refresh()
    }
  })
  const stopTexts = work.listenTexts((change) => {
    if (change.lectureId !== id.value || change.version === transcript.value?.state.version) return
    // Our own edits come back here too, a moment before their answer.
    setTimeout(() => {
      if (change.version > (transcript.value?.state.version ?? 0)) void renew().catch(() => undefined)
    }, 250)
  })
  onUnmounted(() => {
    stop()
    stopTexts()
  })
  watch(id, load, { immediate: true })

  const durationMs = computed(() =>
    // What plays counts where nothing was recognised, as in a recording that could not be transcribed.
    Math.max(lecture.value?.durationMs || lengthMs.value, transcript.value?.passages.at(-1)?.endMs ?? 0, 1),
  )
  return { lecture, transcript, peaks, problem, isGone, durationMs, load, loadTranscript }
}
