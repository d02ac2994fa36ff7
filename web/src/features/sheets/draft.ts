import type { Sheet } from '@/api/client'

/** A line while it is worded: which it was before, if it was. */
export interface DraftLine {
  key: number
  from: number | null
  cells: string[]
}
export interface DraftPart {
  key: number
  heading: string
  lines: DraftLine[]
}

let keys = 0

/** A sheet to be changed. Each line knows its place before, counted through the whole sheet. */
export function draftOf(sheet: Pick<Sheet, 'parts' | 'columns'>): DraftPart[] {
  let at = 0
  const parts = sheet.parts.map((p) => ({
    key: keys++,
    heading: p.heading,
    lines: p.lines.map((l) => ({ key: keys++, from: at++, cells: [...l.cells] })),
  }))
  return parts.length ? parts : [{ key: keys++, heading: '', lines: [newLine(sheet.columns.length)] }]
}

export const newLine = (columns: number): DraftLine => ({
  key: keys++,
  from: null,
  cells: Array.from({ length: columns }, () => ''),
})

export const newPart = (): DraftPart => ({ key: keys++, heading: '', lines: [] })

/** Moves a line up or down by one, across the border of a part where it comes to one. */
export function move(parts: DraftPart[], part: number, line: number, by: -1 | 1) {
  const from = parts[part]
  const moved = from?.lines[line]
  if (!from || !moved) return
  const to = line + by
  if (to >= 0 && to < from.lines.length) {
    from.lines.splice(line, 1)
    from.lines.splice(to, 0, moved)
    return
  }
  const next = parts[part + by]
  if (!next) return
  from.lines.splice(line, 1)
  if (by === 1) next.lines.unshift(moved)
  else next.lines.push(moved)
}

/** What is sent: empty lines are none, and neither is a part without a line or a heading. */
export const bodyOf = (parts: readonly DraftPart[]) =>
  parts
    .map((p) => ({
      heading: p.heading,
      lines: p.lines.filter((l) => l.cells.some((c) => c.trim())).map(({ cells, from }) => ({ cells, from })),
    }))
    .filter((p) => p.lines.length || p.heading.trim())
