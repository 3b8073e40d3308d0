import { COMMON_PRACTICE } from '../../materials/index.ts'
import type { CheckOf, Matter, RouteTemplate, TemplateStep } from '../../route/index.ts'
import { adjust, askDentist, goBack, look, remake } from '../checks.ts'
import { pressurePot, puttyAmount } from '../cold-cure-steps.ts'
import { deliverySteps, journeyMatter } from '../delivery.ts'
import { disinfectArrival, readAuthorisation } from '../door.ts'
import { castPictures, onePicture, shows } from '../pictures.ts'
import { mixedSo, mixingMatter } from '../pour-steps.ts'

/** A clear thermoplastic clasp on a partial (common practice throughout). */

const onto: Matter = {
  id: 'onto',
  name: 'Joined to',
  choices: [
    { id: 'existing', name: 'The partial that came' },
    { id: 'new', name: 'A new partial' },
    { id: 'frame', name: 'A metal frame' },
  ],
  usual: 'existing',
  why: 'As prescribed.',
  prescribed: true,
}
const fresh = { onto: ['new'] }
const frame = { onto: ['frame'] }

/** 200 to 250 °F (exact 93.3 to 121.1). */
const oven: CheckOf<'measure'> = {
  id: 'oven',
  name: 'Oven',
  how: 'Read it once it has stood for ten minutes.',
  kind: 'measure',
  quantity: 'celsius',
  min: 93,
  max: 121,
  below: adjust('Raise it: the strips stay moist.'),
  above: adjust('Let it down before the strips go in: hotter they distort.'),
  plausible: { min: 0, max: 300 },
  source: 'common practice: 93-121 °C (200-250 °F)',
}

function pot(id: string, when: TemplateStep['when'], afterStepId: string): TemplateStep {
  return pressurePot({
    id,
    name: 'Pressure pot',
    stage: 'cure',
    when,
    why: 'Pressure closes the pores; the lid of a pot under pressure kills.',
    afterStepId,
    late: 'It has set without pressure: look for pores.',
    uses: ['pressurePot', 'monomer'],
  })
}

/** Nothing but the tang may meet monomer. */
const covered = look(
  'covered',
  'Covered',
  'Turn it in the light: every face that shows or flexes.',
  'Jelly inside, wax outside, tang bare',
  {
    'A face is bare': adjust('Cover it before any acrylic comes near.'),
    'The tang is covered': adjust('Clean the tang: only it may meet the resin.'),
  },
)

const joined = shows('clasp', ['joint'])
const claspPictures: RouteTemplate['pictures'] = {
  ...onePicture(shows('clasp')),
  receive: castPictures.receive,
  pour: castPictures.pour,
  pack: joined,
  cure: joined,
  check: joined,
  polish: joined,
  document: joined,
  deliver: joined,
}

