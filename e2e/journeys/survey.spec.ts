import { bringTo, check, done, look, start, takeIn, weigh } from './at-the-bench.ts'
import { expect, type Page, test } from './lab.ts'

/** The last survey on record, as it stands in the case document. */
async function recorded(page: Page, caseId: string, kind: string) {
  const answer = await page.request.get(`/api/cases/${caseId}`)
  const { events } = (await answer.json()) as {
    events: { type: string; sheet?: { kind: string } & Record<string, unknown> }[]
  }
  return events.findLast(({ type, sheet }) => type === 'sheetRecorded' && sheet?.kind === kind)?.sheet
}
const caseOf = (page: Page) => /\/case\/([^/?]+)/.exec(page.url())?.[1] ?? ''

/** Opens the made arch or ridge and waits until it is surveyed. */
async function openMade(page: Page, which: 'arch' | 'ridge'): Promise<void> {
  await page.getByRole('button', { name: `a made ${which}` }).click()
  await expect(page.getByText(`made ${which}.ply`)).toBeVisible()
}
const place = (page: Page) => page.getByRole('region', { name: 'Place' })
const room = (page: Page) => page.getByRole('region', { name: 'Block out' })

test('a partial surveyed from a scan: best tilt, a tilt by hand, the tip at its gauge, the plan at life size', async ({
  page,
  request,
}) => {
  await takeIn(page, 'Partial, wire clasps', ['Upper', 'Come mounted'], 'SV-1', '24')
  await bringTo(page, request, 'inspect-clasps')
  const caseId = caseOf(page)
  await start(page)
  await check(page, 'Survey').getByRole('link', { name: 'Survey a scan of the cast' }).click()
  await openMade(page, 'arch')
  // The deepest places are offered; one is taken, and its gauge touches.
  await place(page)
    .getByRole('button', { name: /^0\.\d+ mm left/ })
    .first()
    .click()
  await expect(place(page).getByText('0.5 mm', { exact: true })).toBeVisible()
  await expect(place(page)).toContainText('It springs back')
  await expect(place(page)).toContainText('Dividers:')
  await place(page).getByText('Name, gauge and arm').click()
  await place(page).getByRole('textbox', { name: 'Place' }).fill('24, towards the cheek')
  // A wire round the tooth takes a set: which change is enough is said.
  await place(page).getByText('round the tooth').click()
  await expect(place(page)).toContainText('It takes a set each time')
  await place(page).getByText('straight', { exact: true }).click()
  // By best tilt: level is always compared.
  await room(page).getByRole('button', { name: 'Find the best tilt' }).click()
  const tilts = room(page).getByRole('list', { name: 'Tilts compared' })
  await expect(tilts).toContainText('Table level')
  // By hand: both angles by keys, and the corners of the base are raised.
  const side = page.getByRole('slider', { name: 'Side of the table' })
  await side.focus()
  for (let n = 0; n < 4; n++) await page.keyboard.press('ArrowUp')
  await expect(side).toHaveAttribute('aria-valuetext', '2.0°, left side up')
  await expect(page.getByRole('region', { name: 'For the hand' })).toContainText('left side up 2°')
  await expect(place(page).getByRole('button', { name: /into the record/ })).toBeEnabled()
  // The plan that is printed: a millimetre on it is a millimetre on the cast.
  await page.emulateMedia({ media: 'print' })
  const plan = page
    .getByRole('region', { name: 'Plan to print' })
    .getByRole('img', { name: 'Plan along the rod' })
  await expect(plan).toBeVisible()
  const [wide, box] = await Promise.all([plan.getAttribute('width'), plan.getAttribute('viewBox')])
  expect(wide).toBe(`${box?.split(' ')[2]}mm`)
  await page.emulateMedia({ media: 'screen' })
  await place(page)
    .getByRole('button', { name: /into the record/ })
    .click()
  await expect(check(page, 'Survey')).toContainText('On record')
  const sheet = await recorded(page, caseId, 'survey')
  expect(sheet).toMatchObject({
    by: 'scan',
    arch: 'upper',
    tilt: { lateralDegrees: 2, anteroposteriorDegrees: 0 },
    places: [{ place: '24, towards the cheek', gaugeMillimetres: 0.5, depthMillimetres: 0.5 }],
  })
  expect(sheet?.file).toHaveProperty('sha256', expect.stringMatching(/^[0-9a-f]{64}$/))
  expect(JSON.stringify(sheet?.file)).toContain('made arch.ply')
  expect(sheet?.tripod).toHaveLength(3)
  await weigh(page)
  await look(page, 'Clasps', 'Lie right')
  await look(page, 'Outline', 'Drawn, as prescribed')
  await done(page)
})

test('a clear clasp blocked out: wax in grams, plaster for it in Mix', async ({ page, request }) => {
  await takeIn(page, 'Clear clasp', 'The partial that came', 'SV-2')
  await bringTo(page, request, 'block-out')
  const caseId = caseOf(page)
  await start(page)
  await check(page, 'Survey').getByRole('link', { name: 'Survey a scan of the cast' }).click()
  await openMade(page, 'arch')
  await place(page)
    .getByRole('button', { name: /^0\.\d+ mm right/ })
    .first()
    .click()
  await expect(place(page)).toContainText('clear copolyester')
  await expect(room(page)).toContainText(/0\.\d\d mL = 0\.\d\d g of wax/)
  const straight = await room(page).locator('p').first().innerText()
  await room(page).getByText('6°', { exact: true }).click()
  await expect(room(page).locator('p').first()).not.toHaveText(straight)
  await expect(room(page)).toContainText(/0\.\d\d mL = 0\.\d\d g of wax/)
  await place(page)
    .getByRole('button', { name: /into the record/ })
    .click()
  await expect(check(page, 'Survey')).toContainText('On record')
  expect(await recorded(page, caseId, 'survey')).toMatchObject({ by: 'scan', taperDegrees: 6 })
  await page.goto('/survey?view=blockOut')
  await openMade(page, 'arch')
  await room(page).getByRole('link', { name: 'Plaster for it, in Mix' }).click()
  await expect(page.getByRole('heading', { name: 'Mix', level: 1 })).toBeVisible()
  await expect(page.getByText(/^0\.\d cm3$/)).toBeVisible()
  await expect(page.getByLabel('Stays in the bowl')).toHaveValue('20')
})

test("a denture's cast cut in pieces that all come free, from its scan into the saw plan", async ({
  page,
  request,
}) => {
  await takeIn(page, 'Complete denture', 'Upper', 'SV-3')
  await bringTo(page, request, 'cut-cast')
  const caseId = caseOf(page)
  await start(page)
  await check(page, 'How deep to saw, upper')
    .getByRole('link', { name: /take it from the scan/ })
    .click()
  await openMade(page, 'ridge')
  await expect(place(page)).toContainText('5 of 5')
  await expect(page.getByText('All 5 pieces come free.')).toBeVisible()
  await expect(page.getByRole('region', { name: 'Pieces' })).toContainText('Do not lever outwards.')
  await place(page).getByRole('button', { name: 'Into the saw plan' }).click()
  const saw = check(page, 'How deep to saw, upper')
  await expect(saw).toContainText('On record')
  await expect(saw).toContainText('inwards at')
  const sheet = await recorded(page, caseId, 'sawPlan')
  expect(sheet?.survey).toMatchObject({ pieces: Array.from({ length: 5 }, () => ({ whole: true })) })
})
