import { describe, expect, it, vi } from 'vitest'
import { nextTick, ref } from 'vue'
import { inComponent } from '@/testing/inComponent'
import { useLaidOut } from './useLaidOut'

describe('laying out a long text', () => {
  it('begins with its beginning, comes to what is wanted at once and to the rest in its time', async () => {
    vi.useFakeTimers()
    const drawn = vi.fn()
    const [page, end] = inComponent(() => useLaidOut(() => 500, drawn))
    expect([0, 5, 6, 300].map(page.isReady)).toEqual([true, true, false, false])
    expect(page.want(300)).toBe(true)
    expect([290, 310, 400].map(page.isReady)).toEqual([true, true, false])
    await vi.advanceTimersByTimeAsync(5000)
    expect([page.isWhole(), page.isReady(499)]).toEqual([true, true])
    await nextTick()
    expect(drawn).toHaveBeenCalledOnce()
    end()
    vi.useRealTimers()
  })

  it('goes on when words come in later', async () => {
    vi.useFakeTimers()
    const count = ref(3)
    const [page, end] = inComponent(() => useLaidOut(() => count.value, vi.fn()))
    await vi.advanceTimersByTimeAsync(1000)
    count.value = 60
    await nextTick()
    await vi.advanceTimersByTimeAsync(1000)
    expect(page.isReady(59)).toBe(true)
    end()
    vi.useRealTimers()
  })
})