export const clearClasp: RouteTemplate = {
  id: 'clear-clasp',
  version: 7,
  name: 'Clear clasp',
  usualDays: 4,
  pictures: claspPictures,
  matters: [mixingMatter, onto, journeyMatter],
  steps: [
    readAuthorisation,
    disinfectArrival('Partial or frame, cast, bite record.'),
    {
      id: 'warm-oven',
      name: 'Warm the oven up first',
      stage: 'receive',
      kind: 'attended',
      how: ['Empty, to 93-121 °C (200-250 °F), until it stands still.'],
      why: 'An oven that is still heating overshoots, and the strips distort.',
      handsOnMinutes: 2,
      uses: ['warmOven'],
      checks: [oven],
    },
    {
      id: 'dry-strips',
      plan: { takes: [{ station: 'dryingOven' }] },
      name: 'Dry the strips',
      stage: 'receive',
      kind: 'machine',
      how: ['Flat, not touching each other, two hours.'],
      why: 'Moisture becomes bubbles when the strip is heated.',
      handsOnMinutes: 2,
      waitMinutes: 120,
      wait: {
        earliestMinutes: 120,
        bestMinutes: 12 * 60,
        early: 'Still moist: it would bubble.',
        late: 'No harm while the oven stands in its range.',
        source: 'common practice: 2 h at 93-121 °C',
      },
      uses: ['hotResin', 'warmOven'],
    },
    {
      id: 'block-out',
      name: 'Block out',
      stage: 'wax',
      kind: 'attended',
      // The strips dry meanwhile.
      after: ['warm-oven'],
      instrument: { opens: 'survey', view: 'blockOut' },
      how: ['Survey the tooth; block out severe undercut only: more can be kept than with metal.'],
      howWhen: [
        { when: fresh, say: 'Before the mould is made, so that the clasp stays free of the base.' },
        { when: frame, say: 'Fill the mesh before the area is duplicated.' },
      ],
      why: 'What is too deep will not come out of the undercut again.',
      handsOnMinutes: 6,
      sheets: [
        {
          id: 'survey',
          kind: 'survey',
          name: 'Survey',
          how: 'At the clasp tooth: the undercut that is kept, by scan or by gauge.',
          leastPlaces: 1,
          usualGauge: 0.6,
          source: 'common practice: more than with metal, 0.50-0.75 mm our choice; its strain decides',
          failing: askDentist('The undercut does not hold a clear clasp. Another tooth, or a contour?'),
        },
      ],
      checks: [
        look('undercut', 'Undercut', 'Surveyor, or the eye along the path.', 'Kept where it holds', {
          'Severe, still open': adjust('Block it out.'),
          'None left': askDentist('There is no undercut to hold a clasp. How shall it be kept?'),
        }),
      ],
      uses: ['moltenWax'],
    },
    {
      id: 'duplicate',
      name: 'Duplicate the area',
      stage: 'pour',
      kind: 'attended',
      how: ['Putty over tooth and ridge, beyond where the clasp ends.'],
      why: 'The strip is pressed on a copy: the cast itself would break.',
      handsOnMinutes: 5,
      amounts: [puttyAmount],
    },
    {
      id: 'putty-sets',
      name: 'Putty sets',
      stage: 'pour',
      kind: 'unattended',
      how: ['Leave it.'],
      why: 'Lifted early it springs back.',
      handsOnMinutes: 0,
      waitMinutes: 12,
      wait: {
        ofMix: { stepId: 'duplicate', pace: 'set' },
        earliestMinutes: 10,
        bestMinutes: 60,
        early: 'Still soft: it tears at the undercut.',
        late: 'No harm.',
        source: 'common practice: 10-15 min',
      },
    },
    {
      id: 'pour-copy',
      name: 'Pour the copy in stone',
      stage: 'pour',
      kind: 'attended',
      howWhen: mixedSo,
      how: ['Vibrate it in; a flat base, so that it stands while the strip is pressed.'],
      why: 'It is pressed on hard.',
      handsOnMinutes: 6,
      amounts: [
        {
          id: 'copy-stone',
          kind: 'mix',
          materialId: 'dental-stone',
          powderGrams: 50,
          source: 'common practice: a small model',
        },
      ],
      uses: ['gypsum'],
    },
    {
      id: 'copy-sets',
      name: 'Copy sets',
      stage: 'pour',
      kind: 'unattended',
      how: ['Until the heat has gone.'],
      why: 'Warm stone breaks under the thumb.',
      handsOnMinutes: 0,
      waitMinutes: 45,
      wait: {
        ofMix: { stepId: 'pour-copy', pace: 'separate' },
        earliestMinutes: 45,
        bestMinutes: 24 * 60,
        early: 'It would break.',
        late: 'No harm.',
        source: COMMON_PRACTICE,
      },
    },
    {
      id: 'form-strip',
      name: 'Heat and form the strip',
      stage: 'finish',
      kind: 'attended',
      after: ['dry-strips', 'copy-sets'],
      how: [
        'Beside the flame, brushing through it, never in it.',
        'When it droops lay it over the tooth and press with a cool damp towel.',
      ],
      why: 'In the flame it burns and bubbles; pressed too cool it shows no detail.',
      handsOnMinutes: 8,
      amounts: [
        {
          id: 'strip',
          kind: 'use',
          materialId: 'clear-strip',
          count: 1,
          unit: 'strip',
          source: COMMON_PRACTICE,
        },
      ],
      checks: [
        look('detail', 'Inside of the strip', 'Every line of the tooth.', 'Full detail', {
          'Detail missing': adjust('Heat it once more and press again; after that take a new strip.'),
          Bubbles: goBack('dry-strips', 'It was not dry: dry new strips for the whole two hours.'),
          Scorched: adjust('Take a new strip, further from the flame.'),
        }),
      ],
      uses: ['hotResin', 'flame'],
    },
    {
      id: 'cut-clasp',
      name: 'Draw, cut, finish',
      stage: 'finish',
      kind: 'attended',
      how: [
        'Outline in pencil; cut with a coarse wheel, the rest stays on as a handle.',
        'Round every edge, polish, try on the copy and the cast; handle off last.',
      ],
      why: 'A clasp without its handle cannot be held to the wheel.',
      handsOnMinutes: 20,
      checks: [
        look('clasp-fits', 'Fit', 'On the cast: snaps home, lies all round.', 'Fits', {
          'Stands off': remake('form-strip', 'Form a new strip.'),
          'Too stiff to pass': adjust('Thin the tip from outside.'),
        }),
      ],
      uses: ['lathe', 'bur'],
    },
    {
      id: 'protect',
      name: 'Protect it from monomer',
      stage: 'wax',
      picture: shows('clasp', ['protection']),
      kind: 'attended',
      how: [
        'Petroleum jelly inside, wax outside over all that shows or flexes.',
        'Only the tang stays bare.',
      ],
      why: 'Monomer turns it cloudy, and nothing brings it back.',
      handsOnMinutes: 6,
      checks: [covered],
      uses: ['moltenWax'],
    },
    {
      id: 'join-existing',
      name: 'Join it to the partial',
      stage: 'pack',
      picture: shows('clasp', ['protection', 'joint']),
      kind: 'attended',
      when: { onto: ['existing', 'frame'] },
      how: [
        'Clasp home on the cast, tang in its box or over the mesh.',
        'Monomer and powder by turns in small portions, over the tang alone.',
      ],
      why: 'A small portion at a time wets through before it sets.',
      handsOnMinutes: 8,
      amounts: [
        {
          id: 'cold-resin',
          kind: 'use',
          materialId: 'cold-cure-acrylic',
          count: 1,
          unit: 'portion',
          source: COMMON_PRACTICE,
        },
      ],
      uses: ['monomer'],
    },
    pot('pot-join', { onto: ['existing', 'frame'] }, 'join-existing'),
    {
      id: 'wax-base',
      name: 'Wax the new base',
      stage: 'wax',
      picture: shows('clasp', ['protection']),
      kind: 'attended',
      when: fresh,
      how: ['Teeth and base in wax to the outline; tang in the wax, the clasp itself free.'],
      why: 'The mould holds the clasp by what is free of wax.',
      handsOnMinutes: 40,
      checks: [
        look('base-waxed', 'Wax', 'Outline, sulcus, contacts.', 'To the line, contacts clean', {
          'On the clasp': adjust('Cut it back: it must flex.'),
        }),
      ],
      uses: ['moltenWax'],
    },
    {
      id: 'hydrocolloid',
      name: 'Mould in hydrocolloid',
      stage: 'flask',
      kind: 'attended',
      when: fresh,
      how: ['As its maker says; sprues from the back of the base.', 'Cool it through before it is opened.'],
      why: 'Warm it tears, and the teeth come out with it.',
      handsOnMinutes: 10,
      uses: ['boilingWater'],
    },
    {
      id: 'hydrocolloid-sets',
      name: 'Mould sets',
      stage: 'flask',
      kind: 'unattended',
      when: fresh,
      how: ['In cool water.'],
      why: 'It sets as it cools.',
      handsOnMinutes: 0,
      waitMinutes: 30,
      wait: {
        earliestMinutes: 30,
        bestMinutes: 120,
        latestMinutes: 240,
        early: 'Soft in the middle.',
        late: 'It loses water and shrinks: pour now.',
        source: 'common practice; the product decides',
      },
    },
    {
      id: 'pour-resin',
      name: 'Wax out, pour the resin',
      stage: 'pack',
      picture: shows('clasp', ['protection', 'joint']),
      kind: 'attended',
      when: fresh,
      how: [
        'Wax off cast, teeth and clasp; teeth and clasp back in the mould; cast home.',
        'Pour in one stream, through one sprue until it stands in the other.',
      ],
      why: 'Two streams close air in.',
      handsOnMinutes: 15,
      checks: [
        {
          ...covered,
          id: 'covered-again',
          name: 'Clasp covered again',
        },
      ],
      amounts: [
        {
          id: 'pour-resin',
          kind: 'mix',
          materialId: 'cold-cure-acrylic',
          powderGrams: 30,
          source:
            'common practice: one base 21-30 g of polymer; the ratio of a fluid resin as its maker says',
        },
      ],
      uses: ['monomer'],
    },
    pot('pot-base', fresh, 'pour-resin'),
    {
      id: 'clear',
      name: 'Take it off and look',
      stage: 'check',
      kind: 'attended',
      how: ['Wax and jelly off; hold the clasp to the light.'],
      why: 'What is cloudy now stays so in the mouth.',
      handsOnMinutes: 5,
      checks: [
        look('clear', 'Clasp', 'Against the light.', 'Clear, whole', {
          Cloudy: remake('form-strip', 'Monomer reached it: form a new clasp and cover it.'),
          Cracked: remake('form-strip', 'Form a new clasp.'),
        }),
        look('joint', 'Joint', 'Bend a little over the thumb.', 'Holds', {
          Gives: goBack('protect', 'Roughen the tang, cover the clasp and join again.'),
        }),
      ],
    },
    {
      id: 'polish-clasp',
      plan: { takes: [{ station: 'lathe' }] },
      name: 'Finish and polish',
      stage: 'polish',
      kind: 'attended',
      how: ['Resin to the shine; the clasp with a soft wheel, wet, hardly touched.'],
      why: 'Heat bends it, pumice dulls it.',
      handsOnMinutes: 15,
      checks: [
        look('home', 'On the cast', 'Partial home, clasp snaps in, bite.', 'Home, holds, bite right', {
          'Clasp stands off': askDentist(
            'The clasp stands off its tooth. Adjust in the mouth, or make it again?',
          ),
          High: adjust('Relieve the high spot.'),
        }),
      ],
      uses: ['lathe', 'bur'],
    },
    ...deliverySteps({ resin: true, metal: true }),
  ],
}
