import { readFileSync } from 'node:fs'
import { inflateRawSync } from 'node:zlib'
import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'
import { clickWord, highlighted, passage, saved, selectWords } from './page.ts'
import { test } from './server.ts'

const srt = `1
00:00:01,000 --> 00:00:05,000
The tied rises twice a day, the pilot says.

2
00:00:06,000 --> 00:00:10,000
A spring tied is the highest of all.

3
00:00:11,000 --> 00:00:15,000
Slack water comes between two streams.
`

/** A lecture of a short text, in a course of its own, opened. */
async function bring(page: Page, address: string, title: string) {
  await page.goto(`${address}/bring-in`)
  await page.getByLabel('Choose files').setInputFiles({ name: 'tides.srt', mimeType: 'text/plain', buffer: Buffer.from(srt) })
  await page.getByLabel('Title').fill(title)
  await page.getByLabel('Course').first().fill('Seas')
  // The list of courses lies over what is below it until the field is left.
  await page.keyboard.press('Tab')
  await page.getByRole('button', { name: 'Bring in', exact: true }).click()
  await page.getByRole('link', { name: 'Open' }).last().click()
  await expect(passage(page, 0)).toContainText('The tied rises')
}

test('a word is corrected by keyboard, and that is taken back and done again', async ({ page, empty }) => {
  await bring(page, empty.address, 'Correcting')
  await page.keyboard.press('e')
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight')
  for (let i = 0; i < 4; i++) await page.keyboard.press('Delete')
  await page.keyboard.type('tide')
  await page.keyboard.press('Escape')
  await saved(page)
  await expect(passage(page, 0)).toContainText('The tide rises')
  await page.reload()
  await expect(passage(page, 0)).toContainText('The tide rises')
  await page.keyboard.press('Control+z')
  await expect(passage(page, 0)).toContainText('The tied rises')
  await page.keyboard.press('Control+Shift+z')
  await expect(passage(page, 0)).toContainText('The tide rises')
  await page.getByRole('button', { name: 'Changes' }).click()
  await expect(page.getByRole('region', { name: 'Changes' })).toContainText('1 place')
})

test('after a correction the same is corrected elsewhere, and the word becomes a term', async ({ page, empty }) => {
  await bring(page, empty.address, 'The same again')
  await clickWord(page, 'tied')
  await page.keyboard.press('Home')
  for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight')
  for (let i = 0; i < 4; i++) await page.keyboard.press('Shift+ArrowRight')
  await page.keyboard.type('tide')
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Add “tide” to the terms of Seas' }).click()
  await page.getByRole('button', { name: 'The same in 1 other place?' }).click()
  const sheet = page.getByRole('dialog', { name: 'Find and replace' })
  await expect(sheet).toContainText('A spring tied tide is the highest')
  await sheet.getByRole('button', { name: 'Replace at 1 place' }).click()
  await expect(sheet).toBeHidden()
  await expect(page.locator('article')).toContainText('A spring tide is the highest')
  await page.goto(`${empty.address}/course/Seas/terms`)
  await expect(page.getByRole('textbox')).toHaveValue('tide')
})

test('a replacement is taken back with what was made, from its notice and by keys', async ({ page, empty }) => {
  await bring(page, empty.address, 'Taken back')
  await selectWords(page, 0, 'spring tied')
  await page.getByRole('toolbar', { name: 'What is selected' }).getByRole('button', { name: 'Note' }).click()
  await page.getByRole('dialog').getByRole('textbox', { name: 'Note' }).fill('Learn the spring tied')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  const note = page.locator('button.note')
  await expect(note).toContainText('Learn the spring tied')
  await page.keyboard.press('/')
  await page.keyboard.insertText('tied')
  await page.getByRole('button', { name: 'Replace' }).click()
  const sheet = page.getByRole('dialog', { name: 'Find and replace' })
  await sheet.getByLabel('Write instead').fill('tide')
  await sheet.getByRole('button', { name: /Replace at \d places/ }).click()
  await expect(note).toContainText('Learn the spring tide')
  await expect(passage(page, 0)).toContainText('The tide rises')
  await page.getByRole('button', { name: 'Undo' }).last().click()
  await expect(passage(page, 0)).toContainText('The tied rises')
  await expect(note).toContainText('Learn the spring tied')
  await page.keyboard.press('Escape')
  await page.keyboard.press('Control+Shift+z')
  await expect(note).toContainText('Learn the spring tide')
  await page.keyboard.press('Control+z')
  await expect(note).toContainText('Learn the spring tied')
})

