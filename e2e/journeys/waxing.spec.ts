import {
  allBack,
  bringTo,
  check,
  done,
  forward,
  look,
  lookAtRegions,
  measure,
  start,
  step,
  takeIn,
  weigh,
  work,
} from './at-the-bench.ts'
import { expect, test } from './lab.ts'

// The last file and a long one: its journeys side by side, each with the lab of its worker.
test.describe.configure({ mode: 'parallel' })

type Plan = Parameters<typeof work>[3]
type Hands = Parameters<typeof bringTo>

/** From the sealed wax by bath and saw to the bag: flasked as the complete denture is, cured and opened by the screens. */
async function throughTheBath(page: Hands[0], request: Hands[1]): Promise<void> {
  const go = (name: string, plan: Plan = {}) => work(page, request, name, plan)
  await bringTo(page, request, 'cure-long-boil')
  await measure(page, 'Bath at the start', '22')
  await forward(request, 610)
  const cure = check(page, 'Cure as it was')
  await cure.getByLabel('Read after').fill('600')
  await cure.getByLabel('Bath showed').fill('100')
  await cure.getByRole('button', { name: 'Record the reading' }).click()
  await expect(cure).toContainText('On record')
  await done(page)
  await test.step('warm, the base would warp', async () => {
    await start(page)
    await expect(page.getByLabel('Cold about')).toHaveText(/^\d\d:\d\d$/)
    await expect(page.getByRole('region', { name: 'Cooling' })).toContainText(/inside now about (100|9\d) °C/)
    await measure(page, 'Flask temperature', '48')
    await expect(check(page, 'Flask temperature')).toContainText('Leave it until it is at room temperature.')
    await forward(request, 90)
    await expect(page.getByRole('region', { name: 'Cooling' })).not.toContainText('inside now')
    await measure(page, 'Flask temperature', '23')
    await done(page)
  })
  await go('Open the flask, cap off')
  await test.step('the saw stops 3 mm before the denture, where that is stone at all', async () => {
    await start(page)
    await page.getByLabel('Wall at the canines').fill('11')
    await expect(page.getByLabel('Saw at the canines')).toHaveText('8 mm')
    await page.getByLabel('Wall at the ends').fill('2.5')
    await expect(page.getByRole('region', { name: 'How deep to saw' })).toContainText('Too thin to saw')
    await done(page)
  })
  await go('Read what the mould tells', { looks: { Resin: 'Sound', 'Denture on its cast': 'No wobble' } })
  await bringTo(page, request, 'hand-over')
  await allBack(page)
  await step(page).getByRole('button', { name: 'Done' }).click()
  await expect(page.getByRole('heading', { name: 'Delivered' })).toBeVisible()
}

