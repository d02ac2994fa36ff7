import { getSchema } from '@tiptap/core'
import { history, undo } from '@tiptap/pm/history'
import { Node } from '@tiptap/pm/model'
import { EditorState, TextSelection, type Command } from '@tiptap/pm/state'
import { describe, expect, it } from 'vitest'
import { addHeading, addLine, backspace, enter, move, paste, takeOut } from './commands'
import { contentOf, partsOf } from './content'
import { sheetNodes } from './nodes'

const line = (...cells: string[]) => ({ cells, source: null, isOwn: false, picture: null as string | null })
const list = {
  id: 1,
  columns: ['Point'],
  parts: [
    { heading: 'One', lines: [line('alpha'), line('beta')], isOwn: false },
    { heading: 'Two', lines: [line('gamma')], isOwn: false },
  ],
}
const table = {
  id: 1,
  columns: ['Cue', 'Note'],
  parts: [{ heading: '', lines: [line('a', 'A'), line('b', 'B')], isOwn: false }],
}

/** A sheet with the caret behind a text, or with everything between two texts selected. */
function on(sheet: typeof list, behind: string, to = behind) {
  const schema = getSchema(sheetNodes(sheet.columns))
  const doc = Node.fromJSON(schema, contentOf(sheet))
  const state = EditorState.create({ doc })
  const places = [behind, to].map((text) => {
    let found = 0
    doc.descendants((node, pos) => {
      const at = node.isText ? node.text!.indexOf(text) : -1
      if (at >= 0 && !found) found = pos + at + text.length
    })
    return found
  })
  return places[0] ? state.apply(state.tr.setSelection(TextSelection.create(doc, places[0], places[1]))) : state
}
function after(state: EditorState, ...commands: Command[]) {
  for (const command of commands) command(state, (tr) => (state = state.apply(tr)))
  return state
}
const type =
  (text: string): Command =>
  (state, dispatch) => (dispatch?.(state.tr.insertText(text)), true)
const erase =
  (letters: number): Command =>
  (state, dispatch) => {
    dispatch?.(state.tr.delete(state.selection.from - letters, state.selection.from))
    return true
  }
/** Each part as its heading and its lines, each with which it was. */
const shown = (state: EditorState) =>
  partsOf(state.doc).map(
    (p) =>
      `${p.heading}: ${p.lines.map((l) => `${l.cells.join('|')}${l.from === null ? '' : `(${l.from})`}`).join(' ')}`,
  )
/** With the caret before the first letter of a text. */
const before = (state: EditorState, text: string) =>
  state.apply(state.tr.setSelection(TextSelection.create(state.doc, state.selection.from - text.length)))

