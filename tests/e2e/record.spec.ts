import { execFileSync } from 'node:child_process'
import { join } from 'node:path'
import { tmpdir } from 'node:os'
import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'
import config from './playwright.config.ts'
import { root, test } from './server.ts'

// A microphone that hears a talk, again and again.
const heard = join(tmpdir(), `kostel-heard-${process.pid}.wav`)
execFileSync('ffmpeg', ['-v', 'error', '-y', '-i', join(root, 'demo/media/09-fog.opus'), '-t', '40', '-ac', '1', '-ar', '48000', heard])
const launchOptions = config.use!.launchOptions!
const speaks = ['--use-fake-ui-for-media-stream', '--use-fake-device-for-media-stream', `--use-file-for-fake-audio-capture=${heard}`]
test.use({ launchOptions: { ...launchOptions, args: [...launchOptions.args!, ...speaks] } })
// On a busy computer the made-up microphone drops pieces of what is spoken, and what is heard is another sentence.
test.describe.configure({ retries: 2 })

const onePixel = Buffer.from('iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==', 'base64')

async function begin(page: Page, address: string, title: string) {
  await page.goto(`${address}/record`)
  await page.getByLabel('Title').fill(title)
  await expect(page.getByRole('button', { name: 'Start recording' })).toBeDisabled()
  await page.getByLabel('Those who are recorded agree').press('Space')
  await expect(page.getByRole('button', { name: 'Start recording' })).toBeEnabled()
  await page.getByRole('button', { name: 'Start recording' }).press('Enter')
  await expect(page.getByRole('banner').getByRole('link', { name: /^Recording/ })).toBeVisible()
}
const said = (page: Page) => page.getByRole('log', { name: 'What is said' })

test('a class is recorded by keyboard: words come, moments are marked, and all of it becomes a lecture', async ({ page, empty }) => {
  await begin(page, empty.address, 'Fog in class')
  // First words that may still change, then words that stand.
  await expect(said(page).locator('.open')).not.toBeEmpty()
  await expect(said(page)).toContainText(/fog/i)
  expect((await new AxeBuilder({ page }).analyze()).violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html).join(' ')}`)).toEqual([])
  await said(page).focus()
  await page.keyboard.press('k')
  await expect(page.getByRole('list', { name: 'Marks' })).toContainText('Key')
  // Only words that stand are told again, so it is asked until the subject is among them.
  await expect(async () => {
    await page.keyboard.press('y')
    await expect(page.getByRole('region', { name: 'The last minutes' })).toContainText(/fog/i, { timeout: 2000 })
  }).toPass({ timeout: 60_000 })

  // It goes on while one reads elsewhere; a pause keeps what was said.
  await page.getByRole('link', { name: 'Library' }).first().click()
  const sign = page.getByRole('banner').getByRole('link', { name: /^Recording/ })
  await expect(sign).toBeVisible()
  await sign.click()
  await page.getByLabel('A note at this moment').fill('Ask about this')
  await page.getByLabel('A note at this moment').press('Enter')
  await expect(page.getByRole('list', { name: 'Marks' })).toContainText('Ask about this')
  await page.getByRole('button', { name: 'Pause' }).press('Enter')
  await expect(page.getByRole('banner').getByRole('link', { name: /^Paused/ })).toBeVisible()
  const at = await page.getByRole('timer').innerText()
  await page.waitForTimeout(1500)
  expect(await page.getByRole('timer').innerText()).toBe(at)

  // In the pause a sentence is put right, a picture stands at this moment, and what was said answers.
  const sentence = said(page).getByRole('button').first()
  await sentence.press('Enter')
  const rewritten = page.getByLabel('What was said', { exact: true })
  await rewritten.fill(`Quokkas ${(await rewritten.inputValue()).split(' ').slice(1).join(' ')}`)
  await rewritten.press('Enter')
  await expect(said(page)).toContainText('Quokkas')
  await page.getByLabel('Choose or take a picture').setInputFiles({ name: 'board.png', mimeType: 'image/png', buffer: onePixel })
  await expect(page.getByRole('img', { name: /^Picture at/ })).toBeVisible()
  await page.getByLabel('Ask what was said').fill('What is fog?')
  await page.getByLabel('Ask what was said').press('Enter')
  await expect(page.getByRole('region', { name: 'The answer' })).toContainText(/fog/i)
  expect((await new AxeBuilder({ page }).analyze()).violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.html).join(' ')}`)).toEqual([])
  await page.getByRole('button', { name: 'Go on' }).press('Enter')
  await expect(page.getByRole('timer')).not.toHaveText(at)
  await page.getByRole('button', { name: 'Finish' }).press('Enter')
  await expect(page).toHaveURL(/\/lecture\//)
  await expect(page.getByRole('heading', { name: 'Fog in class' })).toBeVisible()

  // By samples, not by the clock: its sound is as long as what the server took, and the marks lie within.
  const id = new URL(page.url()).pathname.split('/')[2]
  const lecture = await (await page.request.get(`${empty.address}/api/lectures/${id}`)).json()
  const marks = (await (await page.request.get(`${empty.address}/api/lectures/${id}/marks`)).json()) as { kind: string; startMs: number; hasPicture: boolean }[]
  expect(marks.map((m) => m.kind).sort()).toEqual(['key', 'note', 'note'])
  for (const m of marks) expect(m.startMs).toBeLessThanOrEqual(lecture.durationMs)
  expect(marks.some((m) => m.hasPicture && m.startMs > 0)).toBe(true)
  // What was put right stands in what is recognised anew.
  await expect(page.getByRole('main')).toContainText('Quokkas', { timeout: 60_000 })
})

