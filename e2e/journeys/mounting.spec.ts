import { allBack, check, done, fillSheet, look, measure, start, step, takeIn, work } from './at-the-bench.ts'
import { expect, test } from './lab.ts'

test('casts mounted from the door to the bag; a knocked articulator is brought back from the record', async ({
  page,
  request,
}) => {
  test.setTimeout(400_000)
  const docket = await takeIn(page, 'Articulator mounting', 'A facebow', 'AM-1')
  const go = (name: string, plan: Parameters<typeof work>[3] = {}) => work(page, request, name, plan)
  await go('Read the work authorisation', { looks: { Complete: 'Complete' } })
  await go('Disinfect everything that came')
  await go('Inspect casts and record', { looks: { Casts: 'Sound', Record: 'Seats fully' } })
  await go('Score the bases')
  await test.step('the pin off zero does not pass; a guide that cannot be is refused', async () => {
    await start(page)
    const sheet = check(page, 'Articulator')
    await fillSheet(page, 'Articulator', { 'Pin reading': '0,8' })
    await expect(sheet).toContainText('Pin at 0.8 mm, not at zero. Bring the pin to zero')
    await sheet.getByLabel('Incisal table').fill('95')
    await expect(sheet).toContainText('The incisal table is 95°. Enter 0 to 75°.')
    await sheet.getByLabel('Incisal table').fill('ten')
    await expect(sheet).toContainText('"ten" is not a number')
    await expect(sheet.getByLabel('Incisal table')).toHaveValue('ten')
    await sheet.getByLabel('Upper placed by facebow').check()
    const choose = sheet.getByLabel('Add a picture (optional)')
    await choose.setInputFiles({
      name: 'note.jpg',
      mimeType: 'image/jpeg',
      buffer: Buffer.from('no picture'),
    })
    await expect(sheet).toContainText('This file is no picture that can be read.')
    await choose.setInputFiles({ name: 'casts.png', mimeType: 'image/png', buffer: await page.screenshot() })
    await expect(sheet.getByRole('img', { name: 'The mounted casts' })).toBeVisible()
    await fillSheet(page, 'Articulator', { 'Pin reading': '0', 'Incisal table': '15' })
    await expect(sheet).toContainText('On record')
    await look(page, 'Side play', 'None')
    await done(page)
  })
  await go('Mount the upper', { mixes: [['200', '100']] })
  await go('Upper mounting sets', { minutes: 12 })
  await go('Mount the lower by the bite record', { mixes: [['200', '100']] })
  await go('Lower mounting sets', { minutes: 12 })
  await start(page)
  await measure(page, 'Pin reading', '0')
  await look(page, 'Casts on their mountings', 'Fit, no rock')
  await done(page)

  await test.step('knocked: the record says what to bring back and by how much', async () => {
    const address = page.url()
    await page.getByRole('button', { name: /Set the articulator/ }).click()
    await expect(step(page).getByRole('region', { name: 'On record' })).toContainText(
      'table 15°, by facebow, with a picture',
    )
    await step(page).getByRole('link', { name: 'What the pin and the guides do' }).click()
    await expect(page.getByRole('main')).toContainText(docket)
    await page.getByText('Disturbed?').click()
    await expect(page.getByRole('img', { name: 'The mounted casts' })).toBeVisible()
    await page.getByLabel('Pin reading now').fill('1.4')
    await page.getByLabel('Incisal table now').fill('10')
    const back = page.getByRole('region', { name: 'Bring it back' })
    await expect(back).toContainText('Pin reading: down by 1.4 mm, to 0 mm')
    await expect(back).toContainText('Incisal table: up by 5°, to 15°')
    await page.goto(address)
  })
  await go('Papers')
  await start(page)
  await allBack(page)
  await step(page).getByRole('button', { name: 'Done' }).click()
  await expect(page.getByRole('heading', { name: 'Delivered' })).toBeVisible()
})

test('the articulator on its own: pin and tooth both ways, and the ways of the jaw', async ({ page }) => {
  await page.goto('/mount')
  const settings = page.getByRole('complementary', { name: 'Settings' })
  for (const [label, value] of [
    ['Condylar guide, right', '30'],
    ['Condylar guide, left', '30'],
    ['Incisal table', '0'],
  ] as const)
    await settings.getByLabel(label).fill(value)
  // Worked in the model notes: 1 mm at a pin 100 mm out is 0.497 mm at a molar 50 mm out, 0.5 by similar triangles.
  await expect(page.getByLabel('First molars drops')).toHaveText('0.5 mm')
  await expect(page.getByRole('main')).toContainText('0.5 mm')
  await expect(page.getByLabel('At the pin')).toHaveText('1.01 mm')
  await settings.getByLabel('Incisal table').fill('15')
  await page.getByRole('radio', { name: 'Forwards' }).locator('..').click()
  await expect(page.getByLabel('Left molar drops')).toHaveText('1.74 mm')
  await expect(page.getByLabel('Incisors drops')).toHaveText('1.34 mm')
  await page.getByRole('radio', { name: 'To the right' }).locator('..').click()
  await expect(page.getByLabel('Right molar drops')).toHaveText('0.31 mm')
  await expect(page.getByLabel('Left molar drops')).toHaveText('1.36 mm')
  await page.getByLabel('Condyle forwards by').fill('-2')
  await expect(page.getByRole('alert').first()).toContainText('Enter 0 mm or more.')
})

test('cusps that keep contact: the curve, the three movements, the chosen teeth', async ({ page }) => {
  await page.goto('/mount')
  // Worked in the model notes: an equilateral triangle of 101.6 mm, a sphere of 101.6 mm, a cusp at (50, 25).
  const settings = page.getByRole('complementary', { name: 'Settings' })
  for (const [label, value] of [
    ['Condylar guide, right', '30'],
    ['Condylar guide, left', '30'],
    ['Incisal table', '15'],
    ['Condyles apart', '101.6'],
  ] as const)
    await settings.getByLabel(label).fill(value)
  await page.getByLabel('Incisors in front of the axis').fill('80.381203')
  await page.getByLabel('Occlusal plane below it').fill('35.788017')
  await page.getByRole('radio', { name: 'Cusps' }).locator('..').click()
  await page.getByLabel('First molar, mm behind the incisors').fill('30.381203')
  await page.getByLabel('First molar, mm from the midline').fill('25')
  const molar = page.getByRole('row', { name: /First molar/ })
  await expect(molar).toContainText('1.73 mm')
  await expect(molar).toContainText('15.1°')
  await page.getByLabel('Cusp angle of the chosen teeth').fill('5')
  await expect(molar).toContainText('too flat')
  await page.getByLabel('Radius of the curve').fill('40')
  await expect(page.getByRole('alert').first()).toContainText('does not reach all three points')
  await expect(page.getByLabel('Radius of the curve')).toHaveValue('40')
  await page.getByRole('radio', { name: 'Flat plane' }).locator('..').click()
  await expect(molar).toContainText('0 mm')
})
