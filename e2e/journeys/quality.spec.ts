import type { CaseRecord, QualityShown } from '@yentrik/contract'
import { bringTo, look, start, step, takeIn } from './at-the-bench.ts'
import { expect, type Page, test, testOfQuality } from './lab.ts'
import { axeOn } from './screens.ts'

const quality = async (page: Page) => (await (await page.request.get('/api/quality')).json()) as QualityShown

testOfQuality.describe('a year of a lab', () => {
  testOfQuality.use({ timezoneId: 'Europe/Vienna' })

  testOfQuality('the bad lot is told from the one that only had the hard jobs', async ({ page }) => {
    await page.goto('/quality')
    const card = page.getByRole('region', { name: 'What differs, and what we do not know yet' })
    await expect(card.getByRole('button', { name: /^Lot S4-0788/ })).toContainText('strong sign')
    await expect(card.getByText('A difference is no cause')).toBeVisible()
    await page.getByRole('link', { name: 'Same or different' }).click()
    const bad = page.getByRole('button', { name: /^Lot S4-0788/ })
    const unlucky = page.getByRole('button', { name: /^Lot S4-0815/ })
    await expect(bad).toContainText('strong sign')
    await expect(unlucky).toContainText('no sign of a difference')
    await expect(unlucky).toContainText('Only the mix of jobs makes it look worse')
    // All jobs in one table would have both of them bad.
    const { figures, lots } = await quality(page)
    const of = (number: string) => figures.comparisons.find(({ name }) => lots[name]?.number === number)!
    for (const number of ['S4-0788', 'S4-0815']) expect(of(number).compared.crude.low).toBeGreaterThan(0)
    await bad.click()
    const cases = page.getByRole('dialog', { name: 'Lot S4-0788: went back' })
    await cases.getByRole('link').first().click()
    await expect(page.getByRole('region', { name: 'Record' })).toBeVisible()
    await expect(page.getByRole('row', { name: /Went back to/ }).first()).toBeVisible()
  })

  testOfQuality('five lines, each with its count; what was left out is said', async ({ page }) => {
    await page.goto('/quality')
    const lines = page.getByRole('region', { name: 'In ten seconds' })
    await expect(lines.getByRole('button')).toHaveCount(5)
    const { figures } = await quality(page)
    const { share } = figures.onTime.now
    await expect(lines.getByRole('button', { name: /^On time/ })).toContainText(
      `${share!.count} of ${share!.of} due`,
    )
    await expect(page.getByText('all of it invented')).toBeVisible()
    await lines.getByRole('button', { name: /^Nothing went back/ }).click()
    const sheet = page.getByRole('dialog', { name: 'Something was done again' })
    await expect(sheet.getByRole('link')).toHaveCount(figures.clean.now.cases.length)
    await sheet.getByRole('button', { name: 'Close' }).click()
    await page.getByRole('button', { name: 'Year' }).click()
    await expect(page.getByText('this year')).toBeVisible()
  })

  testOfQuality('a signal is looked at with a sentence, and then it is quiet', async ({ page }) => {
    await page.goto('/quality')
    const look = page.getByRole('button', { name: /^To look at/ })
    const before = (await quality(page)).figures.toLook.signals
    const signal = before.find(({ docket }) => docket === 'K-2133')!
    expect(signal.value).toBe(2.6)
    await page.getByRole('link', { name: 'Charts', exact: true }).click()
    await page.getByRole('button', { name: /^◆ Pin opening/ }).click()
    const chart = page.getByRole('region', { name: 'Charts' })
    await expect(chart.getByText('K-2133, 2.6 mm: beyond a limit.')).toBeVisible()
    await chart.getByRole('button', { name: 'Looked at' }).click()
    await expect(chart.getByText(/What was different is not said/)).toBeVisible()
    await chart.getByRole('textbox', { name: 'What was different' }).fill('Opened while the flask was warm')
    await chart.getByRole('button', { name: 'Looked at' }).click()
    await expect(chart.getByText('“Opened while the flask was warm”')).toBeVisible()
    await page.getByRole('link', { name: 'Overview' }).click()
    await expect(look).toContainText(`To look at`)
    expect((await quality(page)).figures.toLook.signals).toHaveLength(before.length - 1)
  })

  testOfQuality('limits begin anew with a reason; a learned time is kept out with one', async ({ page }) => {
    await page.goto('/quality/times')
    await expect(page.getByRole('heading', { name: 'Is the plan honest?' })).toBeVisible()
    await expect(page.getByText(/said about \d+ %: \d+ of \d+/).first()).toBeVisible()
    await page.getByRole('row', { name: /Trim base and back/ }).click()
    const sheet = page.getByRole('dialog', { name: /Trim/ })
    await sheet.getByLabel('Why').fill('The new wheel is faster')
    await sheet.getByRole('button', { name: 'Keep the figure of the route' }).click()
    // It stands as the route has it, so no longer among those that moved most.
    await expect(sheet).toBeHidden()
    const refused = (await quality(page)).figures.times.find(({ refused: why }) => why !== undefined)
    expect(refused).toMatchObject({
      template: 'study-cast',
      step: 'trim',
      refused: 'The new wheel is faster',
    })
    expect(refused).not.toHaveProperty('takenMinutes')
    await page.goto('/quality/charts')
    await page.getByRole('button', { name: /^Border in wax Complete/ }).click()
    await page.getByRole('button', { name: 'Begin the limits anew' }).click()
    const anew = page.getByRole('dialog', { name: 'Begin the limits anew' })
    await anew.getByLabel('Why').fill('Another gauge')
    await anew.getByRole('button', { name: 'From now on' }).click()
    await expect(page.getByText(/limits anew since .*: Another gauge/)).toBeVisible()
  })

  testOfQuality('the month on two pages, without a name; the tables as CSV', async ({ page }) => {
    await page.goto('/quality')
    await page.getByRole('link', { name: 'The month, 2 pages' }).click()
    await expect(page.getByRole('heading', { name: 'What we do not know', exact: true })).toBeVisible()
    await expect(page.getByRole('img', { name: /values, \d+ of them signalled/ }).first()).toBeVisible()
    const text = await page.getByRole('main').innerText()
    for (const name of ['Ilse', 'Ngozi', 'Ravi', 'Tomas']) expect(text).not.toContain(name)
    const pdf = await page.pdf({ preferCSSPageSize: true })
    expect(pdf.toString('latin1').match(/\/Type\s*\/Page\b/g)).toHaveLength(2)
    const csv = await page.request.get('/api/quality/table?which=values')
    expect((await csv.text()).split('\r\n')[0]).toContain('series,name,unit,docket,at_utc,value')
  })

  // By day the screens of the lab without a year are looked at already.
  testOfQuality('nothing that axe finds at night, and nothing cut off on a phone', async ({ page }) => {
    await page.addInitScript(() => document.documentElement.setAttribute('data-theme', 'nightbench'))
    for (const path of [
      '/quality',
      '/quality/steps',
      '/quality/charts',
      '/quality/compare',
      '/quality/times',
    ]) {
      await page.setViewportSize({ width: 1280, height: 800 })
      await page.goto(path)
      await expect(page.getByRole('navigation', { name: 'Views of quality' })).toBeVisible()
      await expect(page.getByText('As CSV, times in UTC:')).toBeVisible()
      await page.evaluate(() => document.documentElement.setAttribute('data-theme', 'nightbench'))
      const { violations } = await axeOn(page).analyze()
      expect(violations.map(({ id, nodes }) => [path, id, nodes[0]?.html])).toEqual([])
      await page.setViewportSize({ width: 390, height: 844 })
      const width = await page.evaluate(() => document.documentElement.scrollWidth)
      expect([path, width]).toEqual([path, 390])
    }
  })
})

