import { expect, type Page } from '@playwright/test'
import { type PaperMark, spotOf } from '@yentrik/core'
import { check, done, start, step } from './at-the-bench.ts'

/** What the drawing of an arch shows: its left edge, its top, and how wide it is, mm (as it is drawn). */
const drawn = { left: -42, top: -89.5, width: 84 }

/** Touches a place on the drawn arches, as a finger would. */
export async function touchTooth(
  page: Page,
  { tooth, region, slope }: Pick<PaperMark, 'tooth' | 'region' | 'slope'>,
): Promise<void> {
  const arch = tooth < 30 ? 'upper' : 'lower'
  const box = (await page.getByRole('img', { name: `The ${arch} arch` }).boundingBox())!
  const spot = spotOf(tooth, region, slope)
  const x = (arch === 'upper' ? 1 : -1) * spot.y
  const scale = box.width / drawn.width
  await page.mouse.click(box.x + (x - drawn.left) * scale, box.y + (-spot.x - drawn.top) * scale)
}

const next = (page: Page) => page.getByRole('region', { name: 'What to do next' })
const pin = (page: Page, text: string) => page.getByLabel('Pin off its table').fill(text)

/** Grinds a denture in on the Remount screen: centric in two rounds, then the movements, each into the record. */
export async function grindIn(page: Page): Promise<void> {
  await start(page)
  await step(page).getByRole('link', { name: 'Open the remount' }).click()
  // The pin of the case: 2.6 mm, which the dentist has accepted.
  await expect(page.getByLabel('Pin off its table')).toHaveValue('2.6')
  await touchTooth(page, { tooth: 36, region: 'fossa' })
  await expect(next(page)).toContainText('Fossa of 36')
  // 2.6 at the pin is about 1.3 at the first molar: half of it, by the articulator.
  await expect(next(page).getByLabel('At the tooth')).toHaveText(/^1\.[23]\d?$/)
  await page.getByRole('button', { name: 'Ground, mark again' }).click()
  await pin(page, '2.3')
  // Forwards an upper tooth is met on its distal slope: that mark cannot be.
  await page.getByRole('radio', { name: 'Forwards' }).locator('..').click()
  await touchTooth(page, { tooth: 26, region: 'buccalInner', slope: 'mesial' })
  await expect(next(page)).toContainText('cannot be')
  await page.getByRole('button', { name: 'Take mark A away' }).click()
  await page.getByRole('radio', { name: 'Centric' }).locator('..').click()
  await touchTooth(page, { tooth: 46, region: 'buccalInner' })
  await touchTooth(page, { tooth: 26, region: 'fossa' })
  await page.getByRole('button', { name: 'Ground, mark again' }).click()
  await pin(page, '0')
  await expect(next(page)).toContainText('Count the back teeth')
  await page.getByRole('button', { name: 'Into the record' }).click()
  await expect(step(page)).toContainText('the stops are not counted')
  await step(page).getByRole('link', { name: 'Look at the remount again' }).click()
  await page.getByLabel('Stops right').fill('4')
  await page.getByLabel('Stops left').fill('4')
  await page.getByRole('button', { name: 'Into the record' }).click()
  await expect(check(page, 'Pin and contacts')).toContainText('On record')
  await done(page)
  for (const name of ['Right', 'Left', 'Forwards']) {
    await start(page)
    await step(page).getByRole('link', { name: 'Open the remount' }).click()
    await page.getByRole('button', { name: `${name} is right` }).click()
    await page.getByRole('button', { name: 'Into the record' }).click()
    await expect(check(page, 'Pin and contacts')).toContainText('On record')
    await done(page)
  }
}
