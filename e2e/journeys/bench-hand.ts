import { type APIRequestContext, expect, type Page } from '@playwright/test'

/** A technician's hands on the real screens. Everything is found by role and label. */

/** Takes a case in through the New case screen. */
export async function takeIn(
  page: Page,
  job: string,
  prescribed: string | readonly string[],
  code: string,
): Promise<string> {
  await page.goto('/cases/new')
  await page.getByRole('radio', { name: job }).check({ force: true })
  for (const choice of [prescribed].flat())
    await page.getByRole('radio', { name: choice, exact: true }).check({ force: true })
  await page.getByLabel('Clinic').fill('Mill Lane Dental')
  await page.getByLabel('Prescriber').fill('Dr. Orla')
  await page.getByLabel('Patient code').fill(code)
  await page.getByLabel('Shade').fill('Oat 2')
  await page.getByLabel('What came along').fill('Tray, wax bite')
  await page.getByRole('button', { name: 'Take it in' }).click()
  await expect(page.getByRole('region', { name: 'Step in hand' })).toBeVisible()
  return /^[A-Z]+-\d+/.exec(await page.getByRole('heading', { level: 1 }).innerText())?.[0] ?? ''
}

export const step = (page: Page) => page.getByRole('region', { name: 'Step in hand' })
export const check = (page: Page, name: string) => step(page).getByRole('region', { name, exact: true })

/** The name of the step that is shown. */
export async function shownStep(page: Page): Promise<string> {
  return step(page).getByRole('heading', { level: 2 }).innerText()
}

export async function start(page: Page): Promise<void> {
  await step(page).getByRole('button', { name: 'Start' }).click()
  await expect(step(page).getByRole('button', { name: /^(Done|It is back)/ })).toBeVisible()
}

export async function done(page: Page): Promise<void> {
  const name = await shownStep(page)
  await step(page)
    .getByRole('button', { name: /^(Done|It is back)/ })
    .click()
  await expect(step(page).getByRole('heading', { level: 2 })).not.toHaveText(name)
}

export async function look(page: Page, checkName: string, answer: string): Promise<void> {
  await check(page, checkName).getByRole('button', { name: answer, exact: true }).click()
  await expect(check(page, checkName).getByRole('button', { name: answer, exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  )
}

export async function measure(page: Page, checkName: string, value: string): Promise<void> {
  await check(page, checkName).getByLabel('Reading').fill(value)
  await check(page, checkName).getByRole('button', { name: 'Record' }).click()
  await expect(check(page, checkName).getByLabel('Reading')).toHaveValue('')
}

/** Weighs what the step wants, or the parts given, and puts it on record. */
export async function weigh(page: Page, parts?: readonly [powder: string, liquid: string]): Promise<void> {
  const fresh = step(page).getByRole('button', { name: /^(Weigh and record|Record)( M)?$/ })
  const again = step(page).getByRole('button', { name: 'Record another' })
  const [unmixed, mixed] = [await fresh.count(), await again.count()]
  await (unmixed > 0 ? fresh : again).first().click()
  const sheet = page.getByRole('dialog', { name: 'What was used' })
  if (parts) {
    const fields = sheet.getByRole('textbox')
    await fields.nth(0).fill(parts[0])
    await fields.nth(1).fill(parts[1])
  }
  await sheet.getByRole('button', { name: 'Into the record' }).click()
  await expect(sheet).toBeHidden()
  if (unmixed > 0) await expect(again).toHaveCount(mixed + 1)
}

/** Fills in a sheet of the step in hand, a value for each label, and records it. */
export async function fillSheet(
  page: Page,
  name: string,
  values: Readonly<Record<string, string>>,
): Promise<void> {
  const sheet = check(page, name)
  for (const [label, value] of Object.entries(values))
    await sheet.getByRole('textbox', { name: label, exact: true }).fill(value)
  await sheet.getByRole('button', { name: 'Record' }).click()
}

/** What a hand does at the stand-in balance. */
export async function atBalance(request: APIRequestContext, data: object): Promise<void> {
  expect((await request.post('/api/devices/stand-in/hand', { data })).ok()).toBe(true)
}

/** Opens the Mix screen for the first mix of the running step. */
export async function toMixScreen(page: Page): Promise<void> {
  await step(page)
    .getByRole('button', { name: /Weigh and record/ })
    .first()
    .click()
  await page.getByRole('link', { name: 'Work it out on the Mix screen' }).click()
  await expect(page.getByRole('region', { name: 'Balance' })).toBeVisible()
}

/** Moves the lab's clock on, as the demo and test setting allows. */
export async function forward(request: APIRequestContext, minutes: number, speed = 1): Promise<void> {
  const answer = await request.post('/api/clock', { data: { speed, forwardMinutes: minutes } })
  expect(answer.ok()).toBe(true)
}

/** How a step is worked when nothing goes wrong on it. */
export interface Work {
  readonly mixes?: readonly (readonly [string, string] | undefined)[]
  readonly looks?: Readonly<Record<string, string>>
  readonly measures?: Readonly<Record<string, string>>
  readonly minutes?: number
}

/** Starts the step of this name, does the work, ends it. */
export async function work(
  page: Page,
  request: APIRequestContext,
  name: string,
  plan: Work = {},
): Promise<void> {
  await expect(step(page).getByRole('heading', { level: 2 })).toHaveText(name)
  await start(page)
  await enter(page, plan)
  if (plan.minutes) await forward(request, plan.minutes)
  await done(page)
}

/** Enters what a running step wants. */
export async function enter(page: Page, { mixes = [], looks = {}, measures = {} }: Work): Promise<void> {
  for (const parts of mixes) await weigh(page, parts)
  for (const [name, answer] of Object.entries(looks)) await look(page, name, answer)
  for (const [name, value] of Object.entries(measures)) await measure(page, name, value)
}
