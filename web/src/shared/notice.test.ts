import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { useNotice } from './notice'

const said = () => useNotice().current?.text

describe('a notice', () => {
  beforeEach(() => {
    vi.useFakeTimers()
    setActivePinia(createPinia())
  })
  afterEach(() => vi.useRealTimers())

  it('of something done waits until a problem could be read', () => {
    const notice = useNotice()
    notice.fail(new Error('This is no picture.'))
    notice.tell('The other picture stands at this time.')
    expect(said()).toBe('This is no picture.')
    vi.advanceTimersByTime(4000)
    expect(said()).toBe('The other picture stands at this time.')
  })

  it('of a problem is said at once and drops what waited', () => {
    const notice = useNotice()
    notice.fail(new Error('One.'))
    notice.tell('Done.')
    notice.fail(new Error('Two.'))
    vi.advanceTimersByTime(10_000)
    expect(said()).toBe('Two.')
  })

  it('of something done replaces another, and a problem that was closed', () => {
    const notice = useNotice()
    notice.tell('Marked.')
    notice.tell('Kept.')
    expect(said()).toBe('Kept.')
    notice.fail(new Error('One.'))
    notice.current = null
    notice.tell('Done.')
    expect(said()).toBe('Done.')
  })
})
