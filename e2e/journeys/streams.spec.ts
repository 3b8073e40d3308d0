import type { APIRequestContext } from '@playwright/test'
import { expect, test } from './lab.ts'
import { goBack } from './screens.ts'

interface Summary {
  readonly caseId: string
  readonly docket: string
  readonly sequence: number
}
const caseOf = async (request: APIRequestContext, docket: string) => {
  const cases = (await (await request.get('/api/cases')).json()) as Summary[]
  return cases.find((each) => each.docket === docket)!
}
async function note(request: APIRequestContext, { caseId, sequence }: Summary, text: string): Promise<void> {
  const command = { type: 'note', text }
  const stored = await request.post(`/api/cases/${caseId}/events`, { data: { seen: sequence, command } })
  expect(stored.status()).toBe(201)
}

test('six tabs and a dozen page loads leave room for what is stored', async ({ page, context, request }) => {
  // Each load leaves a page behind to come back to.
  for (let load = 0; load < 12; load++) {
    await page.goto(load % 2 === 0 ? '/shelf' : '/cases')
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  }
  const cast = await caseOf(request, 'K-2152')
  const tabs = await Promise.all(Array.from({ length: 6 }, () => context.newPage()))
  for (const tab of tabs) {
    await tab.goto(`/case/${cast.caseId}`)
    await expect(tab.getByRole('region', { name: 'Current step' })).toBeVisible()
  }
  await tabs[0]!.keyboard.press('t')
  await tabs[0]!.getByLabel('What the next one should know').fill('seen in every tab')
  await tabs[0]!.getByRole('button', { name: 'Keep it' }).click()
  for (const tab of tabs) await expect(tab.getByText('seen in every tab')).toBeVisible()
})

test('a page that one comes back to has what was done meanwhile', async ({ page, request }) => {
  const cast = await caseOf(request, 'K-2156')
  await page.goto(`/case/${cast.caseId}`)
  await expect(page.getByRole('region', { name: 'Current step' })).toBeVisible()
  await page.goto('/api/docs')
  await note(request, cast, 'while nobody looked')
  await goBack(page)
  await expect(page.getByText('while nobody looked')).toBeVisible()
})

test('a change of another case is shown at the bench, which asks for nothing', async ({ page, request }) => {
  await page.goto('/')
  const now = page.getByRole('region', { name: 'Do now' })
  await expect(now).toContainText(/K-\d+/)
  const docket = /K-\d+/.exec(await now.innerText())![0]
  const give = async (command: object) => {
    const { caseId, sequence } = await caseOf(request, docket)
    const data = { seen: sequence, command }
    expect((await request.post(`/api/cases/${caseId}/events`, { data })).status()).toBe(201)
  }
  // The first shows that the stream is open; what is counted begins behind it.
  await give({ type: 'hold', reason: 'no tray' })
  await expect(now).not.toContainText(docket)
  const asked: string[] = []
  page.on('request', (made) => asked.push(new URL(made.url()).pathname))
  await give({ type: 'release' })
  await expect(now).toContainText(docket)
  await give({ type: 'hold', reason: 'no tray' })
  await expect(now).not.toContainText(docket)
  expect(asked.filter((path) => path.startsWith('/api/'))).toEqual([])
  await give({ type: 'release' })
})

test('while the server is away the screen says so, and is right again when it is back', async ({
  page,
  lab,
  request,
}) => {
  const cast = await caseOf(request, 'K-2147')
  await page.goto(`/case/${cast.caseId}`)
  await expect(page.getByRole('region', { name: 'Current step' })).toBeVisible()
  await lab.stop('SIGTERM')
  await expect(page.getByText('The server is not reached.')).toBeVisible()
  await lab.start()
  await expect(page.getByText('The server is not reached.')).toBeHidden({ timeout: 20_000 })
  const now = await caseOf(request, 'K-2147')
  await note(request, now, 'after the restart')
  await expect(page.getByText('after the restart')).toBeVisible()
})
