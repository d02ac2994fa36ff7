import { afterEach, expect, test, vi } from 'vitest'
import { api, type Card } from '@/api/client'
import { useSitting } from './useSitting'

const card = (id: number) => ({ id, version: 1, memoryVersion: 1, front: `Card ${id}` }) as unknown as Card
const answer = (data: unknown) => ({ data, response: new Response(null, { status: 200 }) })

/** A server that counts versions on and brings forgotten cards back soon. */
async function sitting(ids: number[]) {
  const versions = new Map(ids.map((id) => [id, 1]))
  vi.spyOn(api, 'GET').mockImplementation((async () => answer(ids.map(card))) as never)
  vi.spyOn(api, 'POST').mockImplementation((async (address: string, options: never) => {
    const { params, body } = options as {
      params: { path: { cardId: number } }
      body: { memoryVersion: number; grade?: string }
    }
    const id = params.path.cardId
    expect(body.memoryVersion).toBe(versions.get(id))
    versions.set(id, body.memoryVersion + 1)
    return answer({
      memoryVersion: body.memoryVersion + 1,
      inDays: address.endsWith('undo') || body.grade === 'forgot' ? 0 : 3,
    })
  }) as never)
  const made = useSitting(() => undefined)
  await made.load()
  return made
}
afterEach(() => vi.restoreAllMocks())

test('a forgotten card comes once more before the sitting ends, and the end counts it', async () => {
  const s = await sitting([1, 2])
  expect(await s.give('forgot')).toBe(0)
  expect(s.card.value?.id).toBe(2)
  expect(await s.give('recalled')).toBe(3)
  expect([s.card.value?.id, s.isOnceMore.value]).toEqual([1, true])
  await s.give('hardWon')
  expect([s.card.value, s.done.value, s.forgotten.value]).toEqual([null, 2, 1])
})

test('a grade is taken back, with what it left at the end of the sitting', async () => {
  const s = await sitting([1, 2])
  await s.give('forgot')
  await s.takeBack()
  expect(s.cards.value?.map((c) => c.id)).toEqual([1, 2])
  expect([s.done.value, s.canTakeBack.value, s.isOnceMore.value]).toEqual([0, false, false])
  await s.give('atOnce')
  expect(s.card.value?.id).toBe(2)
})
