import {
  bringTo,
  check,
  done,
  fillSheet,
  forward,
  look,
  lookAtRegions,
  measure,
  openSetUp,
  recordSetUp,
  rim,
  sendOff,
  start,
  step,
  takeIn,
  teethAsPrescribed,
  tickTeeth,
  waxDenture,
  weigh,
  work,
} from './at-the-bench.ts'
import { expect, test } from './lab.ts'
import { pdfBoxes } from './pdf-boxes.ts'
import { goBack } from './screens.ts'

/** The rule laid across an invented cast: behind the front, rim and crest on each side. */
const ruler = [
  ['5', '13.8', '14', '', ''],
  ['10', '19.1', '18.9', '9.1', '8.9'],
  ['20', '24.6', '24.9', '17.4', '17.6'],
  ['30', '27.5', '27.3', '21.5', '21.3'],
  ['40', '', '', '23.2', '23.4'],
]
const columns = ['Behind the front', 'Rim, right', 'Rim, left', 'Crest, right', 'Crest, left']

test('a set-up from the rim to its return from the try-in, with a change that the dentist wants', async ({
  page,
  request,
}) => {
  test.setTimeout(400_000)
  const docket = await takeIn(page, 'Complete denture', 'Upper', 'SU-1')
  await bringTo(page, request, 'transfer')

  await test.step('the rim: what cannot be right is told, and stays in its field', async () => {
    await openSetUp(page, 'Measure the rim', { ...rim, 'Incisal level': '210' })
    await page.getByRole('button', { name: 'Record the prescription' }).click()
    await expect(page.getByRole('alert')).toContainText('Incisal level: 210 mm cannot be right.')
    await expect(page.getByLabel('Incisal level')).toHaveValue('210')
    await page.getByLabel('Incisal level').fill('21.5')
    await recordSetUp(page, 'Record the prescription')
    await done(page)
  })

  await test.step('the plan: a set too wide is told, one that fits is kept', async () => {
    await start(page)
    await openSetUp(page, 'Open the set-up planner', { 'Crest at the middle': '7' })
    // From the prescription on record.
    await expect(page.getByLabel('Rim front')).toHaveValue('8')
    await expect(page.getByLabel('Canine, left')).toHaveValue('24.5')
    for (const [row, cells] of ruler.entries())
      for (const [index, cell] of cells.entries())
        if (cell) await page.getByLabel(`${columns[index]}, row ${row + 1}`).fill(cell)
    await page.getByRole('button', { name: 'Keep this plan' }).click()
    await expect(page.getByText('Choose a set of teeth.')).toBeVisible()
    await page.getByRole('button', { name: 'Measure another set' }).click()
    const sheet = page.getByRole('dialog', { name: 'A set of teeth, as measured' })
    await sheet.getByLabel('Name the lab gives it').fill('Wide 27')
    const wide = {
      Central: '9.9',
      Lateral: '7.6',
      Canine: '8.8',
      'First premolar': '7.4',
      'Second premolar': '7',
    }
    for (const [tooth, width] of Object.entries({ ...wide, 'First molar': '10.4', 'Second molar': '9.4' }))
      await sheet.getByLabel(`${tooth}, wide`).fill(width)
    for (const [tooth, length] of Object.entries({ Central: '111', Lateral: '10', Canine: '11' }))
      await sheet.getByLabel(`${tooth}, long`).fill(length)
    await sheet.getByLabel('Cusp angle').fill('20')
    await sheet.getByRole('button', { name: 'Keep the set' }).click()
    await expect(sheet).toContainText('The length of the central: 111 mm cannot be right.')
    await sheet.getByLabel('Central, long').fill('11.4')
    await sheet.getByRole('button', { name: 'Keep the set' }).click()
    await expect(sheet).toBeHidden()
    // By hand: 2 (9.9 + 7.6 + 8.8) = 52.6 between lines 48.5 apart.
    const plan = page.getByRole('region', { name: 'The plan' })
    await expect(plan).toContainText('4.1 mm too wide')
    await page.getByLabel('Set of teeth').selectOption('Broad 24')
    // By hand: 48.5 - 2 (8.9 + 6.9 + 8) = 0.9.
    await expect(page.getByLabel('Room left by the six front teeth')).toHaveText('0.9 mm')
    await expect(page.getByRole('img', { name: 'The set-up from above, to scale' })).toBeVisible()
    await page.reload()
    await expect(page.getByLabel('Room left by the six front teeth')).toHaveText('0.9 mm')
    await recordSetUp(page, 'Keep this plan')
    await expect(check(page, 'Set-up plan')).toContainText('On record')
  })

  await test.step('the paper is life size: in its PDF the bar of 100 mm is 100 mm', async () => {
    await step(page).getByRole('link', { name: 'Look at the plan again' }).click()
    await page.getByRole('link', { name: 'Print 1:1' }).click()
    await expect(page.getByRole('heading', { level: 1 })).toContainText(`Set-up plan ${docket}`)
    const drawing = page.getByRole('img', { name: 'The set-up from above, to scale' })
    const molars = Number(/first molars ([\d.]+)/.exec(await drawing.innerHTML())?.[1])
    const pdf = await page.pdf({ preferCSSPageSize: true })
    const boxes = pdfBoxes(pdf)
    const near = (a: number, b: number) => Math.abs(a - b) < 0.1
    expect(boxes.some((box) => near(box.widthMillimetres, 100) && near(box.heightMillimetres, 2))).toBe(true)
    // The dimension across the first molars has the length that it says, its end marks 2 mm.
    expect(molars).toBeGreaterThan(30)
    expect(
      boxes.some((box) => Math.abs(box.widthMillimetres - molars) < 0.1 && near(box.heightMillimetres, 2)),
    ).toBe(true)
    await page.getByRole('button', { name: 'Back' }).click()
    await page.getByRole('link', { name: docket }).click()
    await done(page)
  })

  await test.step("one tooth at a time, in the hand's own order", async () => {
    await start(page)
    await weigh(page)
    await expect(step(page)).toContainText('Next: 21')
    await tickTeeth(page, [11, 21])
    await expect(step(page)).toContainText('Next: 22')
    await step(page).getByRole('button', { name: 'Done' }).click()
    await expect(page.getByText('Not set yet: 22, 23, 12, 13').first()).toBeVisible()
    await tickTeeth(page, [22, 23, 12, 13])
    await done(page)
    await start(page)
    await tickTeeth(page, [24, 25, 26, 27, 14, 15, 16, 17])
    await done(page)
  })

  await test.step('measured again: low, far off, then as prescribed', async () => {
    await start(page)
    await openSetUp(page, 'Measure the teeth', { ...teethAsPrescribed, 'Incisal level, 21': '22.1' })
    const move = page.getByRole('region', { name: 'What to move' })
    await expect(move).toContainText('Raise 21 by 0.6 mm.')
    await expect(page.getByRole('img', { name: /Set-up from the front/ })).toContainText('0.6 mm low')
    await recordSetUp(page, 'Record the set-up')
    await look(page, 'Contacts', 'Pin down, even')
    await expect(check(page, 'Set-up against the prescription')).toContainText('Raise 21 by 0.6 mm')
    await step(page).getByRole('button', { name: 'Done' }).click()
    await expect(page.getByText('does not pass').first()).toBeVisible()
    await openSetUp(page, 'Measure the teeth again', { 'Incisal level, 21': '21.6', 'Fullness, 11': '9.4' })
    await expect(move).toContainText('Bring 11 in by 1.4 mm.')
    await page.getByText('Tolerances').click()
    await page.getByLabel('Fullness, off by at most').fill('1.5')
    await expect(move).toContainText('As prescribed')
    await recordSetUp(page, 'Record the set-up')
    await done(page)
  })

  await test.step('wax in the sulcus holds the base up', async () => {
    await work(page, request, 'Clean the wax')
    await work(page, request, 'Contour, wax flowed on')
    await start(page)
    await look(page, 'Base home on the cast', 'Wax in the sulcus')
    await expect(check(page, 'Base home on the cast')).toContainText('Cut the wax back to the land all round')
    await step(page).getByRole('button', { name: 'Done' }).click()
    await expect(page.getByText('does not pass').first()).toBeVisible()
    await look(page, 'Base home on the cast', 'Fully home')
    await done(page)
    await start(page)
    await lookAtRegions(page, 'Wax, upper', { Papillae: 'Swollen' })
    await expect(check(page, 'Wax, upper')).toContainText('Papillae, swollen: Cut the papillae back')
    await check(page, 'Wax, upper').getByRole('button', { name: 'Papillae !' }).click()
    await check(page, 'Wax, upper').getByRole('button', { name: 'Good' }).click()
    await expect(check(page, 'Wax, upper')).toContainText('On record')
    await measure(page, 'Border in wax', '3.2')
    await expect(check(page, 'Border in wax')).toContainText('Add wax to the roll of the cast')
    await measure(page, 'Border in wax', '3.6')
    await look(page, 'Occlusion again', 'Pin down, even')
    await done(page)
  })

  await test.step('to the clinic, and back with a change', async () => {
    await start(page)
    await fillSheet(page, 'What goes along', {})
    await expect(check(page, 'What goes along')).toContainText('Enter the day and the time')
    await sendOff(page, request)
    await start(page)
    await page.goto('/')
    await expect(page.getByText(`${docket} back`)).toBeVisible()
    await goBack(page)
    await forward(request, 3 * 24 * 60 + 12 * 60)
    await expect(page.getByRole('region', { name: 'Clock' })).toHaveAttribute('data-verdict', 'late')
    const says = check(page, 'The dentist says')
    await says.getByRole('button', { name: 'Front teeth' }).click()
    await says.getByRole('button', { name: 'Wax' }).click()
    await says.getByRole('button', { name: 'Record the changes' }).click()
    await expect(says).toContainText('Write down what the note says of it.')
    await says.getByLabel('Front teeth: what the note says').fill('12 turned out a little')
    await says.getByLabel('Wax: what the note says').fill('canine eminence less strong')
    await expect(says).toContainText('opens "Set the front teeth" again')
    await says.getByRole('button', { name: 'Record the changes' }).click()
    await says.getByRole('button', { name: 'Go back to "Set the front teeth"' }).click()
    await expect(step(page)).toContainText('The dentist wants: 12 turned out a little')
  })

  await test.step('changed, sent again, accepted, and everything counted back', async () => {
    await start(page)
    await weigh(page)
    await tickTeeth(page, [21, 22, 23, 11, 12, 13])
    await done(page)
    await start(page)
    await tickTeeth(page, [24, 25, 26, 27, 14, 15, 16, 17])
    await done(page)
    await start(page)
    await openSetUp(page, 'Measure the teeth', teethAsPrescribed)
    await recordSetUp(page, 'Record the set-up')
    await look(page, 'Contacts', 'Pin down, even')
    await done(page)
    await expect(step(page)).toContainText('The dentist wants: canine eminence less strong')
    await waxDenture(page, request)
    await start(page)
    await sendOff(page, request)
    await start(page)
    await step(page).getByRole('button', { name: 'Accepted' }).click()
    await expect(check(page, 'The dentist says')).toContainText('On record')
    await done(page)
    await start(page)
    const back = { 'Set-up on its cast': '1', 'Bite record': '0', 'Shade tab': '1' }
    await fillSheet(page, 'What came back', back)
    await expect(check(page, 'What came back')).toContainText('Bite record: 0 of 1')
    await fillSheet(page, 'What came back', { ...back, 'Bite record': '1' })
    await done(page)
    await expect(step(page).getByRole('heading', { level: 2 })).toHaveText('Seal the base to the cast')
    await page.getByRole('button', { name: 'Record', exact: true }).click()
    const record = page.getByRole('region', { name: 'Record' })
    const find = record.getByLabel('Search the record')
    await find.fill('turned out')
    await expect(record).toContainText(
      'Front teeth, 12 turned out a little; Wax, canine eminence less strong',
    )
    await find.fill('broad 24')
    await expect(record).toContainText('Broad 24, 0.9 mm to spare')
  })
})

