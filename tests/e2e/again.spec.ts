import AxeBuilder from '@axe-core/playwright'
import { expect } from '@playwright/test'
import { test } from './server.ts'

test('terms are written down, and a second window loses nothing', async ({ page, context, demo }) => {
  const address = `${demo.address}/course/Talks%20at%20the%20quay/terms`
  const second = await context.newPage()
  await page.goto(address)
  await second.goto(address)
  await page.getByRole('textbox').fill('pilot ladder\nx\nfairway')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('alert')).toContainText('Line 2, “x”')
  await expect(page.getByRole('textbox')).toHaveValue('pilot ladder\nfairway')
  await second.getByRole('textbox').fill('fog signal')
  await second.getByRole('button', { name: 'Save' }).click()
  await expect(second.getByRole('textbox')).toHaveValue('pilot ladder\nfairway\nfog signal')
  await second.getByRole('button', { name: 'Save' }).click()
  await expect(second.getByRole('status')).toContainText('Saved')
  await page.goto(`${demo.address}/course/Talks%20at%20the%20quay`)
  await page.getByRole('link', { name: /terms?$/i }).click()
  await expect(page.getByText('3 of 2000')).toBeVisible()
})

test('a lecture is transcribed again by keyboard and taken back to what it was', async ({ page, demo }) => {
  test.setTimeout(180_000)
  await page.goto(`${demo.address}/lecture/soil-acidity`)
  const text = page.locator('[data-passage] p')
  await expect(text.first()).toBeVisible()
  const before = (await text.allTextContents()).join(' ')
  const more = page.getByRole('button', { name: 'More', exact: true })
  const dialog = page.getByRole('dialog', { name: 'Transcribe again' })
  // A menu takes the focus to itself while it opens, and a key pressed just then goes elsewhere.
  const again = () =>
    expect(async () => {
      await page.keyboard.press('Escape')
      await more.press('Enter')
      const item = page.locator('.v-list-item', { hasText: 'Transcribe again' })
      await item.focus()
      await expect(item).toBeFocused()
      await page.keyboard.press('Enter')
      await expect(dialog).toBeVisible({ timeout: 3000 })
    }).toPass()
  await again()
  await expect(dialog).toContainText(/Listens for \d+ terms/)
  const { violations } = await new AxeBuilder({ page }).include('[role=dialog]').analyze()
  expect(violations.map((v) => v.id)).toEqual([])
  await dialog.getByRole('radio', { name: /Fast/ }).press(' ')
  await dialog.getByRole('button', { name: 'Transcribe again' }).press('Enter')
  await expect(more).toBeHidden()
  expect((await text.allTextContents()).join(' ')).toBe(before)
  await expect(more).toBeVisible({ timeout: 150_000 })
  expect((await text.allTextContents()).join(' ')).not.toBe(before)
  await again()
  await dialog.getByRole('button', { name: 'Go back to this one' }).press('Enter')
  await expect(dialog).toBeHidden()
  await expect.poll(async () => (await text.allTextContents()).join(' ')).toBe(before)
})
