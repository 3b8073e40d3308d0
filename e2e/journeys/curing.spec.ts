import { bringTo, check, done, forward, goesWrong, look, measure, step, takeIn } from './at-the-bench.ts'
import { expect, test } from './lab.ts'

test('the cure on its own: four baths side by side, dragged, and a safe one that is out in time', async ({
  page,
  request,
}) => {
  await page.goto('/cure')
  const outcome = page.getByRole('region', { name: 'What it comes to' })
  await page.getByLabel('Thinnest').fill('3')
  // The model notes: 74 °C 8 h and the boil leave a ridge of 12 mm 10 °C below boiling and about 0.4 % monomer.
  await expect(outcome).toContainText('10 °C below boiling')
  await expect(outcome).toContainText('about 0.4 % monomer')
  await expect(page.getByRole('button', { name: /Straight into boiling water/ })).toContainText(
    '127 °C, boils',
  )
  await test.step('straight into the boil: in words what is wrong', async () => {
    await page.getByRole('button', { name: /Straight into boiling water/ }).click()
    await expect(outcome.getByRole('status', { name: 'In words' })).toContainText(
      'The 12 mm ridge peaks at 127 °C',
    )
    await expect(outcome).toContainText('monomer boils at 100.8 °C')
  })
  await test.step('a corner of the bath is moved: five minutes to a key, the hour follows', async () => {
    await page.getByRole('button', { name: /74 °C 12 h, no boil/ }).click()
    await expect(page.getByLabel('Out of the bath')).toHaveText('05:30')
    const corner = page.getByRole('slider', { name: /Line 1: 74 °C/ })
    await corner.focus()
    await page.keyboard.press('ArrowRight')
    await expect(page.getByLabel('Out of the bath')).toHaveText('05:35')
    await expect(page.getByLabel('hold, min, line 1')).toHaveValue('725')
  })
  await test.step('a safe bath by 07:30, and by when one is possible at all', async () => {
    await page.getByRole('button', { name: 'Find a safe bath' }).click()
    await expect(page.getByRole('button', { name: /Safe, out by 07:30/ })).toBeVisible()
    await expect(outcome).toContainText('Out by 07:30')
    await expect(page.getByLabel('Out of the bath')).toHaveText(/^07:(2[5-9]|30)$/)
    await page.getByRole('textbox', { name: 'Out by' }).fill('17:40')
    await page.getByRole('button', { name: 'Find a safe bath' }).click()
    await expect(page.getByText(/By 17:40 none is safe; the soonest is out at/)).toBeVisible()
    await page.getByLabel('Thickest').fill('45')
    await page.getByRole('button', { name: 'Find a safe bath' }).click()
    await expect(page.getByText(/ask the maker for a program/)).toBeVisible()
  })
  await test.step('bad entries are told and stay', async () => {
    await page.getByLabel('Thickest').fill('0')
    await expect(page.getByText('Enter a number above 0.')).toBeVisible()
    await page.getByLabel('Thickest').fill('70')
    await expect(page.getByRole('region', { name: 'Curves' }).getByRole('alert')).toContainText(
      '70 mm of resin do not go into that flask.',
    )
    await expect(page.getByLabel('Thickest')).toHaveValue('70')
  })
  // The same over HTTP, for other programs.
  const data = {
    sections: [{ shape: 'ridge', millimetres: 12 }],
    program: { startCelsius: 100, segments: [{ rampCelsiusPerMinute: 1, toCelsius: 100, holdMinutes: 45 }] },
  }
  const answer = (await (await request.post('/api/calc/cure', { data })).json()) as {
    standing: string
    sections: { outcome: { peakCelsius: number } }[]
  }
  expect(answer.standing).toBe('bad')
  expect(Math.abs((answer.sections[0]?.outcome.peakCelsius ?? 0) - 127)).toBeLessThan(1)
})

