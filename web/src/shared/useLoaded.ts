import { onMounted, ref, shallowRef } from 'vue'
import { says } from '@/api/client'
import { useLatest } from './useLatest'

/**
 * What a screen shows of the server: fetched when the screen comes, and whenever it is asked for. What was there stays while it is fetched
 * anew, and when that fails; answers that come late are dropped (`useLatest`).
 *
 * @param call Fetches it.
 * @param taken Is told of each that was taken.
 */
export function useLoaded<T>(call: () => Promise<T>, taken?: (value: T) => void) {
  const value = shallowRef<T | null>(null)
  const problem = ref('')
  const latest = useLatest()

  function take(now: T) {
    value.value = now
    problem.value = ''
    taken?.(now)
  }

  /** Fetches it anew. */
  const load = () => latest(call, take, (e) => (problem.value = says(e)))

  /** Does something whose answer is the newest of what is shown. */
  const change = (doing: () => Promise<T>) => latest(doing, take, (e) => (problem.value = says(e)))

  onMounted(load)
  return { value, problem, load, change }
}
