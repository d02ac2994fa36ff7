import { ref } from 'vue'
import type { Player } from './player'

/** Hearing a place of the lecture, from the text or from what was made of it; and which place of the page that is. */
export function useSources(player: Player, bring: (ms: number) => void) {
  /** The place that was asked for from elsewhere, marked on the page until something else is heard. */
  const sourceMs = ref<number | null>(null)

  function hear(ms: number, untilMs?: number) {
    sourceMs.value = null
    player.playFrom(ms, untilMs)
  }
  return {
    sourceMs,
    hear,
    /** A click into a word: pauses what plays, plays what is paused. */
    hearWord: (ms: number) => (player.isPlaying.value ? player.pause() : hear(ms)),
    // A stopped recording stays stopped.
    point: (ms: number) => player.seek(ms),
    /** Plays a source and shows it on the page. */
    hearSource(ms: number) {
      sourceMs.value = ms
      player.playFrom(ms)
      bring(ms)
    },
    /** Shows a source on the page without playing it. */
    showSource(ms: number) {
      player.seek(ms)
      sourceMs.value = ms
      setTimeout(() => bring(ms), 60)
    },
  }
}
