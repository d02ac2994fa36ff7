import { describe, expect, it } from 'vitest'
import { fromTable, toTable } from './termTable'

describe('terms as a table', () => {
  it('come out and in again the same', () => {
    const text = 'neap tide\nbergschrund = berg shroond'
    expect(fromTable(toTable(text), '')).toEqual(text.split('\n'))
  })
  it('are added to those that are there, each once', () =>
    expect(fromTable('Neap tide\nfetch\tfetsh\nfetch\n\n', 'neap tide')).toEqual(['fetch = fetsh']))
  it('are read from tables of other programs', () =>
    expect(fromTable('\uFEFF"set"\r\n"drift"\t\tnote\r', '')).toEqual(['set', 'drift']))
})
