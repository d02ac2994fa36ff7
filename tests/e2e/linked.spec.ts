import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'
import { passage } from './page.ts'
import { root, test } from './server.ts'

const captions = '1\n00:00:01,000 --> 00:00:04,000\nA dropped text.\n'
const clip = (seconds: number, format: string) =>
  execFileSync('ffmpeg', ['-v', 'error', '-i', join(root, 'demo/media/09-fog.opus'), '-t', String(seconds), '-f', format, 'pipe:1'], { maxBuffer: 1 << 26 })

async function look(page: Page, address: string, ...links: string[]) {
  await page.goto(`${address}/bring-in`)
  await page.getByLabel('Addresses, one a line').fill(links.join('\n'))
  await page.getByRole('button', { name: 'Look', exact: true }).click()
}

const onItsWay = (page: Page) => page.getByRole('region', { name: 'On its way' })
const done = (page: Page) => expect(onItsWay(page).getByRole('progressbar')).toHaveCount(0, { timeout: 120_000 })

test('three files of different kinds are dropped on the library and come in', async ({ page, linked }) => {
  await page.goto(`${linked.address}/library`)
  const files = [
    { name: 'sound.mp3', type: 'audio/mpeg', base64: clip(2, 'mp3').toString('base64') },
    { name: 'old film.avi', type: 'video/x-msvideo', base64: clip(2.5, 'avi').toString('base64') },
    { name: 'words.srt', type: 'text/plain', base64: Buffer.from(captions).toString('base64') },
  ]
  await page.evaluate((given) => {
    const data = new DataTransfer()
    for (const f of given) data.items.add(new File([Uint8Array.from(atob(f.base64), (c) => c.charCodeAt(0))], f.name, { type: f.type }))
    document.body.dispatchEvent(new DragEvent('drop', { dataTransfer: data, bubbles: true, cancelable: true }))
  }, files)
  await expect(page.getByRole('heading', { name: '3 lectures to bring in' })).toBeVisible()
  await page.getByRole('combobox', { name: 'Course of all of them' }).fill('Dropped')
  await page.getByRole('button', { name: 'Bring in 3 lectures' }).click()
  await expect(page.getByRole('list', { name: 'Being sent from this window' }).getByRole('link', { name: 'Open' })).toHaveCount(3)
  await page.goto(`${linked.address}/course/Dropped`)
  await expect(page.locator('#main').getByRole('listitem')).toHaveCount(3)
})

