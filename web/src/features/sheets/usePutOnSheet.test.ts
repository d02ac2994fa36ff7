import { expect, test } from 'vitest'
import type { SheetEntry } from '@/api/client'
import { lastOwn } from './usePutOnSheet'

const sheet = (id: number, form: SheetEntry['form'], changedAt: string): SheetEntry => ({
  id,
  form,
  name: `${id}`,
  changedAt,
  lines: 0,
})

test('a passage goes on the own sheet that was written on last, of the lecture or of the course', () => {
  const lecture = [sheet(1, 'own', '2026-11-03T10:00:00Z'), sheet(2, 'points', '2026-11-09T10:00:00Z')]
  const course = [sheet(3, 'course', '2026-11-08T10:00:00Z'), sheet(4, 'own', '2026-11-05T10:00:00Z')]
  expect(lastOwn([...lecture, ...course])?.id).toBe(4)
  expect(lastOwn(lecture)?.id).toBe(1)
})

test('without an own sheet there is none', () => {
  expect(lastOwn([])).toBeNull()
  expect(lastOwn([sheet(2, 'points', '2026-11-09T10:00:00Z')])).toBeNull()
})
