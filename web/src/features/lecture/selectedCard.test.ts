import { describe, expect, it } from 'vitest'
import { selectedCard } from './selectedCard'

const said = 'Welcome. The range is 4.7 metres at springs. It is less at neaps.'

describe('a card from what is selected', () => {
  it('asks for some words in their sentence', () => {
    expect(selectedCard('4.7 metres', said)).toEqual({ front: 'The range is ____ at springs.', back: '4.7 metres.' })
    expect(selectedCard('neaps.', said)).toEqual({ front: 'It is less at ____.', back: 'Neaps.' })
  })

  it('asks how a whole sentence goes on', () => {
    expect(selectedCard('The range is 4.7 metres at springs.', said).back).toBe('The range is 4.7 metres at springs.')
    expect(selectedCard('The range is 4.7 metres at springs.', said).front).toBe(
      'The range is 4.7 … How does it go on?',
    )
  })

  it('takes words over the border of a sentence as they are', () => {
    expect(selectedCard('at springs. It is less', said).back).toBe('at springs. It is less')
  })
})