test('the wording of a card is taken back where the card is seen', async ({ page, demo }) => {
  await page.goto(`${demo.address}/lecture/soil-acidity?desk=cards`)
  await page.getByRole('button', { name: 'Make cards' }).click()
  await page.getByRole('button', { name: /^Add \d+ cards?$/ }).click()
  const cards = page.getByRole('region', { name: 'Cards' })
  const first = cards.locator('details').first()
  const was = (await first.locator('summary').innerText()).trim()
  await first.locator('summary').click()
  await first.getByRole('button', { name: 'Correct the wording' }).click()
  await cards.getByLabel('Question').fill('What is lime for?')
  await cards.getByRole('button', { name: 'Save' }).click()
  await expect(first.locator('summary')).toHaveText('What is lime for?')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(first.locator('summary')).toHaveText(was)
  await page.getByRole('button', { name: 'Redo' }).click()
  await expect(first.locator('summary')).toHaveText('What is lime for?')
})

test('a passage is split, its border moved, joined, and given to somebody else', async ({ page, empty }) => {
  await bring(page, empty.address, 'Passages')
  await clickWord(page, 'spring')
  await page.keyboard.press('Control+ArrowLeft')
  await page.keyboard.press('Enter')
  await expect(passage(page, 1)).toHaveText(/^spring tied/)
  await page.keyboard.press('Control+ArrowRight')
  await page.keyboard.press('Alt+ArrowUp')
  await expect(passage(page, 0)).toHaveText(/A spring$/)
  await passage(page, 1).hover()
  await page.getByRole('button', { name: /^More for the passage at/ }).nth(1).click()
  await page.getByText('Somebody else').click()
  await expect(page.getByRole('button', { name: 'Voice 2', exact: true })).toBeVisible()
  await clickWord(page, 'tied is')
  await page.keyboard.press('Home')
  await page.keyboard.press('Backspace')
  await expect(page.locator('[data-passage]')).toHaveCount(1)
  await expect(page.getByRole('button', { name: 'Voice 2', exact: true })).toHaveCount(0)
})

test('what is typed just before a passage is split is kept', async ({ page, empty }) => {
  await bring(page, empty.address, 'Typing on')
  await clickWord(page, 'Slack')
  await page.keyboard.press('Control+ArrowLeft')
  await page.keyboard.type('Then ')
  await page.keyboard.press('Enter')
  await expect(page.locator('[data-passage]')).toHaveCount(2)
  await expect(passage(page, 0)).toHaveText(/Then$/)
  await page.keyboard.type('So ')
  await page.keyboard.press('Control+z')
  await expect(passage(page, 1)).toHaveText(/^Slack water/)
})

test('at rest only what is likely wrong is underlined; the rest while one checks, or where one wants it', async ({ page, demo }) => {
  await page.goto(`${demo.address}/lecture/why-tides`)
  await expect.poll(() => highlighted(page, 'guessed').then((words) => words.length)).toBeGreaterThan(0)
  await expect.poll(() => highlighted(page, 'unsure')).toEqual([])
  await page.getByRole('button', { name: /doubtful word/ }).click()
  await expect.poll(() => highlighted(page, 'unsure').then((words) => words.length)).toBeGreaterThan(3)
  await page.getByRole('button', { name: 'Close' }).first().click()
  await expect.poll(() => highlighted(page, 'unsure')).toEqual([])

  await page.getByRole('button', { name: 'Page', exact: true }).click()
  await page.getByRole('radio', { name: 'None' }).check()
  await expect.poll(() => highlighted(page, 'guessed')).toEqual([])
  await page.getByRole('radio', { name: 'All' }).check()
  await expect.poll(() => highlighted(page, 'unsure').then((words) => words.length)).toBeGreaterThan(3)
  await page.getByRole('radio', { name: 'Likely wrong' }).check()
  await expect.poll(() => highlighted(page, 'unsure')).toEqual([])
})

