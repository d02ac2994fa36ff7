import { expect } from '@playwright/test'
import { passage } from './page.ts'
import { test } from './server.ts'

test('a link to a lecture fetches its screen and its text once, while the program is still being read', async ({ page, demo }) => {
  const id = 'why-tides'
  const unused: string[] = []
  page.on('console', (m) => m.text().includes('preload') && unused.push(m.text()))
  await page.goto(`${demo.address}/lecture/${id}`)
  await expect(passage(page, 0)).not.toBeEmpty()
  const fetched = await page.evaluate(() => performance.getEntriesByType('resource').map((e) => ({ url: new URL(e.name).pathname, start: e.startTime, end: (e as PerformanceResourceTiming).responseEnd })))
  const of = (part: RegExp) => fetched.filter((f) => part.test(f.url))
  for (const part of [/LectureScreen.*\.js$/, /\/transcript$/, new RegExp(`/lectures/${id}$`), /\/marks$/]) expect(of(part), String(part)).toHaveLength(1)
  expect(of(/LectureScreen.*\.js$/)[0]?.start).toBeLessThan(of(/base.*\.js$/)[0]?.end ?? 0)
  // A browser complains of what was fetched early and not used, some seconds after.
  await page.waitForTimeout(5000)
  expect(unused).toEqual([])
})

for (const [address, parts] of [
  ['/', [/TodayScreen.*\.js$/, /\/api\/today$/]],
  ['/library', [/LibraryScreen.*\.js$/, /\/api\/library$/]],
  ['/search', [/SearchScreen.*\.js$/, /\/search\/choices$/]],
  ['/ask', [/AskScreen.*\.js$/]],
  ['/review', [/ReviewScreen.*\.js$/]],
  ['/bring-in', [/BringInScreen.*\.js$/]],
  ['/course/Tides%20and%20harbours', [/CourseScreen.*\.js$/]],
] as const)
  test(`${address}: its screen, and what it asks for first, are fetched while the program is still being read`, async ({ page, demo }) => {
    await page.goto(demo.address + address)
    await expect(page.getByRole('main').getByRole('heading').first()).toBeVisible()
    // A browser lists what it fetched once it has come.
    const fetched = (part: RegExp) =>
      page.evaluate((source) => performance.getEntriesByType('resource').filter((e) => new RegExp(source).test(new URL(e.name).pathname)).map((e) => ({ start: e.startTime, end: (e as PerformanceResourceTiming).responseEnd }))[0], part.source)
    const program = await fetched(/base.*\.js$/)
    for (const part of parts) {
      await expect.poll(() => fetched(part), String(part)).toBeTruthy()
      expect((await fetched(part))?.start, String(part)).toBeLessThan(program?.end ?? 0)
    }
  })

test('the highlights of the text are worked out for passages only', async ({ page, demo }) => {
  await page.goto(`${demo.address}/lecture/why-tides`)
  await expect(passage(page, 0)).not.toBeEmpty()
  const rules = await page.evaluate(() =>
    [...document.styleSheets].flatMap((s) => [...s.cssRules]).map((r) => (r as CSSStyleRule).selectorText ?? '').filter((s) => s.includes('::highlight')),
  )
  expect(rules.length).toBeGreaterThan(5)
  for (const rule of rules) expect(rule).toMatch(/\bp::highlight/)
})
