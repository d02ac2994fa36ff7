import { useDebounceFn } from '@vueuse/core'
import { computed, reactive, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter, type LocationQuery } from 'vue-router'
import { api, must, says, type SearchKind, type SearchView } from '@/api/client'
import { useLatest } from '@/shared/useLatest'

/** What is looked for, and where. */
export interface Wanted {
  text: string
  course: string | null
  lecture: string | null
  speaker: string | null
  from: string
  to: string
  kind: KindChoice | null
}

/** Kinds of what can be found, as a person chooses among them. */
export const kindChoices = {
  said: { name: 'What was said', kinds: ['passage'] },
  titles: { name: 'Titles and chapters', kinds: ['title', 'chapter', 'course'] },
  marks: { name: 'Marks and notes', kinds: ['mark'] },
  cards: { name: 'Cards', kinds: ['card'] },
  summaries: { name: 'Summaries and sheets', kinds: ['summary', 'sheet'] },
  questions: { name: 'Questions asked', kinds: ['question', 'thread'] },
  terms: { name: 'Terms', kinds: ['term'] },
} as const satisfies Record<string, { name: string; kinds: SearchKind[] }>
export type KindChoice = keyof typeof kindChoices

const typingPauseMs = 70
const one = (query: LocationQuery, name: string) => (typeof query[name] === 'string' ? query[name] : '')
const isKind = (name: string): name is KindChoice => name in kindChoices

export const wantedOf = (query: LocationQuery): Wanted => ({
  text: one(query, 'q'),
  course: one(query, 'course') || null,
  lecture: one(query, 'lecture') || null,
  speaker: one(query, 'speaker') || null,
  from: one(query, 'from'),
  to: one(query, 'to'),
  kind: isKind(one(query, 'kind')) ? (one(query, 'kind') as KindChoice) : null,
})

/** The address of a search: it can be gone back to, and kept. */
export const addressOf = (w: Wanted) =>
  Object.fromEntries(
    Object.entries({
      q: w.text,
      course: w.course,
      lecture: w.lecture,
      speaker: w.speaker,
      from: w.from,
      to: w.to,
      kind: w.kind,
    }).filter(([, value]) => value),
  ) as Record<string, string>

/** Looks while one types: only the latest answer counts, and what was found stays until there is another. */
export function useSearch() {
  const route = useRoute()
  const router = useRouter()
  const wanted = reactive(wantedOf(route.query))
  const found = shallowRef<SearchView | null>(null)
  const problem = ref('')
  const latest = useLatest()

  async function find(isTyping: boolean) {
    if (!wanted.text.trim()) {
      await latest(
        () => Promise.resolve(null),
        () => (found.value = null),
      )
      return
    }
    const query = {
      text: wanted.text,
      course: wanted.course ?? undefined,
      lecture: wanted.lecture ?? undefined,
      speaker: wanted.speaker ?? undefined,
      from: wanted.from || undefined,
      to: wanted.to || undefined,
      kinds: wanted.kind ? [...kindChoices[wanted.kind].kinds] : undefined,
      typing: isTyping,
    }
    await latest(
      () => must(api.GET('/api/search', { params: { query } })),
      (answer) => {
        found.value = answer
        problem.value = ''
      },
      (e) => {
        problem.value = says(e)
      },
    )
  }

  const keep = useDebounceFn(() => router.replace({ name: 'search', query: addressOf(wanted) }), 400)
  const soon = useDebounceFn(() => find(true), typingPauseMs)
  watch(
    () => wanted.text,
    () => {
      void soon()
      void keep()
    },
  )
  watch(
    () => [wanted.course, wanted.lecture, wanted.speaker, wanted.from, wanted.to, wanted.kind],
    () => {
      void find(false)
      void keep()
    },
  )
  // Gone to with another search while the screen stands.
  watch(
    () => route.query,
    (query) => {
      if (route.name === 'search' && JSON.stringify(query) !== JSON.stringify(addressOf(wanted))) {
        const to = wantedOf(query)
        if (to.text !== wanted.text && document.activeElement?.tagName === 'INPUT') return
        Object.assign(wanted, to)
      }
    },
  )
  void find(false)
  const isNarrowed = computed(
    () =>
      Boolean(wanted.course ?? wanted.lecture ?? wanted.speaker ?? wanted.kind) ||
      wanted.from !== '' ||
      wanted.to !== '',
  )
  function widen() {
    Object.assign(wanted, { course: null, lecture: null, speaker: null, from: '', to: '', kind: null })
  }
  return { wanted, found, problem, find, isNarrowed, widen }
}
