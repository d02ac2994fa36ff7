import { defineStore } from 'pinia'
import { ref } from 'vue'
import { says } from '@/api/client'

interface Notice {
  text: string
  isProblem: boolean
  undo?: () => void
}

/** One short line at the bottom: what was done, or what went wrong. */
export const useNotice = defineStore('notice', () => {
  const current = ref<Notice | null>(null)
  const tell = (text: string, undo?: () => void) => (current.value = { text, isProblem: false, undo })
  const fail = (e: unknown) => (current.value = { text: says(e), isProblem: true })

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
