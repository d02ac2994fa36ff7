import { nextTick, watch, type WatchSource } from 'vue'
import type { Passages } from '@/page/usePassages'

interface Drawn {
  draw: (passages: Passages | undefined) => void
  hits?: WatchSource
  hit?: WatchSource
  current?: WatchSource
}

/** What is drawn over the text follows every change of the text and of itself. */
export function useDrawing(passages: () => Passages | undefined, text: WatchSource[], drawn: Drawn[]) {
  const own = drawn.flatMap((d) => [d.hits, d.hit, d.current]).filter((source) => source !== undefined)
  async function draw() {
    await nextTick()
    for (const d of drawn) d.draw(passages())
  }
  watch([...text, ...own], draw)
  return draw
}