test('straight into the boil is warned, wants a reason, and comes back as porous to the dentist', async ({
  page,
  request,
}) => {
  test.setTimeout(400_000)
  await takeIn(page, 'Complete denture', 'Upper', 'CU-1')
  await bringTo(page, request, 'cure-long-boil')
  await step(page).getByRole('link', { name: 'See what the bath does' }).click()
  await page.getByRole('button', { name: /Straight into boiling water/ }).click()
  const all = page.getByRole('button', { name: /^Start Bath .* all the same$/ })
  await all.click()
  await expect(page.getByText('Write down why it is run all the same.')).toBeVisible()
  await page.getByLabel('Why all the same').fill('patient flies tonight, agreed by telephone')
  await all.click()
  await expect(page.getByLabel('Bath shows')).toContainText('°C')
  await forward(request, 60)
  await expect(page.getByRole('status', { name: 'What the curve says' })).toContainText('Probably porous')
  await page.getByRole('button', { name: /^Into the record: the curve/ }).click()
  await expect(page.getByRole('status').filter({ hasText: /^On record: / })).toBeVisible()
  await page.getByRole('button', { name: 'Take the flasks out' }).click()
  await page.getByRole('main').getByRole('link').first().click()
  const cure = check(page, 'Cure as it was')
  await expect(cure).toContainText('The resin has probably boiled inside')
  await cure.getByRole('button', { name: 'Ask the dentist' }).click()
  await expect(page.getByText(/Process again, or open it and look/).first()).toBeVisible()
  await page.getByRole('button', { name: 'Record', exact: true }).first().click()
  await expect(page.getByRole('main')).toContainText('against advice: patient flies tonight')
})

test('without a connected bath one reading in the hold is enough; too little is sent back into the bath', async ({
  page,
  request,
}) => {
  test.setTimeout(400_000)
  await takeIn(page, 'Complete denture', 'Upper', 'CU-2')
  await bringTo(page, request, 'cure-long-boil')
  const cure = check(page, 'Cure as it was')
  await cure.getByLabel('Read after').fill('60')
  await cure.getByLabel('Bath showed').fill('74')
  await cure.getByRole('button', { name: 'Record the reading' }).click()
  await expect(cure).toContainText(/monomer stays in the .* sheet, above 2.2 %/)
  await expect(cure).toContainText('Back into cold water, up to 100 °C in 30 min')
  await cure.getByText('Read by hand').click()
  await cure.getByLabel('Read after').fill('600')
  await cure.getByLabel('Bath showed').fill('100')
  await cure.getByRole('button', { name: 'Record the reading' }).click()
  await expect(cure).toContainText('On record')
})

test('a pair and a lower in one bath overnight, the power out at two: each record has the curve', async ({
  page,
  request,
}) => {
  test.setTimeout(400_000)
  const recordCurve = async () => {
    await expect(page.getByRole('status', { name: 'What the curve says' })).toContainText('Cured')
    await page.getByRole('button', { name: /^Into the record: the curve/ }).click()
    await expect(page.getByRole('status').filter({ hasText: /^On record: / })).toBeVisible()
  }
  const pair = await takeIn(page, 'Complete denture', 'Pair', 'CU-3')
  await bringTo(page, request, 'cure-long-boil')
  const lower = await takeIn(page, 'Complete denture', 'Lower', 'CU-4')
  await bringTo(page, request, 'cure-long-boil')
  await step(page).getByRole('link', { name: 'See what the bath does' }).click()
  await page.getByRole('checkbox', { name: new RegExp(`^${pair} `) }).click()
  await test.step('in at five in the afternoon, dark from two to five, out in the morning', async () => {
    const { now } = (await (await request.get('/api/clock')).json()) as { now: number }
    const at = new Date(now)
    const hours = (24 + 17 - at.getHours() - at.getMinutes() / 60) % 24
    await forward(request, Math.round(60 * hours))
    await page.getByRole('button', { name: /^Start Bath .* now$/ }).click()
    await expect(page.getByLabel('Bath shows')).toContainText('°C')
    await forward(request, 9 * 60)
    await goesWrong(page, 'The power goes for 3 h')
    await forward(request, 6 * 60)
  })
  await recordCurve()
  await page.getByRole('link', { name: pair }).click()
  await expect(page.getByRole('link', { name: lower })).toBeVisible()
  await recordCurve()
  await page.getByRole('button', { name: 'Take the flasks out' }).click()
  await expect(page.getByRole('button', { name: 'Take the flasks out' })).toBeHidden()
})