test('a remake asks once for its cause, and what was seen moves the order next time', async ({
  page,
  request,
}) => {
  test.setTimeout(300_000)
  await takeIn(page, 'Cast crown', ['Impression', 'Cast here'], 'Q-1', '46')
  const caseId = page.url().split('/').at(-1)!
  const remake = async () => {
    await bringTo(page, request, 'fit-die')
    await start(page)
    await look(page, 'Seat', 'Will not seat')
    const { events } = (await (await request.get(`/api/cases/${caseId}`)).json()) as CaseRecord
    const command = {
      type: 'goBack',
      jobId: 'job-1',
      toStepId: 'green-wax',
      remake: true,
      reason: 'Will not seat',
    }
    const data = { seen: events.length, command }
    expect((await request.post(`/api/cases/${caseId}/events`, { data })).ok()).toBe(true)
    await page.getByRole('button', { name: 'Say the cause' }).click()
    return page.getByRole('dialog', { name: 'Why was it made anew?' })
  }
  const unknownIn = async (sheet: ReturnType<Page['getByRole']>) =>
    sheet
      .getByRole('group')
      .first()
      .locator('label', { hasText: 'Nothing on record' })
      .locator('b')
      .allInnerTexts()
  const asking = page.getByRole('region', { name: 'Why it was made anew' })

  let sheet = await remake()
  const before = await unknownIn(sheet)
  const cause = before.at(-1)!
  expect(before.length).toBeGreaterThan(1)
  await sheet.getByRole('radio', { name: cause }).click()
  await sheet.getByRole('button', { name: 'Put it on record' }).click()
  await expect(
    sheet.getByText('How it is known is not said', { exact: false }).or(sheet.getByText('How it was known')),
  ).toBeVisible()
  await sheet.getByRole('radio', { name: 'Seen' }).locator('..').click()
  await sheet.getByRole('button', { name: 'Put it on record' }).click()
  await expect(asking).toBeHidden()

  sheet = await remake()
  await sheet.getByRole('radio', { name: cause }).click()
  await sheet.getByRole('radio', { name: 'Measured' }).locator('..').click()
  await sheet.getByRole('button', { name: 'Put it on record' }).click()
  await expect(asking).toBeHidden()

  sheet = await remake()
  expect(await unknownIn(sheet)).toEqual([cause, ...before.filter((each) => each !== cause)])
  await sheet.getByRole('button', { name: 'Close' }).click()
  await asking.getByRole('button', { name: 'Later' }).click()
  await expect(asking).toBeHidden()
  await page.reload()
  await expect(asking).toBeVisible()
})

test('called away from a step: its minutes stop until somebody is back', async ({ page, request }) => {
  await takeIn(page, 'Study cast', ['Upper'], 'Q-2')
  const caseId = page.url().split('/').at(-1)!
  await start(page)
  await step(page).getByText('More').click()
  await step(page).getByRole('button', { name: 'Called away' }).click()
  const back = page.getByRole('button', { name: /^Back at it/ })
  await expect(back).toContainText('away since')
  await back.click()
  await expect(back).toBeHidden()
  const { events } = (await (await request.get(`/api/cases/${caseId}`)).json()) as CaseRecord
  expect(events.map(({ type }) => type).slice(-2)).toEqual(['paused', 'resumed'])
})