test('the doubtful words are walked through, heard, found right and corrected', async ({ page, demo }) => {
  await page.goto(`${demo.address}/lecture/rule-of-twelfths`)
  const before = (await page.getByRole('button', { name: /doubtful word/ }).innerText()).match(/\d+/u)?.[0]
  await page.getByRole('button', { name: /doubtful word/ }).click()
  const bar = page.getByRole('form', { name: 'Doubtful words' })
  await expect(bar.getByRole('status')).toHaveText(`1 of ${before}`)
  await expect.poll(() => page.locator('audio').evaluate((m: HTMLMediaElement) => m.paused)).toBe(false)
  const word = bar.getByLabel('The word')
  const first = await word.inputValue()
  await expect.poll(() => highlighted(page, 'checked')).toEqual([first])
  await word.press('Enter')
  await expect(bar.getByRole('status')).toHaveText(`2 of ${before}`)
  await word.fill('kelpie')
  await word.press('Enter')
  await expect(bar.getByRole('status')).toHaveText(`3 of ${before}`)
  await expect(page.locator('article')).toContainText('kelpie')
  await word.press('ArrowDown')
  await word.press('Escape')
  await expect(bar).toBeHidden()
  await expect(page.getByRole('button', { name: `Check ${Number(before) - 2} doubtful words` })).toBeVisible()
})

test('find counts, marks and walks through every hit, on the page and on the stave', async ({ page, demo }) => {
  await page.goto(`${demo.address}/lecture/why-tides`)
  await expect(passage(page, 0)).not.toBeEmpty()
  await page.keyboard.press('Control+f')
  await page.getByRole('textbox', { name: 'Find in this lecture' }).fill('High Water')
  const text = (await page.locator('[data-passage] p').allTextContents()).join('\n').toLowerCase()
  const count = text.split('high water').length - 1
  await expect(page.getByRole('search').getByRole('status')).toHaveText(`1 of ${count}`)
  await expect(page.locator('[data-spans]')).toHaveAttribute('data-spans', String(count))
  // A long page is laid out piece by piece, and what is marked on it follows.
  await expect.poll(async () => (await highlighted(page, 'found')).length).toBe(count)
  await page.keyboard.press('Enter')
  await expect(page.getByRole('search').getByRole('status')).toHaveText(`2 of ${count}`)
  await page.getByRole('textbox', { name: 'Find in this lecture' }).fill('zebra')
  await expect(page.getByRole('search').getByRole('status')).toHaveText('not said here')
})

test('a span is marked, played again and again, noted, and an unclear one resolved', async ({ page, demo }) => {
  await page.goto(`${demo.address}/lecture/soil-texture`)
  await expect(passage(page, 1)).not.toBeEmpty()
  const words = (await passage(page, 1).innerText()).split(/\s/u).slice(2, 7).join(' ')
  await selectWords(page, 1, words)
  const bar = page.getByRole('toolbar', { name: 'What is selected' })
  await bar.getByRole('button', { name: 'Loop' }).click()
  await expect(bar.getByRole('button', { name: 'Stop the loop' })).toBeVisible()
  await bar.getByRole('button', { name: 'Unclear' }).click()
  await expect.poll(() => highlighted(page, 'unclear')).toEqual([words])
  await page.locator('.note', { hasText: 'Unclear' }).click()
  const sheet = page.getByRole('dialog', { name: 'Unclear' })
  await sheet.getByLabel('What you learned').fill('Sand is the coarsest.')
  await sheet.getByRole('button', { name: 'It is clear now' }).click()
  await expect(page.locator('.note', { hasText: 'Was unclear' })).toContainText('Sand is the coarsest.')
  await expect.poll(() => highlighted(page, 'unclear')).toEqual([])
  await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur())
  await page.keyboard.press('k')
  await page.keyboard.press('Shift+M')
  const desk = page.getByRole('region', { name: 'Marks' })
  await expect(desk.getByRole('listitem')).toHaveCount(2)
  await desk.getByRole('radio', { name: 'Key' }).check()
  await expect(desk.getByRole('listitem')).toHaveCount(1)
  const found = await new AxeBuilder({ page }).include('.desk').analyze()
  expect(found.violations.map((v) => v.id)).toEqual([])
})

test('what is still unclear leads from the first screen to its second', async ({ page, demo }) => {
  await page.goto(demo.address)
  await page.getByRole('link', { name: 'Why is there a bulge on the far side too?' }).click()
  await expect(page).toHaveURL(/\/lecture\/why-tides\?t=111$/)
  await expect(page.locator('.foot')).toContainText('1:51')
  await expect(page.locator('button.note', { hasText: 'bulge' })).toBeInViewport()
})

