import { useDebounceFn } from '@vueuse/core'
import { computed, ref, shallowRef, watch, type Ref } from 'vue'
import { api, must, says, type Plan, type Stretch } from '@/api/client'
import { useLatest } from '@/shared/useLatest'
import type { Player } from './player'

/** A part of the lecture that is to be listened to. */
export interface Wanted extends Stretch {
  title: string
}

const keyOf = (s: Stretch) => `${s.startMs}-${s.endMs}`
const measurePauseMs = 120

/** What of this lecture is to be listened to: chosen part by part, measured by the server (whole sentences), played in order. */
export function usePlanned(id: Ref<string>, player: Player, title: () => string) {
  const chosen = ref<Wanted[]>([])
  const measured = shallowRef<Plan | null>(null)
  const problem = ref('')
  const latest = useLatest()

  const has = (part: Stretch) => chosen.value.some((c) => keyOf(c) === keyOf(part))
  const add = (parts: readonly Wanted[]) =>
    (chosen.value = [...chosen.value, ...parts.filter((p) => !has(p))].sort((a, b) => a.startMs - b.startMs))
  const remove = (part: Stretch) => (chosen.value = chosen.value.filter((c) => keyOf(c) !== keyOf(part)))
  const toggle = (part: Wanted) => (has(part) ? remove(part) : void add([part]))
  const clear = () => (chosen.value = [])

  const body = () => ({ title: title(), parts: chosen.value.map((c) => ({ lectureId: id.value, ...c })) })
  const measure = useDebounceFn(async () => {
    if (!chosen.value.length) {
      measured.value = null
      return
    }
    await latest(
      () => must(api.POST('/api/plans/measure', { body: body() })),
      (plan) => {
        measured.value = plan
        problem.value = ''
      },
      (e) => (problem.value = says(e)),
    )
  }, measurePauseMs)
  watch(chosen, measure)
  watch(id, () => {
    clear()
    measured.value = null
    player.only.value = []
  })

  /** The chapters that carry most in the time one has. */
  async function propose(minutes: number, speed: number, withoutSilences: boolean) {
    await latest(
      () =>
        must(
          api.POST('/api/plans/propose', {
            body: { lectureIds: [id.value], budgetMs: Math.round(minutes * 60_000), speed, withoutSilences },
          }),
        ),
      (plan) => {
        problem.value = plan.parts.length ? '' : 'No chapter is as short as that. Give it more time, or play it faster.'
        chosen.value = plan.parts.map(({ startMs, endMs, title }) => ({ startMs, endMs, title }))
      },
      (e) => (problem.value = says(e)),
    )
  }

  /** Plays only this, from where the playhead stands if that is in it. */
  function play(parts: readonly Stretch[] = measured.value?.parts ?? []) {
    const first = parts[0]
    if (!first) return
    const now = player.timeMs.value
    const isInside = parts.some((p) => now >= p.startMs && now < p.endMs - 500)
    if (!isInside) player.seek(first.startMs)
    player.only.value = parts
    void player.play()
  }

  /** Keeps it, to go on with later or to take away. */
  const keep = () => must(api.POST('/api/plans', { body: body() }))
  return {
    chosen,
    measured,
    problem,
    has,
    add,
    remove,
    toggle,
    clear,
    propose,
    play,
    keep,
    isPlaying: computed(() => player.only.value.length > 0),
    stop: () => (player.only.value = []),
  }
}

export type Planned = ReturnType<typeof usePlanned>
