import { execFileSync } from 'node:child_process'
import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect } from '@playwright/test'
import { clickWord } from './page.ts'
import { test } from './server.ts'

const talk = `A buoy is a floating mark that is fixed to the sea bed. A buoy shows the edge of a channel.
A cardinal buoy is a buoy that shows on which side of a danger there is safe water.
The top mark of a north buoy is two black cones that point upward.
A lateral buoy is a buoy that marks the side of a channel. Green buoys stand on the right side when you come from the sea.
A light sector is a part of the horizon in which a light shows one colour. The light at our harbour flashes every ten seconds.
Fog signals are sounds that warn ships when nothing can be seen. Our fog horn gives two blasts every minute.
A leading line is a line through two marks that leads a ship along a safe channel.
The charted range of a light is the distance from which it can be seen on a clear night.`

/** Speech that is in no demonstration: said by a synthesiser voice, as an mp3. */
function record(): string {
  const folder = mkdtempSync(join(tmpdir(), 'kostel-talk-'))
  const wav = join(folder, 'talk.wav')
  const mp3 = join(folder, 'buoys_and_lights.mp3')
  execFileSync('flite', ['-voice', 'rms', '--setf', 'duration_stretch=1.15', '-t', talk.replaceAll('\n', ' '), '-o', wav])
  execFileSync('ffmpeg', ['-v', 'error', '-i', wav, '-b:a', '96k', mp3])
  return mp3
}

test('from a file of speech to recall', async ({ page, empty }) => {
  await page.goto(empty.address)
  const steps = page.getByRole('region', { name: 'The way through Kostel' })
  await expect(steps.getByRole('listitem')).toHaveCount(3)
  await steps.getByRole('button', { name: 'I know the way' }).click()
  await expect(steps).toBeHidden()
  await page.reload()
  await expect(page.getByText('Nothing here yet')).toBeVisible()
  await expect(steps).toBeHidden()

  await page.getByRole('link', { name: 'Bring in a recording' }).click()
  await page.getByLabel('Choose files').setInputFiles(record())
  await expect(page.getByLabel('Title')).toHaveValue('buoys and lights')
  await page.getByLabel('Title').fill('Buoys and lights')
  await page.getByLabel('Course').first().fill('Seamanship')
  await page.getByRole('button', { name: 'Bring in', exact: true }).click()
  await page.getByRole('link', { name: 'Open' }).click()

  await expect(page.getByRole('heading', { name: 'Buoys and lights' })).toBeVisible()
  await expect(page.locator('[data-passage] p').first()).toBeVisible({ timeout: 300_000 })
  await expect(page.getByRole('button', { name: 'Ask', exact: true })).toBeVisible({ timeout: 300_000 })
  await expect(page.getByRole('progressbar')).toHaveCount(0, { timeout: 300_000 })

  // The caret in a word, and the key that plays from there; it marks the word that is spoken.
  await clickWord(page, 'horizon')
  await page.keyboard.press('Control+Enter')
  const media = page.locator('audio')
  await expect.poll(() => media.evaluate((m: HTMLMediaElement) => m.currentTime)).toBeGreaterThan(15)
  await expect(page.locator('[data-spoken]')).toBeVisible()
  await page.keyboard.press('Escape')
  await page.keyboard.press('Space')
  await expect.poll(() => media.evaluate((m: HTMLMediaElement) => m.paused)).toBe(true)

  // A question with an answer, and one without.
  await page.keyboard.press('a')
  const field = page.getByRole('textbox', { name: 'Ask about this lecture' })
  await field.fill('What is a leading line?')
  await field.press('Enter')
  await expect(page.getByRole('heading', { name: 'What is a leading line?' })).toBeVisible()
  const answer = page.getByRole('region', { name: 'Ask' }).getByRole('listitem').first()
  await expect(answer).toContainText('two marks')
  await answer.getByRole('button', { name: /Hear/ }).click()
  await expect.poll(() => media.evaluate((m: HTMLMediaElement) => m.currentTime)).toBeGreaterThan(30)
  await field.fill('Who designed the lighthouse tower?')
  await field.press('Enter')
  await expect(page.getByText('This lecture doesn’t say.')).toBeVisible()

  // Cards: made, gone through, graded.
  await page.locator('.desk button.what').click()
  await page.locator('.v-list-item', { hasText: 'Cards' }).click()
  await page.getByRole('button', { name: 'Make cards' }).click()
  await page.getByRole('button', { name: /^Add \d+ cards?$/ }).click()
  await page.getByRole('link', { name: 'Go through what is due' }).click()
  await expect(page.getByText(/cards left/)).toBeVisible()
  const front = await page.getByRole('heading', { level: 1 }).innerText()
  await page.keyboard.press('Space')
  await page.getByRole('button', { name: /Recalled/ }).click()
  await expect(page.getByText(/Comes back in \d+ days?/)).toBeVisible()
  await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(front)

  // The quiz: taken, marked, with where to listen again.
  await page.getByRole('link', { name: 'Open the lecture there' }).or(page.getByRole('link', { name: 'Library' })).first().click()
  await page.getByRole('link', { name: 'Buoys and lights' }).click()
  await page.getByRole('button', { name: 'Quiz', exact: true }).click()
  await page.getByRole('button', { name: 'Make a quiz' }).click()
  const questions = page.getByRole('group').filter({ has: page.getByRole('radio') })
  await expect(page.getByRole('button', { name: /^Finish/ })).toBeVisible()
  for (let i = 0; i < (await questions.count()); i++) await questions.nth(i).getByRole('radio').first().check()
  await page.getByRole('button', { name: /^Finish/ }).click()
  await expect(page.getByText(/\d+ of \d+ right/)).toBeVisible()

  await page.getByRole('link', { name: /Today/ }).click()
  await expect(page.getByRole('heading', { name: /Due/ })).toBeVisible()
})

