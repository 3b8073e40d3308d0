import type { Locator } from '@playwright/test'
import { check, forward, step } from './at-the-bench.ts'
import { expect, test } from './lab.ts'

/** A finger that counts: what it touches, and what it types (a field that is typed into is touched by that). */
class Finger {
  readonly touched: string[] = []
  readonly typed: string[] = []
  async touch(what: Locator): Promise<void> {
    const name = await what.evaluate((element) => element.textContent?.trim().replace(/\s+/g, ' ') ?? '')
    await what.click()
    this.touched.push(name)
  }
  async type(into: Locator, text: string): Promise<void> {
    await into.fill(text)
    this.typed.push(text)
  }
}

/** What a study cast may cost at most, from the bench to delivered. */
const MOST_TOUCHES = 34
const MOST_TEXTS = 4

test('a study cast from the bench to delivered costs few touches', async ({ page, request }) => {
  const finger = new Finger()
  const button = (name: string | RegExp) => step(page).getByRole('button', { name })
  const heading = step(page).getByRole('heading', { level: 2 })
  const comes = async (name: string) => {
    await expect(heading).toHaveText(name)
    await expect(step(page)).toHaveAttribute('aria-busy', 'false')
  }
  const answer = async (words: string) => {
    const one = step(page).getByRole('button', { name: words, exact: true })
    await finger.touch(one)
    await expect(one).toHaveAttribute('aria-pressed', 'true')
  }

  await page.goto('/')
  await finger.touch(page.getByRole('link', { name: 'Take in a case' }))
  await finger.touch(page.getByRole('radio', { name: 'Study cast' }).locator('..'))
  await finger.touch(page.getByRole('radio', { name: 'Lower', exact: true }).locator('..'))
  await finger.type(page.getByRole('combobox', { name: 'Clinic' }), 'Mill Lane Dental')
  await finger.type(page.getByLabel('Prescriber'), 'Dr. Orla')
  await finger.type(page.getByLabel('Patient code'), 'T-1')
  await finger.touch(page.getByRole('button', { name: 'Take it in' }))

  await comes('Read the work authorisation')
  await finger.touch(button(/^Start/))
  await answer('Complete')
  await finger.touch(button(/^On to/))
  await comes('Disinfect the impression')
  await answer('Whole')
  await finger.touch(button(/^Done/))
  await comes('Damp wrap')
  await finger.touch(button(/^Leave out/))
  await comes('Pour the teeth')
  await finger.touch(button(/^Start/))
  await finger.touch(button('As wanted'))
  await expect(button('Record another')).toBeVisible()
  await finger.touch(button(/^Done/))
  await comes('Stone sets')
  await forward(request, 46)
  await answer('Cool')
  await finger.touch(button(/^On to/))
  await comes('Take off the impression')
  await answer('All whole')
  await finger.touch(button(/^On to/))
  await comes('Base patty')
  await finger.touch(button('As wanted'))
  await expect(button('Record another')).toBeVisible()
  await finger.touch(button(/^Done/))
  await comes('Base sets')
  await forward(request, 46)
  await finger.touch(button(/^On to/))
  await comes('Trim base and back')
  await finger.type(step(page).getByLabel('Reading'), '90')
  await finger.touch(button('Record'))
  await expect(step(page).getByText('90°: passes')).toBeVisible()
  await finger.touch(button(/^On to/))
  await comes('Fill holes, take off blebs')
  await answer('None left')
  await finger.touch(button(/^On to/))
  await comes('Sand under water')
  await answer('Smooth')
  await finger.touch(button(/^On to/))
  await comes('Last look')
  await answer('Present all round')
  await finger.touch(button(/^On to/))
  await comes('Label and papers')
  await finger.touch(button(/^(All in the bag|Record)$/))
  await expect(check(page, 'What came along')).toContainText('On record')
  await finger.touch(button(/^Done/))
  await expect(page.getByRole('heading', { name: 'Delivered' })).toBeVisible()

  const told = `${finger.touched.length} touches and ${finger.typed.length} texts`
  test.info().annotations.push({ type: 'touches', description: told })
  process.stdout.write(`A study cast from the bench to delivered: ${told}.\n`)
  expect(finger.touched.length).toBeLessThanOrEqual(MOST_TOUCHES)
  expect(finger.typed.length).toBeLessThanOrEqual(MOST_TEXTS)
})
