import { describe, expect, it, vi } from 'vitest'
import { inComponent } from '@/testing/inComponent'
import { useLatest } from './useLatest'

function later<T>() {
  let give!: (value: T) => void
  let refuse!: (e: unknown) => void
  const promise = new Promise<T>((done, fail) => ((give = done), (refuse = fail)))
  return { promise, give, refuse }
}

describe('calls of which the latest counts', () => {
  it('an answer that is overtaken is dropped', async () => {
    const [latest] = inComponent(() => useLatest())
    const [first, second] = [later<string>(), later<string>()]
    const taken: string[] = []
    const both = [
      latest(
        () => first.promise,
        (v) => taken.push(v),
      ),
      latest(
        () => second.promise,
        (v) => taken.push(v),
      ),
    ]
    second.give('new')
    first.give('old')
    await Promise.all(both)
    expect(taken).toEqual(['new'])
  })

  it('a problem that is overtaken is dropped, and one that is not is told', async () => {
    const [latest] = inComponent(() => useLatest())
    const [first, second] = [later<string>(), later<string>()]
    const fail = vi.fn()
    const both = [latest(() => first.promise, vi.fn(), fail), latest(() => second.promise, vi.fn(), fail)]
    first.refuse('old')
    second.refuse('new')
    await Promise.all(both)
    expect(fail.mock.calls).toEqual([['new']])
  })

  it('nothing is handed to a component that has gone', async () => {
    const [latest, end] = inComponent(() => useLatest())
    const call = later<string>()
    const take = vi.fn()
    const done = latest(() => call.promise, take)
    end()
    call.give('late')
    await done
    expect(take).not.toHaveBeenCalled()
  })
})
