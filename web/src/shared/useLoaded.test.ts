import { flushPromises, mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { defineComponent, h } from 'vue'
import { useLoaded } from './useLoaded'

/** A screen that loads by calls which the test answers in the order it likes. */
function screen() {
  const calls: { answer: (value: string) => void; fail: (problem: Error) => void }[] = []
  const taken: string[] = []
  let loaded!: ReturnType<typeof useLoaded<string>>
  const call = () => new Promise<string>((answer, fail) => calls.push({ answer, fail }))
  const wrapper = mount(
    defineComponent({
      setup() {
        loaded = useLoaded(call, (v) => taken.push(v))
        return () => h('p', loaded.value.value ?? loaded.problem.value)
      },
    }),
  )
  return { calls, taken, loaded, call, wrapper }
}

describe('what a screen loads', () => {
  it('is fetched when the screen comes', async () => {
    const s = screen()
    s.calls[0]!.answer('first')
    await flushPromises()
    expect(s.wrapper.text()).toBe('first')
    expect(s.taken).toEqual(['first'])
  })

  it('is the newest, whichever answer comes last', async () => {
    const s = screen()
    void s.loaded.load()
    s.calls[1]!.answer('new')
    s.calls[0]!.answer('old')
    await flushPromises()
    expect(s.wrapper.text()).toBe('new')
  })

  it('stays when fetching it anew fails, and says why until that works', async () => {
    const s = screen()
    s.calls[0]!.answer('there')
    await flushPromises()
    void s.loaded.load()
    s.calls[1]!.fail(new Error('The server is away.'))
    await flushPromises()
    expect(s.wrapper.text()).toBe('there')
    expect(s.loaded.problem.value).not.toBe('')
    void s.loaded.load()
    s.calls[2]!.answer('again there')
    await flushPromises()
    expect(s.loaded.problem.value).toBe('')
  })

  it('gives way to the answer of a change that was begun later', async () => {
    const s = screen()
    void s.loaded.change(() => Promise.resolve('changed'))
    await flushPromises()
    s.calls[0]!.answer('from before')
    await flushPromises()
    expect(s.wrapper.text()).toBe('changed')
  })
})