test('a picture that is pasted stands at its time', async ({ page, demo }) => {
  await page.goto(`${demo.address}/lecture/soil-water`)
  await expect(passage(page, 0)).not.toBeEmpty()
  await page.evaluate(async () => {
    const canvas = document.createElement('canvas')
    canvas.width = canvas.height = 20
    canvas.getContext('2d')?.fillRect(0, 0, 10, 10)
    const blob = await new Promise<Blob | null>((done) => canvas.toBlob(done))
    const data = new DataTransfer()
    if (blob) data.items.add(new File([blob], 'board.png', { type: 'image/png' }))
    document.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true }))
  })
  const picture = page.getByRole('img', { name: 'A picture at this time' })
  await expect.poll(() => picture.evaluate((i: HTMLImageElement) => i.naturalWidth)).toBe(20)
  await page.keyboard.press('Shift+M')
  const drawing = await picture.screenshot()
  const marks = page.getByRole('region', { name: 'Marks' }).getByRole('listitem')
  await expect(marks.first()).toBeVisible()
  const before = await marks.count()
  await page.getByLabel('Choose a picture').setInputFiles({ name: 'drawing.png', mimeType: 'image/png', buffer: drawing })
  await expect(marks).toHaveCount(before + 1)
  await page.getByLabel('Choose a picture').setInputFiles({ name: 'no.png', mimeType: 'image/png', buffer: Buffer.from('no picture') })
  await expect(page.getByText('This is no picture that Kostel can show')).toBeVisible()

  await marks.first().getByRole('button', { name: /Picture/u }).first().click()
  const sheet = page.getByRole('dialog')
  await sheet.getByRole('button', { name: 'Make a card of this picture' }).click()
  await sheet.getByLabel('Answer').fill('A square.')
  await sheet.getByRole('button', { name: 'Make the card' }).click()
  await expect(page.getByText('A card, due today: What does this picture show?')).toBeVisible()
  await page.goto(`${demo.address}/lecture/soil-water?desk=cards`)
  const desk = page.getByRole('region', { name: 'Cards' })
  await desk.getByText('What does this picture show?').click()
  await expect.poll(() => desk.getByRole('img').evaluate((i: HTMLImageElement) => i.naturalWidth)).toBe(20)
  await page.getByRole('link', { name: 'Go through what is due' }).click()
  const asked = page.locator('.review .front')
  for (let card = await asked.innerText(); card !== 'What does this picture show?'; card = await asked.innerText()) {
    await page.getByRole('button', { name: 'Show the answer' }).click()
    await page.getByRole('button', { name: 'At once' }).click()
    await expect(asked).not.toHaveText(card)
  }
  await expect(page.getByRole('img', { name: 'The picture that is asked about' })).toBeVisible()
})

test('two windows in one passage: both wordings are shown, and neither is lost', async ({ page, context, empty }) => {
  await bring(page, empty.address, 'Two windows')
  const second = await context.newPage()
  await second.goto(page.url())
  await expect(passage(second, 0)).toContainText('The tied rises')
  // The second has typed, and not stopped, when the first saves: what it types must not go over the other's.
  await clickWord(second, 'Slack')
  await second.keyboard.press('End')
  await second.keyboard.type(' So')
  await clickWord(page, 'tied')
  await page.keyboard.press('Home')
  await page.keyboard.type('Indeed. ')
  await page.keyboard.press('Escape')
  await second.keyboard.type(' it is.')
  await second.keyboard.press('Escape')
  const both = () => Promise.all([page, second].map((w) => w.getByRole('dialog', { name: 'Changed in two windows' }).count()))
  await expect.poll(async () => (await both()).reduce((a, n) => a + n)).toBe(1)
  const owner = (await both())[0] ? page : second
  await expect(owner.getByRole('dialog')).toContainText('The tied rises twice a day')
  await owner.getByRole('button', { name: 'Keep yours' }).click()
  await expect(owner.getByRole('dialog')).toHaveCount(0)
  const text = await passage(owner, 0).innerText()
  await expect(passage(owner === page ? second : page, 0)).toHaveText(text)
})

