import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { api } from '@/api/client'
import { useNotice } from '@/shared/notice'
import { inComponent } from '@/testing/inComponent'
import { useThreads } from './useThreads'

beforeEach(() => setActivePinia(createPinia()))
afterEach(() => vi.restoreAllMocks())
const ok = (data: unknown) => Promise.resolve({ data, response: new Response() }) as never
const thread = (id: number, title = `Thread ${id}`) => ({ id, title, isNamed: false, questionCount: 1, changedAt: '' })
const question = (id: number) => ({ id, text: `Question ${id}`, askedAt: '', answer: {}, written: null })

test('a question begins a thread, and the next one goes on in it', async () => {
  const [threads, end] = inComponent(() => useThreads({ course: 'Tides' }))
  const post = vi.spyOn(api, 'POST').mockImplementation(() => ok({ thread: thread(1), question: question(1) }))
  await threads.ask('Why?')
  post.mockImplementation(() => ok({ thread: thread(1), question: question(2) }))
  await threads.ask('And at neaps?', { compares: true })
  expect(threads.questions.value.map((q) => q.id)).toEqual([1, 2])
  expect(threads.threads.value.map((t) => t.id)).toEqual([1])
  const bodies = post.mock.calls.map((c) => (c as unknown as [string, { body: unknown }])[1].body)
  expect(bodies).toMatchObject([
    { text: 'Why?', course: 'Tides', thread: undefined, compares: false },
    { text: 'And at neaps?', thread: 1, compares: true },
  ])
  end()
})

test('while one is answered another is not asked', async () => {
  const [threads, end] = inComponent(() => useThreads({}))
  vi.spyOn(api, 'POST').mockImplementation(() => ok({ thread: thread(1), question: question(1) }))
  const first = threads.ask('Why?')
  expect(await threads.ask('How?')).toBe(false)
  expect(await first).toBe(true)
  end()
})

test('a deleted thread is closed, and comes back by Undo', async () => {
  const [threads, end] = inComponent(() => useThreads({ lecture: 'seas' }))
  vi.spyOn(api, 'GET').mockImplementation(((path: string) =>
    path === '/api/threads' ? ok([thread(3)]) : ok({ thread: thread(3), questions: [question(1)] })) as never)
  vi.spyOn(api, 'DELETE').mockImplementation(() => ok(undefined))
  const restored = vi.spyOn(api, 'POST').mockImplementation(() => ok(undefined))
  await threads.load()
  await threads.open(3)
  await threads.remove(threads.thread.value!)
  expect([threads.thread.value, threads.threads.value]).toEqual([null, []])
  useNotice().current?.undo?.()
  await vi.waitFor(() => expect(threads.thread.value?.id).toBe(3))
  expect(restored).toHaveBeenCalledOnce()
  end()
})