describe('a sheet that is worded', () => {
  it('comes back as it was, breaks of lines and all', () => {
    const sheet = { ...list, parts: [{ heading: 'One', lines: [line('first\nsecond'), line('third')], isOwn: false }] }
    expect(partsOf(on(sheet, 'third').doc)).toEqual([
      {
        heading: 'One',
        lines: [
          { cells: ['first\nsecond'], from: 0 },
          { cells: ['third'], from: 1 },
        ],
      },
    ])
  })

  it('has a line to write on when nothing stands on it, and what stays empty is not sent', () => {
    const state = on({ id: 1, columns: ['Note'], parts: [] }, 'nothing')
    expect(state.doc.textContent).toBe('')
    expect(state.doc.firstChild!.childCount).toBe(2)
    expect(partsOf(state.doc)).toEqual([])
  })

  it('divides a line of a list at the caret, and what comes of it is a new one', () => {
    expect(shown(after(on(list, 'al'), enter))).toEqual(['One: al(0) pha beta(1)', 'Two: gamma(2)'])
    expect(shown(after(on(list, 'beta'), enter, type('new')))).toEqual(['One: alpha(0) beta(1) new', 'Two: gamma(2)'])
    expect(shown(after(on(list, 'Two'), enter, type('first')))).toEqual([
      'One: alpha(0) beta(1)',
      'Two: first gamma(2)',
    ])
  })

  it('goes from cell to cell of a row, and to a new row after the last', () => {
    expect(shown(after(on(table, 'a'), enter, type('!')))).toEqual(
      [': a|A!(0) b|B(1)'].map((t) => t.replace('A!', '!A')),
    )
    expect(shown(after(on(table, 'A'), enter, type('c')))).toEqual([': a|A(0) c| b|B(1)'])
  })

  it('joins a line of a list with the one before it, which stays what it was', () => {
    expect(shown(after(before(on(list, 'beta'), 'beta'), backspace))).toEqual(['One: alphabeta(0)', 'Two: gamma(2)'])
    const first = before(on(list, 'gamma'), 'gamma')
    expect(shown(after(first, backspace))).toEqual(shown(first))
    expect(shown(after(on(list, 'beta'), enter, backspace, type('!')))).toEqual([
      'One: alpha(0) beta!(1)',
      'Two: gamma(2)',
    ])
  })

  it('joins no cells of a row, and takes out an empty row', () => {
    const second = before(on(table, 'B'), 'B')
    expect(backspace(second)).toBe(false)
    expect(shown(after(before(on(table, 'b'), 'b'), backspace))).toEqual([': a|A(0) b|B(1)'])
    expect(after(on(table, 'B'), enter, backspace).doc.firstChild!.childCount).toBe(3)
  })

  it('gives the lines of an empty heading to the part before it', () => {
    const emptied = after(on(list, 'Two'), erase(3))
    expect(shown(after(emptied, backspace))).toEqual(['One: alpha(0) beta(1) gamma(2)'])
    expect(shown(after(before(on(list, 'One'), 'One'), backspace))).toEqual(['One: alpha(0) beta(1)', 'Two: gamma(2)'])
  })

  it('moves a line within its part, over a border, and not out of the sheet', () => {
    const state = on(list, 'al')
    const down = after(state, move(1))
    expect(shown(down)).toEqual(['One: beta(1) alpha(0)', 'Two: gamma(2)'])
    const over = after(down, move(1))
    expect(shown(over)).toEqual(['One: beta(1)', 'Two: alpha(0) gamma(2)'])
    expect(shown(after(over, type('!')))).toEqual(['One: beta(1)', 'Two: al!pha(0) gamma(2)'])
    expect(shown(after(over, move(-1), move(-1)))).toEqual(shown(state))
    expect(shown(after(over, move(1), move(1)))).toEqual(['One: beta(1)', 'Two: gamma(2) alpha(0)'])
    expect(move(1)(on(list, 'One'))).toBe(false)
  })

  it('takes out every line that is selected, but not across headings', () => {
    expect(shown(after(on(list, 'alpha'), takeOut))).toEqual(['One: beta(1)', 'Two: gamma(2)'])
    expect(shown(after(on(list, 'al', 'bet'), takeOut, takeOut))).toEqual(['One: ', 'Two: gamma(2)'])
    expect(takeOut(on(list, 'alpha', 'gamma'))).toBe(false)
    expect(takeOut(on(list, 'One'))).toBe(false)
  })

  it('adds lines and headings where the caret is', () => {
    expect(shown(after(on(list, 'alpha'), addLine, type('new')))).toEqual([
      'One: alpha(0) new beta(1)',
      'Two: gamma(2)',
    ])
    expect(shown(after(on(list, 'beta'), addHeading, type('Half')))).toEqual([
      'One: alpha(0)',
      'Half: beta(1)',
      'Two: gamma(2)',
    ])
    expect(shown(after(on(list, 'Two'), addHeading, type('Three')))).toEqual([
      'One: alpha(0) beta(1)',
      'Two: gamma(2)',
      'Three: ',
    ])
  })

  it('takes text from elsewhere without its look, each line of it for a line of a list', () => {
    expect(shown(after(on(list, 'alpha'), paste(' one\r\n\ntwo\nthree')))).toEqual([
      'One: alphaone(0) two three beta(1)',
      'Two: gamma(2)',
    ])
    expect(shown(after(on(table, 'A'), paste('one\ntwo')))).toEqual([': a|Aone two(0) b|B(1)'])
    expect(shown(after(on(list, 'Two'), paste('one\ntwo')))).toEqual(['One: alpha(0) beta(1)', 'Twoone two: gamma(2)'])
    expect(shown(after(on(list, 'alpha'), paste('')))).toEqual(['One: alpha(0) beta(1)', 'Two: gamma(2)'])
  })

  it('takes back a step at a time, however quickly they were made', () => {
    let state = on(list, 'alpha')
    state = state.reconfigure({ plugins: [history()] })
    const moved = after(state, enter, type('new'), move(1))
    expect(shown(moved)[0]).toBe('One: alpha(0) beta(1) new')
    expect(shown(after(moved, undo))[0]).toBe('One: alpha(0) new beta(1)')
  })

  it('keeps a picture whose words are gone, and shows it', () => {
    const pictured = { ...line('slide'), picture: 'a.jpg' }
    const state = on({ ...list, parts: [{ heading: '', lines: [pictured], isOwn: false }] }, 'slide')
    expect(state.doc.firstChild!.child(1).attrs.picture).toBe('/api/sheets/1/pictures/a.jpg')
    expect(after(state, erase(5), backspace).doc.firstChild!.childCount).toBe(2)
    expect(partsOf(after(state, erase(5)).doc)).toEqual([{ heading: '', lines: [{ cells: [''], from: 0 }] }])
  })

  it('lets only the first of two copies of a line be what it was', () => {
    const state = on(list, 'alpha')
    const copy = state.doc.firstChild!.child(1)
    expect(shown(state.apply(state.tr.insert(5, copy)))[0]).toMatch(/^One: alpha\(0\) alpha beta\(1\)/)
  })
})