test('a bridge pattern: a layer too thick, a pattern that will not come off, and the hour to investing', async ({
  page,
  request,
}) => {
  test.setTimeout(400_000)
  const docket = await takeIn(page, 'Three-unit bridge', 'Pattern only', 'BP-1', '35, 36, 37')
  const go = (name: string, plan: Plan = {}) => work(page, request, name, plan)
  const greenWax = () =>
    go('Wax on the die, to the margin', {
      mixes: [undefined],
      looks: { 'Wax on the die': 'No bubble, to the line' },
    })
  const resin = () =>
    go('Thin pattern resin over it', {
      mixes: [undefined],
      measures: { 'Resin short of the margin by': '0.8' },
    })
  const room = async (layers: Readonly<Record<string, readonly [string, string, string]>>) => {
    for (const [place, [all, green, resinThick]] of Object.entries(layers)) {
      await page.getByLabel(`Room, ${place}`).fill(all)
      await page.getByLabel(`Green wax, ${place}`).fill(green)
      await page.getByLabel(`Resin, ${place}`).fill(resinThick)
    }
    await check(page, 'Room').getByRole('button', { name: 'Record' }).click()
  }
  const enough = {
    'Front, cusp': ['1.9', '0.2', '0.4'],
    'Front, fossa': ['1.3', '0.2', '0.4'],
    'Back, cusp': ['1.8', '0.2', '0.4'],
    'Back, fossa': ['1.2', '0.2', '0.4'],
  } as const
  const stops = () =>
    go('Record stops and freedom', {
      looks: {
        'When closed': 'Gloss just gone',
        'Centric stops': 'Marked on every tooth',
        'Resin closed': 'Covered',
      },
      measures: { 'Freedom, relation to occlusion': '0.6' },
    })

  await go('Read the work authorisation', { looks: { Complete: 'Complete' } })
  await go('Disinfect everything that came')
  await go('Inspect dies and bite', {
    looks: { Dies: 'Sound, margin clear', 'Dies in the cast': 'Home, pin down' },
  })
  await start(page)
  await measure(page, 'Spacer, all coats', '30')
  await measure(page, 'Spacer short of the margin by', '0.2')
  await expect(check(page, 'Spacer short of the margin by')).toContainText('Scrape the spacer back')
  await measure(page, 'Spacer short of the margin by', '1')
  await done(page)
  await greenWax()
  await resin()

  await test.step('the resin is too thick for the anatomy: how much comes off', async () => {
    await start(page)
    // By hand: 1.3 - 0.3 - 0.8 = 0.2 left of the 0.4 that a fossa wants.
    await room({ ...enough, 'Front, fossa': ['1.3', '0.3', '0.8'] })
    await expect(page.getByLabel('Left at Front, fossa')).toHaveText('0.2')
    await expect(check(page, 'Room')).toContainText('Thin the pattern resin by 0.2 mm.')
    await step(page).getByRole('button', { name: 'Done' }).click()
    await expect(page.getByText('does not pass').first()).toBeVisible()
    await room({ 'Front, fossa': ['1.3', '0.3', '0.6'] })
    await expect(check(page, 'Room')).toContainText('On record')
  })
  await test.step('no room at all is a question to the dentist, with the figures in it', async () => {
    await room({ 'Back, cusp': ['1.2', '0.2', '0.3'] })
    await check(page, 'Room').getByRole('button', { name: 'Ask the dentist' }).click()
    await expect(page.getByText('Waiting for the dentist since')).toBeVisible()
    await expect(
      page.getByText('Back, cusp: 1.2 mm in all, and a casting wants 1.5 mm').first(),
    ).toBeVisible()
    await page.getByRole('button', { name: 'Enter the answer' }).click()
    const answer = page.getByRole('dialog', { name: "The dentist's answer" })
    await answer.getByLabel('What the dentist said').fill('Go on, 1.2 mm will do there')
    await answer.getByRole('button', { name: 'Enter the answer' }).click()
    await expect(answer).toBeHidden()
    await expect(check(page, 'Room')).toContainText('accepted by the dentist')
    await done(page)
  })
  await stops()

  await test.step('it will not come off: back to the green wax before more time goes in', async () => {
    await start(page)
    await look(page, 'Comes off', 'Will not come off')
    await check(page, 'Comes off')
      .getByRole('button', { name: /Go back to/ })
      .click()
    await greenWax()
    await resin()
    await start(page)
    await room(enough)
    await expect(check(page, 'Room')).toContainText('On record')
    await done(page)
    await stops()
    await go('Take the pattern off', { looks: { 'Comes off': 'Whole, by itself', Inside: 'No void' } })
  })
  await go('Wax the margins', { looks: { Margins: 'To the line, resin covered' } })
  await go('Contour the walls')
  await test.step('three sheets under the pontic, no fewer', async () => {
    await start(page)
    await expect(step(page)).toContainText('0.96 mm')
    await measure(page, '28-gauge sheets on the ridge', '2')
    await expect(check(page, '28-gauge sheets on the ridge')).toContainText('Lay sheets until there are 3.')
    await measure(page, '28-gauge sheets on the ridge', '3')
    await done(page)
  })
  await go('Set the pontic', { looks: { 'Buccal cusps': 'In one line', 'Lingual cusps': 'In one line' } })
  await go('Join it to both retainers', {
    looks: { Joints: 'Rigid', Embrasures: 'Open', 'Under the pontic': 'Free of the ridge' },
  })
  await start(page)
  await step(page).getByText('37', { exact: true }).click()
  await step(page)
    .getByRole('button', { name: /Four cusps, cross/ })
    .click()
  await expect(check(page, 'Contour pattern')).toContainText('On record')
  await look(page, 'Centric stops', 'Present')
  await look(page, 'Contacts to the neighbours', 'Touch')
  await measure(page, 'Marginal ridge, step to its neighbour', '0.3')
  await done(page)
  await go('Last look at the margin, weigh', {
    looks: { Margin: 'Closed, sharp' },
    measures: { 'Pattern weight': '0.74' },
  })
  await test.step('past the hour it wants a reason, or the margin is looked at again', async () => {
    await forward(request, 61)
    await step(page).getByRole('button', { name: 'Start' }).click()
    const past = page.getByRole('dialog', { name: 'The time is past' })
    await expect(past).toContainText('go back to the last look')
    await past.getByRole('button', { name: 'Close' }).click()
    await expect(past).toBeHidden()
    await step(page).getByText('More', { exact: true }).click()
    await page.getByRole('button', { name: /^Go back/ }).click()
    const back = page.getByRole('dialog', { name: 'Go back' })
    await back.getByLabel('To which step').selectOption('Last look at the margin, weigh')
    await back.getByLabel('Why').fill('an hour has passed')
    await back.getByRole('button', { name: /Go back to/ }).click()
    await go('Last look at the margin, weigh', {
      looks: { Margin: 'Closed, sharp' },
      measures: { 'Pattern weight': '0.74' },
    })
    await start(page)
    await look(page, 'Handed over', 'Together')
    await step(page).getByRole('button', { name: 'Done' }).click()
    await expect(page.getByRole('heading', { name: 'Delivered' })).toBeVisible()
    await page.getByRole('link', { name: 'Papers' }).click()
    const paper = page.getByRole('main')
    await expect(paper).toContainText(`Case record ${docket}`)
    await expect(paper).toContainText('Pontic: Waxed new')
    await expect(paper).toContainText('Front, fossa 0.4 mm left of 1.3 mm')
    await expect(paper).toContainText('Contour pattern: 37, Four cusps, cross')
    await expect(paper).toContainText('Pattern weight: 0.74 g')
  })
})

