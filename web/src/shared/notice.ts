import { defineStore } from 'pinia'
import { ref } from 'vue'
import { says } from '@/api/client'

interface Notice {
  text: string
  isProblem: boolean
  undo?: () => void
}

/** How long a problem stands before anything else is said. */
const readingMs = 4000

/** One short line at the bottom: what was done, or what went wrong. */
export const useNotice = defineStore('notice', () => {
  const current = ref<Notice | null>(null)
  let problemAt = -Infinity
  let waiting: ReturnType<typeof setTimeout> | undefined

  /** Says what was done; after a problem that has only just been said, once that could be read. */
  function tell(text: string, undo?: () => void) {
    clearTimeout(waiting)
    const say = () => (current.value = { text, isProblem: false, undo })
    const left = problemAt + readingMs - performance.now()
    if (current.value?.isProblem && left > 0) waiting = setTimeout(say, left)
    else say()
  }

  function fail(e: unknown) {
    clearTimeout(waiting)
    problemAt = performance.now()
    current.value = { text: says(e), isProblem: true }
  }

  /** Does something and tells when it fails. */
  async function attempt<T>(work: () => Promise<T>): Promise<T | undefined> {
    try {
      return await work()
    } catch (e) {
      fail(e)
      return undefined
    }
  }
  return { current, tell, fail, attempt }
})
