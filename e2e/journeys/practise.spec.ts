import type { PracticeCase, PracticeDebrief, PracticeStep } from '@yentrik/contract'
import {
  beginPractice,
  curePresets,
  judgeCure,
  type PracticeAct,
  playOut,
  practiceExpert,
  ridgeMillimetres,
} from '@yentrik/core'
import { ChildServer } from '@yentrik/server/testing'
import { start, step } from './at-the-bench.ts'
import { expect, type Page, test as withLab } from './lab.ts'
import { axeOn } from './screens.ts'

/** A lab on its first day, with Ada as its lead. */
const test = withLab.extend<{ readonly emptyLab: string }>({
  emptyLab: async ({ page }, use) => {
    const lab = new ChildServer({ YENTRIK_PLAN_ROUNDS: '0', TZ: 'Europe/Vienna' })
    await lab.start()
    const ada = { name: 'Ada', passphrase: 'plaster before noon' }
    await page.request.post(`${lab.url}/api/first-start`, { data: ada })
    await page.request.post(`${lab.url}/api/session`, { data: ada })
    await use(lab.url)
    await lab.remove()
  },
})

/** Does a careful hand's acts over the API: what a journey is not about. @returns how it stands */
async function playTo(
  page: Page,
  begun: PracticeCase,
  until: (doing: PracticeAct) => boolean,
): Promise<PracticeStep | PracticeCase> {
  const { level, seed, templateId, docket } = begun.short
  const [first] = begun.record.events
  const [route] = Object.values(begun.record.routes)
  const acts: PracticeAct[] = []
  playOut(
    beginPractice({ templateId, choices: route!.choices, level, seed }, Date.parse(first!.at), docket, 'Ada'),
    { ...practiceExpert, did: (doing) => acts.push(doing) },
    'Ada',
  )
  const wanted = acts.slice(0, acts.findIndex(until))
  let so: PracticeStep | PracticeCase = begun
  for (let n = 0; n < wanted.length; n += 40) {
    const answer = await page.request.post(`/api/practice/${begun.practiceId}/acts`, {
      data: { seen: so.acts, acts: wanted.slice(n, n + 40) },
    })
    expect(answer.ok()).toBe(true)
    so = (await answer.json()) as PracticeStep
  }
  return so
}
const begin = async (page: Page, body: object) =>
  (await (await page.request.post('/api/practice', { data: body })).json()) as PracticeCase
const debrief = async (page: Page, practiceId: string) =>
  (await (await page.request.get(`/api/practice/${practiceId}/debrief`)).json()) as PracticeDebrief
const starts = (stepId: string) => (doing: PracticeAct) =>
  doing.act === 'command' && doing.command.type === 'startStep' && doing.command.stepId === stepId

/** Follows the words of the next touch, and knows nothing else. @returns how many touches it took */
async function followWords(page: Page): Promise<number> {
  const over = page.getByRole('heading', { name: 'It has left the lab' })
  const note = page.getByRole('note', { name: 'Next touch' })
  let touches = 0
  for (let n = 0; n < 80; n++) {
    await expect(note.or(over)).toBeVisible()
    if (await over.isVisible()) return touches
    const said = await note.innerText()
    const press = await note.locator('b').innerText()
    if ((await note.locator('kbd').count()) > 0) {
      await step(page)
        .getByLabel('Reading')
        .fill(await note.locator('kbd').innerText())
      touches++
    }
    const inStep = step(page).getByRole('button', { name: press }).first()
    const button =
      (await inStep.count()) > 0 ? inStep : page.locator('main').getByRole('button', { name: press }).first()
    await button.click()
    touches++
    // What it says next is of the next touch.
    await expect(note.filter({ hasText: said }).or(over))
      .toBeHidden({ timeout: 5_000 })
      .catch(() => undefined)
  }
  throw new Error('The words lead nowhere.')
}

