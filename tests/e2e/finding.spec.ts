import AxeBuilder from '@axe-core/playwright'
import { expect, type Locator, type Page } from '@playwright/test'
import { test } from './server.ts'

const tides = '/lecture/why-tides'
const viewOf = async (band: Locator) => ((await band.getAttribute('data-view')) ?? '').split('-').map(Number) as [number, number]
const rules = ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']

async function boxOf(place: Locator) {
  const box = await place.boundingBox()
  if (!box) throw new Error('not on the screen')
  return box
}
const soundIsThere = (band: Locator) => expect.poll(async () => Number(await band.getAttribute('data-sound'))).toBeGreaterThan(100)

test('something is searched for from a lecture, found with its second, heard and gone to, by keyboard', async ({ page, demo }) => {
  await page.goto(demo.address + tides)
  await expect(page.getByRole('heading', { name: 'Why there are tides' })).toBeVisible()
  await page.keyboard.press('F')
  const field = page.getByRole('searchbox', { name: 'What to look for' })
  await expect(field).toBeFocused()
  await page.keyboard.type('buffring')
  await expect(page.getByText(/“buffring” stands nowhere; looked for/)).toBeVisible()
  const acidity = page.getByRole('region', { name: 'Soil acidity and lime' })
  await expect(acidity.locator('mark').first()).toHaveText(/^bu[ft]+ering/i)
  await expect(page).toHaveURL(/search\?q=buffring/)
  await acidity.getByRole('button', { name: /^Hear/ }).first().click()
  await expect(acidity.getByRole('button', { name: 'Stop' })).toBeVisible()
  await acidity.getByRole('button', { name: 'Stop' }).click()
  await field.focus()
  await page.keyboard.press('ArrowDown')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/(lecture|course)\//)
  await page.goBack()
  await expect(field).toHaveValue('buffring')
})

test('a search is narrowed, says what each thing is, and finds nothing without a fault', async ({ page, demo }) => {
  await page.goto(`${demo.address}/search?q=handout`)
  await expect(page.getByText('Mark', { exact: true })).toBeVisible()
  await page.goto(`${demo.address}/search?q=tide&course=Soil%20science%20for%20growers`)
  await expect(page.getByText('Nothing found')).toBeVisible()
  await page.getByRole('button', { name: 'Look everywhere' }).click()
  await expect(page.getByRole('region', { name: 'Why there are tides' })).toBeVisible()
  await page.getByRole('searchbox').fill('""" ?')
  await expect(page.getByText('signs alone stand nowhere')).toBeVisible()
})

test('the stave is looked at closer, selected on and kept to its words, by pointer and by key', async ({ page, demo }) => {
  await page.goto(demo.address + tides)
  const band = page.getByRole('slider', { name: 'Time in the lecture' })
  await soundIsThere(band)
  const box = await boxOf(band)
  await page.mouse.move(box.x + box.width / 2, box.y + 40)
  await page.mouse.wheel(0, -800)
  await expect.poll(async () => (([a, b]) => b - a)(await viewOf(band))).toBeLessThan(200_000)
  const [from, to] = await viewOf(band)
  expect((from + to) / 2).toBeGreaterThan(200_000)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 + 90, box.y + 40, { steps: 4 })
  await page.mouse.up()
  const bar = page.getByRole('toolbar', { name: 'What is selected' })
  await expect(bar).toBeVisible()
  await bar.getByRole('button', { name: 'Key' }).click()
  await expect(page.getByText('Marked as key').or(page.locator('.notes').getByText('Key').last())).toBeVisible()
  await band.focus()
  await page.keyboard.press('Escape')
  await page.keyboard.press('0')
  await expect.poll(() => viewOf(band)).toEqual([0, expect.any(Number)])
  await page.keyboard.press('Home')
  await page.keyboard.press('+')
  await page.keyboard.press('Shift+ArrowRight')
  await expect(bar).toBeVisible()
  // The same for whoever does not see it: a list of what is drawn.
  await page.getByText('The stave as a list').focus()
  await page.keyboard.press('Enter')
  await page.locator('.parts').getByRole('button', { name: /Spring tide/ }).first().press('Enter')
  await expect.poll(async () => Number(await band.getAttribute('aria-valuenow'))).toBeGreaterThan(120)
})

