import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { chromium } from '@playwright/test'
import { beginPractice, playOut, practiceExpert } from '@yentrik/core'
import { createApp } from '../server/dist/create-app.js'

/** A current picture of each main view from the demo lab, at 1280x800, into docs/screenshots. */
const folder = mkdtempSync(join(tmpdir(), 'yentrik-pictures-'))
const webFolder = fileURLToPath(new URL('../web/dist', import.meta.url))
const out = fileURLToPath(new URL('../docs/screenshots/', import.meta.url))
const app = await createApp(
  {
    port: 0,
    host: '127.0.0.1',
    dataFile: join(folder, 'demo.sqlite'),
    demo: true,
    clockControl: true,
    demoClock: '10:40',
    demoYear: true,
    planRounds: 3000,
    balance: 'stand-in',
    dispenser: 'stand-in',
    press: 'stand-in',
    furnace: 'stand-in',
    bath: 'stand-in',
    kiln: 'stand-in',
    sinter: 'stand-in',
    spectrophotometer: 'stand-in',
    webFolder,
  },
  true,
)
await app.listen(0, '127.0.0.1')
const base = await app.getUrl()
const browser = await chromium.launch({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
})
const caseOf = async (docket) => (await (await fetch(`${base}/api/dockets/${docket}`)).json()).caseId

const views = [
  { name: 'bench', path: '/' },
  { name: 'bench-night', path: '/', theme: 'nightbench' },
  { name: 'cases', path: '/cases' },
  { name: 'case-flask', path: `/case/${await caseOf('K-2141')}` },
  { name: 'mix', path: '/mix?material=high-strength-stone', prepare: pourSome },
  {
    name: 'trim',
    path: `/trim?case=${await caseOf('K-2163')}&job=job-1&plan=measure&sheet=trim-plan`,
    press: 'Right side',
  },
  { name: 'mount', path: '/mount', choose: 'To the right' },
  { name: 'plan', path: '/plan', prepare: planned },
  {
    name: 'set-up-plan',
    path: `/set-up?case=${await caseOf('K-2165')}&job=job-1&step=plan-set-up&sheet=set-up-plan`,
  },
  { name: 'practise', path: `/practise/${await practised()}` },
  { name: 'survey', path: '/survey', prepare: surveyArch },
  {
    name: 'cast-burnout',
    path: `/cast?case=${await caseOf('K-2173')}&job=job-1&view=burnout`,
    prepare: coreWorkedOut,
  },
  { name: 'cure', path: '/cure', prepare: cureWorkedOut },
  { name: 'remount', path: '/remount', prepare: markTwo },
  { name: 'fire', path: `/fire?case=${await caseOf('K-2172')}&job=job-1&view=plan`, prepare: planStains },
  { name: 'quality', path: '/quality' },
  { name: 'finish', path: '/finish', prepare: seeScratch },
  { name: 'instruments', path: '/instruments' },
  { name: 'paper-delivery', path: `/papers/delivery/${await caseOf('K-2125')}` },
]
for (const { name, path, theme = 'plaster', width = 1280, height = 800, press, choose, prepare } of views) {
  const context = await browser.newContext({ viewport: { width, height }, locale: 'en-GB' })
  const state = { theme, units: 'metric', teeth: 'fdi', sound: false }
  await context.addInitScript(
    (text) => localStorage.setItem('yentrik-preferences', text),
    JSON.stringify({ state, version: 0 }),
  )
  const page = await context.newPage()
  await page.goto(base + path)
  await page.getByRole('heading', { level: 1 }).first().waitFor()
  if (press) await page.getByRole('button', { name: press }).first().click()
  if (choose) await page.getByRole('radio', { name: choose }).check({ force: true })
  await prepare?.(page)
  await page.evaluate(() => document.fonts.ready)
  await page.screenshot({ path: `${out}${name}.png`, animations: 'disabled' })
  await context.close()
}
await browser.close()
await app.close()
rmSync(folder, { recursive: true, force: true })

