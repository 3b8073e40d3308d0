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
  '/set-up',
  '/cast',
  '/shelf',
  '/settings',
  '/papers/commands',
] as const

/** Where a case of the demo lab is. */
export async function caseAddress(page: Page, docket: string): Promise<string> {
  const { caseId } = (await (await page.request.get(`/api/dockets/${docket}`)).json()) as { caseId: string }
  return `/case/${caseId}`
}
/** Opens pages with these preferences. */
export async function prefer(page: Page, preferences: object): Promise<void> {
  const state = { theme: 'plaster', units: 'metric', teeth: 'fdi', sound: false, ...preferences }
  await page.addInitScript(
    (text) => localStorage.setItem('yentrik-preferences', text),
    JSON.stringify({ state, version: 0 }),
  )
}