test('a killed server, a cut network and a reload lose nothing that the browser heard', async ({ page, context, empty }) => {
  await begin(page, empty.address, 'Fog with trouble')
  await expect(page.getByRole('timer')).toHaveText(/0:0[3-9]/)
  await empty.restart()
  await expect(page.getByRole('timer')).toHaveText(/0:(0[9]|[1-5]\d)/)
  await context.setOffline(true)
  await expect(page.getByRole('alert').filter({ hasText: 'kept in this browser' })).toBeVisible()
  await context.setOffline(false)
  await expect(page.getByRole('alert').filter({ hasText: 'kept in this browser' })).toBeHidden()

  const before = await page.getByRole('timer').innerText()
  page.once('dialog', (d) => void d.accept())
  await page.reload()
  const left = page.getByRole('region', { name: 'Not ended' })
  await expect(left).toContainText('Fog with trouble')
  await left.getByRole('button', { name: 'Take it up again' }).click()
  const seconds = (text: string) => text.split(':').reduce((all, n) => all * 60 + Number(n), 0)
  await expect.poll(async () => seconds(await page.getByRole('timer').innerText())).toBeGreaterThanOrEqual(seconds(before) - 2)
  await page.getByRole('button', { name: 'Go on' }).click()
  await expect(page.getByRole('banner').getByRole('link', { name: /^Recording/ })).toBeVisible()
  await page.getByRole('button', { name: 'Finish' }).click()
  await expect(page).toHaveURL(/\/lecture\//)
})

test('a microphone that is pulled out pauses the recording, which goes on when it is back', async ({ page, empty }) => {
  await page.addInitScript(() => {
    const open = navigator.mediaDevices.getUserMedia.bind(navigator.mediaDevices)
    navigator.mediaDevices.getUserMedia = async (wanted) => {
      const stream = await open(wanted)
      ;(window as unknown as { plugged: MediaStreamTrack }).plugged = stream.getAudioTracks()[0]!
      return stream
    }
  })
  await begin(page, empty.address, 'Fog without a microphone')
  await expect(page.getByRole('timer')).toHaveText(/0:0[2-9]/)
  // As a browser does it: the track ends and says so.
  await page.evaluate(() => {
    const { plugged } = window as unknown as { plugged: MediaStreamTrack }
    plugged.stop()
    plugged.dispatchEvent(new Event('ended'))
  })
  await expect(page.getByRole('alert')).toContainText('The microphone is gone. What was recorded is kept.')
  await expect(page.getByRole('banner').getByRole('link', { name: /^Paused/ })).toBeVisible()
  const at = await page.getByRole('timer').innerText()
  await page.getByRole('button', { name: 'Go on' }).press('Enter')
  await expect(page.getByRole('timer')).not.toHaveText(at)
  await expect(page.getByRole('alert')).toBeHidden()
  await page.getByRole('button', { name: 'Pause' }).press('Enter')
  await page.getByRole('button', { name: 'Finish' }).press('Enter')
  await expect(page).toHaveURL(/\/lecture\//)
})

test('a browser that gives sound only at the rate of the device is heard too', async ({ page, empty }) => {
  await page.addInitScript(() => {
    const make = AudioContext.prototype.createMediaStreamSource
    AudioContext.prototype.createMediaStreamSource = function (stream) {
      if (this.sampleRate === 16_000) throw new DOMException('Another rate.', 'NotSupportedError')
      return make.call(this, stream)
    }
  })
  await begin(page, empty.address, 'Fog at another rate')
  await expect(said(page)).toContainText(/fog/i)
  await page.getByRole('button', { name: 'Pause' }).press('Enter')
  await page.getByRole('button', { name: 'Finish' }).press('Enter')
  await expect(page).toHaveURL(/\/lecture\//)
})

test('where the microphone is refused it is said what to do', async ({ browser, empty }) => {
  const context = await browser.newContext({ storageState: config.use!.storageState, permissions: [] })
  const page = await context.newPage()
  await page.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('', 'NotAllowedError'))
  })
  await page.goto(`${empty.address}/record`)
  await expect(page.getByRole('alert')).toContainText('Allow it beside the address of this page')
  await expect(page.getByRole('button', { name: 'Start recording' })).toBeDisabled()
  await context.close()
})
