import type { CaseEvent } from '@yentrik/core'
import { ChildServer } from '@yentrik/server/testing'
import { done, look, start, step, takeIn, weigh, work } from './at-the-bench.ts'
import { expect, type Page, test } from './lab.ts'

const waiting = (page: Page) => page.getByText(/^Kept here, \d+ to send$/)
const eventsOf = async (page: Page): Promise<CaseEvent[]> => {
  const answer = await page.request.get(`/api/cases/${page.url().split('/').pop()}`)
  return (await answer.json()).events
}

test.describe('with the application kept by the browser', () => {
  test.use({ serviceWorkers: 'allow' })
  test('the network is cut in the middle of a pour and comes back: nothing is lost, nothing doubled', async ({
    browser,
  }) => {
    const server = new ChildServer({ YENTRIK_DEMO: '1' })
    await server.start()
    const context = await browser.newContext({ baseURL: server.url, serviceWorkers: 'allow' })
    const page = await context.newPage()
    try {
      await takeIn(page, 'Study cast', 'Upper', 'AW-1')
      await work(page, context.request, 'Read the work authorisation', { looks: { Complete: 'Complete' } })
      await work(page, context.request, 'Disinfect the impression')
      await work(page, context.request, 'Inspect the impression', { looks: { 'Impression whole': 'Whole' } })
      await work(page, context.request, 'Damp wrap')
      await start(page)
      const pour = await step(page).getByRole('heading', { level: 2 }).innerText()
      const before = (await eventsOf(page)).length
      // The files of the application are kept by now.
      await page.evaluate(async () => void (await navigator.serviceWorker.ready))

      await server.stop('SIGKILL')
      await expect(page.getByText('The server is not reached.')).toBeVisible()
      await weigh(page, ['100', '30'])
      await expect(waiting(page)).toHaveText('Kept here, 1 to send')
      await done(page)
      await expect(waiting(page)).toHaveText('Kept here, 5 to send')

      // The page is loaded again, still without the server: the bench goes on where it was.
      await page.reload()
      await expect(waiting(page)).toHaveText('Kept here, 5 to send')
      await expect(step(page).getByRole('heading', { level: 2 })).not.toHaveText(pour)
      await page.getByRole('button', { name: /^Record/ }).click()
      await expect(page.getByRole('region', { name: 'Record' })).toContainText('kept here, not sent yet')

      await server.start()
      await expect(waiting(page)).toBeHidden({ timeout: 30_000 })
      await expect(page.getByText('The server is not reached.')).toBeHidden({ timeout: 20_000 })
      const added = (await eventsOf(page)).slice(before)
      expect(added.map(({ type }) => type)).toEqual([
        'mixRecorded',
        'stepFinished',
        'stepStarted',
        'stepFinished',
        'stepStarted',
      ])
      for (const { kept } of added) expect(Date.parse(kept!.sentAt)).toBeGreaterThan(Date.parse(kept!.doneAt))
      await expect(page.getByRole('region', { name: 'Record' })).toContainText(
        'while the server was away, sent at',
      )
    } finally {
      await context.close()
      await server.remove()
    }
  })
})

test('two benches: what was kept at one does not fit what the other did, and somebody decides', async ({
  page,
  browser,
  request,
}) => {
  await takeIn(page, 'Study cast', 'Lower', 'AW-2')
  await work(page, request, 'Read the work authorisation', { looks: { Complete: 'Complete' } })
  await work(page, request, 'Disinfect the impression')
  await start(page)
  const address = page.url()
  const away = await (await browser.newContext({ baseURL: new URL(address).origin })).newPage()
  await away.goto(address)
  await expect(step(away).getByRole('button', { name: 'Done' })).toBeVisible()

  await away.route('**/api/**', (route) => route.abort())
  await look(away, 'Impression whole', 'Whole')
  await expect(waiting(away)).toHaveText('Kept here, 1 to send')

  // Meanwhile the step is begun again at the other bench.
  await page.keyboard.press('g')
  const back = page.getByRole('dialog', { name: 'Go back' })
  await back.getByRole('button', { name: /Disinfect the impression/ }).click()
  await back.getByRole('textbox').fill('spray ran out')
  await back
    .getByRole('button', { name: /^Go back/ })
    .last()
    .click()
  await expect(back).toBeHidden()

  await away.unroute('**/api/**')
  const question = away.getByRole('region', { name: 'Kept here and not sent' })
  await expect(question).toBeVisible({ timeout: 40_000 })
  await expect(question).toContainText('Whole')
  await expect(question).toContainText('it does not fit any more')
  await question.getByRole('button', { name: 'Put it down as a note' }).click()
  await expect(question).toBeHidden()
  await expect(waiting(away)).toBeHidden({ timeout: 20_000 })
  const last = (await eventsOf(away)).at(-1)!
  expect(last).toMatchObject({
    type: 'noted',
    text: expect.stringMatching(/^Done at \d\d:\d\d while the server was away: .*Whole/),
  })
})
