import { afterEach, expect, test, vi } from 'vitest'
import { nextTick, ref } from 'vue'
import { api } from '@/api/client'
import { inComponent } from '@/testing/inComponent'
import { useStudy } from './useStudy'

const version = ref(1)
vi.mock('./useDesk', () => ({ useDesk: () => ({ lecture: ref({ id: 'seas' }), version }) }))
afterEach(() => vi.restoreAllMocks())
const settle = () => new Promise((done) => setTimeout(done))

test('cards that were made are shown, though the text changed while they were', async () => {
  let cards: string[] = []
  let answer: (() => void) | undefined
  const ok = (data: unknown) => ({ data, response: new Response() })
  vi.spyOn(api, 'GET').mockImplementation((async () => ok({ cards })) as never)
  vi.spyOn(api, 'POST').mockImplementation(
    (() =>
      new Promise((done) => {
        answer = () => {
          cards = ['made']
          done(ok({ cards }))
        }
      })) as never,
  )
  const [study, end] = inComponent(useStudy)
  await settle()
  const making = study.makeSummary({
    length: null,
    minutes: null,
    chapter: null,
    ofMarks: false,
    subject: null,
    marksFirst: false,
  })
  version.value++
  await nextTick()
  await settle()
  expect([study.study.value?.cards, study.isBusy.value]).toEqual([[], true])
  answer?.()
  await making
  expect([study.study.value?.cards, study.isBusy.value]).toEqual([['made'], false])
  end()
})
