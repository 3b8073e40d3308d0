import {
  allBack,
  check,
  done,
  forward,
  look,
  shownStep,
  start,
  step,
  stopAndAsk,
  takeIn,
  work,
} from './at-the-bench.ts'
import { expect, test } from './lab.ts'
import { goBack } from './screens.ts'

test('a study cast from the door to delivered, every step', async ({ page, request }) => {
  const docket = await takeIn(page, 'Study cast', 'Upper', 'SC-1')
  await work(page, request, 'Read the work authorisation', { looks: { Complete: 'Complete' } })
  await work(page, request, 'Disinfect the impression')
  await work(page, request, 'Inspect the impression', { looks: { 'Impression whole': 'Whole' } })

  // Poured at once: the damp wrap is left out, with its reason.
  await step(page).getByRole('button', { name: 'Leave out: it is poured at once' }).click()
  await expect(step(page).getByRole('heading', { level: 2 })).toHaveText('Pour the teeth')

  // 100 g of type 3; at 29 mL it is 0.29, thicker than wanted.
  await start(page)
  await expect(step(page)).toContainText('100 g')
  await expect(step(page)).toContainText('30 mL')
  await step(page)
    .getByRole('button', { name: /Weigh and record/ })
    .click()
  const sheet = page.getByRole('dialog', { name: 'What was used' })
  await sheet.getByLabel('Powder').fill('100')
  await sheet.getByLabel('Water').fill('29')
  await expect(sheet).toContainText('0.29 thicker')
  await expect(sheet).toContainText('Higher setting expansion')
  await sheet.getByRole('button', { name: 'Into the record' }).click()
  await expect(sheet).toBeHidden()
  await done(page)
  await work(page, request, 'Retention cones')

  // The set: too soon is refused without a reason; the clock runs 900 times as fast until it is good.
  await start(page)
  await look(page, 'Heat gone', 'Still warm')
  await expect(check(page, 'Heat gone')).toContainText('Leave it until it is cool.')
  await look(page, 'Heat gone', 'Cool')
  await step(page).getByRole('button', { name: 'Done' }).click()
  await expect(page.getByRole('dialog', { name: 'Too soon' })).toContainText('min to go')
  await page.keyboard.press('Escape')
  const clock = page.getByRole('region', { name: 'Clock' })
  await expect(clock).toHaveAttribute('data-verdict', 'tooSoon')
  await forward(request, 0, 900)
  await expect(clock).toHaveAttribute('data-verdict', 'good')
  await forward(request, 0, 1)
  await done(page)

  await work(page, request, 'Take off the impression', { looks: { 'Teeth whole': 'All whole' } })
  await work(page, request, 'Base patty', { mixes: [['120', '33.6']] })
  await work(page, request, 'Base sets', { minutes: 46 })
  await work(page, request, 'Trim base and back', { measures: { 'Back to base': '90,5' } })

  // A hole is found, filled and looked at again.
  await start(page)
  await look(page, 'Holes and blebs', 'A hole is open')
  await expect(check(page, 'Holes and blebs')).toContainText('fill it with a little stone')
  await step(page).getByRole('button', { name: 'Done' }).click()
  await expect(step(page).getByRole('alert').last()).toContainText('does not pass')
  await look(page, 'Holes and blebs', 'None left')
  await done(page)

  // Sanding opens a new hole: back to filling, both again.
  await start(page)
  await look(page, 'Surface', 'New hole opened')
  await step(page).getByRole('button', { name: 'Go back to "Fill holes, take off blebs"' }).click()
  await expect(step(page)).toContainText('again, time 2')
  await work(page, request, 'Fill holes, take off blebs', { looks: { 'Holes and blebs': 'None left' } })
  await work(page, request, 'Sand under water', { looks: { Surface: 'Smooth' } })
  await work(page, request, 'Last look', { looks: { 'Land area': 'Present all round' } })
  await work(page, request, 'Label and papers')
  expect(await shownStep(page)).toBe('Disinfect, wrap, hand over')
  await start(page)
  await allBack(page)
  await step(page).getByRole('button', { name: 'Done' }).click()
  await expect(page.getByRole('heading', { name: 'Delivered' })).toBeVisible()

  // The record tells all of it, and can be printed on A4.
  await page.getByRole('link', { name: 'Papers' }).click()
  const paper = page.getByRole('main')
  await expect(paper).toContainText(`Case record ${docket}`)
  await expect(paper).toContainText('All steps done.')
  await expect(paper).toContainText(/Dental stone, type 3.*: 100 g \+ 29 mL \(0\.29 mL\/g\), lot /)
  await expect(paper).toContainText('Left out "Damp wrap" (It is poured at once.)')
  await expect(paper).toContainText('Went back to "Fill holes, take off blebs" (Surface: New hole opened)')
  await expect(paper).toContainText('Back to base: 90.5°')
  const pdf = await page.pdf({ format: 'A4' })
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-')
})

test('a failed impression stops the case for the dentist, and a new one starts it again', async ({
  page,
  request,
}) => {
  await takeIn(page, 'Study cast', 'Lower', 'SC-2')
  await work(page, request, 'Read the work authorisation', { looks: { Complete: 'Complete' } })
  await work(page, request, 'Disinfect the impression')
  await start(page)
  await check(page, 'Impression whole').getByRole('button', { name: 'Torn or part missing' }).click()
  await stopAndAsk(page, 'Impression whole')
  await expect(step(page).getByRole('button', { name: 'Done' })).toBeHidden()
  await page.goto('/')
  await expect(page.getByRole('region', { name: 'Waiting for an answer' })).toContainText(
    'The impression is torn or incomplete',
  )
  await goBack(page)
  await page.getByRole('button', { name: 'Enter the answer' }).click()
  const sheet = page.getByRole('dialog', { name: "The dentist's answer" })
  await sheet.getByLabel('What the dentist said').fill('A new impression comes at noon')
  await sheet.getByRole('radio', { name: 'remake' }).locator('..').click()
  await sheet.getByLabel('To which step').selectOption('Disinfect the impression')
  await sheet.getByRole('button', { name: 'Enter the answer' }).click()
  await expect(step(page).getByRole('heading', { level: 2 })).toHaveText('Disinfect the impression')
  await expect(step(page)).toContainText('again, time 2')
})