test('a newcomer finishes the first case by the words on the screen alone, and sees what was missed', async ({
  page,
  emptyLab,
}) => {
  test.setTimeout(120_000)
  await page.goto(emptyLab)
  await page.getByRole('button', { name: 'Show me: a study cast in five minutes' }).click()
  await start(page)
  // Left, and taken up again where it was.
  await page.goto(emptyLab)
  await page.getByRole('link', { name: 'Go on with the practice case' }).click()
  await expect(step(page).getByRole('button', { name: /^Done/ })).toBeVisible()
  const touches = await followWords(page)
  expect(touches).toBeLessThanOrEqual(60)
  test.info().annotations.push({ type: 'touches', description: String(touches + 1) })
  await page.getByRole('link', { name: 'Look back' }).first().click()
  const rail = page.getByRole('region', { name: 'From receipt to delivery' })
  await expect(rail.getByRole('button', { name: /A bleb on a tooth.*delivered/ })).toBeVisible()
  await rail.getByRole('button', { name: /A bleb on a tooth/ }).click()
  await expect(page.getByText(/a smooth ball the size of a poppy seed/)).toBeVisible()
  await expect(page.getByRole('region', { name: 'Score' })).toContainText('49 of 100')
  // What is practised stands nowhere in the lab.
  await page.goto(`${emptyLab}/cases`)
  await expect(page.getByText('P-0001')).toHaveCount(0)
  await page.goto(emptyLab)
  await expect(page.getByRole('heading', { name: 'The bench is empty' })).toBeVisible()
})

test('an exam of the same seed is the same case, and its result is signed by the lead', async ({ page }) => {
  const exam = { templateId: 'study-cast', level: 'exam', seed: 412, choices: { arch: 'upper' } }
  const [one, other] = [await begin(page, exam), await begin(page, exam)]
  const until = starts('fill')
  await playTo(page, one, until)
  await playTo(page, other, until)
  const [first, second] = await Promise.all(
    [one, other].map(
      async ({ practiceId }) =>
        ((await (await page.request.get(`/api/practice/${practiceId}`)).json()) as PracticeCase).seen,
    ),
  )
  expect(second).toEqual(first)
  await page.goto(`/case/${one.practiceId}`)
  await page.getByRole('button', { name: 'Stop and look back' }).click()
  await page.getByRole('link', { name: 'Look back' }).first().click()
  await expect(page.getByText('seed 412')).toBeVisible()
  const found = (await debrief(page, one.practiceId)).debrief
  await page.request.post(`/api/practice/${other.practiceId}/acts`, {
    data: { seen: (await begun(page, other)).acts, acts: [{ act: 'stop' }] },
  })
  const same = (await debrief(page, other.practiceId)).debrief
  expect(same.bars).toEqual(found.bars)
  expect(same.score).toEqual(found.score)
  await page.getByRole('link', { name: 'Result sheet' }).click()
  await expect(page.getByText('PRACTICE · NO REAL CASE')).toBeVisible()
  await page.getByRole('button', { name: 'Sign it' }).click()
  await expect(page.getByText(/^Signed by/)).toBeVisible()
  const file = page.waitForEvent('download')
  await page.getByRole('button', { name: 'As JSON' }).click()
  expect((await file).suggestedFilename()).toMatch(/^P-\d{4}-result\.json$/)
})
const begun = async (page: Page, { practiceId }: PracticeCase) =>
  (await (await page.request.get(`/api/practice/${practiceId}`)).json()) as PracticeCase

