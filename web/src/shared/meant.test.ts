import { describe, expect, it } from 'vitest'
import { literally, understood } from './meant'

describe('words that were taken for others', () => {
  const meant = [
    { asked: 'feild', meant: 'field' },
    { asked: 'Capasity', meant: 'capacity' },
  ]
  it('are told with what they were taken for', () =>
    expect(understood(meant)).toBe('“feild” as “field”, “Capasity” as “capacity”'))
  it('stand between quotation marks to be left as they are', () =>
    expect(literally('Capasity of a feild, $& too', meant)).toBe('“Capasity” of a “feild”, $& too'))
  it('are none as a rule', () => {
    expect(understood([])).toBe('')
    expect(literally('What is it?', [])).toBe('What is it?')
  })
})
