import { onUnmounted, ref, shallowRef, watch } from 'vue'
import type { Silence } from '@/api/client'
import { silenceAt } from './silences'

export const speeds = [0.5, 0.75, 1, 1.25, 1.5, 1.75, 2, 2.5, 3] as const
const speedKey = 'kostel.speed'

/** Plays one recording and says, while it plays, where it is: by animation frames, so that words keep up with the sound. */
export function usePlayer() {
  const element = shallowRef<HTMLMediaElement | null>(null)
  const timeMs = ref(0)
  /** How long the recording is by its own account; 0 until it says. */
  const lengthMs = ref(0)
  const isPlaying = ref(false)
  const problem = ref('')
  const speed = ref(Number(localStorage.getItem(speedKey)) || 1)
  let frame = 0
  let wanted: number | null = null
  let stopAtMs: number | null = null
  const loop = ref<{ startMs: number; endMs: number } | null>(null)
  /** Stretches to be passed over while playing; none as long as nobody asked for it. */
  const skipped = shallowRef<readonly Silence[]>([])
  /** Stretches in order outside of which nothing is played; none to play everything. */
  const only = shallowRef<readonly { startMs: number; endMs: number }[]>([])

  function tick() {
    const media = element.value
    if (!media) return
    timeMs.value = media.currentTime * 1000
    const silence = media.paused ? null : silenceAt(skipped.value, timeMs.value)
    if (silence) media.currentTime = silence.endMs / 1000
    if (only.value.length && !media.paused) keepTo(media)
    if (loop.value && timeMs.value >= loop.value.endMs) {
      media.currentTime = loop.value.startMs / 1000
    } else if (stopAtMs !== null && timeMs.value >= stopAtMs) {
      media.pause()
      stopAtMs = null
    }
    if (!media.paused) frame = requestAnimationFrame(tick)
  }

  /** Goes on to the next stretch where one ends; ends with the last. */
  function keepTo(media: HTMLMediaElement) {
    const now = media.currentTime * 1000
    const next = only.value.find((s) => now < s.endMs)
    if (!next) {
      media.pause()
      only.value = []
    } else if (now < next.startMs) media.currentTime = next.startMs / 1000
  }

  function attach(media: HTMLMediaElement | null) {
    element.value = media
    if (!media) return
    media.preservesPitch = true
    media.playbackRate = speed.value
    media.addEventListener('play', () => {
      isPlaying.value = true
      problem.value = ''
      tick()
    })
    media.addEventListener('pause', () => {
      isPlaying.value = false
      cancelAnimationFrame(frame)
      timeMs.value = media.currentTime * 1000
    })
    media.addEventListener('seeked', () => (timeMs.value = media.currentTime * 1000))
    media.addEventListener('loadedmetadata', () => {
      media.playbackRate = speed.value
      lengthMs.value = Number.isFinite(media.duration) ? Math.round(media.duration * 1000) : 0
      if (wanted !== null) media.currentTime = wanted / 1000
      wanted = null
    })
    media.addEventListener(
      'error',
      () => (problem.value = 'This browser cannot play the recording. The text is all here.'),
    )
  }

  function seek(ms: number) {
    const media = element.value
    stopAtMs = null
    loop.value = null
    timeMs.value = Math.max(0, ms)
    // Whoever goes elsewhere has done with the plan.
    if (!only.value.some((s) => ms >= s.startMs && ms < s.endMs)) only.value = []
    if (media && media.readyState > 0) media.currentTime = timeMs.value / 1000
    else wanted = timeMs.value
  }

  async function play() {
    try {
      await element.value?.play()
    } catch {
      // The browser wants a click first, or the sound is not there: the button still says Play.
      isPlaying.value = false
    }
  }

  const pause = () => element.value?.pause()
  const toggle = () => (isPlaying.value ? pause() : void play())

  /** Plays from a moment, up to another one if given. */
  function playFrom(ms: number, untilMs?: number) {
    seek(ms)
    stopAtMs = untilMs ?? null
    void play()
  }

  /** Plays a span again and again until something else is played. */
  function playLoop(startMs: number, endMs: number) {
    seek(startMs)
    loop.value = { startMs, endMs }
    void play()
  }

  /** Ends the loop, or begins one over a span. */
  function toggleLoop(span: { startMs: number; endMs: number } | null) {
    if (loop.value) loop.value = null
    else if (span) playLoop(span.startMs, span.endMs)
  }

  function changeSpeed(steps: number) {
    const at = speeds.findIndex((s) => s >= speed.value)
    speed.value = speeds[Math.min(speeds.length - 1, Math.max(0, at + steps))] ?? 1
  }

  watch(speed, (s) => {
    localStorage.setItem(speedKey, String(s))
    if (element.value) element.value.playbackRate = s
  })
  onUnmounted(() => {
    cancelAnimationFrame(frame)
    pause()
  })

  return {
    element,
    timeMs,
    lengthMs,
    isPlaying,
    problem,
    speed,
    loop,
    skipped,
    only,
    attach,
    seek,
    play,
    pause,
    toggle,
    playFrom,
    playLoop,
    toggleLoop,
    changeSpeed,
  }
}

export type Player = ReturnType<typeof usePlayer>
