import { AxeBuilder } from '@axe-core/playwright'
import type { Page } from '@playwright/test'

/** The screens that stand by themselves. */
export const screens = [
  '/',
  '/cure',
  '/cases',
  '/cases/new',
  '/mix',
  '/trim',
  '/mount',
  '/survey',
  '/set-up',
  '/cast',
  '/fire',
  '/fire?view=furnace',
  '/fire?view=pots',
  '/plan',
  '/practise',
  '/practise/drill/set?seed=3',
  '/practise/drill/night?seed=3',
  '/quality',
  '/quality/steps',
  '/quality/charts',
  '/quality/compare',
  '/quality/times',
  '/handbook',
  '/shelf',
  '/settings',
  '/instruments',
  '/papers/commands',
] as const

/** Where a case of the demo lab is. */
export async function caseAddress(page: Page, docket: string): Promise<string> {
  const { caseId } = (await (await page.request.get(`/api/dockets/${docket}`)).json()) as { caseId: string }
  return `/case/${caseId}`
}
/** Goes to another screen as a link does: without loading the application again. */
export async function visit(page: Page, path: string): Promise<void> {
  if (page.url() === 'about:blank') await page.goto('/')
  await page.evaluate((to) => {
    document.querySelector('main')?.setAttribute('data-left', '')
    history.pushState(null, '', to)
    dispatchEvent(new PopStateEvent('popstate', { state: null }))
  }, path)
  // A screen that is fetched leaves the old one standing meanwhile; another case on the same screen may keep its frame.
  await page
    .waitForFunction(() => document.querySelector('[data-left]') === null, undefined, { timeout: 1500 })
    .catch(() => page.evaluate(() => document.querySelector('[data-left]')?.removeAttribute('data-left')))
}
/** Opens pages with these preferences. */
export async function prefer(page: Page, preferences: object): Promise<void> {
  const state = { theme: 'plaster', units: 'metric', teeth: 'fdi', sound: false, ...preferences }
  await page.addInitScript(
    (text) => localStorage.setItem('yentrik-preferences', text),
    JSON.stringify({ state, version: 0 }),
  )
}

/**
 * Back as with the button of the browser. A page that was kept whole comes back without being loaded: newer browsers then tell of
 * no load, and who waits for it waits for ever.
 */
export async function goBack(page: Page): Promise<void> {
  await page.goBack({ waitUntil: 'commit' })
}

/** Axe on this page alone (there are no frames), telling of violations alone: a second page for each look doubles its time. */
export const axeOn = (page: Page): AxeBuilder =>
  new AxeBuilder({ page }).setLegacyMode().options({ resultTypes: ['violations'] })

/** What is serious or critical of what axe finds, with the first part it finds it on. */
export async function seriousOf(axe: AxeBuilder): Promise<readonly string[]> {
  const { violations } = await axe.analyze()
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, nodes }) => `${id}: ${nodes[0]?.html}`)
}
