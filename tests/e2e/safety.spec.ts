import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, type Page } from '@playwright/test'
import { clickWord, passage } from './page.ts'
import { root, test } from './server.ts'

const captions = `1
00:00:01,000 --> 00:00:04,000
The tied rises twice a day.

2
00:00:05,000 --> 00:00:09,000
Slack water comes between two streams.
`

async function bring(page: Page, address: string, name: string, text: string | Buffer = captions) {
  await page.goto(`${address}/bring-in`)
  await page.getByLabel('Choose files').setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text) })
  await page.getByRole('button', { name: 'Bring in', exact: true }).click()
  const list = page.getByRole('list', { name: 'Being sent from this window' })
  await list.getByRole('link', { name: 'Open' }).last().click()
  await expect(passage(page, 0)).not.toBeEmpty()
}

test('words typed a moment before a reload are there after it', async ({ page, empty }) => {
  await bring(page, empty.address, 'reload.srt')
  await clickWord(page, 'twice')
  await page.keyboard.type('surely ')
  // Well before it is saved by itself.
  await page.reload()
  await expect(passage(page, 0)).toContainText('surely')
  await page.waitForTimeout(1200)
  await page.reload()
  await expect(passage(page, 0)).toContainText('surely')
})

test('words typed a moment before the tab is closed are there in another', async ({ page, context, empty }) => {
  await bring(page, empty.address, 'close.srt')
  const address = page.url()
  await clickWord(page, 'rises')
  await page.keyboard.type('really ')
  await page.close()
  const other = await context.newPage()
  await other.goto(address)
  await expect(passage(other, 0)).toContainText('really')
})

test('words typed while Kostel is away are saved after a reload', async ({ page, empty }) => {
  await bring(page, empty.address, 'away.srt')
  await page.route('**/edits', (route) => route.abort())
  await clickWord(page, 'rises')
  await page.keyboard.type('always ')
  await expect(page.getByText('Kostel does not answer').first()).toBeVisible()
  page.on('dialog', (dialog) => void dialog.accept())
  await page.unroute('**/edits')
  await page.reload()
  await expect(passage(page, 0)).toContainText('always')
  await expect(page.getByText('What you typed last was not saved yet. It is now.')).toBeVisible()
})

test('a text that is brought in is ready to read, and says so', async ({ page, empty }) => {
  await page.goto(`${empty.address}/bring-in`)
  await page.getByLabel('Choose files').setInputFiles({ name: 'ready.srt', mimeType: 'text/plain', buffer: Buffer.from(captions) })
  await page.getByRole('button', { name: 'Bring in', exact: true }).click()
  await expect(page.getByText('Here, and ready to read.').last()).toBeVisible()
  await expect(page.getByText('writing it down')).toHaveCount(0)
})

test('a forgotten card comes once more in the sitting, a grade is taken back, and the end speaks of it', async ({ page, empty }) => {
  await bring(page, empty.address, 'cards.json', readFileSync(join(root, 'demo/transcripts/01-why-tides.json')))
  const lecture = page.url().split('/').at(-1)
  await page.request.post(`${empty.address}/api/lectures/${lecture}/cards`, { data: {} })
  await page.goto(`${empty.address}/review?lecture=${lecture}`)
  const front = page.getByRole('heading', { level: 1 })
  const first = await front.textContent()
  const left = page.getByText(/cards? left/)
  const total = Number(/\d+/.exec((await left.textContent()) ?? '')?.[0])
  await page.keyboard.press('Space')
  await page.keyboard.press('3')
  await expect(left).toContainText(`${total - 1} card`)
  await page.keyboard.press('u')
  await expect(front).toHaveText(first ?? '')
  await expect(left).toContainText(`${total} card`)
  await page.keyboard.press('Space')
  await page.keyboard.press('1')
  await expect(front).not.toHaveText(first ?? '')
  for (let n = total - 1; n >= 1; n--) {
    await expect(left).toContainText(`${n + 1} card`)
    await page.keyboard.press('Space')
    await page.keyboard.press('4')
  }
  await expect(front).toHaveText(first ?? '')
  await expect(page.getByText('once more, forgotten before')).toBeVisible()
  await page.keyboard.press('Space')
  await page.keyboard.press('2')
  await expect(page.getByText(`You went through ${total} cards. 1 card forgotten at first came once more.`)).toBeVisible()
})

test('going back to the library finds the place again', async ({ page, demo }) => {
  await page.setViewportSize({ width: 1000, height: 400 })
  await page.goto(`${demo.address}/library`)
  await page.getByRole('link', { name: 'Why there are tides' }).scrollIntoViewIfNeeded()
  const before = await page.evaluate(() => scrollY)
  expect(before).toBeGreaterThan(100)
  await page.getByRole('link', { name: 'Why there are tides' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Why there are tides')
  await page.goBack()
  await expect.poll(() => page.evaluate(() => scrollY)).toBe(before)
})

test('every window says where it is', async ({ page, demo }) => {
  for (const [path, title] of [
    ['/', 'Today'],
    ['/library', 'Library'],
    ['/review', 'Review'],
    ['/bring-in', 'Bring in'],
    ['/settings', 'Settings'],
    ['/storage', 'Storage'],
    ['/languages', 'Languages'],
    ['/about', 'About'],
    ['/lecture/soil-water', 'Water in the soil'],
  ]) {
    await page.goto(demo.address + path)
    await expect(page).toHaveTitle(`${title} · Kostel`)
  }
})

test('on a phone everything can be reached, the foot stays low, and an open desk has a heading', async ({ page, demo }) => {
  await page.setViewportSize({ width: 390, height: 800 })
  await page.goto(`${demo.address}/lecture/tide-table`)
  const foot = page.locator('footer').filter({ has: page.getByRole('button', { name: 'Play' }) })
  expect((await foot.boundingBox())?.height).toBeLessThan(800 * 0.16)
  await page.goto(`${demo.address}/lecture/tide-table?desk=cards`)
  await expect(page.getByRole('heading', { level: 1, name: 'Reading a tide table' })).toBeVisible()
  await page.getByRole('link', { name: 'Settings' }).click()
  await page.getByRole('button', { name: 'Show them' }).click()
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Night chart' }).click()
  await expect(page.getByRole('button', { name: 'Day chart' })).toBeVisible()
  await page.getByRole('link', { name: 'About Kostel' }).click()
  await expect(page.getByRole('heading', { name: 'About Kostel' })).toBeVisible()
})

test('the bin is emptied after a question, and everything is saved in one file', async ({ page, empty }) => {
  await bring(page, empty.address, 'gone.srt')
  const lecture = page.url().split('/').at(-1)
  await page.request.delete(`${empty.address}/api/lectures/${lecture}`)
  await page.goto(`${empty.address}/storage`)
  await page.getByRole('button', { name: 'Empty the bin' }).click()
  await page.getByRole('dialog', { name: 'Empty the bin' }).getByRole('button', { name: 'Empty the bin' }).click()
  await expect(page.getByText(/gone for good/)).toBeVisible()
  const saved = page.waitForEvent('download')
  await page.getByRole('link', { name: 'Save everything' }).click()
  expect((await saved).suggestedFilename()).toMatch(/^kostel-\d{4}-\d\d-\d\d-\d{4}\.zip$/)
})

test('a browser without the key is told what to do', async ({ browser, demo }) => {
  const context = await browser.newContext({ storageState: { cookies: [], origins: [] } })
  const page = await context.newPage()
  await page.goto(`${demo.address}/library`)
  await expect(page.getByText('./kostel open')).toBeVisible()
  await context.close()
})
