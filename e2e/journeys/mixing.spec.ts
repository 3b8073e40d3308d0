import { readFileSync } from 'node:fs'
import { atBalance, done, start, step, takeIn, toMixScreen, weigh, work } from './at-the-bench.ts'
import { expect, test } from './lab.ts'

const demoArch = new URL('../../demo/models/arch.stl', import.meta.url)

test('the Mix screen works both ways and mends an overshoot', async ({ page }) => {
  await page.goto('/mix?material=high-strength-stone')
  const much = page.getByRole('region', { name: 'How much' })
  await much.getByLabel('Powder', { exact: true }).last().fill('100')
  await page.getByLabel('Ratio on the pack').fill('0,20')
  await expect(page.getByRole('region', { name: 'The mix' })).toContainText('20 mL')
  await much.getByLabel('What is known').selectOption('Liquid')
  await much.getByLabel('Water', { exact: true }).fill('30')
  await expect(page.getByRole('region', { name: 'The mix' })).toContainText('150 g')
  const bowl = page.getByRole('region', { name: 'In the bowl' })
  await bowl.getByLabel('Powder in').fill('110')
  await bowl.getByLabel('Water in').fill('20')
  await expect(bowl.getByLabel('To add')).toHaveText('2 mL')
  await bowl.getByLabel('It thickens already').check()
  await expect(bowl).toContainText('Start again')
  await page.getByLabel('Level scoops').fill('3')
  await expect(page.getByLabel('To measure')).toHaveText('3')
  // Alginate has a clock of its own: poured within 15 min.
  await page.getByRole('button', { name: 'The parts meet' }).click()
  await expect(page.getByRole('region', { name: 'Clock of Alginate' })).toContainText('poured by')
  await page
    .getByRole('region', { name: 'Clock of Alginate' })
    .getByRole('button', { name: 'Put away' })
    .click()
})

test('how much: by a job, by its sides, by what was used before', async ({ page }) => {
  await page.goto('/mix?material=dental-stone')
  const much = page.getByRole('region', { name: 'How much' })
  const mix = page.getByRole('region', { name: 'The mix' })
  await much.getByRole('radio', { name: 'Job' }).locator('..').click()
  await much.getByRole('radio', { name: 'Large' }).locator('..').click()
  await expect(mix.getByLabel('dental stone, type 3')).toHaveText('150 g')
  await much.getByLabel('How many').fill('2')
  await expect(mix.getByLabel('dental stone, type 3')).toHaveText('300 g')
  await much.getByLabel('How many').fill('1.5')
  await expect(much).toContainText('Enter a whole number.')
  // Round, 50 mm across, 20 mm high: π/4 · 50² · 20 = 39.27 cm3.
  await much.getByRole('radio', { name: 'Size' }).locator('..').click()
  await much.getByLabel('Across').fill('50')
  await much.getByLabel('High', { exact: true }).fill('20')
  await expect(much).toContainText('39.3 cm3 to fill')
  await much.getByLabel('Stands inside').fill('50')
  await expect(much).toContainText('fills the whole space')
  await much.getByLabel('Stands inside').fill('2in')
  await expect(much).toContainText('"2in" is not a number')
  await expect(much.getByLabel('Stands inside')).toHaveValue('2in')
  await test.step('a flask by its water: 160 mL less a cast of 0.8 · 60 · 65 · 20 mm; the cap by 4 of its 30 mm', async () => {
    await much.getByRole('radio', { name: 'Flask' }).locator('..').click()
    for (const [label, value] of [
      ['Lower half', '160'],
      ['Ring above', '180'],
      ['Ring high', '30'],
      ['Cast to land', '20'],
      ['Cast long', '60'],
      ['Cast wide', '65'],
      ['Cusps', '26'],
    ] as const)
      await much.getByLabel(label).fill(value)
    await expect(much).toContainText('97.6 cm3 to fill')
    await much.getByRole('radio', { name: 'Cap 24' }).locator('..').click()
    await expect(much).toContainText('24.0 cm3 to fill')
    await much.getByLabel('Cusps').fill('31')
    await expect(much).toContainText('Take a higher flask, or trim the foot of the cast.')
    await expect(much.getByLabel('Cusps')).toHaveValue('31')
    await much.getByLabel('Cusps').fill('28')
    await expect(much).toContainText('Only 2 mm above the teeth')
  })
  await much.getByRole('radio', { name: 'As before' }).locator('..').click()
  await expect(much).toContainText(/is the middle of \d+ mixes on record/)
  await much.getByRole('button', { name: 'As before' }).click()
  await expect(mix).toContainText(/1\d\d(\.\d)? g/)
})

