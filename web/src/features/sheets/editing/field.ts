import type { Editor } from '@tiptap/core'
import { Fragment } from '@tiptap/pm/model'
import { TextSelection } from '@tiptap/pm/state'
import { put, type Field, type Place } from '@/features/dictate/fieldText'
import { textOf, words } from './content'

/** What dictation writes into: the heading or the cell in which the caret was when it was aimed. */
export function editorField(editor: Editor, tools: HTMLElement): Field {
  let start = 0
  let isWriting = false
  const element = editor.view.dom
  // Keys that the editor answers to itself, and a caret that went elsewhere, are told as typing is.
  editor.on('transaction', ({ transaction }) => {
    if (!isWriting && (transaction.docChanged || transaction.selectionSet))
      element.dispatchEvent(new Event('input', { bubbles: true }))
  })
  return {
    element,
    beside: tools,
    place(): Place {
      const { $from, $to } = editor.state.selection
      start = $from.start()
      const block = $from.parent.content
      const end = $to.sameParent($from) ? $to.parentOffset : block.size
      return { before: textOf(block.cut(0, $from.parentOffset)), after: textOf(block.cut(end)) }
    },
    write(place: Place, text: string) {
      const { doc, schema, tr } = editor.state
      const at = doc.resolve(Math.min(start, doc.content.size))
      if (!at.parent.isTextblock) return
      const { value, caret } = put(place, text)
      const isHeading = at.parent.type.name === 'heading'
      const content = (of: string) => Fragment.fromJSON(schema, words(isHeading ? of.replace(/\s*\n\s*/g, ' ') : of))
      if (textOf(at.parent.content) === value) return
      isWriting = true
      tr.replaceWith(at.start(), at.end(), content(value))
      tr.setSelection(TextSelection.create(tr.doc, at.start() + content(value.slice(0, caret)).size)).scrollIntoView()
      editor.view.dispatch(tr)
      isWriting = false
    },
  }
}
