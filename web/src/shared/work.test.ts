import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { api, type Progress } from '@/api/client'
import { useWork } from './work'

const report = (lectureId: string, state: Progress['state']) => ({ lectureId, state, fraction: 0.5 }) as Progress
const today = (dueCount: number, working: Progress[]) => ({
  data: { dueCount, working: working.map((work) => ({ id: work.lectureId, work })) },
  response: new Response(),
})
const answers = (answer: unknown) => vi.spyOn(api, 'GET').mockResolvedValue(answer as never)

beforeEach(() => setActivePinia(createPinia()))
afterEach(() => vi.restoreAllMocks())

test('while nothing is pushed, what is at work and what is due is asked for', async () => {
  answers(today(7, [report('seas', 'running')]))
  const work = useWork()
  const heard = vi.fn()
  work.listen(heard)
  await work.refresh()
  expect([work.dueCount, work.isReachable, work.reports.get('seas')?.state]).toEqual([7, true, 'running'])
  expect(heard).toHaveBeenCalledOnce()
})

test('what was at work and is no more has ended', async () => {
  const work = useWork()
  answers(today(0, [report('seas', 'running'), report('soil', 'failed')]))
  await work.refresh()
  answers(today(0, [report('soil', 'failed')]))
  await work.refresh()
  expect(work.reports.get('seas')).toMatchObject({ state: 'done', fraction: 1 })
  expect(work.reports.get('soil')?.state).toBe('failed')
})

test('a server that does not answer is noticed, and so is that it is back', async () => {
  const work = useWork()
  vi.spyOn(api, 'GET').mockRejectedValue(new Error('offline'))
  await work.refresh()
  expect(work.isReachable).toBe(false)
  answers(today(1, []))
  await work.refresh()
  expect(work.isReachable).toBe(true)
})

test('who no longer listens hears nothing', async () => {
  answers(today(0, [report('seas', 'running')]))
  const work = useWork()
  const heard = vi.fn()
  work.listen(heard)()
  await work.refresh()
  expect(heard).not.toHaveBeenCalled()
})