test('the set-up on its own: against natural lowers, a radius that does not reach, and a pin that stands open', async ({
  page,
}) => {
  await page.goto('/set-up')
  for (const [label, value] of [
    ['Rim front', '8'],
    ['Crest at the middle', '7'],
    ['Canine, right', '24'],
    ['Canine, left', '24'],
    ['High lip', '12.5'],
  ] as const)
    await page.getByLabel(label).fill(value)
  for (const [row, cells] of ruler.entries())
    for (const [index, cell] of cells.entries())
      if (cell) await page.getByLabel(`${columns[index]}, row ${row + 1}`).fill(cell)
  await page.getByRole('radio', { name: 'Teeth', exact: true }).locator('..').click()
  await page.getByLabel('Set of teeth').selectOption('Broad 24')
  const plan = page.getByRole('region', { name: 'The plan' })
  // Central 11 mm, high-lip line 12.5 mm up.
  await expect(plan).toContainText('1.5 mm shorter than to the high-lip line')
  await page.getByRole('radio', { name: 'Bite and curve' }).locator('..').click()
  await page.getByRole('radio', { name: 'Natural teeth' }).locator('..').click()
  for (const side of ['R', 'L'])
    for (const [tooth, height] of [
      ['4', '0'],
      ['5', '0.3'],
      ['6', '0.8'],
      ['7', '1.9'],
    ] as const)
      await page.getByLabel(`${side} ${tooth}`, { exact: true }).fill(height)
  await expect(page.getByRole('img', { name: /Cusp heights from the side/ })).toContainText('1.9')
  await page.getByLabel('Radius of the curve').fill('10')
  await expect(plan.getByRole('alert')).toContainText('does not reach both sides of the arch')
  await expect(page.getByLabel('Radius of the curve')).toHaveValue('10')
  await page.getByLabel('Radius of the curve').fill('101.6')
  await page.getByRole('radio', { name: 'Compare with the rim' }).locator('..').click()
  for (const [label, value] of Object.entries(rim)) await page.getByLabel(label, { exact: true }).fill(value)
  await page.getByRole('button', { name: 'Now the teeth' }).click()
  for (const [label, value] of Object.entries({ ...teethAsPrescribed, Pin: '0.4' }))
    await page.getByLabel(label, { exact: true }).fill(value)
  await expect(page.getByRole('region', { name: 'What to move' })).toContainText('The pin stands 0.4 mm open')
  await expect(page.getByRole('button', { name: 'Record the set-up' })).toBeHidden()
})