test('a denture boiled too fast shows its pores where the model says', async ({ page }) => {
  test.setTimeout(120_000)
  // A seed whose ridge the quick bath boils.
  const seed = [...Array(60).keys()].find((each) => ridgeMillimetres(each) >= 11)!
  const ridge = ridgeMillimetres(seed)
  const denture = await begin(page, {
    templateId: 'complete-denture',
    level: 'bench',
    seed,
    choices: { arch: 'upper' },
  })
  let so: PracticeStep | PracticeCase = await playTo(page, denture, starts('cure-long-boil'))
  await page.goto(`/case/${denture.practiceId}`)
  await start(page)
  // The ridge is there to be read, and it is read wrongly.
  await expect(step(page).getByText('Read it: the ridge at its thickest')).toBeVisible()
  const quick = curePresets.find(({ program }) => {
    const run = {
      program,
      from: 'hand' as const,
      measured: [{ minutes: 600, celsius: 100 }],
      showsTooMuchCelsius: 0,
    }
    return (
      judgeCure({
        ...run,
        sections: [
          { shape: 'sheet', millimetres: 2.5 },
          { shape: 'ridge', millimetres: ridge },
        ],
      }).verdict === 'porous'
    )
  })!
  so = await begun(page, denture)
  const minutes = quick.program.segments.reduce((sum, { holdMinutes }) => sum + holdMinutes, 0)
  const on = { jobId: 'job-1', stepId: 'cure-long-boil' }
  const run = {
    program: quick.program,
    from: 'hand',
    measured: [{ minutes: minutes + 60, celsius: 100 }],
    showsTooMuchCelsius: 0,
    sections: [
      { shape: 'sheet', millimetres: 2.5 },
      { shape: 'ridge', millimetres: 4 },
    ],
  }
  const [check] = so.seen.filter((each) => each.kind === 'scale' && each.checkId === 'bath-start')
  const acts = [
    {
      act: 'command',
      command: { type: 'recordSheet', ...on, sheetId: 'cure', sheet: { kind: 'cure', machine: 'Bath', run } },
    },
    {
      act: 'command',
      command: {
        type: 'recordCheck',
        ...on,
        checkId: 'bath-start',
        value: check?.kind === 'scale' ? check.pointer : 20,
      },
    },
  ]
  expect(
    (
      await page.request.post(`/api/practice/${denture.practiceId}/acts`, { data: { seen: so.acts, acts } })
    ).ok(),
  ).toBe(true)
  await page.reload()
  await page.getByRole('button', { name: 'Stop and look back' }).click()
  await page.getByRole('link', { name: 'Look back' }).first().click()
  const pores = page
    .getByRole('region', { name: 'From receipt to delivery' })
    .getByRole('button', { name: /Gas pores, ridge/ })
  await pores.click()
  const { debrief: looked } = await debrief(page, denture.practiceId)
  const bar = looked.bars.find(({ kind }) => kind === 'gas-pores')!
  expect(JSON.stringify(bar.why)).toContain(`"value":${ridge}`)
  await expect(page.getByRole('region', { name: 'Gas pores, ridge' })).toContainText(
    `The ${ridge} mm ridge reached`,
  )
  await expect(page.getByRole('region', { name: 'Gas pores, ridge' })).toContainText('You had entered 4 mm')
  const { violations } = await axeOn(page).disableRules(['region']).analyze()
  expect(violations.map(({ id }) => id)).toEqual([])
})

test('the handbook opens at the page of the screen, and finds what one asks', async ({ page }) => {
  await page.goto('/plan')
  await expect(page.getByRole('heading', { name: 'Plan' })).toBeVisible()
  await page.keyboard.press('h')
  await expect(page.getByRole('article', { name: 'Plan' })).toBeVisible()
  await page.getByLabel('Search the handbook').fill('monomer')
  const found = page.getByRole('region', { name: 'Found' })
  await expect(found.getByRole('link').first()).toBeVisible()
  await found.getByRole('link').first().click()
  await expect(page.getByRole('article')).toContainText(/monomer/i)
})

test('a drill of a seed is scored, and the best of the last five stands', async ({ page }) => {
  await page.goto('/practise/drill/set?seed=3')
  await page.getByRole('button', { name: 'That is it' }).click()
  await expect(page.getByRole('region', { name: 'What it came to' })).toContainText('of 100')
  await page
    .getByRole('region', { name: 'What it came to' })
    .getByRole('link', { name: 'To Practise' })
    .click()
  await expect(
    page.getByRole('region', { name: 'Drills' }).getByRole('link', { name: /^Set/ }),
  ).toContainText('best of 1')
})
