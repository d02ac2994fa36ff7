import { expect, it } from 'vitest'
import { between } from './units'

it.each([
  ['0.9', 'm.'],
  ['980', 'hPa,'],
  ['12', 'm/s'],
  ['20', '°C'],
  ['1,040', 'hPa'],
])('%s and %s stay on one line', (word, next) => expect(between(word, next)).toBe('\u00a0'))

it.each([
  ['ten', 'm'],
  ['12', 'minutes'],
  ['4.7', undefined],
  ['10:25,', 'm'],
])('a line may break between %s and %s', (word, next) => expect(between(word, next)).toBe(' '))