test('a page is looked at, and its captions are taken instead of a transcription', async ({ page, linked, site }) => {
  await look(page, linked.address, `${site}/talks/video-element`, `${site}/trouble/log-in`)
  await expect(page.getByLabel('Title')).toHaveValue('Lying safely at a mooring')
  await expect(page.getByText('a recording · 250 kB · 2 chapters').or(page.getByText('2 chapters'))).toBeVisible()
  await expect(page.getByRole('alert').getByText('lets in only who has logged in there')).toBeVisible()
  await expect(page.getByLabel('Addresses, one a line')).toHaveValue(`${site}/trouble/log-in`)
  const found = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']).analyze()
  expect(found.violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`)).toEqual([])
  await page.getByRole('button', { name: 'Bring in', exact: true }).click()
  await expect(page.getByRole('form', { name: 'About to be brought in' })).toBeHidden()
  await done(page)
  await page.goto(`${linked.address}/library`)
  await page.getByRole('link', { name: 'Lying safely at a mooring' }).click()
  await expect(passage(page, 0)).toContainText('A mooring is a heavy weight on the bottom')
  await expect(page.getByRole('heading', { name: 'What follows from it' })).toBeVisible()
  await expect(page.getByRole('link', { name: new URL(site).host })).toHaveAttribute('href', `${site}/talks/video-element`)
})

test('a feed is followed, and a new episode arrives by itself', async ({ page, request, linked, site }) => {
  await look(page, linked.address, `${site}/feed.xml?name=browser`)
  const sheet = page.getByRole('dialog', { name: 'Evenings on the slip' })
  await sheet.getByRole('combobox', { name: 'Its lectures go into the course' }).fill('Evenings')
  await sheet.getByLabel('Follow it').check()
  await sheet.getByRole('textbox', { name: 'Find an episode' }).fill('mooring')
  await expect(sheet.getByRole('listitem')).toHaveCount(1)
  await sheet.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText('0 of 2 episodes here')).toBeVisible()
  await request.post(`${site}/publish?name=browser`)
  await page.getByRole('button', { name: 'Ask Evenings on the slip now' }).click()
  await expect(page.getByText('1 of 3 episodes here')).toBeVisible()
  await expect(onItsWay(page).getByRole('link', { name: 'Lights of the harbour at night' })).toBeVisible()
  await done(page)
})

test('what is fetched can be stopped and tried again', async ({ page, linked, site }) => {
  await look(page, linked.address, `${site}/trouble/stalls`)
  await page.getByLabel('Title').fill('It never comes')
  await page.getByRole('button', { name: 'Bring in', exact: true }).click()
  const row = onItsWay(page).getByRole('listitem').filter({ hasText: 'It never comes' })
  await expect(row.getByText('Fetching')).toBeVisible()
  await row.getByRole('button', { name: 'Cancel' }).click()
  await expect(row.getByText('Stopped.')).toBeVisible()
  await row.getByRole('button', { name: 'Try again' }).click()
  await expect(row.getByText('Fetching')).toBeVisible()
  await row.getByRole('button', { name: 'Cancel' }).click()
  await expect(row.getByText('Stopped.')).toBeVisible()
})

test('a routine is run over lectures that are there', async ({ page, linked }) => {
  const talk = readFileSync(join(root, 'demo/transcripts/03-rule-of-twelfths.json'))
  await page.goto(`${linked.address}/bring-in`)
  await page.getByLabel('Choose files').setInputFiles({ name: 'twelfths.json', mimeType: 'application/json', buffer: talk })
  await page.getByLabel('Course').first().fill('Old ones')
  await page.getByRole('button', { name: 'Bring in', exact: true }).click()
  await expect(page.getByText('Here, and ready to read.')).toBeVisible()
  await page.goto(`${linked.address}/course/Old%20ones`)
  await page.getByRole('button', { name: 'Routine' }).click()
  const sheet = page.getByRole('dialog', { name: 'Routine of Old ones' })
  await sheet.getByLabel('Cards').check()
  const found = await new AxeBuilder({ page }).include('.k-sheet').withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']).analyze()
  expect(found.violations.map((v) => v.id)).toEqual([])
  await sheet.getByRole('button', { name: 'run over the lecture here' }).click()
  await expect(page.getByText(/^\d+ due$/)).toBeVisible()
})

test('a recording that is there already is offered as what it is', async ({ page, linked }) => {
  const file = { name: 'twice.mp3', mimeType: 'audio/mpeg', buffer: clip(3, 'mp3') }
  for (const title of ['The first time', 'The second time']) {
    await page.goto(`${linked.address}/bring-in`)
    await page.getByLabel('Choose files').setInputFiles(file)
    await page.getByLabel('Title').fill(title)
    await page.getByRole('button', { name: 'Bring in', exact: true }).click()
    const list = page.getByRole('list', { name: 'Being sent from this window' })
    await expect(title === 'The first time' ? list.getByRole('link', { name: 'Open' }) : list.getByText('has the same recording already')).toBeVisible()
  }
  await expect(page.getByRole('link', { name: 'The first time' }).first()).toBeVisible()
  await page.getByRole('button', { name: 'Bring in once more' }).click()
  await page.getByRole('link', { name: 'Open' }).click()
  await expect(page.getByRole('heading', { name: 'The second time' })).toBeVisible()
})
