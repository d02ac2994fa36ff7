import { computed, onScopeDispose, ref, watch, type Ref } from 'vue'
import { cancelIdle, whenIdle } from './idle'

const firstRows = 24
const more = 24
const latestMs = 60

/** A long list comes on the page bit by bit: what is seen first at once, the rest while there is nothing else to do. */
export function useBitByBit<T>(all: Ref<readonly T[]>) {
  const ready = ref(firstRows)
  let handle: number | null = null

  function grow() {
    handle = null
    if (ready.value >= all.value.length) return
    ready.value += more
    handle = whenIdle(grow, latestMs)
  }
  watch(
    all,
    () => {
      // What stood there stays: only what is new comes bit by bit.
      if (handle === null) handle = whenIdle(grow, latestMs)
    },
    { immediate: true },
  )
  onScopeDispose(() => handle !== null && cancelIdle(handle))
  return {
    shown: computed(() => all.value.slice(0, ready.value)),
    /** Another list: it comes bit by bit again. */
    again: () => {
      ready.value = firstRows
      if (handle === null) handle = whenIdle(grow, latestMs)
    },
  }
}