test('a chapter is begun elsewhere by its edge on the stave and by key, and that is taken back', async ({ page, demo }) => {
  await page.goto(`${demo.address}/lecture/soil-texture`)
  const band = page.getByRole('slider', { name: 'Time in the lecture' })
  await soundIsThere(band)
  const chapters = () =>
    page.evaluate(async () => {
      const answer = await fetch('/api/lectures/soil-texture/transcript')
      const { chapters, passages } = (await answer.json()) as { chapters: { startMs: number; endMs: number }[]; passages: { startMs: number; endMs: number }[] }
      return { starts: chapters.map((c) => c.startMs), passages: passages.map((p) => p.startMs), end: chapters.at(-1)?.endMs ?? 0 }
    })
  const before = await chapters()
  const box = await boxOf(band)
  const at = (ms: number) => box.x + (ms / before.end) * box.width
  // A chapter of more than one passage: it can begin at its second.
  const [which, target] = before.starts
    .map((start, i) => [i, before.passages.find((p) => p > start && p < (before.starts[i + 1] ?? Infinity)) ?? 0] as const)
    .find(([i, p]) => i > 0 && p > 0) ?? [0, 0]
  const second = before.starts[which] ?? 0
  expect(target).toBeGreaterThan(0)
  await page.mouse.move(at(second), box.y + 10)
  await page.mouse.down()
  await page.mouse.move(at(target), box.y + 12, { steps: 5 })
  await page.mouse.up()
  await expect.poll(async () => (await chapters()).starts[which]).toBe(target)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(async () => (await chapters()).starts[which]).toBe(second)
  await page.getByRole('textbox', { name: /^Title of the chapter at/ }).nth(which).focus()
  await page.keyboard.press('Alt+ArrowDown')
  await expect.poll(async () => (await chapters()).starts[which]).toBe(target)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(async () => (await chapters()).starts[which]).toBe(second)
})