test('a restart in the middle of a transcription loses nothing', async ({ page, empty }) => {
  const long = join(mkdtempSync(join(tmpdir(), 'kostel-talk-')), 'harbour.mp3')
  execFileSync('ffmpeg', ['-v', 'error', '-i', join(import.meta.dirname, '../../demo/media/08-harbour-pilot.opus'), '-t', '150', '-b:a', '64k', long])
  await page.goto(`${empty.address}/bring-in`)
  await page.getByLabel('Choose files').setInputFiles(long)
  await page.getByRole('button', { name: 'Bring in', exact: true }).click()
  await page.getByRole('link', { name: 'Open' }).click()
  await expect(page.locator('[data-passage] p').first()).toBeVisible({ timeout: 300_000 })
  await empty.restart()
  await expect(page.getByRole('button', { name: 'Ask', exact: true })).toBeVisible({ timeout: 300_000 })
  await expect(page.getByRole('progressbar')).toHaveCount(0, { timeout: 300_000 })
  const text = await page.locator('article').innerText()
  expect(text).toContain('pilot')
})

test('a link to a second opens there', async ({ page, demo }) => {
  await page.goto(`${demo.address}/lecture/tide-table?t=120`)
  await expect.poll(() => page.locator('video').evaluate((m: HTMLMediaElement) => m.currentTime)).toBeCloseTo(120, 0)
  await expect(page.getByRole('slider', { name: 'Time in the lecture' })).toHaveAttribute('aria-valuenow', '120')
  await expect(page.locator('.row.source')).toBeInViewport()
})

test('the stave and the speed answer to keys', async ({ page, demo }) => {
  await page.goto(`${demo.address}/lecture/soil-water`)
  const stave = page.getByRole('slider', { name: 'Time in the lecture' })
  await stave.focus()
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('ArrowRight')
  await expect(stave).toHaveAttribute('aria-valuenow', '10')
  await page.keyboard.press('f')
  await expect(page.getByLabel('Speed')).toHaveValue('1.25')
  const audio = page.locator('audio')
  expect(await audio.evaluate((m: HTMLMediaElement) => [m.playbackRate, m.preservesPitch])).toEqual([1.25, true])
  await page.keyboard.press('Shift+N')
  // The second chapter, after a welcome of twenty seconds.
  expect(Number(await stave.getAttribute('aria-valuenow'))).toBeGreaterThan(15)
})