test('a mesh: its volume in a worker, its unit asked for, broken files refused with a sentence', async ({
  page,
}) => {
  await page.goto('/mix?material=high-strength-stone')
  const much = page.getByRole('region', { name: 'How much' })
  await much.getByRole('radio', { name: 'Mesh' }).locator('..').click()
  const mesh = much.getByRole('region', { name: 'Mesh' })
  const drop = (name: string, buffer: Buffer) =>
    mesh.getByLabel('Mesh file').setInputFiles({ name, mimeType: 'model/stl', buffer })
  const whole = readFileSync(demoArch)
  await drop('arch.stl', whole)
  await expect(mesh).toContainText('Closed all round')
  await expect(much).toContainText('37.5 cm3 to fill')
  await expect(mesh.getByRole('img', { name: 'The mesh in 3D' })).toBeVisible()
  // The same in inches: 2.7 of them; it could be centimetres too, so it asks.
  const inches = Buffer.from(whole)
  for (let at = 84; at < inches.length; at += 50)
    for (let n = 0; n < 12; n++) inches.writeFloatLE(inches.readFloatLE(at + 4 * n) / 25.4, at + 4 * n)
  await drop('inches.stl', inches)
  await expect(mesh).toContainText('It could be either: choose one.')
  await mesh.getByRole('radio', { name: 'inches' }).locator('..').click()
  await expect(much).toContainText('37.5 cm3 to fill')
  const claims = Buffer.from(whole.subarray(0, 684))
  claims.writeUInt32LE(42_949_672, 80)
  for (const [name, file, words] of [
    ['empty.stl', Buffer.alloc(0), 'The file is empty.'],
    ['cut.stl', whole.subarray(0, 20_000), 'claims 780 triangles but ends after 398'],
    ['claim.stl', claims, 'it would claim 42949672 triangles in 684 bytes'],
    ['letter.obj', Buffer.from('Dear lab, here is the mesh'), 'is no mesh that can be read here'],
    ['open.stl', openArch(whole), 'Open along 3 edges'],
  ] as const) {
    await drop(name, file)
    await expect(mesh).toContainText(words)
  }
})

/** The demo mesh without its last triangle. */
function openArch(whole: Buffer): Buffer {
  const open = Buffer.from(whole.subarray(0, whole.length - 50))
  open.writeUInt32LE(open.readUInt32LE(80) - 1, 80)
  return open
}

