import { onScopeDispose, ref } from 'vue'

/** Plays one found place at a time, from where it begins to where it ends. */
export function usePlayedHit() {
  const sound = new Audio()
  const playing = ref<string | null>(null)
  let untilMs = 0

  sound.addEventListener('timeupdate', () => {
    if (sound.currentTime * 1000 >= untilMs) stop()
  })
  sound.addEventListener('ended', () => (playing.value = null))
  sound.addEventListener('error', () => (playing.value = null))

  function stop() {
    sound.pause()
    playing.value = null
  }

  /** Plays a place, or stops it where it is the one that plays. */
  async function toggle(lectureId: string, startMs: number, endMs: number) {
    const key = `${lectureId}-${startMs}`
    if (playing.value === key) {
      stop()
      return
    }
    const address = `/api/lectures/${lectureId}/media`
    if (!sound.src.endsWith(address)) sound.src = address
    sound.currentTime = startMs / 1000
    untilMs = endMs
    playing.value = key
    await sound.play().catch(stop)
  }

  onScopeDispose(stop)
  return { playing, toggle }
}
