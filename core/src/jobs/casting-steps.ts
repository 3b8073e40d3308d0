import { endClearances } from '../casting/index.ts'
import { REGIONS_SOURCE } from '../inspection/index.ts'
import { type Binder, COMMON_PRACTICE, materials } from '../materials/index.ts'
import type { CheckOf, Conditional, Matter, TemplateStep } from '../route/index.ts'
import type { SheetOfKind } from '../sheet/index.ts'
import { adjust, goBack, look, remake } from './checks.ts'

/** From the pattern to the casting on its die (common practice). */

export const castHere: Matter = {
  id: 'casting',
  name: 'Casting',
  choices: [
    { id: 'here', name: 'Cast here' },
    { id: 'elsewhere', name: 'Pattern only' },
  ],
  usual: 'here',
  why: 'As ordered.',
  prescribed: true,
}

export const investmentMatter: Matter = {
  id: 'investment',
  name: 'Investment',
  choices: [
    { id: 'gypsum', name: 'Gypsum-bonded' },
    { id: 'phosphate', name: 'Phosphate-bonded' },
  ],
  usual: 'phosphate',
  why: 'Gypsum-bonded for low-fusing gold only; phosphate-bonded for all else.',
}

/** After burnout the pattern is gone: what went wrong begins again with its wax. */
const PATTERN = 'green-wax'
const castInHouse = { casting: ['here'] }
const gypsum = { investment: ['gypsum'] }
const phosphate = { investment: ['phosphate'] }

const measure = (
  check: Pick<CheckOf<'measure'>, 'id' | 'name' | 'how' | 'quantity' | 'plausible'> &
    Partial<CheckOf<'measure'>> &
    Conditional,
): CheckOf<'measure'> & Conditional => ({ kind: 'measure', source: COMMON_PRACTICE, ...check })

