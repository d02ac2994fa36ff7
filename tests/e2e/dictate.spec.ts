import { execFileSync } from 'node:child_process'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import AxeBuilder from '@axe-core/playwright'
import { expect } from '@playwright/test'
import config from './playwright.config.ts'
import { test } from './server.ts'

// A microphone that hears somebody dictate, with a rest between two sentences and a long one at the end.
const spoken = join(tmpdir(), `kostel-dictated-${process.pid}.wav`)
const said = 'The water rises every morning, full stop. New paragraph. It falls again in the evening, exclamation mark.'
execFileSync('flite', ['-voice', 'slt', '-t', said, '-o', `${spoken}.raw.wav`])
execFileSync('ffmpeg', ['-v', 'error', '-y', '-i', `${spoken}.raw.wav`, '-af', 'adelay=1500,apad=pad_dur=40', '-ar', '48000', spoken])
const launchOptions = config.use!.launchOptions!
const speaks = ['--use-fake-ui-for-media-stream', '--use-fake-device-for-media-stream', `--use-file-for-fake-audio-capture=${spoken}%noloop`]
test.use({ launchOptions: { ...launchOptions, args: [...launchOptions.args!, ...speaks] } })
// On a busy computer the made-up microphone drops pieces of what is spoken, and what is heard is another sentence.
test.describe.configure({ retries: 2 })

test('a note is dictated at the caret: words, signs and a paragraph, and nothing of it is kept elsewhere', async ({ page, demo }) => {
  await page.goto(`${demo.address}/lecture/why-tides`)
  await page.getByRole('article').first().waitFor()
  await page.keyboard.press('t')
  const note = page.getByRole('dialog').getByRole('textbox').first()
  await note.fill('Remember: end')
  await note.press('End')
  for (let i = 0; i < 3; i++) await note.press('ArrowLeft')
  await expect(page.getByRole('button', { name: /^Dictate/ })).toBeVisible()
  await note.press('Alt+s')
  await expect(page.getByRole('status').filter({ hasText: 'Listening' })).toBeVisible()
  await expect(note).toHaveValue(/^Remember: .+ every morning\.\n\nIt falls again .+!\s?end$/i, { timeout: 40_000 })
  await page.getByRole('button', { name: 'What can be said' }).click()
  await expect(page.locator('.dictate.list')).toContainText('take that back')
  expect((await new AxeBuilder({ page }).include('.dictate').analyze()).violations.map((v) => v.id)).toEqual([])
  await note.press('Alt+s')
  await expect(page.getByRole('button', { name: /^Dictate/ })).toBeVisible()
  await expect(note).toHaveValue(/every morning\.\n\nIt falls again .+!/i)
})