test('what was typed into a passage that another window joined away is not lost', async ({ page, context, empty }) => {
  await bring(page, empty.address, 'Joined away')
  await clickWord(page, 'Slack')
  await page.keyboard.press('Enter')
  await expect(passage(page, 1)).toContainText('Slack water')
  await page.keyboard.press('Escape')
  await saved(page)
  const other = await context.newPage()
  await other.goto(page.url())
  await expect(passage(other, 1)).toContainText('Slack water')
  await page.bringToFront()
  await clickWord(page, 'streams')
  await page.keyboard.press('End')
  await page.keyboard.type(' and lasts')
  await other.bringToFront()
  await clickWord(other, 'Slack')
  await other.keyboard.press('Home')
  await other.keyboard.press('Backspace')
  await expect(passage(other, 0)).toContainText('Slack water')
  await page.bringToFront()
  await page.keyboard.press('Escape')
  const sheet = page.getByRole('dialog', { name: 'Changed in two windows' })
  await expect(sheet).toContainText('and lasts')
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  await sheet.getByRole('button', { name: 'Copy yours' }).click()
  expect(await page.evaluate(() => navigator.clipboard.readText())).toContain('and lasts')
  await sheet.getByRole('button', { name: 'Close' }).click()
  await expect(passage(page, 0)).toContainText('highest of all. Slack water')
})

test('a text is taken away in every format, and each holds the words', async ({ page, demo }) => {
  await page.goto(`${demo.address}/lecture/harbour-pilot`)
  await expect(passage(page, 0)).not.toBeEmpty()
  const opening = (await passage(page, 0).innerText()).replaceAll('\u00a0', ' ').split(' ').slice(0, 2).join(' ')
  for (const format of ['Plain text', 'Markdown', 'Document (docx)', 'PDF', 'Captions: SubRip (srt)', 'Captions: WebVTT (vtt)', 'Chapters: WebVTT', 'Table (tsv)', 'Everything (Kostel JSON)']) {
    await page.keyboard.press('o')
    const sheet = page.getByRole('dialog', { name: 'Take away' })
    await sheet.locator('.v-select').click()
    await page.getByRole('option', { name: format, exact: true }).click()
    const [download] = await Promise.all([page.waitForEvent('download'), sheet.getByRole('link', { name: 'Save the file' }).click()])
    const bytes = readFileSync((await download.path()) ?? '')
    const text = format.startsWith('Document') ? wordsOfDocx(bytes) : bytes.toString('utf8')
    if (format === 'PDF') expect(text.slice(0, 5)).toBe('%PDF-')
    else if (format.startsWith('Chapters')) expect(text).toMatch(/^WEBVTT Chapters\n\n00:00:00\.000 --> /)
    else expect(text.replaceAll('\n', ' '), format).toContain(opening)
    expect(download.suggestedFilename()).toMatch(/^A talk with a harbour pilot\./)
    await expect(sheet).toBeHidden()
  }
})

test('each chapter of a video has a small picture, from which it plays', async ({ page, demo }) => {
  await page.goto(`${demo.address}/lecture/tide-table`)
  const stills = page.locator('.heading img')
  await expect.poll(() => stills.first().evaluate((i: HTMLImageElement) => i.naturalWidth)).toBe(320)
  await page.getByRole('button', { name: /^Hear Lowest astronomical tide/u }).click()
  await expect.poll(() => page.locator('video').evaluate((v: HTMLVideoElement) => v.currentTime)).toBeGreaterThan(97)
})

test('a card of a video shows what is seen at its moment', async ({ page, demo }) => {
  await page.goto(`${demo.address}/lecture/tide-table`)
  await page.locator('[data-passage="1"] p').first().click({ clickCount: 3 })
  const answer = page.waitForResponse((r) => r.url().endsWith('/cards/own'))
  await page.getByRole('button', { name: 'Card with picture' }).click()
  const card = (await (await answer).json()) as { id: number; hasPicture: boolean }
  expect(card.hasPicture).toBe(true)
  const picture = await page.request.get(`${demo.address}/api/cards/${card.id}/picture`)
  expect(picture.headers()['content-type']).toBe('image/jpeg')
})

