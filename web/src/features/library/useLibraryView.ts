import { computed, ref, watch, type Ref } from 'vue'
import { useLocalStorage } from '@vueuse/core'
import type { Lecture } from '@/api/client'

export const orders = {
  course: 'by course',
  newest: 'newest first',
  opened: 'opened last first',
  title: 'by title',
  longest: 'longest first',
} as const
export type Order = keyof typeof orders

export const shows = {
  all: 'everything',
  unheard: 'not heard yet',
  due: 'with due cards',
  work: 'not written down yet',
} as const
export type Shows = keyof typeof shows

/** A row of the list: a heading or a lecture. */
export type Row = { key: string; course: string; lectures: Lecture[] } | { key: string; lecture: Lecture }

const heardEnough = 0.9
const isUnheard = (l: Lecture) => l.heardMs < heardEnough * l.durationMs

const wanted: Record<Shows, (l: Lecture) => boolean> = {
  all: () => true,
  unheard: isUnheard,
  due: (l) => l.dueCount > 0,
  work: (l) => l.progress !== null,
}
const last = '9999'
const before: Record<Exclude<Order, 'course'>, (a: Lecture, b: Lecture) => number> = {
  newest: (a, b) => (b.heldOn ?? b.addedAt).localeCompare(a.heldOn ?? a.addedAt),
  opened: (a, b) =>
    (b.openedAt ?? '').localeCompare(a.openedAt ?? '') || (b.heldOn ?? '').localeCompare(a.heldOn ?? ''),
  title: (a, b) => a.title.localeCompare(b.title),
  longest: (a, b) => b.durationMs - a.durationMs,
}

/** The lectures that are shown, in their order. */
export function rowsOf(
  lectures: readonly Lecture[],
  courses: readonly string[],
  text: string,
  show: Shows,
  order: Order,
): Row[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean)
  const shown = lectures.filter((l) => {
    const about = `${l.title} ${l.course ?? ''}`.toLowerCase()
    return wanted[show](l) && words.every((w) => about.includes(w))
  })
  if (order !== 'course') return shown.sort(before[order]).map((lecture) => ({ key: lecture.id, lecture }))
  const places = new Map(courses.map((c, i) => [c, i]))
  const groups = new Map<string, Lecture[]>()
  for (const l of shown) groups.set(l.course ?? '', [...(groups.get(l.course ?? '') ?? []), l])
  return [...groups]
    .sort(([a], [b]) =>
      a === '' ? 1 : b === '' ? -1 : (places.get(a) ?? 1e6) - (places.get(b) ?? 1e6) || a.localeCompare(b),
    )
    .flatMap(([course, list]) => [
      { key: `course ${course}`, course, lectures: list },
      ...list
        .sort((a, b) => (b.heldOn ?? last).localeCompare(a.heldOn ?? last))
        .map((lecture) => ({ key: lecture.id, lecture })),
    ])
}

/** What of the library is shown: filtered, ordered; the order stays in this browser. */
export function useLibraryView(lectures: Ref<readonly Lecture[]>, courses: Ref<readonly string[]>) {
  const text = ref('')
  const show = ref<Shows>('all')
  const order = useLocalStorage<Order>('kostel.library.order', 'course')
  const rows = computed(() =>
    rowsOf(lectures.value, courses.value, text.value, show.value, order.value in orders ? order.value : 'course'),
  )
  return { text, show, order, rows, isNarrowed: computed(() => text.value.trim() !== '' || show.value !== 'all') }
}

/** Lectures that are chosen, to do something with all of them; what is not shown any more is not chosen. */
export function useChosen(rows: Ref<Row[]>) {
  const chosen = ref(new Set<string>())
  let lastId: string | null = null
  const ids = computed(() => rows.value.flatMap((r) => ('lecture' in r ? [r.lecture.id] : [])))

  /** With Shift all from the one before to this one. */
  function choose(id: string, isOn: boolean, isRange: boolean) {
    const next = new Set(chosen.value)
    const [a, b] = [ids.value.indexOf(lastId ?? id), ids.value.indexOf(id)]
    const range = isRange && a >= 0 ? ids.value.slice(Math.min(a, b), Math.max(a, b) + 1) : [id]
    for (const i of range) {
      if (isOn) next.add(i)
      else next.delete(i)
    }
    lastId = id
    chosen.value = next
  }
  const chooseAll = (some: readonly string[], isOn: boolean) => {
    const next = new Set(chosen.value)
    for (const id of some) {
      if (isOn) next.add(id)
      else next.delete(id)
    }
    chosen.value = next
  }
  const clear = () => (chosen.value = new Set())
  watch(ids, (shown) => {
    const there = new Set(shown)
    if ([...chosen.value].some((id) => !there.has(id)))
      chosen.value = new Set([...chosen.value].filter((id) => there.has(id)))
  })
  return { chosen, choose, chooseAll, clear, ids }
}
