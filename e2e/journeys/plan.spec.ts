import type { PlanShown } from '@yentrik/contract'
import ICAL from 'ical.js'
import { bringTo, shownStep } from './at-the-bench.ts'
import { expect, type Page, testOfPlan as test } from './lab.ts'
import { axeOn, seriousOf } from './screens.ts'

test.use({ timezoneId: 'Europe/Vienna' })

const plan = async (page: Page) => (await (await page.request.get('/api/plan?days=7')).json()) as PlanShown
/** Once everything that was changed is planned. */
const settled = (page: Page) => page.request.get('/api/plan/document')
const card = (page: Page, name: string) => page.getByRole('region', { name })

test('an oven out of order until Thursday: tried, taken, and the plan goes by it', async ({ page }) => {
  test.setTimeout(120_000)
  await page.goto('/plan')
  await expect(page.getByRole('heading', { name: 'Plan' })).toBeVisible()
  await settled(page)
  const whatIf = card(page, 'What if')
  await whatIf.getByLabel('Which').selectOption('Sintering furnace')
  // Three days on; the demo begins on a working day.
  const until = new Date((await plan(page)).now + 3 * 86_400_000)
  await whatIf.getByLabel('Until the evening of').fill(until.toISOString().slice(0, 10))
  await whatIf.getByRole('button', { name: 'Try it' }).click()
  await expect(whatIf.getByText(/late, now/)).toBeVisible({ timeout: 30_000 })
  await expect(whatIf.getByText(/K-21\d\d .*later/).first()).toBeVisible()
  await whatIf.getByRole('button', { name: 'It is so: plan by it' }).click()
  await expect(whatIf.getByRole('button', { name: 'Try it' })).toBeVisible()
  await settled(page)
  const shown = await plan(page)
  const furnace = shown.machines.find(({ name }) => name === 'Sintering furnace')!
  expect(furnace.open.some(([from, to]) => from < shown.now + 60_000 && to > shown.now)).toBe(false)
  for (const load of shown.loads.filter(({ machine, at }) => machine === furnace.name && at > shown.now))
    expect(load.at).toBeGreaterThan(until.getTime() - 86_400_000)
  // It stands on the list of what the lab has, and comes off there.
  await page.goto('/shelf')
  await page.getByText('Equipment', { exact: true }).click()
  await page.getByRole('button', { name: 'Change Sintering furnace' }).click()
  await page.getByRole('button', { name: /^Take off Out of order/ }).click()
  await page.getByRole('button', { name: 'Store' }).click()
  await expect
    .poll(async () => {
      const piece = (
        (await (await page.request.get('/api/equipment')).json()) as { name: string; outOfOrder?: unknown }[]
      ).find(({ name }) => name === 'Sintering furnace')!
      return piece.outOfOrder
    })
    .toBeUndefined()
})

