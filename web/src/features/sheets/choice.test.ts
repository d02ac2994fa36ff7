import { describe, expect, it } from 'vitest'
import { isEmpty, toggled, type Choice } from './choice'

const nothing: Choice = { summary: false, cards: false, quiz: false, sheets: [] }

describe('a choice of study material', () => {
  it('takes a sheet and leaves it out again', () => {
    const one = toggled(nothing, 'terms')
    expect(one.sheets).toEqual(['terms'])
    expect(isEmpty(one)).toBe(false)
    expect(isEmpty(toggled(one, 'terms'))).toBe(true)
    expect(nothing.sheets).toEqual([])
  })
})