test('a tooth in wax for practice, in the order of the instruments', async ({ page, request }) => {
  test.setTimeout(400_000)
  await takeIn(page, 'Single-tooth wax-up', 'Training', 'WU-1')
  const go = (name: string, plan: Plan = {}) => work(page, request, name, plan)
  await go('Read the work authorisation', { looks: { Complete: 'Complete' } })
  await start(page)
  await step(page).getByLabel('Tooth').fill('18')
  await expect(step(page)).toContainText('A wisdom tooth has no usual pattern')
  await step(page).getByLabel('Tooth').fill('11')
  await expect(step(page).getByRole('img', { name: 'One broad fossa, from lingual' })).toBeVisible()
  await step(page).getByLabel('Tooth').fill('35')
  for (const name of ['Y, three cusps', 'U, two cusps', 'H, two cusps'])
    await expect(step(page).getByRole('img', { name: `${name}, from above` })).toBeVisible()
  await step(page)
    .getByRole('button', { name: /U, two cusps/ })
    .click()
  await expect(check(page, 'Contour pattern')).toContainText('On record')
  await done(page)
  await go('Bulk wax, large adding tip', { mixes: [undefined] })
  await go('Cusp tips', { looks: { 'Cusp tips': 'In the arch line' } })
  await go('Detail, small adding tip')
  await go('Carve walls and embrasures', { looks: { 'Outline from above': 'Agrees' } })
  await start(page)
  await measure(page, 'Marginal ridge, step to its neighbour', '0.9')
  await expect(check(page, 'Marginal ridge, step to its neighbour')).toContainText('Add where it is low')
  await measure(page, 'Marginal ridge, step to its neighbour', '0.2')
  await look(page, 'Contacts with the opposing', 'On the stops, pin down')
  await done(page)
  await go('Look from every side', {
    looks: { 'From every side': 'Agrees everywhere', Margin: 'To the line' },
  })
  await go('Papers')
  await start(page)
  await allBack(page)
  await step(page).getByRole('button', { name: 'Done' }).click()
  await expect(page.getByRole('heading', { name: 'Delivered' })).toBeVisible()
})

test('a partial with wire clasps: wax on the flexing arm is found before the flask, then to the bag', async ({
  page,
  request,
}) => {
  test.setTimeout(400_000)
  await takeIn(page, 'Partial, wire clasps', ['Upper', 'Come mounted'], 'WP-1', '15, 16')
  const go = (name: string, plan: Plan = {}) => work(page, request, name, plan)
  await go('Read the work authorisation', { looks: { Complete: 'Complete' } })
  await go('Disinfect everything that came')
  // Without a scan: the gauge is read at each clasp tooth.
  await start(page)
  const survey = check(page, 'Survey')
  await survey.getByRole('textbox', { name: 'Place 1', exact: true }).fill('15, towards the cheek')
  await survey.getByRole('textbox', { name: 'Undercut at place 1' }).fill('0.2')
  await survey.getByRole('button', { name: 'Record', exact: true }).click()
  await expect(survey).toContainText('15, towards the cheek: 0.2 mm where 0.5 mm is wanted')
  await survey.getByRole('textbox', { name: 'Undercut at place 1' }).fill('0.5')
  await survey.getByRole('button', { name: 'Record', exact: true }).click()
  await expect(survey).not.toContainText('is wanted')
  await weigh(page)
  await look(page, 'Clasps', 'Lie right')
  await look(page, 'Outline', 'Drawn, as prescribed')
  await done(page)
  await go('Set the teeth', { mixes: [undefined], looks: { Bite: 'Pin down, even' } })
  await go('Wax the base', { mixes: [undefined] })
  await start(page)
  await lookAtRegions(page, 'Wax', {
    'Flexing clasp arm': 'Wax on the arm',
    'Border and sulcus': 'Wax in the sulcus',
  })
  const wax = check(page, 'Wax')
  await expect(wax).toContainText('Flexing clasp arm, wax on the arm: Clear the arm all round')
  await look(page, 'Occlusion again', 'Pin down, even')
  await step(page).getByRole('button', { name: 'Done' }).click()
  await expect(page.getByText('does not pass').first()).toBeVisible()
  for (const region of ['Flexing clasp arm', 'Border and sulcus']) {
    await wax.getByRole('button', { name: `${region} !` }).click()
    await wax.getByRole('button', { name: 'Good', exact: true }).click()
  }
  await expect(wax).toContainText('On record')
  await done(page)
  await go('Seal the base to the cast', { looks: { 'Border sealed, pin down': 'Sealed, pin down' } })
  await throughTheBath(page, request)
})