test('a good pour on the balance goes into the record of its step', async ({ page, request }) => {
  await takeIn(page, 'Study cast', 'Upper', 'SC-3')
  await work(page, request, 'Read the work authorisation', { looks: { Complete: 'Complete' } })
  await work(page, request, 'Disinfect the impression')
  await work(page, request, 'Inspect the impression', { looks: { 'Impression whole': 'Whole' } })
  await work(page, request, 'Damp wrap')
  await start(page)
  await toMixScreen(page)
  await expect(page.getByRole('main')).toContainText('Pour the teeth')
  const balance = page.getByRole('region', { name: 'Balance' })
  await page.getByRole('button', { name: 'Into the record' }).click()
  await expect(page.getByText('Weigh powder and liquid first')).toBeVisible()
  await atBalance(request, { does: 'clear' })
  await expect(balance).toContainText('settled')
  await balance.getByRole('button', { name: 'Zero' }).click()
  await atBalance(request, { does: 'pour', gramsPerSecond: 10, upToGrams: 100 })
  await expect(balance).toContainText('Right', { timeout: 20_000 })
  await balance.getByRole('button', { name: /^Take (99|100)/ }).click()
  await balance.getByRole('button', { name: /^Give / }).click()
  await expect(page.getByLabel('Water in')).toHaveValue(/^(29|30)/, { timeout: 20_000 })
  await expect(page.getByRole('region', { name: 'In the bowl' })).toContainText('Good as it is')
  await page.getByRole('button', { name: 'Into the record' }).click()
  await expect(step(page).getByRole('button', { name: 'Record another' })).toBeVisible()
  await weigh(page, ['10', '3'])
  await done(page)
})

test('the clock of a mix survives a reload, and is put away', async ({ page }) => {
  await page.goto('/mix?material=model-plaster')
  await page.getByRole('button', { name: 'Powder meets water' }).click()
  const clock = page.getByRole('region', { name: 'Clock of Model plaster, type 2' })
  await expect(clock).toContainText('powder met liquid')
  const met = await clock.getByRole('heading').innerText()
  await page.reload()
  await expect(clock.getByRole('heading')).toHaveText(met.replaceAll('\n', ' '), { useInnerText: true })
  await clock.getByRole('button', { name: 'Put away' }).click()
  await expect(clock).toBeHidden()
})

test('blends, special liquid, what moves the set', async ({ page }) => {
  await page.goto('/mix?material=model-plaster')
  const sums = page.getByRole('region', { name: 'More sums' })
  await sums.getByRole('radio', { name: 'A blend' }).locator('..').click()
  // 110 g at 0.50 and 110 g at 0.30: 55 + 33 = 88 mL.
  await expect(sums.getByLabel('Water for the blend')).toHaveText('88 mL')
  await sums.getByLabel('Of it').last().fill('-3')
  await expect(sums).toContainText('Enter a number above 0.')
  await sums.getByRole('radio', { name: 'Special liquid' }).locator('..').click()
  await expect(sums.getByLabel('Special liquid to measure')).toHaveText('12 mL')
  await sums.getByLabel('Special liquid', { exact: true }).last().fill('120')
  await expect(sums).toContainText('Enter 0 to 100.')
  await sums.getByRole('radio', { name: 'What moves the set' }).locator('..').click()
  await sums.getByLabel(/potassium sulfate/).check()
  await expect(sums).toContainText('4-6 min')
})

test('a product of the lab: refused while it makes no sense, flagged out of class, used by the Mix', async ({
  page,
}) => {
  await page.goto('/shelf?material=dental-stone')
  await page.getByRole('button', { name: 'New product' }).click()
  const form = page.getByRole('form', { name: 'New product' })
  await form.getByLabel('Ratio').fill('-0.3')
  await form.getByRole('button', { name: 'Store' }).click()
  await expect(form).toContainText('Give it the name')
  await expect(form).toContainText('Enter a number above 0 and at most 2 mL/g.')
  await form.getByLabel('Name in this lab').fill('River stone')
  await form.getByLabel('Ratio').fill('0.33')
  await expect(form).toContainText('is outside the class')
  await form.getByLabel('Initial set').fill('60')
  await form.getByRole('button', { name: 'Store' }).click()
  await expect(form).toContainText('The times do not rise')
  await form.getByLabel('Initial set').fill('')
  await form.getByRole('button', { name: 'Store' }).click()
  await expect(page.getByRole('heading', { name: 'River stone' })).toBeVisible()
  await page.goto('/mix')
  await page.getByLabel('Material').selectOption({ label: '    River stone' })
  await expect(page.getByRole('region', { name: 'The mix' })).toContainText('33 mL')
})
