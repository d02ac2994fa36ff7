import { computed, ref } from 'vue'
import { api, must, type Card, type Grade } from '@/api/client'

interface Graded {
  card: Card
  /** The state of its memory after the grade. */
  memoryVersion: number
  wasForgotten: boolean
}

/** A sitting: the cards that are due, one after the other. What was forgotten comes once more before the sitting ends, and a grade can be taken back. */
export function useSitting(lecture: () => string | undefined) {
  const cards = ref<Card[] | null>(null)
  const graded = ref<Graded[]>([])
  const card = computed(() => cards.value?.[0] ?? null)
  /** Cards that were gone through, each counted once. */
  const done = computed(() => new Set(graded.value.map((g) => g.card.id)).size)
  const forgotten = computed(() => new Set(graded.value.filter((g) => g.wasForgotten).map((g) => g.card.id)).size)
  /** Whether the card that is shown was forgotten in this sitting already. */
  const isOnceMore = computed(() => graded.value.some((g) => g.card.id === card.value?.id))

  async function load() {
    cards.value = await must(api.GET('/api/review', { params: { query: { lecture: lecture() } } }))
  }

  /** Grades the card that is shown, and says in how many days it comes back; 0 for in this sitting. */
  async function give(grade: Grade): Promise<number> {
    const now = card.value
    if (!now) return 0
    const result = await must(
      api.POST('/api/cards/{cardId}/reviews', {
        params: { path: { cardId: now.id } },
        body: { grade, memoryVersion: now.memoryVersion },
      }),
    )
    const rest = cards.value?.slice(1) ?? []
    const later = { ...now, memoryVersion: result.memoryVersion, dueAt: result.dueAt, isNew: false }
    graded.value.push({ card: now, memoryVersion: result.memoryVersion, wasForgotten: grade === 'forgot' })
    cards.value = grade === 'forgot' ? [...rest, later] : rest
    return result.inDays
  }

  /** Takes the last grade back: its card is shown again as it stood before. */
  async function takeBack() {
    const last = graded.value.at(-1)
    if (!last) return
    const { memoryVersion } = await must(
      api.POST('/api/cards/{cardId}/reviews/undo', {
        params: { path: { cardId: last.card.id } },
        body: { memoryVersion: last.memoryVersion },
      }),
    )
    graded.value.pop()
    cards.value = [{ ...last.card, memoryVersion }, ...(cards.value ?? []).filter((c) => c.id !== last.card.id)]
  }

  return {
    cards,
    card,
    done,
    forgotten,
    isOnceMore,
    canTakeBack: computed(() => graded.value.length > 0),
    load,
    give,
    takeBack,
  }
}
