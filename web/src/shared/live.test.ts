import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { api, type Progress } from '@/api/client'
import { useLive } from './live'

const report = (lectureId: string, state: Progress['state']) => ({ lectureId, state, fraction: 0.5 }) as Progress
const today = (dueCount: number, working: Progress[]) => ({
  data: { dueCount, working: working.map((progress) => ({ id: progress.lectureId, progress })) },
  response: new Response(),
})
const answers = (answer: unknown) => vi.spyOn(api, 'GET').mockResolvedValue(answer as never)

beforeEach(() => setActivePinia(createPinia()))
afterEach(() => vi.restoreAllMocks())

test('while nothing is pushed, what is at work and what is due is asked for', async () => {
  answers(today(7, [report('seas', 'running')]))
  const live = useLive()
  const heard = vi.fn()
  live.listen(heard)
  await live.refresh()
  expect([live.dueCount, live.isReachable, live.reports.get('seas')?.state]).toEqual([7, true, 'running'])
  expect(heard).toHaveBeenCalledOnce()
})

test('what was at work and is no more has ended', async () => {
  const live = useLive()
  answers(today(0, [report('seas', 'running'), report('soil', 'failed')]))
  await live.refresh()
  answers(today(0, [report('soil', 'failed')]))
  await live.refresh()
  expect(live.reports.get('seas')).toMatchObject({ state: 'done', fraction: 1 })
  expect(live.reports.get('soil')?.state).toBe('failed')
})

test('a server that does not answer is noticed, and so is that it is back', async () => {
  const live = useLive()
  vi.spyOn(api, 'GET').mockRejectedValue(new Error('offline'))
  await live.refresh()
  expect(live.isReachable).toBe(false)
  answers(today(1, []))
  await live.refresh()
  expect(live.isReachable).toBe(true)
})

test('who no longer listens hears nothing', async () => {
  answers(today(0, [report('seas', 'running')]))
  const live = useLive()
  const heard = vi.fn()
  live.listen(heard)()
  await live.refresh()
  expect(heard).not.toHaveBeenCalled()
})
