import { bringTo, check, done, fillSheet, forward, look, start, step, takeIn, work } from './at-the-bench.ts'
import { expect, test } from './lab.ts'

test('a lost decimal is no mix: it is said, what was typed stays, and nothing is stored', async ({
  page,
  request,
}) => {
  await takeIn(page, 'Study cast', 'Lower', 'WT-1')
  await bringTo(page, request, 'pour-anatomy')
  await step(page)
    .getByRole('button', { name: /^Weigh and record/ })
    .click()
  const sheet = page.getByRole('dialog', { name: 'What was used' })
  const into = sheet.getByRole('button', { name: 'Into the record' })
  await sheet.getByLabel('Powder').fill('120')
  await sheet.getByLabel('Water').fill('336')
  await into.click()
  await expect(sheet).toContainText('it cannot have been mixed so')
  await expect(sheet.getByLabel('Water')).toHaveValue('336')
  // A number that can be read two ways is asked about.
  await sheet.getByLabel('Powder').fill('1,200')
  await into.click()
  await expect(sheet.getByLabel('Powder')).toHaveValue('1,200')
  await expect(sheet).toBeVisible()
  await sheet.getByLabel('Powder').fill('120')
  await sheet.getByLabel('Water').fill('33.6')
  await into.click()
  await expect(sheet).toBeHidden()
  await expect(step(page).getByRole('button', { name: 'Record another' })).toBeVisible()
})

test('dough that waited too long is mixed again: a real way back, with what opens', async ({
  page,
  request,
}) => {
  await takeIn(page, 'Complete denture', 'Upper', 'WT-2')
  await bringTo(page, request, 'dough')
  await forward(request, 60)
  const back = step(page).getByRole('button', { name: /^Back to / })
  await expect(back).toBeVisible()
  await expect(step(page)).toContainText('To be done again')
  await back.click()
  await expect(step(page)).toContainText('again, time 2')
})

test('stone that stayed soft: the remake asks for a new impression and waits for it', async ({
  page,
  request,
}) => {
  await takeIn(page, 'Study cast', 'Lower', 'WT-3')
  await bringTo(page, request, 'separate')
  await look(page, 'Teeth whole', 'Surface soft or chalky')
  await expect(check(page, 'Teeth whole')).toContainText(
    'The clinic is asked, and the case waits for its answer',
  )
  await check(page, 'Teeth whole')
    .getByRole('button', { name: /^Ask, then remake from/ })
    .click()
  await expect(page.getByText('Waiting for the dentist since')).toBeVisible()
  await page.getByRole('button', { name: 'Enter the answer' }).click()
  const answer = page.getByRole('dialog', { name: "The dentist's answer" })
  await answer.getByLabel('What the dentist said').fill('A new one comes at noon')
  await answer.getByRole('button', { name: 'Enter the answer' }).click()
  await expect(step(page).getByRole('heading', { level: 2 })).toHaveText('Disinfect the impression')
  await start(page)
  await done(page)
})

test('a list that was counted wrong is corrected where it stands, after its step is over', async ({
  page,
  request,
}) => {
  await takeIn(page, 'Implant cast, verification jig and tray', '3', 'WT-4')
  await work(page, request, 'Read the work authorisation', { looks: { Complete: 'Complete' } })
  await start(page)
  await test.step('copings that do not agree with the implants are a question', async () => {
    await fillSheet(page, 'Parts list', {
      'Impression copings': '2',
      'Coping screws': '3',
      'Impression tray': '1',
      Tray: '1',
      'wax bite': '1',
    })
    await expect(check(page, 'Parts list')).toContainText('Impression copings: 2 of 3')
    await fillSheet(page, 'Parts list', { 'Impression copings': '3' })
    await expect(check(page, 'Parts list')).toContainText('On record')
  })
  await done(page)
  await page.getByRole('button', { name: 'Record', exact: true }).first().click()
  await page.getByLabel('Search the record').fill('3 Impression copings')
  await page.getByRole('button', { name: /^Correct: / }).click()
  const correct = page.getByRole('dialog', { name: 'Correct an entry' })
  await correct.getByRole('textbox', { name: 'wax bite' }).fill('2')
  await correct.getByRole('button', { name: 'Record', exact: true }).click()
  await expect(correct).toContainText('Say why it is corrected.')
  await correct.getByLabel('Why').fill('two bites came')
  await correct.getByRole('button', { name: 'Record', exact: true }).click()
  await expect(correct).toBeHidden()
  await page.getByLabel('Search the record').fill('two bites came')
  await expect(page.getByText(/Corrected entry \d+ to .*2 wax bite/)).toBeVisible()
})
