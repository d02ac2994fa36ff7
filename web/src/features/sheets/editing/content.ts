import type { JSONContent } from '@tiptap/core'
import type { Fragment, Node, Schema } from '@tiptap/pm/model'
import { pictureOf } from '../pictureOf'
import type { Sheet } from '@/api/client'

/** A sheet as its editor has it. Each line knows its place before, counted through the whole sheet; an empty one has a line to write on. */
export function contentOf(sheet: Pick<Sheet, 'id' | 'parts' | 'columns'>): JSONContent {
  let at = 0
  const line = (from: number | null, cells: readonly string[], picture: string | null = null) => ({
    type: 'line',
    attrs: { from, picture: picture && pictureOf(sheet.id, picture) },
    content: cells.map((text, column) => ({ type: 'cell', attrs: { column }, content: words(text) })),
  })
  const parts = sheet.parts.map((p) =>
    part(
      p.heading,
      p.lines.map((l) => line(at++, l.cells, l.picture)),
    ),
  )
  const blank = () =>
    part('', [
      line(
        null,
        sheet.columns.map(() => ''),
      ),
    ])
  return { type: 'doc', content: parts.length ? parts : [blank()] }
}

const part = (heading: string, lines: JSONContent[]) => ({
  type: 'part',
  content: [{ type: 'heading', content: words(heading) }, ...lines],
})

/** A text as its editor has it: each break of a line is a node. */
export const words = (text: string): JSONContent[] =>
  text
    .split('\n')
    .flatMap((piece, i) => [...(i ? [{ type: 'hardBreak' }] : []), ...(piece ? [{ type: 'text', text: piece }] : [])])

export const textOf = (content: Fragment) =>
  content.textBetween(0, content.size, '', (leaf) => (leaf.type.name === 'hardBreak' ? '\n' : ''))

export interface EditedPart {
  heading: string
  lines: { cells: string[]; from: number | null }[]
}

/** What is sent: empty lines are none, and neither is a part without a line or a heading. Of a line that was copied the first is the one it was. */
export function partsOf(doc: Node): EditedPart[] {
  const taken = new Set<number>()
  const kept = (from: number | null) => {
    if (from === null || taken.has(from)) return null
    taken.add(from)
    return from
  }
  const parts: EditedPart[] = []
  doc.forEach((part) => {
    const lines: EditedPart['lines'] = []
    part.forEach((line) => {
      if (line.type.name !== 'line') return
      const cells: string[] = []
      line.forEach((cell) => cells.push(textOf(cell.content)))
      if (line.attrs.picture || cells.some((c) => c.trim()))
        lines.push({ cells, from: kept(line.attrs.from as number | null) })
    })
    const heading = textOf(part.firstChild!.content)
    if (lines.length || heading.trim()) parts.push({ heading, lines })
  })
  return parts
}

/** A new line, with a text in its first cell. */
export function newLine(schema: Schema, content?: Fragment) {
  const blank = schema.nodes.line!.createAndFill()!
  const cells = blank.children.map((_, column) => schema.node('cell', { column }, column === 0 ? content : undefined))
  return schema.node('line', null, cells)
}
