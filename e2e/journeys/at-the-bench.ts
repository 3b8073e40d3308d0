import { type APIRequestContext, expect, type Page } from '@playwright/test'
import {
  type CaseCommand,
  type CaseEvent,
  carefulWork,
  caseState,
  currentStep,
  type Route,
  seededRandom,
} from '@yentrik/core'

/** A technician's hands on the real screens. Everything is found by role and label. */

/** Takes a case in through the New case screen. */
export async function takeIn(
  page: Page,
  job: string,
  prescribed: string | readonly string[],
  code: string,
  teeth = '',
): Promise<string> {
  await page.goto('/cases/new')
  await page.getByRole('radio', { name: job }).locator('..').click()
  for (const choice of [prescribed].flat())
    await page.getByRole('radio', { name: choice, exact: true }).locator('..').click()
  await page.getByRole('combobox', { name: 'Clinic' }).fill('Mill Lane Dental')
  await page.getByLabel('Prescriber').fill('Dr. Orla')
  await page.getByLabel('Patient code').fill(code)
  if (teeth) await page.getByRole('textbox', { name: /^Teeth/ }).fill(teeth)
  await page.getByLabel('Shade').fill('Oat 2')
  await page.getByLabel('What came along').fill('Tray, wax bite')
  await page.getByRole('button', { name: 'Take it in' }).click()
  await expect(page.getByRole('region', { name: 'Current step' })).toBeVisible()
  return /^[A-Z]+-\d+/.exec(await page.getByRole('heading', { level: 1 }).innerText())?.[0] ?? ''
}

export const step = (page: Page) => page.getByRole('region', { name: 'Current step' })
export const check = (page: Page, name: string) => step(page).getByRole('region', { name, exact: true })

/** The name of the step that is shown. */
export async function shownStep(page: Page): Promise<string> {
  return step(page).getByRole('heading', { level: 2 }).innerText()
}

const mainDone = (page: Page) => step(page).getByRole('button', { name: /^(Done|It is back)/ })
/** All that one touch does has been done. */
const settled = (page: Page) => expect(step(page)).toHaveAttribute('aria-busy', 'false')

/** Starts the step that is shown; on a card whose step before it went on by itself it runs already. */
export async function start(page: Page): Promise<void> {
  await settled(page)
  const begin = step(page).getByRole('button', { name: 'Start' })
  await expect(begin.or(mainDone(page))).toBeVisible()
  if (await begin.isVisible()) await begin.click()
  await expect(mainDone(page)).toBeVisible()
}

export async function done(page: Page): Promise<void> {
  const name = await shownStep(page)
  await mainDone(page).click()
  await expect(step(page).getByRole('heading', { level: 2 })).not.toHaveText(name)
  await settled(page)
}

/** Taps an answer; where a check is read tooth by tooth, at each of them. */
export async function look(page: Page, checkName: string, answer: string): Promise<void> {
  const answers = check(page, checkName).getByRole('button', { name: answer, exact: true })
  await expect(answers.first()).toBeVisible()
  for (const each of await answers.all()) {
    await each.click()
    await expect(each).toHaveAttribute('aria-pressed', 'true')
  }
}

/** An answer or a reading that stops the case, once it is seen that it does. */
export async function stopAndAsk(page: Page, checkName: string): Promise<void> {
  await expect(check(page, checkName).getByRole('alert')).toContainText('The case stops here')
  await check(page, checkName).getByRole('button', { name: 'Stop and ask' }).click()
  await expect(page.getByText('Waiting for the dentist since')).toBeVisible()
}

/** Enters a reading; where a check is read tooth by tooth, the same at each. */
export async function measure(page: Page, checkName: string, value: string): Promise<void> {
  const readings = check(page, checkName).getByLabel('Reading')
  await expect(readings.first()).toBeVisible()
  for (const [place, reading] of (await readings.all()).entries()) {
    await reading.fill(value)
    await check(page, checkName).getByRole('button', { name: 'Record' }).nth(place).click()
    await expect(reading).toHaveValue('')
  }
}

