import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { chromium } from '@playwright/test'
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
  { name: 'bench-phone', path: '/', width: 390, height: 844 },
  { name: 'cases', path: '/cases' },
  { name: 'new-case', path: '/cases/new' },
  { name: 'case-flask', path: `/case/${await caseOf('K-2141')}` },
  { name: 'case-dentist', path: `/case/${await caseOf('K-2133')}` },
  { name: 'case-check', path: `/case/${await caseOf('K-2147')}` },
  { name: 'record', path: `/case/${await caseOf('K-2129')}`, press: 'Record' },
  { name: 'mix', path: '/mix?material=high-strength-stone', fill: ['Ratio on the pack', '0.26'] },
  { name: 'shelf', path: '/shelf' },
  { name: 'settings', path: '/settings' },
  { name: 'paper-record', path: `/papers/record/${await caseOf('K-2125')}` },
  { name: 'paper-docket', path: `/papers/docket/${await caseOf('K-2141')}` },
  { name: 'paper-commands', path: '/papers/commands' },
]
for (const { name, path, theme = 'plaster', width = 1280, height = 800, press, fill } of views) {
  const context = await browser.newContext({ viewport: { width, height }, locale: 'en-GB' })
  const state = { theme, units: 'metric', teeth: 'fdi', sound: false }
  await context.addInitScript(
    (text) => localStorage.setItem('yentrik-preferences', text),
    JSON.stringify({ state, version: 0 }),
  )
  const page = await context.newPage()
  await page.goto(base + path)
  await page.getByRole('heading', { level: 1 }).first().waitFor()
  if (press) await page.getByRole('button', { name: press, exact: true }).click()
  if (fill) await page.getByLabel(fill[0]).fill(fill[1])
  await page.evaluate(() => document.fonts.ready)
  await page.screenshot({ path: `${out}${name}.png`, animations: 'disabled' })
  await context.close()
}
await browser.close()
await app.close()
rmSync(folder, { recursive: true, force: true })