/** Chromium's own parser of text tracks. */
test('the browser finds the cues in our captions that we wrote', async ({ page, demo }) => {
  await page.goto(`${demo.address}/lecture/tide-table`)
  await expect(page.locator('video')).toBeVisible()
  await page.getByRole('button', { name: 'Page', exact: true }).click()
  await page.getByLabel('Captions over the picture').check()
  await page.keyboard.press('Escape')
  const written = await (await page.request.get(`${demo.address}/api/lectures/tide-table/captions`)).text()
  const expected = [...written.matchAll(/(\d\d):(\d\d):(\d\d\.\d{3}) --> (\d\d):(\d\d):(\d\d\.\d{3})\n([\s\S]*?)\n\n/gu)].map((m) => [
    Math.round((Number(m[1]) * 3600 + Number(m[2]) * 60 + Number(m[3])) * 1000),
    Math.round((Number(m[4]) * 3600 + Number(m[5]) * 60 + Number(m[6])) * 1000),
    m[7],
  ])
  const cues = () =>
    page.locator('video').evaluate((v: HTMLVideoElement) => {
      const track = v.textTracks[0]
      return track?.mode === 'showing' ? [...(track.cues ?? [])].map((c) => [Math.round(c.startTime * 1000), Math.round(c.endTime * 1000), (c as VTTCue).text]) : []
    })
  await expect.poll(async () => (await cues()).length).toBe(expected.length)
  expect(await cues()).toEqual(expected)
})

test('words are copied with a link that opens the lecture at their second', async ({ page, context, demo }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write'])
  await page.goto(`${demo.address}/lecture/tidal-streams`)
  await expect(passage(page, 2)).not.toBeEmpty()
  const words = (await passage(page, 2).innerText()).split(/\s/u).slice(0, 4).join(' ')
  await selectWords(page, 2, words)
  await page.getByRole('button', { name: 'Copy with link' }).click()
  await expect(page.getByText('Copied with its link.')).toBeVisible()
  const copied = await page.evaluate(() => navigator.clipboard.readText())
  expect(copied).toContain(words)
  const link = /http\S+\?t=\d+/u.exec(copied)?.[0] ?? ''
  await page.goto(link)
  await expect(page.locator('.row.source p')).toContainText(words)
})

test('silence is passed over, and how much that saves is said', async ({ page, demo }) => {
  await page.goto(`${demo.address}/lecture/soil-texture`)
  await expect(passage(page, 0)).not.toBeEmpty()
  await page.evaluate(() => fetch('/api/lectures/soil-texture/peaks'))
  await page.keyboard.press('z')
  await expect(page.getByLabel(/skip silence, saves \d+ (s|min)/)).toBeChecked()
})

test('fillers are hidden on the page and still there where one types', async ({ page, empty }) => {
  await page.goto(`${empty.address}/bring-in`)
  const said = Buffer.from('Um the tide uh rises twice a day.\n\nThe the moon pulls at it.')
  await page.getByLabel('Choose files').setInputFiles({ name: 'fillers.txt', mimeType: 'text/plain', buffer: said })
  await page.getByRole('button', { name: 'Bring in', exact: true }).click()
  await page.getByRole('link', { name: 'Open' }).last().click()
  await page.getByRole('button', { name: 'Page', exact: true }).click()
  await page.getByLabel('Hide fillers and false starts').check()
  await page.keyboard.press('Escape')
  await expect(passage(page, 0)).toHaveText('the tide rises twice a day.')
  await clickWord(page, 'tide')
  await expect(passage(page, 0)).toHaveText('Um the tide uh rises twice a day.')
  await page.keyboard.press('End')
  await page.keyboard.type(' Yes.')
  await page.keyboard.press('Escape')
  await expect(passage(page, 0)).toHaveText('the tide rises twice a day. Yes.')
})

/** The text of the one part of a docx that has it; docx files are zip files. */
function wordsOfDocx(bytes: Buffer): string {
  for (let at = bytes.indexOf('PK\u0003\u0004', 0, 'latin1'); at >= 0; at = bytes.indexOf('PK\u0003\u0004', at + 4, 'latin1')) {
    const [nameLength, extra] = [bytes.readUInt16LE(at + 26), bytes.readUInt16LE(at + 28)]
    if (bytes.toString('utf8', at + 30, at + 30 + nameLength) !== 'word/document.xml') continue
    return inflateRawSync(bytes.subarray(at + 30 + nameLength + extra), { finishFlush: 2 }).toString('utf8').replace(/<[^>]*>/gu, '')
  }
  return ''
}
