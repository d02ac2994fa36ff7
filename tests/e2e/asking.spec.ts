import AxeBuilder from '@axe-core/playwright'
import { expect, type Page } from '@playwright/test'
import { test } from './server.ts'

const everything = 'Ask all your lectures'

async function ask(page: Page, field: string, question: string) {
  await page.getByRole('textbox', { name: field }).fill(question)
  await page.getByRole('textbox', { name: field }).press('Enter')
  await expect(page.getByRole('heading', { name: question }).last()).toBeVisible()
}

test('everything is asked by one key, and the thread is there a week later with every line still playing', async ({ page, demo }) => {
  await page.goto(`${demo.address}/library`)
  await expect(page.getByRole('heading', { name: 'Library' })).toBeVisible()
  await page.keyboard.press('a')
  await ask(page, everything, 'What is the difference between spring tides and neap tides?')
  const block = page.getByRole('article')
  await expect(block.getByRole('region', { name: 'Spring tides' })).toContainText('new moon and full moon')
  await expect(block.getByRole('region', { name: 'Neap tides' })).toContainText('small range')
  await ask(page, everything, 'How much lime does a soil lose every year?')
  await expect(page.getByRole('article')).toHaveCount(2)

  // The name, by keyboard.
  await page.getByRole('button', { name: 'Thread', exact: true }).focus()
  await page.keyboard.press('Enter')
  await page.getByText('Give it a name').click()
  await page.getByRole('textbox', { name: 'Name of the thread' }).fill('Before the exam')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Before the exam')).toBeVisible()

  await page.clock.install({ time: Date.now() + 7 * 86_400_000 })
  await page.goto(`${demo.address}/ask`)
  await page.getByRole('button', { name: 'Before the exam' }).click()
  await expect(page.getByRole('article')).toHaveCount(2)
  const hear = page.getByRole('article').last().getByRole('button', { name: /^Hear/ }).first()
  await hear.click()
  await expect(page.getByRole('button', { name: 'Stop' })).toBeVisible()
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([])

  // Found by its name, deleted, and brought back.
  await page.goto(`${demo.address}/search?q=exam`)
  await page.getByRole('link', { name: /Before the exam/ }).click()
  await expect(page.getByRole('article')).toHaveCount(2)
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Thread', exact: true }).click()
  await page.getByText('Take away as Markdown').click()
  expect((await download).suggestedFilename()).toBe('Before the exam.md')
  await page.getByRole('button', { name: 'Thread', exact: true }).click()
  await page.getByText('Delete the thread').click()
  await expect(page.getByRole('button', { name: 'Before the exam' })).toBeHidden()
  await page.getByRole('button', { name: /Undo|Bring back|Take back/ }).click()
  await expect(page.getByRole('article')).toHaveCount(2)
})

test('where to look is understood, shown, and can be taken off', async ({ page, demo }) => {
  await page.goto(`${demo.address}/ask`)
  await ask(page, everything, 'What was said about the range since 10 October?')
  const without = { name: 'Ask without since 10 October' }
  await page.getByRole('button', without).click()
  await expect(page.getByRole('article')).toHaveCount(2)
  await expect(page.getByRole('article').last().getByRole('button', without)).toHaveCount(0)
})

test('lectures are set side by side', async ({ page, demo }) => {
  await page.goto(`${demo.address}/course/Tides%20and%20tidal%20streams`)
  await page.getByRole('link', { name: 'Ask it' }).click()
  await page.getByLabel('Compare the lectures').check()
  await ask(page, 'Ask the lectures of this course', 'What is the range of the tide?')
  expect(await page.getByRole('article').getByRole('region').count()).toBeGreaterThan(1)
})

test('a stretch of a lecture is asked, a better place is chosen, and an answer becomes a note and a card', async ({ page, demo }) => {
  await page.goto(`${demo.address}/lecture/soil-water?desk=ask&from=0&to=60000`)
  const desk = page.getByRole('region', { name: 'Ask' })
  await expect(desk.getByText('Only 0:00 to 1:00.')).toBeVisible()
  await desk.getByRole('button', { name: 'Ask the whole lecture' }).click()
  await ask(page, 'Ask about this lecture', 'How many litres is one millimeter of water?')
  await expect(desk.getByRole('listitem').first()).toContainText('1 L for each square metre')
  await desk.getByRole('button', { name: 'Keep as a note' }).click()
  await expect(page.getByText('Kept as a note at its place in the margin.')).toBeVisible()
  await desk.getByRole('button', { name: 'Make a card' }).click()
  await expect(page.getByText(/The card is among those of the lecture/)).toBeVisible()

  await desk.getByRole('button', { name: 'Another place answers' }).click()
  await page.locator('[data-passage="1"] p').first().click({ clickCount: 3 })
  await desk.getByRole('button', { name: 'These answer it' }).click()
  await expect(desk.getByText('You chose this place.')).toBeVisible()
  await page.reload()
  await expect(page.getByRole('region', { name: 'Ask' }).getByText('You chose this place.')).toBeVisible()
})

