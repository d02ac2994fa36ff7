import { expect, test, vi } from 'vitest'
import type { RecordingText } from '@/api/client'
import { pieceSender, type Kept } from './pieceSender'
import type { Piece } from './pieceStore'

const sound = (n: number) => new Int16Array([n]).buffer
const text = (nextPiece: number): RecordingText => ({
  nextPiece,
  atMs: 0,
  words: [],
  tentative: [],
  problem: null,
  echoes: false,
})

/** A server that takes pieces in their order, and is away or out of order when it is told to. */
function server(trouble: (call: number, number: number) => Response | 'away' | 'unheard' | null = () => null) {
  const taken: number[] = []
  let calls = 0
  const send = vi.fn((address: unknown) => {
    const number = Number(/pieces\/(\d+)/.exec(String(address))![1])
    const now = trouble(calls++, number)
    if (now === 'away') return Promise.reject(new TypeError('away'))
    if (now instanceof Response) return Promise.resolve(now)
    if (number === taken.length) taken.push(number)
    // It took the piece, and its answer was lost.
    if (now === 'unheard') return Promise.reject(new TypeError('away'))
    return Promise.resolve(new Response(JSON.stringify(text(taken.length))))
  })
  return { taken, send: send as unknown as typeof fetch }
}

function store(there: Piece[] = []) {
  const pieces = [...there]
  const kept: Kept = {
    keep: (p) => Promise.resolve(void pieces.push(p)),
    all: () => Promise.resolve([...pieces]),
    drop: (_, before) =>
      Promise.resolve(void pieces.splice(0, pieces.length, ...pieces.filter((p) => p.number >= before))),
  }
  return { pieces, kept }
}
const hears = () => ({ answered: vi.fn(), waits: vi.fn(), refused: vi.fn() })

test('pieces arrive in their order, and what has arrived is not kept any longer', async () => {
  const [at, left, told] = [server(), store(), hears()]
  const sender = pieceSender('r', 't', 0, () => 0, left.kept, told, at.send)
  for (const n of [0, 1, 2]) await sender.add(sound(n))
  await sender.settled()
  expect([at.taken, left.pieces, sender.waiting()]).toEqual([[0, 1, 2], [], 0])
})

test('where nothing was kept before, what comes then is sent', async () => {
  const [at, left, told] = [server(), store(), hears()]
  const sender = pieceSender('r', 't', 0, () => 0, left.kept, told, at.send)
  await sender.resume()
  await sender.add(sound(0))
  await sender.settled()
  expect(at.taken).toEqual([0])
})

test('while the network is away they wait, and an answer that was lost doubles nothing', async () => {
  vi.useFakeTimers()
  const at = server((call) => (call === 1 ? 'away' : call === 2 ? 'unheard' : null))
  const [left, told] = [store(), hears()]
  const sender = pieceSender('r', 't', 0, () => 0, left.kept, told, at.send)
  for (const n of [0, 1, 2]) await sender.add(sound(n))
  await vi.runAllTimersAsync()
  await sender.settled()
  vi.useRealTimers()
  expect([at.taken, left.pieces]).toEqual([[0, 1, 2], []])
  expect(told.waits).toHaveBeenCalledTimes(2)
})

test('after a reload what was kept is sent first, and numbers go on behind it', async () => {
  const earlier = [3, 4].map((number) => ({ recording: 'r', number, samples: sound(number) }))
  const [left, told] = [store([{ recording: 'r', number: 2, samples: sound(2) }, ...earlier]), hears()]
  const numbers: number[] = []
  const send = ((address: string) => {
    const number = Number(/pieces\/(\d+)/.exec(address)![1])
    numbers.push(number)
    return Promise.resolve(new Response(JSON.stringify(text(number + 1))))
  }) as unknown as typeof fetch
  const sender = pieceSender('r', 't', 3, () => 0, left.kept, told, send)
  await sender.resume()
  await sender.add(sound(5))
  await sender.settled()
  expect(numbers).toEqual([3, 4, 5])
})

test('where the server is further back than it once said, what is left follows on there', async () => {
  const [at, left, told] = [server(), store(), hears()]
  const sender = pieceSender('r', 't', 5, () => 0, left.kept, told, at.send)
  for (const n of [5, 6]) await sender.add(sound(n))
  await sender.settled()
  expect([at.taken, left.pieces, sender.waiting()]).toEqual([[0, 1], [], 0])
})

test('where another window goes on, nothing more is sent and it is said', async () => {
  const refusal = () =>
    new Response(JSON.stringify({ detail: 'This recording goes on in another window.' }), { status: 409 })
  const [at, left, told] = [server(() => refusal()), store(), hears()]
  const sender = pieceSender('r', 't', 0, () => 0, left.kept, told, at.send)
  await sender.add(sound(0))
  await sender.settled()
  expect(told.refused).toHaveBeenCalledWith('This recording goes on in another window.')
  expect(left.pieces).toHaveLength(1)
})
