import { Editor } from '@tiptap/core'
import { TextSelection } from '@tiptap/pm/state'
import { afterEach, expect, test } from 'vitest'
import { contentOf, partsOf } from './content'
import { editorField } from './field'
import { sheetNodes } from './nodes'

const sheet = {
  id: 1,
  columns: ['Point'],
  parts: [
    {
      heading: 'Lime',
      lines: [{ cells: ['It lifts the pH.'], source: null, isOwn: false, picture: null }],
      isOwn: false,
    },
  ],
}
let editor: Editor
function open(caret: number) {
  const element = document.createElement('div')
  document.body.append(element)
  editor = new Editor({ element, extensions: sheetNodes(sheet.columns), content: contentOf(sheet), injectCSS: false })
  const { state, view } = editor
  view.dispatch(state.tr.setSelection(TextSelection.create(state.doc, caret)))
  return editorField(editor, element)
}
afterEach(() => editor.destroy())
const LINE = 9

test('what is dictated stands at the caret of a line, and grows there', () => {
  const field = open(LINE + 'It lifts'.length)
  const place = field.place()
  expect(place).toEqual({ before: 'It lifts', after: ' the pH.' })
  field.write(place, 'and')
  field.write(place, 'and\nholds')
  expect(partsOf(editor.state.doc)[0]!.lines).toEqual([{ cells: ['It lifts and\nholds the pH.'], from: 0 }])
  expect(field.place().before).toBe('It lifts and\nholds')
})

test('a heading takes no second line', () => {
  const field = open(2 + 'Lime'.length)
  field.write(field.place(), 'and water\nas said')
  expect(partsOf(editor.state.doc)[0]!.heading).toBe('Lime and water as said')
})

test('a caret that goes elsewhere is told, what dictation writes is not', () => {
  const field = open(LINE)
  let told = 0
  field.element.addEventListener('input', () => told++)
  field.write(field.place(), 'Indeed')
  expect(told).toBe(0)
  editor.view.dispatch(editor.state.tr.setSelection(TextSelection.create(editor.state.doc, 3)))
  editor.view.dispatch(editor.state.tr.insertText('!', 3))
  expect(told).toBe(2)
})
