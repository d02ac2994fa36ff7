import { onScopeDispose, ref, watch, type Ref } from 'vue'
import { api, type Plan } from '@/api/client'
import { useEventListener } from '@vueuse/core'

const tellEveryMs = 5_000

/** Plays the parts of a plan one after the other, over lectures, and remembers where it stopped. */
export function usePlanPlayer(plan: Ref<Plan | null>, speed: Ref<number>) {
  const sound = new Audio()
  sound.preservesPitch = true
  const part = ref(0)
  const atMs = ref(0)
  const isPlaying = ref(false)
  const problem = ref('')
  let told = 0
  let heardFrom: number | null = null

  const current = () => plan.value?.parts[part.value] ?? null

  function tell() {
    const id = plan.value?.id
    if (!id) return
    told = Date.now()
    void api
      .POST('/api/plans/{plan}/at', {
        params: { path: { plan: id } },
        body: { part: part.value, atMs: Math.round(atMs.value) },
        keepalive: true,
      })
      .catch(() => undefined)
  }

  /** What was heard of the lecture since the last time. */
  function tellHeard() {
    const now = current()
    if (now && heardFrom !== null && atMs.value > heardFrom) {
      void api
        .POST('/api/lectures/{id}/heard', {
          params: { path: { id: now.lectureId } },
          body: [{ startMs: Math.round(heardFrom), endMs: Math.round(atMs.value) }],
          keepalive: true,
        })
        .catch(() => undefined)
    }
    heardFrom = null
  }

  function load(index: number, ms?: number) {
    tellHeard()
    const to = plan.value?.parts[index]
    if (!to) return
    part.value = index
    atMs.value = ms !== undefined && ms > to.startMs && ms < to.endMs ? ms : to.startMs
    const address = `/api/lectures/${to.lectureId}/media`
    if (!sound.src.endsWith(address)) {
      sound.src = address
      sound.playbackRate = sound.defaultPlaybackRate = speed.value
    }
    sound.currentTime = atMs.value / 1000
  }

  async function play(index = part.value, ms?: number) {
    if (index !== part.value || ms !== undefined || !sound.src)
      load(index, ms ?? (index === part.value ? atMs.value : undefined))
    problem.value = ''
    try {
      await sound.play()
    } catch {
      isPlaying.value = false
    }
  }
  const pause = () => sound.pause()

  /** The next part that has sound; the end is the end. */
  function next() {
    const parts = plan.value?.parts ?? []
    const to = parts.findIndex((p, i) => i > part.value && p.hasSound)
    if (to > 0) void play(to)
    else {
      pause()
      load(0)
    }
    tell()
  }

  sound.addEventListener('timeupdate', () => {
    const now = current()
    if (!now || sound.seeking) return
    atMs.value = sound.currentTime * 1000
    if (atMs.value >= now.endMs) next()
    else if (Date.now() - told > tellEveryMs && !sound.paused) tell()
  })
  sound.addEventListener('play', () => {
    isPlaying.value = true
    heardFrom = atMs.value
  })
  sound.addEventListener('pause', () => {
    isPlaying.value = false
    tellHeard()
    tell()
  })
  sound.addEventListener('ended', next)
  sound.addEventListener('error', () => {
    isPlaying.value = false
    problem.value = 'This recording cannot be played here.'
  })
  watch(speed, (s) => (sound.playbackRate = sound.defaultPlaybackRate = s))
  watch(plan, (p, before) => {
    if (p && !before) {
      part.value = p.part
      const at = p.parts[p.part]
      atMs.value = at && p.atMs > at.startMs && p.atMs < at.endMs ? p.atMs : (at?.startMs ?? 0)
    }
  })
  useEventListener(window, 'pagehide', () => {
    tellHeard()
    tell()
  })
  onScopeDispose(() => {
    pause()
    sound.removeAttribute('src')
  })
  return { part, atMs, isPlaying, problem, play, pause, next }
}
