import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'
import { test } from './server.ts'

const screens: [name: string, path: string, ready: string][] = [
  ['Today', '/', 'Today'],
  ['Library', '/library', 'Tides and tidal streams'],
  ['Bring in', '/bring-in', 'Bring in'],
  ['A lecture', '/lecture/rule-of-twelfths', 'The rule of twelfths'],
  ['Ask', '/lecture/rule-of-twelfths?desk=ask', 'The rule of twelfths'],
  ['Asking everything', '/ask', 'Ask everything'],
  ['A model of one’s own', '/writer', 'A language model of your own'],
  ['Summary', '/lecture/rule-of-twelfths?desk=summary', 'The rule of twelfths'],
  ['Cards', '/lecture/rule-of-twelfths?desk=cards', 'The rule of twelfths'],
  ['Quiz', '/lecture/rule-of-twelfths?desk=quiz', 'The rule of twelfths'],
  ['Marks', '/lecture/rule-of-twelfths?desk=marks', 'The rule of twelfths'],
  ['Changes', '/lecture/rule-of-twelfths?desk=changes', 'The rule of twelfths'],
  ['Subject', '/lecture/rule-of-twelfths?desk=subject&about=rule', 'The rule of twelfths'],
  ['Listening plan', '/lecture/rule-of-twelfths?desk=plan', 'The rule of twelfths'],
  ['Search', '/search?q=sping%20tide', 'Search'],
  ['A course', '/course/Tides%20and%20tidal%20streams', 'Tides and tidal streams'],
  ['Terms', '/course/Tides%20and%20tidal%20streams/terms', 'Terms of “Tides and tidal streams”'],
  ['Review', '/review', ''],
  ['A talk', '/lecture/harbour-pilot', 'A talk with a harbour pilot'],
  ['Settings', '/settings', 'Settings'],
  ['Storage', '/storage', 'Storage'],
  ['Languages', '/languages', 'Languages'],
  ['About', '/about', 'About Kostel'],
  ['Nowhere', '/no/such/place', 'There is nothing here'],
]

async function open(page: Page, address: string, ready: string) {
  const outside: string[] = []
  page.on('request', (r) => {
    if (!r.url().startsWith(new URL(address).origin) && !r.url().startsWith('data:') && !r.url().startsWith('blob:')) outside.push(r.url())
  })
  const errors: string[] = []
  page.on('console', (m) => {
    if (m.type() === 'error') errors.push(m.text())
  })
  await page.goto(address)
  await expect(ready ? page.getByRole('heading', { name: ready, exact: true }).first() : page.getByRole('heading').first()).toBeVisible()
  await page.waitForTimeout(400)
  return { outside, errors }
}

for (const theme of ['light', 'dark'] as const) {
  for (const [name, path, ready] of screens) {
    test(`${name} meets WCAG 2.2 AA, ${theme}`, async ({ browser, demo }) => {
      const context = await browser.newContext({ colorScheme: theme, reducedMotion: 'reduce' })
      const page = await context.newPage()
      const { outside, errors } = await open(page, demo.address + path, ready)
      // All passages are the same component: four of them show what it does, and keep the check short.
      await page.evaluate(() => document.querySelectorAll('[data-passage]').forEach((e, i) => i > 3 && e.remove()))
      const found = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']).analyze()
      expect(found.violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`)).toEqual([])
      expect(outside).toEqual([])
      expect(errors).toEqual([])
      await context.close()
    })
  }
}

test('no screen scrolls sideways at 360 pixels', async ({ browser, demo }) => {
  const page = await browser.newPage({ viewport: { width: 360, height: 740 } })
  for (const [, path] of screens) {
    await page.goto(demo.address + path)
    await expect(page.getByRole('link', { name: 'Library', exact: true })).toBeVisible()
    await page.waitForTimeout(1000)
    const [wide, seen] = await page.evaluate(() => [document.documentElement.scrollWidth, innerWidth])
    expect(wide, path).toBeLessThanOrEqual(seen)
  }
  await page.close()
})
