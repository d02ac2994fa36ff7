import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick, ref } from 'vue'
import { inComponent } from '@/testing/inComponent'
import type { Player } from './player'
import { joined, useHeard } from './useHeard'

let told: { address: string; body: unknown }[] = []
beforeEach(() => {
  told = []
  vi.stubGlobal('fetch', (address: string, options?: { body: string }) => {
    if (options) told.push({ address, body: JSON.parse(options.body) })
    return Promise.resolve(new Response('[]'))
  })
})
afterEach(() => void vi.unstubAllGlobals())

const listening = () => {
  const player = { timeMs: ref(0), isPlaying: ref(false) }
  const [heard, end] = inComponent(() => useHeard(ref('seas'), player as unknown as Player))
  const play = async (...times: number[]) => {
    player.isPlaying.value = true
    for (const t of times) {
      player.timeMs.value = t
      await nextTick()
    }
    player.isPlaying.value = false
    await nextTick()
  }
  return { heard, end, play }
}

describe('what is heard', () => {
  it('is what was played and not what was passed over', async () => {
    const l = listening()
    await l.play(400, 800, 60_000, 60_500, 61_000)
    expect(l.heard.value).toContainEqual({ startMs: 60_000, endMs: 61_000 })
    expect(told.at(-1)).toEqual({
      address: '/api/lectures/seas/heard',
      body: [
        { startMs: 0, endMs: 800 },
        { startMs: 60_000, endMs: 61_000 },
      ],
    })
    l.end()
  })
  it('joins what touches', () =>
    expect(
      joined(
        [
          { startMs: 0, endMs: 10 },
          { startMs: 9_000, endMs: 9_500 },
        ],
        { startMs: 10, endMs: 8_000 },
      ),
    ).toEqual([{ startMs: 0, endMs: 9_500 }]))
})
