import { describe, expect, it } from 'vitest'
import { bodyOf, draftOf, move, newLine } from './draft'

const sheet = {
  columns: ['Cue', 'Note'],
  parts: [
    { heading: 'One', lines: [line('a', 'A'), line('b', 'B')] },
    { heading: 'Two', lines: [line('c', 'C')] },
  ],
}
function line(...cells: string[]) {
  return { cells, source: null, isOwn: false }
}
const cells = (parts: ReturnType<typeof draftOf>) => parts.map((p) => p.lines.map((l) => l.cells[0]))

describe('a sheet that is changed', () => {
  it('knows of each line which it was', () => {
    const parts = draftOf(sheet)
    parts[0]!.lines.splice(0, 1)
    parts[1]!.lines.push({ ...newLine(2), cells: ['d', ''] })
    expect(bodyOf(parts)).toEqual([
      { heading: 'One', lines: [{ cells: ['b', 'B'], from: 1 }] },
      {
        heading: 'Two',
        lines: [
          { cells: ['c', 'C'], from: 2 },
          { cells: ['d', ''], from: null },
        ],
      },
    ])
  })

  it('moves a line within its part, over a border, and not out of the sheet', () => {
    const parts = draftOf(sheet)
    move(parts, 0, 0, 1)
    expect(cells(parts)).toEqual([['b', 'a'], ['c']])
    move(parts, 0, 1, 1)
    expect(cells(parts)).toEqual([['b'], ['a', 'c']])
    move(parts, 1, 0, -1)
    expect(cells(parts)).toEqual([['b', 'a'], ['c']])
    move(parts, 0, 0, -1)
    move(parts, 1, 0, 1)
    expect(cells(parts)).toEqual([['b', 'a'], ['c']])
  })

  it('leaves out what is empty, and begins with a line to write on', () => {
    const parts = draftOf({ columns: ['Note'], parts: [] })
    expect(parts[0]!.lines).toHaveLength(1)
    expect(bodyOf(parts)).toEqual([])
  })
})