test('a rush crown: its date is asked for at the door, and it goes before others', async ({ page }) => {
  test.setTimeout(120_000)
  await page.goto('/cases/new')
  await page.getByRole('radio', { name: 'Cast crown' }).locator('..').click()
  await page.getByRole('combobox', { name: 'Clinic' }).fill('Mill Lane')
  await page.getByLabel('Prescriber').fill('Dr. Orla')
  await page.getByLabel('Patient code').fill('R-1')
  await page.getByRole('textbox', { name: /^Teeth/ }).fill('36')
  await page.getByRole('button', { name: 'Can that date be kept?' }).click()
  await expect(page.getByText(/Planned for/)).toBeVisible({ timeout: 30_000 })
  await expect(page.getByText('by the date asked for')).toBeVisible()
  await page.getByRole('button', { name: /Due the day after/ }).click()
  await page.getByRole('button', { name: 'Take it in' }).click()
  await expect(page).toHaveURL(/\/case\//)
  const caseId = page.url().split('/case/')[1]!.split('?')[0]!
  await settled(page)
  const before = (await plan(page)).cases.find((each) => each.caseId === caseId)!
  expect(before.endsAt).toBeLessThan(before.dueAt)
  // The route of the case carries the hours to come.
  await expect(
    page
      .getByRole('list', { name: 'Route' })
      .getByTitle(/^planned/)
      .first(),
  ).toBeVisible()
  await page.goto('/plan')
  await page
    .getByRole('button', { name: new RegExp(`^${before.docket} `) })
    .first()
    .click()
  await card(page, 'This work').getByText('rush').click()
  await settled(page)
  await page.request.post('/api/plan/anew')
  await settled(page)
  const after = (await plan(page)).cases.find((each) => each.caseId === caseId)!
  expect(after.priority).toBe(10)
  expect(after.endsAt).toBeLessThanOrEqual(before.endsAt)
})

test('a bar is dragged and pinned; two browsers see it; it is let go again', async ({
  page,
  browser,
  lab,
}) => {
  test.setTimeout(120_000)
  const other = await (await browser.newContext({ baseURL: lab.url, timezoneId: 'Europe/Vienna' })).newPage()
  await other.goto('/plan')
  await page.setViewportSize({ width: 1600, height: 900 })
  await page.goto('/plan')
  await page.getByRole('button', { name: 'One day' }).click()
  await settled(page)
  await expect(page.getByRole('button', { name: /^K-21\d\d/ }).first()).toBeVisible()
  const shown = await plan(page)
  // Something of this afternoon that one has and another could do as well.
  const afternoon = shown.now + 2.5 * 3_600_000
  const bar = shown.bars.find(
    (each) =>
      each.personId &&
      !each.begun &&
      each.at > afternoon &&
      each.until - each.at > 15 * 60_000 &&
      each.until < afternoon + 4 * 3_600_000,
  )!
  const name = new RegExp(`^${bar.docket} ${bar.steps[0]!.name.replaceAll(/[.*+?^${}()|[\]\\]/g, '\\$&')}`)
  const handle = page.getByRole('button', { name }).first()
  await handle.scrollIntoViewIfNeeded()
  // As it stands on the screen: the plan may have been bettered since it was read.
  const shownFrom = /(\d\d:\d\d) to/.exec((await handle.getAttribute('aria-label'))!)![1]!
  const box = (await handle.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 + 40, box.y + box.height / 2, { steps: 5 })
  await page.mouse.move(box.x + box.width / 2 + 60, box.y + box.height / 2, { steps: 5 })
  await page.mouse.up()
  await expect
    .poll(
      async () =>
        ((await (await page.request.get('/api/plan/settings')).json()) as { pins: unknown[] }).pins.length,
    )
    .toBe(1)
  await settled(page)
  const pinned = (await plan(page)).bars.find((each) => each.pinned)
  await expect(page.getByRole('button', { name: /pinned/ }).first()).toBeVisible()
  await expect(other.getByRole('button', { name: /pinned/ }).first()).toBeVisible({ timeout: 15_000 })
  expect(pinned?.caseId).toBe(bar.caseId)
  const pinnedFrom = new Date(pinned!.at).toLocaleTimeString('en-GB', { timeZone: 'Europe/Vienna' })
  expect(pinnedFrom > shownFrom).toBe(true)
  await page
    .getByRole('button', { name: /pinned/ })
    .first()
    .click()
  await card(page, 'This work').getByRole('button', { name: 'Unpin' }).click()
  await expect(page.getByRole('button', { name: /pinned/ })).toHaveCount(0)
  await other.context().close()
})

test('what the plan wants in the bath tonight is put in as it says', async ({ page, request }) => {
  test.setTimeout(200_000)
  await page.goto('/plan')
  await settled(page)
  const tonight = (await plan(page)).tonight.find(({ kind }) => kind === 'bath')!
  const row = card(page, 'Tonight').getByRole('listitem').filter({ hasText: tonight.machine })
  await row.getByRole('link').first().click()
  await expect(page).toHaveURL(/\/case\//)
  for (const id of ['cure-long', 'cure-long-boil', 'cure-short-boil']) {
    const route = (await (await request.get(`/api/plan/cases/${tonight.caseIds[0]}`)).json()) as {
      plan: { steps: { stepId: string }[] }
    }
    if (route.plan.steps.some(({ stepId }) => stepId === id)) await bringTo(page, request, id)
  }
  expect(await shownStep(page)).toMatch(/cure/i)
  await page.goto(`/cure?case=${tonight.caseIds[0]}&job=job-1`)
  await settled(page)
  await expect(page.getByText(/By the plan it/)).toBeVisible()
  const out = page.getByRole('button', { name: /^Out by \d/ })
  const time = (await out.textContent())!.replace('Out by ', '')
  await out.click()
  await expect(page.getByRole('textbox', { name: 'Out by' })).toHaveValue(time)
  // The plan may want the one that still runs, later tonight; now it goes into one that is free.
  const running = (await plan(page)).loads.filter(({ runs }) => runs?.program.startsWith('run '))
  const baths = [tonight.machine, 'Bath by the press', 'Bath in the corner', 'Bath at the sink']
  const bath = baths.find((name) => !running.some(({ machine }) => machine === name))!
  await page.getByLabel('Bath', { exact: true }).selectOption(bath)
  await page.getByRole('button', { name: `Start ${bath} now` }).click()
  await expect(page.getByRole('button', { name: /^Start .* now$/ })).toHaveCount(0)
  await settled(page)
  const shown = await plan(page)
  expect(shown.loads).toContainEqual(
    expect.objectContaining({
      caseId: tonight.caseIds[0],
      machine: bath,
      runs: expect.objectContaining({ program: expect.stringMatching(/^run /) }),
    }),
  )
})

test('a calendar address is read by another program until it is taken back', async ({ page }) => {
  await page.goto('/plan')
  await settled(page)
  await page.locator('summary', { hasText: 'More' }).click()
  await page.getByRole('button', { name: 'Calendar addresses' }).click()
  await page.getByRole('button', { name: 'Give an address' }).click()
  const address = await page.getByRole('status').filter({ hasText: '/api/calendar/' }).textContent()
  const answer = await fetch(address!.trim())
  const events = new ICAL.Component(ICAL.parse(await answer.text()) as unknown[]).getAllSubcomponents(
    'vevent',
  )
  const shown = await plan(page)
  expect(events.length).toBeGreaterThan(50)
  const first = new ICAL.Event(events[0]!)
  expect(shown.cases.some(({ docket }) => first.summary.startsWith(docket))).toBe(true)
  await page.getByRole('button', { name: 'Take back' }).click()
  await expect.poll(async () => (await fetch(address!.trim())).status).toBe(404)
})

test('while a step waits by itself: the hours to come, what may go wrong, what to do meanwhile', async ({
  page,
}) => {
  const { caseId } = (await (await page.request.get('/api/dockets/K-2136')).json()) as { caseId: string }
  await page.goto(`/case/${caseId}`)
  await settled(page)
  const hours = page.getByRole('region', { name: 'The hours to come' })
  await expect(hours.getByText('What may go wrong')).toBeVisible()
  await expect(hours.getByText('Meanwhile')).toBeVisible()
  await expect(hours.getByText(/^out/)).toBeVisible()
})

test('axe finds nothing serious on the plan, by day, by night, on a phone', async ({ page }) => {
  await page.goto('/plan')
  await settled(page)
  for (const [theme, width] of [
    ['plaster', 1280],
    ['nightbench', 1280],
    ['plaster', 390],
  ] as const) {
    await page.setViewportSize({ width, height: 800 })
    await page.evaluate((to) => document.documentElement.setAttribute('data-theme', to), theme)
    expect([theme, width, await seriousOf(axeOn(page))]).toEqual([theme, width, []])
  }
})
