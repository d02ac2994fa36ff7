import { onScopeDispose } from 'vue'

/**
 * Runs calls of which only the latest counts: an answer, or a problem, that comes after a newer call was begun or after the component
 * has gone is dropped.
 */
export function useLatest() {
  let turn = 0
  onScopeDispose(() => turn++)

  /** Calls, and hands on what comes back if it still counts. */
  async function latest<T>(call: () => Promise<T>, take: (value: T) => void, fail?: (problem: unknown) => void) {
    const mine = ++turn
    try {
      const value = await call()
      if (mine === turn) take(value)
    } catch (e) {
      if (mine !== turn) return
      if (!fail) throw e
      fail(e)
    }
  }
  return latest
}
