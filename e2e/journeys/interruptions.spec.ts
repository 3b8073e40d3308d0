import { ChildServer } from '@yentrik/server/testing'
import { done, measure, start, step, takeIn, weigh, work } from './at-the-bench.ts'
import { expect, test } from './lab.ts'

test('a running timer keeps its end time through reload and restart of the server', async ({ browser }) => {
  const server = new ChildServer({ YENTRIK_DEMO: '1', YENTRIK_CLOCK_CONTROL: '1' })
  await server.start()
  const context = await browser.newContext({ baseURL: server.url })
  const page = await context.newPage()
  try {
    await takeIn(page, 'Study cast', 'Upper', 'RT-1')
    const { request } = context
    await work(page, request, 'Read the work authorisation', { looks: { Complete: 'Complete' } })
    await work(page, request, 'Disinfect the impression')
    await work(page, request, 'Inspect the impression', { looks: { 'Impression whole': 'Whole' } })
    await work(page, request, 'Damp wrap')
    await work(page, request, 'Pour the teeth', { mixes: [['100', '30']] })
    await work(page, request, 'Retention cones')
    await start(page)
    const end = page.getByRole('region', { name: 'Clock' }).getByRole('time')
    const before = await end.innerText()
    const sinceLabel = page.getByRole('region', { name: 'Clock' })
    await expect(sinceLabel).toContainText('Ready from')

    await page.reload()
    await expect(end).toHaveText(before)
    await server.stop('SIGTERM')
    await expect(page.getByText('The server is not reached')).toBeVisible()
    await server.start()
    await expect(page.getByText('The server is not reached')).toBeHidden({ timeout: 20_000 })
    await page.reload()
    await expect(end).toHaveText(before)
    await server.stop('SIGKILL')
    await server.start()
    await page.reload()
    await expect(end).toHaveText(before)
    await expect(step(page).getByRole('heading', { level: 2 })).toHaveText('Stone sets')
  } finally {
    await context.close()
    await server.remove()
  }
})

test('the second of two writers is told what the first did, and stores theirs too', async ({
  page,
  browser,
  request,
}) => {
  await takeIn(page, 'Study cast', 'Lower', 'TW-1')
  await work(page, request, 'Read the work authorisation', { looks: { Complete: 'Complete' } })
  await work(page, request, 'Disinfect the impression')
  await start(page)
  const address = page.url()
  const other = await (await browser.newContext({ baseURL: new URL(address).origin })).newPage()
  await other.goto(address)
  await expect(step(other).getByRole('button', { name: 'Done' })).toBeVisible()
  // The second browser is cut off from news, as a tablet at the edge of the network is.
  const reads = /\/api\/cases\/[^/]+(\/events\?after=\d+)?$/
  await other.route(reads, (route) => (route.request().method() === 'GET' ? route.abort() : route.continue()))
  await other.route('**/api/live', (route) => route.abort())

  await page.keyboard.press('t')
  const note = page.getByRole('dialog', { name: 'Note' })
  await note.getByLabel('What the next one should know').fill('small bubble at the left molar')
  await note.getByRole('button', { name: 'Keep it' }).click()
  await expect(note).toBeHidden()

  await step(other).getByRole('button', { name: 'Whole', exact: true }).click()
  const told = other.getByRole('dialog', { name: 'Somebody worked on this case meanwhile' })
  await expect(told).toContainText('Note: small bubble at the left molar')
  await expect(told).toContainText('Your entry still holds')
  await other.unroute(reads)
  await told.getByRole('button', { name: 'Store mine too' }).click()
  await expect(told).toBeHidden()
  await expect(step(page).getByRole('region', { name: 'Impression whole' })).toContainText('passes')
  await done(page)
})

