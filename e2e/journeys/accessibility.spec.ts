import { expect, type Page, test } from './lab.ts'
import { axeOn, caseAddress, prefer, screens, seriousOf, visit } from './screens.ts'

// The longest of the journeys, each on its own: side by side they end sooner.
test.describe.configure({ mode: 'parallel' })

/** Paper is white under any theme. */
const papers = (denture: string, models: string, done: string): readonly string[] => [
  `/papers/set-up/${denture}?job=job-1&step=plan-set-up&sheet=set-up-plan`,
  `/papers/trim/${models}?job=job-1&step=measure&sheet=trim-plan`,
  ...['record', 'docket', 'statement', 'instructions', 'label', 'delivery'].map(
    (paper) => `/papers/${paper}/${done}`,
  ),
]

/** A cast on the table, a place taken. */
async function surveyed(page: Page): Promise<void> {
  await page.goto('/survey')
  await page.getByRole('button', { name: 'a made arch' }).click()
  const place = page.getByRole('region', { name: 'Place' })
  await place
    .getByRole('button', { name: /^0\.\d+ mm left/ })
    .first()
    .click()
  await expect(place).toContainText('Dividers:')
}

for (const theme of ['plaster', 'nightbench'])
  test(`axe finds nothing serious on any screen, ${theme}`, async ({ page }) => {
    test.setTimeout(400_000)
    await prefer(page, { theme })
    const asked = await caseAddress(page, 'K-2133')
    const polishing = await caseAddress(page, 'K-2129')
    const implant = await caseAddress(page, 'K-2164')
    const models = (await caseAddress(page, 'K-2163')).replace('/case/', '')
    const plan = `job=job-1&plan=measure&sheet=trim-plan`
    const done = (await caseAddress(page, 'K-2125')).replace('/case/', '')
    const denture = (await caseAddress(page, 'K-2165')).replace('/case/', '')
    const waxing = await Promise.all(['K-2166', 'K-2168', 'K-2169'].map((each) => caseAddress(page, each)))
    for (const path of [
      ...screens,
      asked,
      polishing,
      implant,
      ...waxing,
      `/trim?case=${models}&${plan}`,
      `/set-up?case=${denture}&job=job-1&step=plan-set-up&sheet=set-up-plan`,
      `/set-up?case=${denture}&job=job-1&step=re-measure&sheet=set-up`,
      ...(theme === 'plaster' ? papers(denture, models, done) : []),
    ]) {
      await visit(page, path)
      await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible()
      // The dark theme has the same parts in other colours.
      const axe =
        theme === 'plaster'
          ? axeOn(page).withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa'])
          : axeOn(page).withRules(['color-contrast'])
      expect([path, await seriousOf(axe)]).toEqual([path, []])
    }
    await surveyed(page)
    expect(await seriousOf(axeOn(page))).toEqual([])
    await page.goto('/')
    await expect(page.getByRole('region', { name: 'Do now' })).toBeVisible()
    await page.keyboard.press('?')
    await expect(page.getByRole('dialog', { name: 'Keys and scanner' })).toBeVisible()
    expect(await seriousOf(axeOn(page).include('dialog'))).toEqual([])
  })

test('everything to touch is 44 px or more', async ({ page }) => {
  const working = await Promise.all(
    ['K-2147', 'K-2166', 'K-2168', 'K-2138'].map((each) => caseAddress(page, each)),
  )
  for (const path of [...screens, ...working, 'a cast on the table']) {
    if (path.startsWith('/')) await visit(page, path)
    else await surveyed(page)
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible()
    const small = await page.evaluate(() =>
      [
        ...document.querySelectorAll<HTMLElement>(
          'button, select, summary, a.act, a.act-main, a.small-act, label.act, label.small-act, nav a, li > a',
        ),
      ]
        .filter((element) => element.checkVisibility() && !element.closest('.link'))
        .filter(
          (element) =>
            element.getBoundingClientRect().height < 43.5 || element.getBoundingClientRect().width < 43.5,
        )
        .map((element) => element.outerHTML.slice(0, 120)),
    )
    expect([path, small]).toEqual([path, []])
  }
})
