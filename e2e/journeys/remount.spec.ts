import { expect, test } from './lab.ts'
import { touchTooth } from './remount.ts'

test('a remount on its own: the mark that is touched, the tooth that gives way, and when to ask', async ({
  page,
}) => {
  await page.goto('/remount')
  const next = page.getByRole('region', { name: 'What to do next' })
  await page.getByLabel('Pin off its table').fill('1.4')
  await touchTooth(page, { tooth: 26, region: 'lingualTip' })
  // The palatal tip carries: its partner's fossa gives way.
  await expect(next).toContainText('Fossa of 36, where the tip of the palatal cusp of 26 strikes.')
  await expect(next.getByLabel('At the tooth')).toHaveText(/^0\.\d+$/)
  await page.reload()
  await expect(next).toContainText('Fossa of 36')
  await page.getByLabel('Pin off its table').fill('3')
  await expect(next).toContainText('ask the dentist before anything is ground')
  await expect(page.getByRole('button', { name: 'Ground, mark again' })).toBeHidden()
})

test('practise a remount: a touch grinds, it is taken back, the score says what cost most, the expert shows the way', async ({
  page,
}) => {
  await page.goto('/remount')
  await page.getByRole('link', { name: 'Practise on a computed mouth' }).click()
  const closes = page.getByRole('region', { name: 'How it closes' })
  const pin = closes.getByLabel('Pin open by')
  await expect(pin).toHaveText(/mm$/)
  const first = await pin.innerText()
  await touchTooth(page, { tooth: 36, region: 'fossa' })
  await expect(closes).not.toContainText('; 0.00 mm³ off')
  await page.getByRole('button', { name: 'Take the last touch back' }).click()
  await expect(closes).toContainText('; 0.00 mm³ off')
  await expect(pin).toHaveText(first)
  await page.getByLabel('Lesson').selectOption('Everything')
  await page.getByLabel('Seed').fill('7')
  await page.getByRole('button', { name: 'Score it' }).click()
  // Model notes: an unground mouth is worth 23 to 26 points, the expert's 94 to 100.
  await expect(closes.getByLabel('Points')).toHaveText(/^2\d$/)
  await expect(closes).toContainText('The pin still stands open')
  await page.getByRole('button', { name: 'Show how the expert does it' }).click()
  await expect(page.getByRole('region', { name: 'The expert' })).toContainText(
    /9\d points on the same mouth, in \d+ rounds/,
  )
  await page.getByLabel('Seed').fill('seven')
  await expect(page.getByText(/"seven" is not a number/)).toBeVisible()
})

test('finishing: a scratch seen at shine, a border that is too thin, a wheel that had pumice', async ({
  page,
}) => {
  await page.goto('/finish')
  await page.getByRole('radio', { name: 'High shine' }).locator('..').click()
  await page.getByRole('radio', { name: 'seen wet' }).locator('..').click()
  await expect(page.getByRole('region', { name: 'A scratch' })).toContainText('Back to coarse pumice')
  await page.getByRole('radio', { name: 'Rubber' }).locator('..').click()
  await page.getByLabel('Border now').fill('3.0')
  await expect(page.getByRole('region', { name: 'The border' })).toContainText(
    'ask the dentist, do not polish',
  )
  await page.getByLabel('Wheel, scan its label').fill('Coarse pumice')
  await expect(page.getByRole('region', { name: 'The wheel' })).toContainText('Take a wheel marked rubber')
})
