import { closeHistory } from '@tiptap/pm/history'
import type { Node, ResolvedPos } from '@tiptap/pm/model'
import { Selection, TextSelection, type Command, type EditorState, type Transaction } from '@tiptap/pm/state'
import { newLine } from './content'

const PART = 1
const LINE = 2

/** The line in which a place is, and where it begins; null in a heading. */
function lineAt(at: ResolvedPos): { node: Node; pos: number } | null {
  return at.depth > LINE ? { node: at.node(LINE), pos: at.before(LINE) } : null
}
const columnsOf = (state: EditorState) => state.schema.nodes.line!.createAndFill()!.childCount
const caret = (tr: Transaction, pos: number, bias = 1) =>
  tr.setSelection(Selection.near(tr.doc.resolve(pos), bias)).scrollIntoView()

/** What changes more than words is a step of its own to be taken back. */
const step =
  (command: Command): Command =>
  (state, dispatch, view) =>
    command(state, dispatch && ((tr) => dispatch(closeHistory(tr))), view)

/** To the next cell of a line; out of its last one a new line begins, in a list with what stands behind the caret. Out of a heading it is its first line. */
export const enter = step((state, dispatch) => {
  const { $from, empty } = state.selection
  if (!empty || !$from.parent.isTextblock) return false
  const line = lineAt($from)
  const columns = columnsOf(state)
  if (!line) {
    const pos = $from.after()
    const first = state.doc.resolve(pos).nodeAfter
    const tr = state.tr
    if (first?.textContent !== '') tr.insert(pos, newLine(state.schema))
    dispatch?.(caret(tr, pos))
    return true
  }
  if ($from.index(LINE) < columns - 1) {
    dispatch?.(caret(state.tr, $from.after()))
    return true
  }
  const rest = columns === 1 ? $from.parent.slice($from.parentOffset).content : undefined
  const tr = state.tr
  if (rest) tr.delete($from.pos, $from.end())
  const after = tr.mapping.map(line.pos + line.node.nodeSize)
  dispatch?.(caret(tr.insert(after, newLine(state.schema, rest)), after))
  return true
})

/** At the beginning of a line, unless a picture stands there: a list's lines become one, an empty row goes, and so does an empty heading, whose lines go to the part before. */
export const backspace = step((state, dispatch) => {
  const { $from, empty } = state.selection
  if (!empty || $from.parentOffset > 0) return false
  const line = lineAt($from)
  if (!line) return joinParts(state, $from, dispatch)
  if ($from.index(LINE) > 0) return false
  const before = state.doc.resolve(line.pos).nodeBefore
  const tr = state.tr
  if (line.node.attrs.picture) return true
  if (line.node.textContent === '') {
    dispatch?.(caret(tr.delete(line.pos, line.pos + line.node.nodeSize), line.pos, -1))
  } else if (columnsOf(state) === 1 && before?.type.name === 'line') {
    const end = line.pos - 2
    const content = $from.parent.content
    tr.delete(line.pos, line.pos + line.node.nodeSize).insert(end, content)
    dispatch?.(tr.setSelection(TextSelection.create(tr.doc, end)).scrollIntoView())
  }
  return true
})

function joinParts(state: EditorState, at: ResolvedPos, dispatch?: (tr: Transaction) => void) {
  if (at.index(0) === 0 || at.parent.content.size > 0) return true
  const part = at.node(PART)
  const lines = part.content.cut(part.firstChild!.nodeSize)
  const pos = at.before(PART)
  const tr = state.tr.delete(pos, pos + part.nodeSize).insert(pos - 1, lines)
  dispatch?.(caret(tr, pos - 1, lines.size ? 1 : -1))
  return true
}

/** Moves the line with the caret up or down by one, across the border of a part where it comes to one. */
export const move = (by: -1 | 1) =>
  step((state, dispatch) => {
    const { $from } = state.selection
    const line = lineAt($from)
    if (!line) return false
    const index = $from.index(PART)
    const part = $from.node(PART)
    const other = part.maybeChild(index + by)
    const isInside = other?.type.name === 'line'
    const next = isInside ? null : state.doc.maybeChild($from.index(0) + by)
    if (!isInside && !next) return true
    const tr = state.tr.delete(line.pos, line.pos + line.node.nodeSize)
    const to = isInside
      ? by === 1
        ? line.pos + other.nodeSize
        : line.pos - other.nodeSize
      : by === 1
        ? $from.after(PART) - line.node.nodeSize + 1 + next!.firstChild!.nodeSize
        : $from.before(PART) - 1
    tr.insert(to, line.node)
    tr.setSelection(TextSelection.create(tr.doc, to + ($from.pos - line.pos))).scrollIntoView()
    dispatch?.(tr)
    return true
  })

/** Takes out every line that the selection touches. */
export const takeOut = step((state, dispatch) => {
  const { $from, $to } = state.selection
  const [first, last] = [lineAt($from), lineAt($to)]
  if (!first || !last || $from.node(PART) !== $to.node(PART)) return false
  const tr = state.tr.delete(first.pos, last.pos + last.node.nodeSize)
  dispatch?.(caret(tr, Math.min(first.pos, tr.doc.content.size), tr.doc.resolve(first.pos).nodeAfter ? 1 : -1))
  return true
})

/** A new line behind the one with the caret. */
export const addLine = step((state, dispatch) => {
  const { $to } = state.selection
  const line = lineAt($to)
  const pos = line ? line.pos + line.node.nodeSize : $to.after()
  dispatch?.(caret(state.tr.insert(pos, newLine(state.schema)), pos))
  return true
})

/** A heading before the line with the caret: what stands behind it goes under that. */
export const addHeading = step((state, dispatch) => {
  const { $from } = state.selection
  const part = $from.node(PART)
  const line = lineAt($from)
  const isWhole = !line || line.node.textContent === ''
  const cut = isWhole ? part.content.size : line.pos - $from.start(PART)
  const moved = part.content.cut(cut)
  const tr = state.tr
  if (moved.size) tr.delete($from.start(PART) + cut, $from.end(PART))
  const pos = tr.mapping.map($from.after(PART))
  const heading = state.schema.node('heading')
  tr.insert(pos, state.schema.node('part', null, [heading, ...moved.content]))
  dispatch?.(caret(tr, pos + 1))
  return true
})

/** Text from elsewhere, without its look: in a list each of its lines is one. */
export const paste = (text: string) =>
  step((state, dispatch) => {
    const pieces = text
      .replace(/\r/g, '')
      .split(/\n+/)
      .map((p) => p.trim())
      .filter(Boolean)
    const tr = state.tr.insertText(pieces[0] ?? '')
    const line = lineAt(tr.selection.$to)
    if (!line || columnsOf(state) > 1) {
      for (const piece of pieces.slice(1)) tr.insertText(` ${piece}`)
    } else {
      let pos = line.pos + line.node.nodeSize
      for (const piece of pieces.slice(1)) {
        const added = newLine(state.schema, state.schema.node('cell', null, state.schema.text(piece)).content)
        tr.insert(pos, added)
        pos += added.nodeSize
      }
      if (pieces.length > 1) caret(tr, pos, -1)
    }
    dispatch?.(tr.scrollIntoView())
    return true
  })
