import { nextTick, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import type { Passage } from '@/api/client'
import { cancelIdle, whenIdle } from '@/shared/idle'

const first = 6
const around = 16
const each = 12
const lettersInLine = 62
const lineHeight = 1.6
const usualSize = 17

/** Lays a long text out bit by bit: what one looks at first, the rest while there is nothing else to do. Until then a passage is a gap of about its height. */
export function useLaidOut(count: () => number, drawn: () => void) {
  const upTo = ref(first)
  const centre = ref(-around - 1)
  let timer = 0

  const isReady = (index: number) => index < upTo.value || Math.abs(index - centre.value) <= around

  /** Lays out what is around a passage now; says whether that was still to be done. */
  function want(index: number): boolean {
    const isNew = !isReady(index) || !isReady(index + 3)
    if (isNew) centre.value = index
    return isNew
  }

  function more() {
    if (upTo.value < count()) {
      upTo.value += each
      timer = whenIdle(more, 200)
    } else void nextTick(drawn)
  }
  // Not before the first of it is seen.
  onMounted(() => requestAnimationFrame(() => (timer = whenIdle(more, 200))))
  // Words that are still being recognised come in later.
  watch(count, (now, before) => {
    if (now > before) timer = whenIdle(more, 200)
  })
  onBeforeUnmount(() => cancelIdle(timer))

  const heightOf = (p: Passage) => Math.ceil(p.text.length / lettersInLine) * usualSize * lineHeight + 13
  const isWhole = () => upTo.value >= count()
  return { isReady, want, heightOf, isWhole }
}