test('clear clasps, three ways: moist strips, a bare face, a cloudy clasp', async ({ page, request }) => {
  test.setTimeout(400_000)
  await test.step('on the partial that came', async () => {
    await takeIn(page, 'Clear clasp', 'The partial that came', 'CL-1')
    await bringTo(page, request, 'warm-oven')
    await measure(page, 'Oven', '140')
    await expect(check(page, 'Oven')).toContainText('hotter they distort')
    await measure(page, 'Oven', '110')
    await done(page)
    await step(page).getByRole('button', { name: 'Start' }).click()
    await forward(request, 60)
    // While they dry, the hand goes on elsewhere; an hour is too soon for them, and says so.
    await expect(step(page).getByRole('heading', { level: 2 })).toHaveText('Block out')
    await page
      .getByRole('list', { name: 'Route' })
      .getByRole('button', { name: /^Dry the strips/ })
      .click()
    await step(page).getByRole('button', { name: /^Done/ }).click()
    await expect(page.getByRole('dialog', { name: 'Too soon' })).toContainText('it would bubble')
    await page.keyboard.press('Escape')
    await bringTo(page, request, 'form-strip')
    await look(page, 'Inside of the strip', 'Bubbles')
    await check(page, 'Inside of the strip')
      .getByRole('button', { name: /Dry the strips/ })
      .click()
    await expect(step(page).getByRole('heading', { level: 2 })).toHaveText('Dry the strips')
    await bringTo(page, request, 'protect')
    await look(page, 'Covered', 'A face is bare')
    await expect(check(page, 'Covered')).toContainText('Cover it before any acrylic comes near.')
    await bringTo(page, request, 'clear')
    await look(page, 'Clasp', 'Cloudy')
    await check(page, 'Clasp')
      .getByRole('button', { name: /Heat and form the strip/ })
      .click()
    await expect(step(page).getByRole('heading', { level: 2 })).toHaveText('Heat and form the strip')
    await bringTo(page, request, 'hand-over')
  })
  for (const [onto, code, last] of [
    ['A new partial', 'CL-2', 'pot-base'],
    ['A metal frame', 'CL-3', 'pot-join'],
  ] as const)
    await test.step(onto, async () => {
      await takeIn(page, 'Clear clasp', onto, code)
      await bringTo(page, request, last)
      await measure(page, 'Pressure in the pot', '90')
      await expect(check(page, 'Pressure in the pot')).toContainText('Bring it up to about 138 kPa')
      await measure(page, 'Pressure in the pot', '138')
      await bringTo(page, request, 'hand-over')
    })
})

test('baths and flasks of the lab: refused while they make no sense, then offered where they are needed', async ({
  page,
}) => {
  await page.goto('/shelf')
  await page.getByRole('radio', { name: 'Equipment' }).locator('..').click()
  const form = page.getByRole('form', { name: 'New equipment' })
  const list = page.getByRole('table', { name: 'Equipment' })
  const add = async (kind: string, name: string, figures: Readonly<Record<string, string>>) => {
    await form.getByRole('radio', { name: kind, exact: true }).locator('..').click()
    await form.getByLabel('Name in this lab').fill(name)
    for (const [label, value] of Object.entries(figures)) await form.getByLabel(label).fill(value)
    await form.getByRole('button', { name: 'Store' }).click()
  }
  await add('Curing bath', 'Bath in the yard', { 'Cools by 63 % in': '0', 'Flasks it takes': '6' })
  await expect(form).toContainText('Enter a number above 0 and at most 1440.')
  await expect(form.getByLabel('Name in this lab')).toHaveValue('Bath in the yard')
  await form.getByLabel('Cools by 63 % in').fill('170')
  await form.getByRole('button', { name: 'Store' }).click()
  await expect(list).toContainText('cools by 63 % in 170 min, flasks it takes 6')
  await add('Flask', 'Flask with a dent', { 'Lower half': '5', 'Ring above': '190', 'Ring, high': '31' })
  await expect(form).toContainText('enter a number from 20 mL to 1000 mL')
  await form.getByLabel('Lower half').fill('150')
  await form.getByRole('button', { name: 'Store' }).click()
  await expect(list).toContainText('Flask with a dent')
  await test.step('the bath is one to start', async () => {
    await page.goto('/cure')
    await page.getByLabel('Bath', { exact: true }).selectOption('Bath in the yard')
    await page.getByRole('button', { name: 'Start Bath in the yard now' }).click()
    await expect(page.getByLabel('Bath shows')).toContainText('°C')
    await page.getByRole('button', { name: 'Take the flasks out' }).click()
    await expect(page.getByRole('button', { name: /^Start Bath/ })).toBeVisible()
  })
  await test.step('the flask brings its water along: 150 mL less a cast of 0.8 · 60 · 65 · 20 mm', async () => {
    await page.goto('/mix?material=model-plaster')
    const much = page.getByRole('region', { name: 'How much' })
    await much.getByRole('radio', { name: 'Flask' }).locator('..').click()
    await much.getByRole('combobox', { name: 'Flask' }).selectOption('Flask with a dent')
    await expect(much.getByLabel('Lower half')).toBeHidden()
    for (const [label, value] of [
      ['Cast to land', '20'],
      ['Cast long', '60'],
      ['Cast wide', '65'],
      ['Cusps', '26'],
    ] as const)
      await much.getByLabel(label).fill(value)
    await expect(much).toContainText('87.6 cm3 to fill')
  })
})
