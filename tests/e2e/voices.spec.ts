import { expect } from '@playwright/test'
import { test } from './server.ts'

test('a voice is named once and called so everywhere, by keyboard', async ({ page, demo }) => {
  await page.goto(`${demo.address}/lecture/harbour-pilot`)
  await page.getByRole('button', { name: 'Voice 2', exact: true }).first().focus()
  await page.keyboard.press('Enter')
  const sheet = page.getByRole('dialog', { name: 'Who speaks' })
  await sheet.getByLabel('Voice 2', { exact: true }).fill('The pilot')
  await page.keyboard.press('Enter')
  await expect(sheet).toBeHidden()
  await expect(page.getByRole('button', { name: 'The pilot', exact: true }).first()).toBeVisible()
  await expect(page.getByRole('button', { name: 'Voice 2', exact: true })).toHaveCount(0)
})

test('a service is entered only with consent, and says what is wrong', async ({ page, demo }) => {
  await page.goto(`${demo.address}/languages`)
  await page.getByRole('button', { name: 'Enter one' }).click()
  await page.getByLabel('Base address').fill('http://localhost:1/v1')
  await page.getByLabel('Model').fill('practice')
  await expect(page.getByRole('button', { name: 'Ask it, and switch it on' })).toBeDisabled()
  await page.getByLabel('The sound of lectures').check()
  await page.getByRole('button', { name: 'Ask it, and switch it on' }).click()
  await expect(page.getByText('localhost cannot be reached')).toBeVisible()
  await page.reload()
  await expect(page.getByText('None is entered.')).toBeVisible()
})