/** The worker has followed the burnout into the core. */
async function coreWorkedOut(page) {
  await page.getByLabel('Furnace shows').waitFor()
  await page.waitForFunction(() =>
    [...document.querySelectorAll('[role=img] path[stroke="#3f8f97"]')].some(
      (path) => (path.getAttribute('d') ?? '').length > 300,
    ),
  )
}

/** The plan is there, and no longer looked for. */
async function planned(page) {
  await page.getByRole('region', { name: 'Tonight' }).waitFor({ timeout: 60_000 })
  await page.waitForTimeout(4000)
}

/** Every bath has been followed. */
async function cureWorkedOut(page) {
  await page.getByText('10 °C below boiling').waitFor()
  await page.getByText('127 °C, boils').waitFor()
}

/** A crown in three coats, of which the neck is the furthest off. */
async function planStains(page) {
  await page.getByRole('button', { name: 'Try it with an example' }).click()
  await page.getByRole('radio', { name: 'Three, film may pool' }).check({ force: true })
  await page.getByText('0.89').first().waitFor()
  await page.getByText('Warm block, 3 coats').waitFor()
  await page.getByText(/^A fifth too thin/).waitFor()
  await page.evaluate(() => scrollTo(0, 0))
}

/** A bridge pattern with the resin too thick at one place. */
/** A practice denture, played by somebody with a lens and nothing else. */
async function practised() {
  const ask = async (path, body) =>
    (
      await fetch(`${base}/api${path}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(body),
      })
    ).json()
  const begun = await ask('/practice', {
    templateId: 'complete-denture',
    level: 'bench',
    seed: 14,
    choices: { arch: 'upper' },
  })
  const [route] = Object.values(begun.record.routes)
  const acts = []
  const world = beginPractice(
    { templateId: 'complete-denture', choices: route.choices, level: 'bench', seed: 14 },
    Date.parse(begun.record.events[0].at),
    begun.short.docket,
    'Ada',
  )
  playOut(world, { ...practiceExpert, looks: ['lens'], did: (each) => acts.push(each) }, 'Ada')
  let so = begun
  for (let n = 0; n < acts.length; n += 50)
    so = await ask(`/practice/${begun.practiceId}/acts`, { seen: so.acts, acts: acts.slice(n, n + 50) })
  return begun.practiceId
}
async function surveyArch(page) {
  await page.getByRole('button', { name: 'a made arch' }).click()
  const place = page.getByRole('region', { name: 'Place' })
  await place
    .getByRole('button', { name: /^0\.\d+ mm left/ })
    .first()
    .click()
  await place.getByText('Dividers').waitFor()
  await page.getByRole('slider', { name: 'Side of the table' }).focus()
  for (let n = 0; n < 4; n++) await page.keyboard.press('ArrowUp')
  await page.getByRole('region', { name: 'For the hand' }).getByText('left side up 2°').waitFor()
  await page.waitForTimeout(3000)
}

/** A pin at 1 mm, and two marks by their tooth and region. */
async function markTwo(page) {
  await page.getByLabel('Pin off its table').fill('1')
  await page.getByText('A mark by tooth and region').click()
  for (const [tooth, region] of [
    ['36', 'buccalInner'],
    ['46', 'fossa'],
  ]) {
    await page.getByLabel('Tooth', { exact: true }).fill(tooth)
    await page.getByLabel('Region').selectOption(region)
    await page.getByRole('button', { name: 'Add the mark' }).click()
  }
  await page.getByText('A mark by tooth and region').click()
  await page.evaluate(() => scrollTo(0, 0))
}

/** At high shine, a scratch that is seen wet. */
async function seeScratch(page) {
  for (const name of ['High shine', 'seen wet'])
    await page.getByRole('radio', { name }).check({ force: true })
  await page.getByLabel('Border now').fill('3.2')
  await page.evaluate(() => scrollTo(0, 0))
}

/** A pour on its way: 108 g went in before, with too little water; now 100 g more are being weighed. */
async function pourSome(page) {
  await page.getByRole('button', { name: 'Pour on' }).click()
  await page.getByLabel('Powder in').fill('108')
  await page.getByLabel('Water in').fill('23')
  await page.getByText('Slowly', { exact: true }).waitFor()
}