test('bad input: a clear sentence, the entry stays, nothing is stored', async ({ page, request }) => {
  // New case: everything empty, then a past date, a tooth that is none, a docket in use.
  await page.goto('/cases/new')
  await page.getByRole('button', { name: 'Take it in' }).click()
  await expect(page.getByText('Enter the clinic.')).toBeVisible()
  await page.getByLabel('Clinic').fill('Mill Lane Dental')
  await page.getByLabel('Prescriber').fill('Dr. Orla')
  await page.getByLabel('Patient code').fill('BAD-1')
  await page.getByLabel('Age').fill('abc')
  await page.getByLabel('Due on').fill('2020-01-01')
  await page.getByLabel(/^Teeth/).fill('11, 99')
  await page.getByLabel('Docket code').fill('K-2156')
  await page.getByRole('button', { name: 'Take it in' }).click()
  await expect(page.getByText('Enter whole years, 0 to 130.')).toBeVisible()
  await expect(page.getByText('It is past.')).toBeVisible()
  await expect(page.getByText('There is no tooth 99.')).toBeVisible()
  await expect(page.getByLabel(/^Teeth/)).toHaveValue('11, 99')
  await page.getByLabel('Age').fill('44')
  await page.getByLabel('Due on').fill('2099-01-01')
  await page.getByLabel(/^Teeth/).fill('11, 21')
  await page.getByRole('button', { name: 'Take it in' }).click()
  await expect(page.getByText('Docket K-2156 is in use.')).toBeVisible()
  await page.getByLabel('Docket code').fill('BAD-77')
  await page.getByRole('button', { name: 'Take it in' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('BAD-77')

  // A mix: letters, nothing, far too much; the lot of no shelf.
  await work(page, request, 'Read the work authorisation', { looks: { Complete: 'Complete' } })
  await work(page, request, 'Disinfect the impression')
  await work(page, request, 'Inspect the impression', { looks: { 'Impression whole': 'Whole' } })
  await work(page, request, 'Damp wrap')
  await start(page)
  await step(page)
    .getByRole('button', { name: /Weigh and record/ })
    .click()
  const sheet = page.getByRole('dialog', { name: 'What was used' })
  await sheet.getByLabel('Powder').fill('1oo')
  await sheet.getByRole('button', { name: 'Into the record' }).click()
  await expect(sheet).toContainText('"1oo" is not a number.')
  await expect(sheet.getByLabel('Powder')).toHaveValue('1oo')
  await sheet.getByLabel('Powder').fill('-100')
  await sheet.getByLabel('Water').fill('30')
  await sheet.getByRole('button', { name: 'Into the record' }).click()
  await expect(sheet).toContainText('-100 g cannot be right for what was mixed.')
  await expect(sheet.getByLabel('Powder')).toHaveValue('-100')
  await page.keyboard.press('Escape')
  await step(page).getByRole('button', { name: 'Done' }).click()
  await expect(step(page)).toContainText('is not recorded yet')
  await weigh(page, ['100', '30'])
  await done(page)
  await work(page, request, 'Retention cones')
  await work(page, request, 'Stone sets', { looks: { 'Heat gone': 'Cool' }, minutes: 46 })
  await work(page, request, 'Take off the impression', { looks: { 'Teeth whole': 'All whole' } })
  await work(page, request, 'Base patty', { mixes: [['120', '33.6']] })
  await work(page, request, 'Base sets', { minutes: 46 })
  await start(page)
  const angle = step(page).getByRole('region', { name: 'Back to base' })
  await angle.getByLabel('Reading').fill('9000')
  await angle.getByRole('button', { name: 'Record' }).click()
  await expect(angle).toContainText('9000° cannot be right')
  await expect(angle.getByLabel('Reading')).toHaveValue('9000')
  await angle.getByLabel('Reading').fill('ninety')
  await angle.getByRole('button', { name: 'Record' }).click()
  await expect(angle).toContainText('"ninety" is not a number')
  // A slip that was stored is corrected by a new entry; both stay on record.
  await measure(page, 'Back to base', '80')
  await page.getByRole('button', { name: 'Record', exact: true }).first().click()
  await page.getByRole('button', { name: 'Correct: Back to base: 80°' }).click()
  const correction = page.getByRole('dialog', { name: 'Correct an entry' })
  await correction.getByRole('button', { name: 'Correct' }).click()
  await expect(correction).toContainText('Enter a number')
  await correction.getByLabel('Right value').fill('90')
  await correction.getByLabel('Why').fill('read the wrong scale')
  await correction.getByRole('button', { name: 'Correct' }).click()
  await expect(correction).toBeHidden()
  await expect(page.getByRole('region', { name: 'Record' })).toContainText('Back to base: 80°')

  // Words that are missing, and a due date that is none.
  for (const [key, title, button] of [
    ['t', 'Note', 'Keep it'],
    ['f', 'Ask the dentist', 'Ask'],
    ['g', 'Go back', 'Go back to'],
  ] as const) {
    await page.keyboard.press(key)
    const words = page.getByRole('dialog', { name: title })
    await words.getByRole('button', { name: button }).click()
    await expect(words).toContainText('Write a few words.')
    await page.keyboard.press('Escape')
    await expect(words).toBeHidden()
  }
  await page.getByRole('button', { name: /^Due/ }).click()
  const authorisation = page.getByRole('dialog', { name: 'Work authorisation' })
  await authorisation.getByLabel('Why it is changed').fill('clinic called')
  await authorisation.getByRole('button', { name: 'Change it' }).click()
  await expect(authorisation).toContainText('Nothing was changed.')
  await authorisation.getByLabel('Due on').fill('')
  await expect(authorisation).toContainText('Enter the day and time.')
  await authorisation.getByRole('button', { name: 'Change it' }).click()
  await expect(authorisation).toBeVisible()
  await page.keyboard.press('Escape')

  // Shelf: no number, an expired lot, one that is there already.
  await page.goto('/shelf?material=dental-stone')
  await page.getByRole('button', { name: 'Onto the shelf' }).click()
  await expect(page.getByText('Enter the lot number from the pack.')).toBeVisible()
  await page.getByLabel('Lot number').fill('S3-2045')
  await page.getByLabel('Expires on').fill('2001-01-01')
  await page.getByRole('button', { name: 'Onto the shelf' }).click()
  await expect(page.getByText('The lot expired on 2001-01-01.')).toBeVisible()
  await page.getByLabel('Expires on').fill('2049-01-01')
  await page.getByRole('button', { name: 'Onto the shelf' }).click()
  await expect(page.getByText('Lot S3-2045 is on the shelf already.')).toBeVisible()
  await expect(page.getByLabel('Lot number')).toHaveValue('S3-2045')

  // Mix: letters and a ratio that is none.
  await page.goto('/mix')
  await page.getByLabel('Ratio on the pack').fill('5')
  await expect(page.getByText('Enter a ratio above 0 and at most 2 mL/g.')).toBeVisible()
  // A file that is no case.
  await page.goto('/cases')
  await page
    .getByLabel('Import a case file')
    .setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from('{"format":') })
  await expect(page.getByText('This file is not a case')).toBeVisible()
  await page.getByLabel('Import a case file').setInputFiles({
    name: 'x.json',
    mimeType: 'application/json',
    buffer: Buffer.from('{"format":"yentrik-case"}'),
  })
  await expect(page.getByText(/nothing was imported/)).toBeVisible()
})
