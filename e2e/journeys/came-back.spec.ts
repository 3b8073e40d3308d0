import { done, leave, measure, shownStep, start, step, work } from './at-the-bench.ts'
import { expect, test } from './lab.ts'

test('a denture that came back dull is polished again from pumice, with its lots and its history', async ({
  page,
  request,
}) => {
  test.setTimeout(180_000)
  const { caseId } = (await (await request.get('/api/dockets/K-2125')).json()) as { caseId: string }
  const go = (name: string, plan: Parameters<typeof work>[3] = {}) => work(page, request, name, plan)
  await page.goto(`/case/${caseId}`)
  await page.getByRole('button', { name: 'It came back' }).click()
  const form = page.getByRole('dialog')
  await test.step('why, what was found, and where it begins', async () => {
    await form.getByRole('button', { name: 'Take it back' }).click()
    await expect(form).toContainText('Write what was found, and where.')
    await form.getByRole('radio', { name: 'Rough, dull or porous' }).locator('..').click()
    await expect(form.getByLabel('Begins again from')).toHaveValue('flash-off')
    await form.getByLabel('Begins again from').selectOption('Pumice')
    await form.getByLabel('What was found, and where').fill('Dull patch at the palate')
    await form.getByLabel('What came along').fill('Denture box')
    await form.getByRole('button', { name: 'Take it back' }).click()
    await expect(form).toBeHidden()
  })
  await expect(page.getByText('Begins again from "Pumice"')).toBeVisible()
  await test.step('nothing is polished before it is read and disinfected', async () => {
    expect(await shownStep(page)).toBe('Read the work authorisation')
    await page
      .getByRole('list', { name: 'Route' })
      .getByRole('button', { name: /^Pumice/ })
      .click()
    await expect(step(page).getByRole('button', { name: 'Start' })).toBeHidden()
    await page
      .getByRole('list', { name: 'Route' })
      .getByRole('button', { name: /^Read the work authorisation/ })
      .click()
    await go('Read the work authorisation', { looks: { Complete: 'Complete' } })
    await go('Disinfect everything that came')
  })
  await go('Pumice', { wheel: 'Coarse pumice', looks: { Scratches: 'None' } })
  await go('High shine', { wheel: 'High shine', looks: { 'Gloss, dry': 'Even gloss, no scratches' } })
  await start(page)
  await measure(page, 'Border thickness, finished', '3.1')
  await done(page)
  await test.step('it is needed today: the water is left out, with a reason', async () => {
    await step(page).getByRole('button', { name: 'Leave out' }).click()
    await expect(step(page).getByRole('heading', { level: 2 })).toHaveText('Ultrasonic')
  })
  await go('Ultrasonic', { minutes: 11 })
  await leave(page, request, { moist: true, looks: { Identification: 'Reads right' } })
  await test.step('its papers name the lots of then, and the case before', async () => {
    await page.getByRole('button', { name: 'Record', exact: true }).click()
    const before = page.getByRole('region', { name: 'The case before' })
    await expect(before).toContainText('Came back, and goes on as')
    await expect(before).toContainText('Finished "Pumice"')
    await page.getByRole('link', { name: 'Papers' }).click()
    const paper = page.getByRole('main')
    await expect(paper).toContainText(
      'Came back from K-2125. Rough, dull or porous: Dull patch at the palate.',
    )
    await paper.getByRole('link', { name: 'Statement on the custom-made device' }).click()
    await expect(paper).toContainText(/Heat-cure acrylic.*, [\d.]+ g, lot HC-/)
    await page.getByRole('button', { name: 'Back' }).click()
    await paper.getByRole('link', { name: 'Delivery note' }).click()
    await expect(paper).toContainText('Did not stand in water: ')
    await expect(paper).toContainText('Denture box')
  })
  await page.goto(`/case/${caseId}`)
  await expect(page.getByText('It came back, and goes on as')).toBeVisible()
  await expect(page.getByRole('button', { name: 'It came back' })).toBeHidden()
})