test('another title for a chapter is chosen by keyboard among those that it could have', async ({ page, demo }) => {
  await page.goto(demo.address + tides)
  const title = page.getByRole('textbox', { name: /^Title of the chapter at/ }).nth(2)
  const before = await title.innerText()
  await title.focus()
  const others = page.getByRole('group', { name: 'Other titles' })
  await expect(others.getByRole('button')).not.toHaveCount(0)
  expect((await new AxeBuilder({ page }).analyze()).violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html).join(' ')}`)).toEqual([])
  await page.keyboard.press('Tab')
  const other = await others.getByRole('button').first().innerText()
  expect(other).not.toBe(before)
  await page.keyboard.press('Enter')
  await expect(title).toHaveText(other)
  await expect(others).toBeHidden()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(title).toHaveText(before)
})

test('a subject lights up on the stave, is played alone and goes into the listening plan', async ({ page, demo }) => {
  await page.goto(demo.address + tides)
  await page.getByRole('navigation', { name: 'Desk' }).getByRole('button', { name: 'Subject' }).click()
  const desk = page.getByRole('region', { name: 'Subject' })
  await desk.getByLabel('A subject to look for in this lecture').fill('spring tides')
  await page.keyboard.press('Enter')
  await expect(desk.getByText(/\d places, .* of/)).toBeVisible({ timeout: 20_000 })
  const count = await desk.getByRole('listitem').count()
  await expect(page.locator('[data-spans]')).toHaveAttribute('data-spans', String(count))
  await desk.getByRole('button', { name: 'Play just these' }).click()
  const band = page.getByRole('slider', { name: 'Time in the lecture' })
  await expect.poll(async () => Number(await band.getAttribute('aria-valuenow'))).toBeGreaterThan(60)
  await desk.getByRole('button', { name: 'Into the listening plan' }).click()
  await expect(page.getByRole('region', { name: 'Listening plan' }).getByText(/^spring tides · /).first()).toBeVisible()
})

test('a listening plan is proposed, played in order, kept, gone on with and taken away as sound', async ({ page, demo }) => {
  await page.goto(`${demo.address}/lecture/soil-water?desk=plan`)
  const desk = page.getByRole('region', { name: 'Listening plan' })
  await desk.getByRole('spinbutton', { name: 'Minutes' }).fill('3')
  await desk.getByRole('button', { name: 'Propose chapters' }).click()
  await expect(desk.getByText(/min instead of 6 min/)).toBeVisible()
  expect(await desk.getByRole('checkbox', { checked: true }).count()).toBeGreaterThan(0)
  await desk.getByRole('button', { name: 'Play the plan' }).click()
  await expect(desk.getByRole('button', { name: 'Pause' })).toBeVisible()
  await page.waitForTimeout(2500)
  await desk.getByRole('button', { name: 'Pause' }).click()
  // What was heard is remembered.
  await expect.poll(() => page.evaluate(async () => ((await (await fetch('/api/lectures/soil-water/heard')).json()) as unknown[]).length)).toBeGreaterThan(0)
  await desk.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByRole('heading', { name: 'Water in the soil' })).toBeVisible()
  const found = await new AxeBuilder({ page }).withTags(rules).analyze()
  expect(found.violations.map((v) => v.id)).toEqual([])
  await page.getByRole('button', { name: 'Listen', exact: true }).click()
  await expect(page.getByRole('img', { name: /^0:0[2-9] of/ })).toBeVisible()
  const noted = page.waitForResponse((r) => r.url().endsWith('/at'))
  await page.getByRole('button', { name: 'Pause' }).click()
  await noted
  await page.reload()
  await expect(page.getByRole('button', { name: 'Go on listening' })).toBeVisible()
  await page.goto(demo.address)
  await page.getByRole('region', { name: 'Listening plans' }).getByRole('link', { name: 'Water in the soil' }).click()
  const sound = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Take away as one sound file' }).click()
  expect((await sound).suggestedFilename()).toBe('Water in the soil.m4a')
})

test('a course shows how far one is, and is renamed; the library is filtered and several lectures done at once', async ({ page, demo }) => {
  await page.goto(`${demo.address}/course/Talks%20at%20the%20quay`)
  await expect(page.getByRole('img', { name: /A talk with a harbour pilot: \d+ chapters/ })).toBeVisible()
  await page.getByRole('button', { name: 'Rename' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Talks by the water')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('heading', { name: 'Talks by the water' })).toBeVisible()

  await page.goto(`${demo.address}/library`)
  await page.getByRole('textbox', { name: 'Title or course' }).fill('water')
  await expect(page.getByText('3 lectures', { exact: true })).toBeVisible()
  await page.getByRole('checkbox', { name: 'Choose all of Talks by the water' }).check()
  const bar = page.getByRole('toolbar', { name: 'Chosen lectures' })
  await expect(bar).toContainText('2 chosen')
  const found = await new AxeBuilder({ page }).withTags(rules).analyze()
  expect(found.violations.map((v) => v.id)).toEqual([])
  const texts = page.waitForEvent('download')
  await bar.getByRole('button', { name: 'Take away' }).click()
  await page.getByText('Markdown').click()
  expect((await texts).suggestedFilename()).toBe('lectures.zip')
  await bar.getByRole('button', { name: 'Put in the bin' }).click()
  await expect(page.getByText('2 lectures in the bin.')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('link', { name: 'A talk with a harbour pilot' })).toBeVisible()
})

test('a list of terms goes out as a table and comes in again', async ({ page, demo }) => {
  await page.goto(`${demo.address}/course/Soil%20science%20for%20growers/terms`)
  const table = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Take away as a table (TSV)' }).click()
  expect((await table).suggestedFilename()).toBe('Soil science for growers terms.tsv')
  await page.getByLabel('A table of terms').setInputFiles({ name: 'more.tsv', mimeType: 'text/tab-separated-values', buffer: Buffer.from('term\tsounds like\ngley\tglay\n') })
  await expect(page.getByText('1 added; save to keep them.')).toBeVisible()
  await expect(page.getByRole('textbox', { name: 'Terms, one a line' })).toHaveValue(/gley = glay$/)
  page.on('dialog', (d) => void d.accept())
})

/** Something is drawn, and not only once. */
test('the sound stands on the stave at once when a lecture is opened again', async ({ page, demo }) => {
  await page.goto(demo.address + tides)
  await soundIsThere(page.getByRole('slider', { name: 'Time in the lecture' }))
  const inked = (p: Page) =>
    p.evaluate(() => {
      const canvas = document.querySelector<HTMLCanvasElement>('.band canvas')
      const pixels = canvas?.getContext('2d')?.getImageData(0, 0, canvas.width, canvas.height).data ?? []
      let count = 0
      for (let i = 3; i < pixels.length; i += 4) if (pixels[i]) count++
      return count
    })
  await expect.poll(() => inked(page)).toBeGreaterThan(2000)
})

test('a question in the search is answered out of the lectures, with its place, which plays and is gone to', async ({ page, demo }) => {
  await page.goto(`${demo.address}/search`)
  await page.getByRole('searchbox').fill('How much lime does a soil lose every year?')
  const answer = page.getByRole('region', { name: 'Answer' })
  await expect(answer).toContainText('half a ton of lime')
  await expect(answer).toContainText('Soil acidity and lime')
  await answer.getByRole('button', { name: /^Hear/ }).first().click()
  await expect(answer.getByRole('button', { name: 'Stop' })).toBeVisible()
  await expect(answer.getByRole('link', { name: /Soil acidity and lime/ }).first()).toHaveAttribute('href', /lecture\/soil-acidity\?t=\d+/)
  await answer.getByRole('link', { name: 'Ask on in a thread' }).click()
  await expect(page.getByRole('textbox', { name: 'Ask all your lectures' })).toHaveValue('How much lime does a soil lose every year?')
})

test('a lecture offers questions that it answers', async ({ page, demo }) => {
  await page.goto(`${demo.address}/lecture/tidal-streams?desk=ask`)
  const desk = page.getByRole('region', { name: 'Ask' })
  await desk.getByRole('button', { name: 'What is slack water?' }).click()
  await expect(desk.getByRole('heading', { name: 'What is slack water?' })).toBeVisible()
  await expect(desk.getByRole('listitem').first()).toContainText('the short time when')
  await expect(desk.getByText('Worth asking')).toBeHidden()

  // A question that makes sense only after it.
  await desk.getByRole('textbox').fill('When does it come?')
  await desk.getByRole('textbox').press('Enter')
  await expect(desk.getByText('Taken with “slack”, “water” of the question before.')).toBeVisible()
  await desk.getByRole('button', { name: 'Ask it by itself' }).click()
  await expect(desk.getByRole('article')).toHaveCount(3)
  await expect(desk.getByRole('article').last().getByText(/Taken with/)).toBeHidden()
})