test('a model of one’s own writes beside the lecture, and what is not borne out is set apart', async ({ page, demo, site }) => {
  await page.goto(`${demo.address}/writer`)
  await page.getByRole('button', { name: 'Enter one' }).click()
  await page.getByLabel('Base address').fill(`${site}/v1`)
  await page.getByRole('textbox', { name: 'Key' }).fill('practice')
  await page.getByRole('textbox', { name: 'Model' }).fill('practice-writer-invents')
  await expect(page.getByRole('button', { name: 'Ask it, and switch it on' })).toBeDisabled()
  await page.getByLabel('Passages of my lectures may be sent there').check()
  await page.getByRole('button', { name: 'Ask it, and switch it on' }).click()
  await expect(page.getByText('practice-writer-invents at localhost: on.')).toBeVisible()

  await page.goto(`${demo.address}/lecture/why-tides?desk=ask`)
  await ask(page, 'Ask about this lecture', 'What is a neap tide?')
  await page.getByRole('button', { name: 'Let practice-writer-invents write it out' }).click()
  const shown = page.getByRole('dialog', { name: 'What is sent' })
  await expect(shown).toContainText('Question: What is a neap tide?')
  await shown.getByRole('button', { name: 'Send it' }).click()
  const written = page.getByRole('region', { name: 'Written by a model' })
  await expect(written).toContainText('Written by practice-writer-invents at localhost')
  await expect(written.getByText('Not borne out by the lecture')).toBeVisible()
  await expect(written).toContainText('The old bridge of Karvo')
  await expect(written.getByRole('button', { name: /^Hear/ }).first()).toBeVisible()
  expect((await new AxeBuilder({ page }).analyze()).violations).toEqual([])

  // Another model, which has trouble: the offline answer stays, with one line why.
  const entered = await page.request.put(`${demo.address}/api/writer`, {
    headers: { Origin: demo.address },
    data: { address: `${site}/v1`, key: 'practice', model: 'practice-writer-without-passages', agreed: true },
  })
  expect(entered.ok()).toBe(true)
  await page.goto(`${demo.address}/lecture/why-tides?desk=ask`)
  await ask(page, 'Ask about this lecture', 'What is a spring tide?')
  await page.getByRole('button', { name: /write it out/ }).click()
  await page.getByRole('button', { name: 'Send it' }).click()
  await expect(page.getByRole('alert')).toContainText('named no passage')
  await page.request.delete(`${demo.address}/api/writer`, { headers: { Origin: demo.address } })
})

test('a slip in a question is forgiven, told, and can be left as it is', async ({ page, demo }) => {
  await page.goto(`${demo.address}/lecture/soil-water?desk=ask`)
  await ask(page, 'Ask about this lecture', 'What is infiltraton?')
  const first = page.getByRole('article', { name: 'What is infiltraton?' })
  await expect(first).toContainText('Understood “infiltraton” as “infiltration”.')
  await expect(first.getByRole('listitem').first()).toContainText('movement of water from the surface into the soil')
  await expect(first.getByText('This lecture doesn’t say.')).toHaveCount(0)
  await first.getByRole('button', { name: 'Ask it as it is written' }).click()
  const literal = page.getByRole('article', { name: 'What is “infiltraton”?' })
  await expect(literal.getByText('Never said here: “infiltraton”')).toBeVisible()
  await expect(literal.getByText(/Understood/)).toHaveCount(0)
})

test('who asks for a summary is shown where it is made', async ({ page, demo }) => {
  await page.goto(`${demo.address}/lecture/soil-water?desk=ask`)
  await ask(page, 'Ask about this lecture', 'Please summarise the lecture')
  const asked = page.getByRole('article', { name: 'Please summarise the lecture' })
  await expect(asked).toContainText('That is made of the whole lecture under Summary')
  await asked.getByRole('link', { name: 'Summary' }).click()
  await expect(page.getByRole('region', { name: 'Summary' })).toBeVisible()
})

test('two questions in one are answered each', async ({ page, demo }) => {
  await page.goto(`${demo.address}/lecture/soil-water?desk=ask`)
  await ask(page, 'Ask about this lecture', 'What is infiltration, and what is a mulch?')
  const asked = page.getByRole('article', { name: 'What is infiltration, and what is a mulch?' })
  await expect(asked.getByRole('region', { name: 'What is infiltration' })).toContainText('movement of water from the surface')
  await expect(asked.getByRole('region', { name: 'What is a mulch?' })).toContainText('layer of material')
})
