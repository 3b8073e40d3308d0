import { REGIONS_SOURCE } from '../inspection/index.ts'
import type { TemplateStep } from '../route/index.ts'
import { COPING_SOURCE, coping, forCeramic, full, PATTERN } from './casting-matters.ts'
import { adjust, goBack, look, measure, remake } from './checks.ts'

/** From the casting as it came out of its mould to one that fits its die (common practice). */

export const castingFinish: readonly TemplateStep[] = [
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
    plan: { skill: 'metal' },
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
    plan: { skill: 'metal' },
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
        chargeOf: { stepId: 'weigh-metal', sheetId: 'charge' },
        failing: adjust('Weigh it again.'),
      },
    ],
    checks: [
      look(
        'seats',
        'Seat',
        'Home without pressure, no rock.',
        'Seats',
        {
          'Held up inside': adjust('Mark, relieve the spot, try again.'),
          'Will not seat': remake(PATTERN, 'Wax and cast again with more expansion.'),
        },
        { perTooth: 'retainers' },
      ),
      look(
        'margin-fit',
        'Margin',
        'All round under the lens.',
        'Closed',
        {
          Open: remake(PATTERN, 'Wax and cast again.'),
          Over: adjust('Thin it to the line.'),
        },
        { perTooth: 'retainers' },
      ),
      look('cast-contacts', 'Contacts and bite', 'Strip at the neighbours; pin down.', 'Touch, pin down', {
        'Contact tight': adjust('Relieve and polish.'),
        'Contact open': goBack('divest', 'Solder or add, then blast again; or ask for a remake.'),
        High: adjust('Grind the high spot.'),
      }),
    ],
    uses: ['metalWheel', 'lathe'],
  },
  {
    id: 'grind-coping',
    plan: { skill: 'metal' },
    name: 'Grind the metal for the ceramic',
    stage: 'finish',
    kind: 'attended',
    when: forCeramic,
    how: [
      'Stones kept for this alloy, in one direction: folds hold gas.',
      'Round where ceramic comes; the line to the metal square, off the contacts.',
    ],
    why: 'Gas in a fold blows a bubble into the ceramic; a sharp edge cracks it.',
    handsOnMinutes: 20,
    checks: [
      measure({
        id: 'coping-thickness',
        perTooth: 'each',
        name: 'Metal under the ceramic',
        how: 'Caliper, the thinnest place.',
        quantity: 'millimetres',
        ...coping,
        below: remake(PATTERN, 'It would bend under the ceramic: wax and cast again.'),
        above: adjust(`Thin it to ${coping.max} mm where the ceramic comes.`),
        plausible: { min: 0, max: 5 },
        source: COPING_SOURCE,
      }),
      measure({
        id: 'ceramic-room',
        perTooth: 'each',
        name: 'Room for the ceramic, least',
        how: 'On the die in the articulator, closed: caliper or wax bite.',
        quantity: 'millimetres',
        min: 1,
        below: adjust('Thin the metal there as far as it may be; else ask the dentist.'),
        plausible: { min: 0, max: 6 },
        source: 'at least 1 mm, 1.5 to 2 mm at cusps and edges: Shillingburg, recalled',
      }),
      look('rounded', 'Surface', 'Lens, side light.', 'Round, one direction', {
        'A sharp edge or fold': adjust('Round it, go over it once more in one direction.'),
      }),
    ],
    uses: ['metalWheel', 'lathe'],
  },
  {
    id: 'oxidise',
    plan: { skill: 'metal' },
    name: 'Clean and oxidise',
    stage: 'finish',
    kind: 'machine',
    when: forCeramic,
    how: [
      'Alumina on the outside only, low pressure; the fitting surface covered.',
      'Ultrasonic in distilled water; from then on tweezers, no finger.',
      'The oxidising program of the alloy, as its sheet says.',
    ],
    why: 'Ceramic holds to the oxide; grease or a thick scale lets it go.',
    handsOnMinutes: 5,
    waitMinutes: 15,
    wait: {
      earliestMinutes: 5,
      bestMinutes: 60,
      early: 'The program of the alloy is not over.',
      late: 'Dust settles: cover it.',
      source: 'the sheet of the alloy; the minutes our choice',
    },
    checks: [
      look('oxide', 'Oxide', 'By daylight lamp, all round.', 'One even colour', {
        Spots: adjust('Blast it off, clean it, oxidise again.'),
        'Thick and dark': adjust('Blast it back to a thin even film.'),
      }),
    ],
    uses: ['alumina', 'hotRing'],
  },
  {
    id: 'polish-casting',
    plan: { takes: [{ station: 'lathe' }] },
    name: 'Polish and clean',
    stage: 'polish',
    kind: 'attended',
    when: full,
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