const steps: readonly TemplateStep[] = [
  {
    id: 'sprue',
    name: 'Sprue it and set the former',
    stage: 'invest',
    instrument: { opens: 'cast', view: 'sprue' },
    means: 'sprued',
    kind: 'attended',
    how: [
      'Sprue to the thickest part, flared, at about 45°; a reservoir where it is long or thin.',
      'On the former, above the middle of the ring. The Cast screen says whether it feeds.',
      'Liner into the ring, soaked.',
    ],
    why: 'A sprue that freezes first leaves the crown porous.',
    handsOnMinutes: 10,
    checks: [
      measure({
        id: 'sprue-gauge',
        means: 'sprueGauge',
        name: 'Sprue gauge',
        how: 'As printed on the wax wire; a higher number is thinner.',
        quantity: 'count',
        max: 14,
        above: adjust('Take a thicker sprue: gauge 14 or a lower number.'),
        plausible: { min: 4, max: 20 },
        source: 'common practice: 10-14; ASTM B258',
      }),
      endClearance('gypsum'),
      endClearance('phosphate'),
      measure({
        id: 'weight-with-sprue',
        means: 'weightWithSprue',
        name: 'Pattern with its sprue',
        how: 'On the fine balance. The Cast screen makes it grams of alloy.',
        quantity: 'grams',
        plausible: { min: 0.05, max: 12 },
        source: 'weighed',
      }),
    ],
    uses: ['moltenWax'],
  },
  {
    id: 'invest',
    name: 'Invest',
    stage: 'invest',
    instrument: { opens: 'cast', view: 'expansion' },
    means: 'invested',
    kind: 'attended',
    how: ['Wetting agent on the pattern, blow dry.', 'Vacuum mix; fill along the wall of the ring.'],
    howWhen: [mixWords('gypsum'), mixWords('phosphate')],
    why: 'A bubble on the pattern is a nodule on the casting.',
    handsOnMinutes: 10,
    startWindow: {
      afterStepId: 'margin-check',
      bestMinutes: 30,
      latestMinutes: 60,
      late: 'The wax has had an hour to move.',
      ifPast: { toStepId: 'margin-check', say: 'Look at the margin once more.' },
      source: 'common practice: invest within about an hour of the last margin check',
    },
    amounts: [
      {
        id: 'gypsum-investment',
        kind: 'mix',
        materialId: 'gypsum-investment',
        powderGrams: 60,
        source: 'common practice: by the size of the ring',
        when: gypsum,
      },
      {
        id: 'phosphate-investment',
        kind: 'mix',
        materialId: 'phosphate-investment',
        powderGrams: 160,
        source: 'common practice: by the size of the ring',
        when: phosphate,
      },
    ],
    checks: [
      look(
        'wetted',
        'Wetting agent',
        'A film, nothing pooled.',
        'Dry film',
        {
          Pools: adjust('Blow it dry.'),
          'None used': adjust('Spray the pattern and blow it dry.'),
        },
        { means: 'wettingAgent' },
      ),
      measure({
        id: 'special-liquid',
        means: 'specialLiquid',
        name: 'Special liquid, %',
        how: 'Of the liquid; the Cast screen works it out from the product.',
        quantity: 'count',
        plausible: { min: 0, max: 100 },
        source: 'by the product',
        when: phosphate,
      }),
    ],
    uses: ['gypsum'],
  },
  {
    id: 'bench-set',
    name: 'Investment sets',
    stage: 'invest',
    means: 'benchSet',
    kind: 'unattended',
    how: ['Leave it in peace.'],
    why: 'Green investment cracks in the furnace.',
    handsOnMinutes: 1,
    waitMinutes: 45,
    wait: {
      ofMix: { stepId: 'invest', pace: 'separate' },
      earliestMinutes: 45,
      bestMinutes: 180,
      early: 'Not set through: it would crack.',
      late: 'Wet it before the furnace if it has dried.',
      source: 'common practice: 45-60 min',
    },
  },
  {
    id: 'burnout',
    name: 'Burnout',
    stage: 'burnOut',
    machine: 'furnace',
    instrument: { opens: 'cast', view: 'burnout' },
    means: 'burntOut',
    kind: 'machine',
    how: [
      'Hole down first, so that wax drains.',
      'The program from the Cast screen: slow through the inversions.',
      'It stays in until the arm is wound.',
    ],
    why: 'A core that is not hot leaves the margin short; a cold mould has shrunk.',
    handsOnMinutes: 3,
    waitMinutes: 240,
    wait: {
      earliestMinutes: 240,
      bestMinutes: 600,
      early: 'The core is not hot through, or carbon is left.',
      late: 'Long holds break the binder down.',
      source: 'common practice: 240 min with an hour of final hold; the program of the product decides',
    },
    sheets: [burnoutSheet('gypsum'), burnoutSheet('phosphate')],
    uses: ['hotRing'],
  },
  {
    id: 'cast',
    name: 'Cast',
    stage: 'cast',
    instrument: { opens: 'cast', view: 'arm' },
    means: 'casting',
    kind: 'attended',
    how: [
      'Crucible hot, alloy melted in the reducing zone.',
      'Ring into the cradle. A noble alloy is released when its melt spins bright; a base metal when the pieces slump into one another, before it spins.',
      'At most a minute from oven to arm.',
    ],
    why: 'The mould shrinks while it cools, at the pattern first.',
    handsOnMinutes: 5,
    startWindow: {
      afterStepId: 'burnout',
      bestMinutes: 1,
      latestMinutes: 2,
      late: 'The mould has cooled.',
      ifPast: { toStepId: 'burnout', say: 'Back into the oven, hold it again.' },
      source: 'common practice: at most about a minute',
    },
    sheets: [
      {
        id: 'charge',
        kind: 'charge',
        name: 'Alloy melted',
        how: 'The pieces from the shelf, weighed. Frameworks take new metal only.',
        source: 'common practice: new metal only for frameworks',
        mostRemeltPercent: 0,
        failing: adjust('Take other pieces before you melt.'),
      },
    ],
    checks: [
      measure({
        id: 'arm-turns',
        means: 'armTurns',
        name: 'Turns of the arm',
        how: 'As wound.',
        quantity: 'count',
        min: 2,
        max: 5,
        below: adjust('Note why; a light alloy wants 4 to 5.'),
        above: adjust('Note why; a dense alloy wants 2 to 3.'),
        plausible: { min: 0, max: 10 },
        source: 'common practice: 2-3 dense, 4-5 light alloys',
      }),
    ],
    uses: ['torch', 'hotRing'],
  },
  {
    id: 'quench',
    name: 'Quench the casting',
    stage: 'cast',
    kind: 'unattended',
    when: gypsum,
    how: ['Leave it until the red of the button has gone.', 'Then into water.'],
    why: 'Quenched in time the gold stays soft and the mould falls off; red hot it warps.',
    handsOnMinutes: 1,
    waitMinutes: 2,
    wait: {
      earliestMinutes: 1,
      bestMinutes: 3,
      early: 'Still red: it warps.',
      late: 'It has hardened as it cooled: soften it by heat where that is wanted.',
      source: 'common practice: when the red has gone, about 1-3 min',
    },
    uses: ['hotRing'],
  },
  {
    id: 'cool-casting',
    name: 'Casting cools',
    stage: 'cast',
    kind: 'unattended',
    when: phosphate,
    how: ['On the bench, no water, until it may be touched.'],
    why: 'Quenched it warps, and a phosphate mould bursts.',
    handsOnMinutes: 1,
    waitMinutes: 30,
    wait: {
      earliestMinutes: 30,
      bestMinutes: 240,
      early: 'Still hot through.',
      late: 'No harm.',
      source: 'common practice: about half an hour on the bench',
    },
    uses: ['hotRing'],
  },
  {
    id: 'divest',
    name: 'Divest and blast',
    stage: 'cast',
    kind: 'attended',
    how: ['Break it out, blast the rest; the margin last, at low pressure.', 'Pickle gold, rinse.'],
    why: 'A blaster on the margin cuts it.',
    handsOnMinutes: 10,
    uses: ['gypsum', 'blaster', 'acid'],
  },
  {
    id: 'inspect-casting',
    name: 'Compare casting and pattern',
    stage: 'check',
    kind: 'attended',
    how: ['Region by region under the lens, before the sprue is cut.'],
    why: 'What is wrong now shows what to change in the next one.',
    handsOnMinutes: 5,
    sheets: [
      {
        id: 'casting-regions',
        kind: 'regions',
        name: 'Casting',
        how: 'Tap each region, casting and pattern side by side.',
        source: REGIONS_SOURCE,
        drawing: 'casting',
        remakeFrom: PATTERN,
        failing: adjust('Mend it, then look again.'),
      },
    ],
  },
  {
    id: 'fit-die',
    name: 'Fit it on the die',
    stage: 'finish',
    kind: 'attended',
    how: ['Sprue off, heatless stone; never force it on.', 'Mark what holds it up and take only that.'],
    why: 'Forced on, it breaks the die and the truth with it.',
    handsOnMinutes: 25,
    sheets: [
      {
        id: 'button',
        kind: 'button',
        name: 'Button left over',
        how: 'Weigh it; it goes back to the shelf, melted once more. 0 when it is scrapped.',
        source: 'weighed',
        chargeOf: { stepId: 'cast', sheetId: 'charge' },
        failing: adjust('Weigh it again.'),
      },
    ],
    checks: [
      look('seats', 'Seat', 'Home without pressure, no rock.', 'Seats', {
        'Held up inside': adjust('Mark, relieve the spot, try again.'),
        'Will not seat': remake(PATTERN, 'Wax and cast again with more expansion.'),
      }),
      look('margin-fit', 'Margin', 'All round under the lens.', 'Closed', {
        Open: remake(PATTERN, 'Wax and cast again.'),
        Over: adjust('Thin it to the line.'),
      }),
      look('cast-contacts', 'Contacts and bite', 'Strip at the neighbours; pin down.', 'Touch, pin down', {
        'Contact tight': adjust('Relieve and polish.'),
        'Contact open': goBack('divest', 'Solder or add, then blast again; or ask for a remake.'),
        High: adjust('Grind the high spot.'),
      }),
    ],
    uses: ['metalWheel', 'lathe'],
  },
  {
    id: 'polish-casting',
    name: 'Polish and clean',
    stage: 'polish',
    kind: 'attended',
    how: ['Rubber, then paste; the margin from metal to die.', 'Ultrasonic, rinse, dry.'],
    why: 'A scratch holds plaque.',
    handsOnMinutes: 20,
    checks: [
      look('polished', 'Surface', 'Dry, one lamp.', 'No scratch, margin whole', {
        Scratches: adjust('Back to the rubber, then every step again.'),
        'Margin rounded': remake(PATTERN, 'Wax and cast again.'),
      }),
    ],
    uses: ['metalWheel', 'lathe'],
  },
]