test('teeth copied and put in one at a time: the pin tells which copy moved the bite, then to the bag', async ({
  page,
  request,
}) => {
  test.setTimeout(400_000)
  await takeIn(page, 'Immediate denture', 'Upper', 'IM-1', '11, 21')
  const go = (name: string, plan: Plan = {}) => work(page, request, name, plan)
  await go('Read the work authorisation', { looks: { Complete: 'Complete' } })
  await go('Disinfect everything that came')
  await go('Inspect the final impression', { looks: { 'Impression whole': 'Whole' } })
  await go('Wetting agent', { minutes: 3 })
  await go('Pour the master cast', { mixes: [['150', '34.5']] })
  await go('Master cast sets', { minutes: 46 })
  await go('Base patty', { mixes: [['120', '33.6']] })
  await go('Base sets', { minutes: 46 })
  await go('Separate and trim the master cast', { looks: { 'Master cast': 'Whole' } })
  await go('Score the bases')
  await start(page)
  await check(page, 'Articulator').getByRole('textbox', { name: 'Pin reading' }).fill('0')
  await check(page, 'Articulator').getByRole('button', { name: 'Record', exact: true }).click()
  await look(page, 'Side play', 'None')
  await done(page)
  await go('Mount the upper', { mixes: [['200', '100']] })
  await go('Upper mounting sets', { minutes: 12 })
  await go('Mount the lower by the bite record', { mixes: [['200', '100']] })
  await go('Lower mounting sets', { minutes: 12 })
  await go('Check the mounting', {
    measures: { 'Pin reading': '0' },
    looks: { 'Casts on their mountings': 'Fit, no rock' },
  })
  await go('Putty over the teeth to copy', { mixes: [['1', '1']] })
  await test.step('too soon the putty stretches', async () => {
    await start(page)
    await look(page, 'Putty', 'Whole')
    await step(page).getByRole('button', { name: 'Done' }).click()
    const soon = page.getByRole('dialog', { name: 'Too soon' })
    await expect(soon).toContainText('Still stretches.')
    await soon.getByRole('button', { name: 'Close' }).click()
    await expect(soon).toBeHidden()
    await forward(request, 12)
    await done(page)
  })
  await go('Monomer, then powder', {
    mixes: [undefined],
    looks: { Holders: 'Level', 'Powder stands': 'Stands' },
  })
  await test.step('the pot: 90 kPa is too little', async () => {
    await start(page)
    await measure(page, 'Pressure in the pot', '90')
    await expect(check(page, 'Pressure in the pot')).toContainText('Bring it up to about 138 kPa (20 psi).')
    await measure(page, 'Pressure in the pot', '138')
    await forward(request, 11)
    await done(page)
  })
  await go('Trim and polish the copies', { looks: { Copies: 'Whole, the same' } })
  await test.step('the second copy lifts the pin', async () => {
    await start(page)
    const pins = check(page, 'Pin after each tooth')
    await pins.getByRole('textbox', { name: '11', exact: true }).fill('0')
    await pins.getByRole('textbox', { name: '21', exact: true }).fill('0.3')
    await pins.getByRole('button', { name: 'Record', exact: true }).click()
    await expect(pins).toContainText('21. That tooth has moved the bite: set it again')
    await pins.getByRole('textbox', { name: '21', exact: true }).fill('0.05')
    await pins.getByRole('button', { name: 'Record', exact: true }).click()
    await expect(pins).toContainText('On record')
    await done(page)
  })
  await go('Clean the wax')
  await go('Contour, wax flowed on')
  await go('Seat the base', { looks: { 'Base home on the cast': 'Fully home' } })
  await start(page)
  await lookAtRegions(page, 'Wax, upper')
  await measure(page, 'Border in wax', '3.6')
  await look(page, 'Occlusion again', 'Pin down, even')
  await done(page)
  await go('Seal the base to the cast', { looks: { 'Border sealed, pin down': 'Sealed, pin down' } })
  await throughTheBath(page, request)
})
