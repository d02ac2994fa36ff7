import { expect, test } from 'vitest'
import { inComponent } from '@/testing/inComponent'
import { useUnsaved } from './useUnsaved'

test('the browser is asked to wait only while something would be lost', () => {
  let isUnsaved = false
  const [, end] = inComponent(() => useUnsaved(() => isUnsaved))
  const goes = () => window.dispatchEvent(new Event('beforeunload', { cancelable: true }))
  expect(goes()).toBe(true)
  isUnsaved = true
  expect(goes()).toBe(false)
  end()
  expect(goes()).toBe(true)
})
