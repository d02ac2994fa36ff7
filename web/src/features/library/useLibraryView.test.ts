import { describe, expect, it } from 'vitest'
import { nextTick, ref } from 'vue'
import type { Lecture } from '@/api/client'
import { inComponent } from '@/testing/inComponent'
import { rowsOf, useChosen, type Row } from './useLibraryView'

const lecture = (id: string, more: Partial<Lecture> = {}) =>
  ({
    id,
    title: id,
    course: null,
    heldOn: null,
    addedAt: '2026-01-01',
    openedAt: null,
    durationMs: 60_000,
    heardMs: 0,
    dueCount: 0,
    progress: null,
    ...more,
  }) as Lecture
const all = [
  lecture('tides', { course: 'Sea', heldOn: '2026-09-01', heardMs: 59_000 }),
  lecture('streams', { course: 'Sea', heldOn: '2026-10-01', dueCount: 3 }),
  lecture('loam', { course: 'Soil', durationMs: 90_000 }),
  lecture('alone'),
]
const keys = (rows: Row[]) => rows.map((r) => r.key)

describe('the library', () => {
  it('stands by course in the own order of courses, those without one last', () =>
    expect(keys(rowsOf(all, ['Soil', 'Sea'], '', 'all', 'course'))).toEqual([
      'course Soil',
      'loam',
      'course Sea',
      'streams',
      'tides',
      'course ',
      'alone',
    ]))
  it('is filtered by words of title and course', () =>
    expect(keys(rowsOf(all, [], 'sea ti', 'all', 'title'))).toEqual(['tides']))
  it('shows what is not heard, or due', () => {
    expect(keys(rowsOf(all, [], '', 'unheard', 'title'))).toEqual(['alone', 'loam', 'streams'])
    expect(keys(rowsOf(all, [], '', 'due', 'title'))).toEqual(['streams'])
  })
  it('goes by length', () => expect(keys(rowsOf(all, [], '', 'all', 'longest'))[0]).toBe('loam'))
})

describe('choosing', () => {
  it('goes over a range, and lets go of what is not shown any more', async () => {
    const rows = ref(rowsOf(all, [], '', 'all', 'title'))
    const [c, end] = inComponent(() => useChosen(rows))
    c.choose('alone', true, false)
    c.choose('streams', true, true)
    expect([...c.chosen.value]).toEqual(['alone', 'loam', 'streams'])
    rows.value = rowsOf(all, [], 'loam', 'all', 'title')
    await nextTick()
    expect([...c.chosen.value]).toEqual(['loam'])
    end()
  })
})
