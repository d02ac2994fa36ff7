import { expect, type Page } from '@playwright/test'

/** The text of a passage as it stands on the page. */
export const passage = (page: Page, index: number) => page.locator(`[data-passage="${index}"] p`)

/** Clicks into the middle of the first word on the page that reads so. */
export async function clickWord(page: Page, word: string) {
  // The last words of a transcription come in a moment after its bar has gone.
  await expect(page.locator('[data-passage] p').filter({ hasText: word }).first()).toBeAttached()
  const place = await page.evaluate((wanted) => {
    for (const p of document.querySelectorAll('[data-passage] p')) {
      const at = p.textContent?.indexOf(wanted) ?? -1
      if (at < 0 || !p.firstChild) continue
      const range = document.createRange()
      range.setStart(p.firstChild, at)
      range.setEnd(p.firstChild, at + wanted.length)
      p.scrollIntoView({ block: 'center', behavior: 'instant' })
      const box = range.getBoundingClientRect()
      return { x: box.left + box.width / 2, y: box.top + box.height / 2 }
    }
    return null
  }, word)
  expect(place, word).not.toBeNull()
  if (place) await page.mouse.click(place.x, place.y)
}

/** Selects words of a passage, as a mouse would. */
export async function selectWords(page: Page, index: number, words: string) {
  await page.evaluate(
    ([i, wanted]) => {
      const node = document.querySelector(`[data-passage="${i}"] p`)?.firstChild
      const at = node?.textContent?.indexOf(String(wanted)) ?? -1
      if (!node || at < 0) throw new Error(`not there: ${wanted}`)
      getSelection()?.setBaseAndExtent(node, at, node, at + String(wanted).length)
    },
    [index, words] as const,
  )
}

/** How many places a highlight of the text covers, with their words. */
export const highlighted = (page: Page, name: string) =>
  page.evaluate((n) => [...(CSS.highlights.get(n) ?? [])].map((r) => (r as Range).toString()), name)

export const saved = (page: Page) => expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible()
