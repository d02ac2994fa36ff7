import { useEventListener } from '@vueuse/core'
import { onScopeDispose, shallowRef, watch, type Ref } from 'vue'
import type { Stretch } from '@/api/client'
import { useLatest } from '@/shared/useLatest'
import type { Player } from './player'

/** A step of the clock that is longer was a jump, at the highest speed too. */
const longestStepMs = 1_500
const tellEveryMs = 10_000

/** Joins a stretch to others that are in order and apart. */
export function joined(all: readonly Stretch[], more: Stretch): Stretch[] {
  const touching = all.filter((s) => s.startMs <= more.endMs + longestStepMs && s.endMs >= more.startMs - longestStepMs)
  const rest = all.filter((s) => !touching.includes(s))
  const one = {
    startMs: Math.min(more.startMs, ...touching.map((s) => s.startMs)),
    endMs: Math.max(more.endMs, ...touching.map((s) => s.endMs)),
  }
  return [...rest, one].sort((a, b) => a.startMs - b.startMs)
}

/** Notes what is heard while it plays, and tells the server now and then; what was heard before is fetched. */
export function useHeard(id: Ref<string>, player: Player) {
  const heard = shallowRef<readonly Stretch[]>([])
  const latest = useLatest()
  let untold: Stretch[] = []
  let current: Stretch | null = null
  let told = Date.now()

  function tell(of: string) {
    if (current) untold = joined(untold, current)
    current = null
    told = Date.now()
    if (!untold.length) return
    const body = JSON.stringify(untold.map((s) => ({ startMs: Math.round(s.startMs), endMs: Math.round(s.endMs) })))
    untold = []
    // It arrives also when the page goes.
    void fetch(`/api/lectures/${of}/heard`, {
      method: 'POST',
      body,
      headers: { 'content-type': 'application/json' },
      keepalive: true,
    }).catch(() => undefined)
  }

  watch(player.timeMs, (now, before) => {
    if (!player.isPlaying.value || now <= before || now - before > longestStepMs) {
      if (current) untold = joined(untold, current)
      current = null
      return
    }
    current = current && current.endMs === before ? { ...current, endMs: now } : { startMs: before, endMs: now }
    if (Date.now() - told < tellEveryMs) return
    heard.value = joined(heard.value, current)
    tell(id.value)
  })
  watch(player.isPlaying, (plays) => {
    if (plays) return
    if (current) heard.value = joined(heard.value, current)
    tell(id.value)
  })
  watch(
    id,
    async (now, before) => {
      if (before) tell(before)
      heard.value = []
      await latest(
        () => fetch(`/api/lectures/${now}/heard`).then((r) => (r.ok ? (r.json() as Promise<Stretch[]>) : [])),
        (stretches) => (heard.value = stretches),
        () => undefined,
      )
    },
    { immediate: true },
  )
  useEventListener(window, 'pagehide', () => tell(id.value))
  onScopeDispose(() => tell(id.value))
  return heard
}