/** How long under vacuum and how warm, from the class of the investment. */
function mixWords(binder: Binder): Conditional & { readonly say: string } {
  const { vacuumSeconds, mixCelsius } = materials.get(`${binder}-investment`)!.investment!
  return {
    when: { investment: [binder] },
    say: `About ${vacuumSeconds} s under vacuum, powder and liquid at ${mixCelsius.join(' to ')} °C; the sheet decides.`,
  }
}

function endClearance(binder: Binder) {
  const { least: min, most: max } = endClearances[binder]
  return measure({
    id: `end-clearance-${binder}`,
    means: 'endClearance',
    name: 'Pattern to the end of the ring',
    how: 'Rule across the ring.',
    quantity: 'millimetres',
    min,
    max,
    below: adjust('Shorten the sprue, or take a taller ring.'),
    above: adjust('Lengthen the sprue: gas would not get out.'),
    plausible: { min: 0, max: 40 },
    when: { investment: [binder] },
  })
}

function burnoutSheet(binder: Binder): SheetOfKind<'burnout'> & Conditional {
  return {
    id: `burnout-${binder}`,
    kind: 'burnout',
    name: 'Burnout as it was',
    how: 'The curve of the furnace, or what you read off it in the final hold.',
    source: 'heat of the ring, see the handbook; the sheet of the product decides',
    binder,
    remakeFrom: PATTERN,
    failing: adjust('Hold on, then record it again.'),
    when: { investment: [binder] },
  }
}

/** Every step only where it is cast here. */
export const castingSteps: readonly TemplateStep[] = steps.map((step) => ({
  ...step,
  when: { ...castInHouse, ...step.when },
}))