/** Weighs what the step wants, or the parts given, and puts it on record. */
export async function weigh(page: Page, parts?: readonly [powder: string, liquid: string]): Promise<void> {
  const fresh = step(page).getByRole('button', { name: /^(Weigh and record|Record)( M)?$/ })
  const again = step(page).getByRole('button', { name: 'Record another' })
  await expect(fresh.or(again).first()).toBeVisible()
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

/** Everything that came along goes into the bag; where nothing did, that goes on record. */
export async function allBack(page: Page): Promise<void> {
  const sheet = check(page, 'What came along')
  const all = sheet.getByRole('button', { name: 'All in the bag' })
  await expect(sheet.getByRole('button').last()).toBeVisible()
  await ((await all.isVisible()) ? all : sheet.getByRole('button', { name: 'Record' })).click()
  await expect(sheet).toContainText('On record')
}

/** From the last look to the carrier's hands, on the screens: `moist` in its bag. The minutes of a contact time are let pass. */
export async function leave(
  page: Page,
  request: APIRequestContext,
  { moist, looks = {} }: { readonly moist: boolean; readonly looks?: Readonly<Record<string, string>> },
): Promise<void> {
  await start(page)
  for (const [name, answer] of Object.entries({
    'Whose it is': 'The same on all',
    'As prescribed': 'All of it',
    ...looks,
  }))
    await look(page, name, answer)
  await done(page)
  await start(page)
  await look(page, 'Label', 'All of it, readable')
  await check(page, 'Release').getByRole('button', { name: 'Release it' }).click()
  await expect(check(page, 'Release')).toContainText('On record')
  await done(page)
  await start(page)
  const put = check(page, 'Disinfectant')
  await put.getByRole('radio', { name: 'Quay spray' }).locator('..').click()
  await put.getByRole('button', { name: 'Record' }).click()
  await expect(put).toContainText('On record')
  await forward(request, 5)
  await done(page)
  if (moist) {
    await start(page)
    await look(page, 'Bag', 'Moist, sealed, labelled')
    await done(page)
  }
  await start(page)
  await allBack(page)
  await step(page).getByRole('button', { name: 'Done' }).click()
  await expect(page.getByRole('heading', { name: 'Delivered' })).toBeVisible()
}

/** Fills in a sheet of the current step, a value for each label, and records it. */
export async function fillSheet(
  page: Page,
  name: string,
  values: Readonly<Record<string, string>>,
): Promise<void> {
  const sheet = check(page, name)
  for (const [label, value] of Object.entries(values))
    await sheet.getByRole('textbox', { name: label, exact: true }).fill(value)
  await sheet.getByRole('button', { name: 'Record', exact: true }).click()
}

/**
 * Works the case that is open up to a step as a careful technician would, through the API, where another journey does the same
 * by the screens.
 */
export async function bringTo(page: Page, request: APIRequestContext, stepId: string): Promise<void> {
  const caseId = page.url().split('/').at(-1) ?? ''
  const random = seededRandom(11)
  for (;;) {
    const record = (await (await request.get(`/api/cases/${caseId}`)).json()) as {
      events: CaseEvent[]
      routes: Record<string, Route>
    }
    const state = caseState(record.events, (id) => record.routes[id]!)
    const [job] = state.jobs
    const at = job && currentStep(job)
    if (!job || !at) throw new Error(`never came to ${stepId}`)
    if (at.id === stepId) break
    const on = { jobId: job.jobId, stepId: at.id }
    const outOfTimeReason = 'the clock of a test'
    const commands: CaseCommand[] = [
      ...(job.steps[at.id]?.status === 'running'
        ? []
        : [{ type: 'startStep' as const, ...on, outOfTimeReason }]),
      ...carefulWork(job.jobId, at, random, undefined, state.authorisation),
      { type: 'finishStep', ...on, outOfTimeReason },
    ]
    for (const [index, command] of commands.entries()) {
      const data = { seen: state.sequence + index, command }
      expect((await request.post(`/api/cases/${caseId}/events`, { data })).ok()).toBe(true)
    }
  }
  await page.reload()
  await start(page)
}

/** What the ruler reads on a rim of ordinary size. */
export const rim: Readonly<Record<string, string>> = {
  'Centre line': '0',
  'Incisal level': '21.5',
  'Labial fullness': '8',
  'High-lip line': '9.5',
  'Canine line, 13': '24',
  'Canine line, 23': '24.5',
  'Plane, right molar': '26',
  'Plane, left molar': '26.5',
  Pin: '0',
}
/** And on teeth that stand as the rim wants. */
export const teethAsPrescribed: Readonly<Record<string, string>> = {
  'Centre line': '0.2',
  Pin: '0',
  'Incisal level, 11': '21.5',
  'Incisal level, 21': '21.7',
  'Fullness, 11': '8.2',
  'Fullness, 21': '8.3',
  'Canine line, 13': '24',
  'Canine line, 23': '24.3',
  'Plane, right molar': '26',
  'Plane, left molar': '26.4',
}

/** Opens the Set-up screen from the current step and types what was read. */
export async function openSetUp(
  page: Page,
  link: string,
  values: Readonly<Record<string, string>>,
): Promise<void> {
  await step(page).getByRole('link', { name: link }).click()
  await expect(page.getByRole('heading', { level: 1, name: 'Set up' })).toBeVisible()
  for (const [label, value] of Object.entries(values))
    await page.getByLabel(label, { exact: true }).fill(value)
}

/** Records what the Set-up screen holds and comes back to the step. */
export async function recordSetUp(page: Page, button: string): Promise<void> {
  await page.getByRole('button', { name: button }).click()
  await expect(step(page)).toBeVisible()
}

/** Ticks every tooth of the step that is not ticked yet. */
export async function tickTeeth(page: Page, teeth: readonly number[]): Promise<void> {
  for (const tooth of teeth) {
    const button = step(page).getByRole('button', { name: `Tooth ${tooth}`, exact: true })
    await button.click()
    await expect(button).toHaveAttribute('aria-pressed', 'true')
  }
}

/** Looks at every region of a wax in turn; a fault where one is named, else good. */
export async function lookAtRegions(
  page: Page,
  sheet: string,
  faults: Readonly<Record<string, string>> = {},
): Promise<void> {
  const entry = check(page, sheet)
  const regions = entry.getByRole('list', { name: 'Regions' }).getByRole('button')
  for (let index = 0; index < (await regions.count()); index++) {
    const name = (await regions.nth(index).innerText()).replace(/ [✓!]$/, '')
    await regions.nth(index).click()
    await expect(entry.getByRole('heading', { level: 4 })).toHaveText(name)
    const answer = entry.getByRole('button', { name: faults[name] ?? 'Good', exact: true })
    await answer.click()
  }
  // What it comes to stands under it now and moves the rest down: not before that is there may the hand go on.
  await expect(entry.getByRole('status').or(entry.getByRole('alert')).first()).toBeVisible()
}

/** The wax of a denture from the clean set-up to the seal, when all goes well. */
export async function waxDenture(page: Page, request: APIRequestContext): Promise<void> {
  await work(page, request, 'Clean the wax')
  await work(page, request, 'Contour, wax flowed on')
  await work(page, request, 'Seat the base', { looks: { 'Base home on the cast': 'Fully home' } })
  await expect(step(page).getByRole('heading', { level: 2 })).toHaveText('Check the wax')
  await start(page)
  await lookAtRegions(page, 'Wax, upper')
  await measure(page, 'Border in wax', '3.6')
  await look(page, 'Occlusion again', 'Pin down, even')
  await done(page)
}

/** Packs the set-up for its try-in, due back at noon three days on by the clock of the lab. */
export async function sendOff(page: Page, request: APIRequestContext): Promise<void> {
  const { now } = (await (await request.get('/api/clock')).json()) as { now: number | string }
  const due = new Date(new Date(now).getTime() + 3 * 86_400_000)
  await step(page).getByLabel('Due back, day').fill(due.toISOString().slice(0, 10))
  await fillSheet(page, 'What goes along', {})
  await expect(check(page, 'What goes along')).toContainText('On record')
  await done(page)
}

/** What a hand does at the stand-in balance. */
export async function atBalance(request: APIRequestContext, data: object): Promise<void> {
  expect((await request.post('/api/devices/stand-in/balance', { data })).ok()).toBe(true)
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

/** Lets something go wrong with a stand-in, before the clock moves on. */
export async function goesWrong(page: Page, what: string): Promise<void> {
  await page.getByText('Stand-in: what if').click()
  const gone = page.waitForResponse((answer) => answer.url().endsWith('/troubles'))
  await page.getByRole('button', { name: what }).click()
  await gone
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
  /** The compound that stands on the wheel. */
  readonly wheel?: string
}

/** Starts the step of this name, does the work, ends it. */
export async function work(
  page: Page,
  request: APIRequestContext,
  name: string,
  plan: Work = {},
): Promise<void> {
  await settled(page)
  const entries = Object.keys(plan).length > 0
  if (!entries && (await shownStep(page)) !== name) {
    // It stood on the card of the one before.
    const row = page.getByRole('list', { name: 'Route' }).getByRole('button').filter({ hasText: name })
    await expect(row).toContainText(', done')
    return
  }
  await expect(step(page).getByRole('heading', { level: 2 })).toHaveText(name)
  await start(page)
  await enter(page, plan)
  if (plan.minutes) await forward(request, plan.minutes)
  await done(page)
}

/** Enters what a running step wants. */
export async function enter(
  page: Page,
  { mixes = [], looks = {}, measures = {}, wheel }: Work,
): Promise<void> {
  if (wheel) {
    await check(page, 'Wheel').getByRole('button', { name: wheel, exact: true }).click()
    await expect(check(page, 'Wheel')).toContainText('On record')
  }
  for (const parts of mixes) await weigh(page, parts)
  for (const [name, answer] of Object.entries(looks)) await look(page, name, answer)
  for (const [name, value] of Object.entries(measures)) await measure(page, name, value)
}
