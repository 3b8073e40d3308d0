import { type Browser, expect, type Page, test } from '@playwright/test'
import { ChildServer } from '@yentrik/server/testing'

/** A lab of one's own, with nobody in it yet. */
let lab: ChildServer
test.beforeEach(async () => {
  lab = new ChildServer({ TZ: 'Europe/Vienna' })
  await lab.start()
})
test.afterEach(() => lab.remove())

const LEADS = 'plaster before noon'
/** Somebody at a bench of their own. */
async function bench(browser: Browser): Promise<Page> {
  const context = await browser.newContext({ baseURL: lab.url, reducedMotion: 'reduce' })
  const page = await context.newPage()
  await page.goto('/')
  return page
}
async function atTheDoor(page: Page, name: string, passphrase: string, button: 'Begin' | 'Sign in') {
  await page.getByLabel('First name').fill(name)
  await page.getByLabel('Passphrase').fill(passphrase)
  await page.getByRole('button', { name: button }).click()
}
const inside = (page: Page) => page.getByRole('navigation', { name: 'Places' })

test('two people begin an empty lab: one leads it, the other is told whom to ask', async ({ browser }) => {
  const [ada, ben] = [await bench(browser), await bench(browser)]
  await atTheDoor(ada, 'Ada', 'passwordpassword', 'Begin')
  await expect(ada.getByText('This passphrase is among the first that are guessed.')).toBeVisible()
  // What was typed is still there.
  await expect(ada.getByLabel('First name')).toHaveValue('Ada')
  await atTheDoor(ada, 'Ada', LEADS, 'Begin')
  await expect(inside(ada)).toBeVisible()
  await atTheDoor(ben, 'Ben', 'wax by the window', 'Begin')
  await expect(ben.getByRole('alert')).toHaveText('Somebody leads this lab already. Ask them to add you.')
})

test('the lead adds a learner, who meets a right that they lack in plain words', async ({ browser }) => {
  const ada = await bench(browser)
  await atTheDoor(ada, 'Ada', LEADS, 'Begin')
  await expect(inside(ada)).toBeVisible()
  await ada.goto('/settings')
  const people = ada.getByRole('region', { name: 'People' })
  await people.getByLabel('First name').fill('Lou')
  await people.getByLabel('Role').selectOption('Learner')
  await people.getByLabel('Passphrase to begin with').fill('given by the lead')
  await people.getByRole('button', { name: 'Add' }).click()
  await expect(people.getByText('Lou, learner')).toBeVisible()

  const lou = await bench(browser)
  await atTheDoor(lou, 'Lou', 'given by the lead', 'Sign in')
  await expect(inside(lou)).toBeVisible()
  await lou.goto('/settings')
  await expect(lou.getByRole('region', { name: 'People' })).toBeHidden()
  const papers = lou.getByRole('region', { name: 'The lab on papers' })
  await papers.getByLabel('Name').fill('Lou and Company')
  await papers.getByRole('button', { name: 'Store' }).click()
  await expect(papers.getByText(/A learner may not change the lab: .* Ask the lab lead\./)).toBeVisible()
  await expect(papers.getByLabel('Name')).toHaveValue('Lou and Company')

  // Their own passphrase is theirs to change; then the bench is signed out by the lead.
  const own = lou.getByRole('region', { name: 'Open benches' })
  await own.getByLabel('Passphrase of now').fill('given by the lead')
  await own.getByLabel('New passphrase').fill('my own four words')
  await own.getByRole('button', { name: 'Change' }).click()
  await expect(own.getByText('Changed. Other benches are signed out.')).toBeVisible()
  await ada.reload()
  const benches = ada.getByRole('region', { name: 'Open benches' })
  await benches.getByRole('listitem').filter({ hasText: 'Lou' }).getByRole('button').click()
  await expect(benches.getByRole('listitem')).toHaveCount(1)
  await lou.reload()
  await expect(lou.getByRole('heading', { name: 'Who is at the bench?' })).toBeVisible()
})

test('a backup is made by the lead, and the screen says when', async ({ browser }) => {
  const ada = await bench(browser)
  await atTheDoor(ada, 'Ada', LEADS, 'Begin')
  await expect(inside(ada)).toBeVisible()
  await ada.goto('/settings')
  const backups = ada.getByRole('region', { name: 'Backups' })
  await backups.getByRole('button', { name: 'Make one now' }).click()
  await expect(backups.locator('strong')).toHaveText(/^\d\d:\d\d$/)
})
