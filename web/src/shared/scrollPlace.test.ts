import { expect, test } from 'vitest'
import { whenLongEnough } from './scrollPlace'

test('a place is gone back to when the page has grown long enough', async () => {
  let height = 100
  Object.defineProperty(document.documentElement, 'scrollHeight', { configurable: true, get: () => height })
  let isThere = false
  const going = whenLongEnough({ left: 0, top: 5000 }).then(() => (isThere = true))
  await new Promise((done) => setTimeout(done, 60))
  expect(isThere).toBe(false)
  height = 5000 + innerHeight
  await going
  expect(isThere).toBe(true)
})
