import type { SheetForm } from '@/api/client'

/** What study material is to be made. */
export interface Choice {
  summary: boolean
  cards: boolean
  quiz: boolean
  sheets: SheetForm[]
}

export const isEmpty = (c: Choice) => !c.summary && !c.cards && !c.quiz && !c.sheets.length

/** What was kept as one. */
export const choiceOf = (kept: {
  summary: boolean
  cards: boolean
  quiz: boolean
  sheets?: SheetForm[] | null
}): Choice => ({
  summary: kept.summary,
  cards: kept.cards,
  quiz: kept.quiz,
  sheets: [...(kept.sheets ?? [])],
})

/** With a form of sheet, or without it where it was there. */
export const toggled = (c: Choice, form: SheetForm): Choice => ({
  ...c,
  sheets: c.sheets.includes(form) ? c.sheets.filter((f) => f !== form) : [...c.sheets, form],
})
