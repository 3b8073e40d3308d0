import { type CeramicClass, COMMON_PRACTICE } from '../../materials/index.ts'
import type { RouteTemplate } from '../../route/index.ts'
import { blockStep, classMatter, firingsMatter, wallChecks } from '../ceramic-matters.ts'
import { contactsStep, firingSheets, stainAndGlaze } from '../ceramic-steps.ts'
import { adjust, goBack, look, remake } from '../checks.ts'
import { deliverySteps } from '../delivery.ts'
import { disinfectArrival, readAuthorisation } from '../door.ts'
import { castPictures, onePicture, shows } from '../pictures.ts'

const classes: readonly CeramicClass[] = ['zirconia3y', 'zirconia4y', 'zirconia5y']
const BLANK = 'class-and-block'
const chalk = shows('ceramic', ['chalk', 'keep'])
const infiltrated = { infiltration: ['liquid'] }

/** A crown shaped as chalk, dried, sintered, then finished as a milled one (common practice throughout). */
export const greenZirconia: RouteTemplate = {
  id: 'green-zirconia',
  version: 1,
  name: 'Green zirconia',
  usualDays: 5,
  teeth: { least: 1, say: 'Enter each tooth that gets a crown.' },
  pictures: { ...onePicture(shows('ceramic')), receive: castPictures.receive },
  matters: [
    classMatter(classes, 'zirconia4y'),
    {
      id: 'infiltration',
      name: 'Colour before sintering',
      choices: [
        { id: 'none', name: 'None, coloured blank' },
        { id: 'liquid', name: 'Infiltration liquid' },
      ],
      usual: 'none',
      why: 'As the blank is.',
    },
    {
      id: 'lustre',
      name: 'Pre-sinter lustre',
      choices: [
        { id: 'before', name: 'Before sintering', when: { infiltration: ['none'] } },
        { id: 'after', name: 'Only after sintering' },
      ],
      usual: 'before',
      why: 'Chalk polishes in minutes; but a closed surface takes no infiltration liquid up.',
    },
    firingsMatter(),
  ],
  steps: [
    readAuthorisation,
    disinfectArrival('Models and what came along; the blank was in no mouth.'),
    blockStep(classes, true),
    {
      id: 'separate',
      name: 'Out of the blank',
      stage: 'finish',
      kind: 'attended',
      picture: shows('ceramic', ['chalk', 'stub', 'keep']),
      how: ['Thin carbide, dry; the crown held over the hand.', 'Never knocked off.'],
      why: 'Chalk breaks where it is levered.',
      handsOnMinutes: 6,
      checks: [
        look(
          'whole',
          'Whole',
          'All round, and against the light.',
          'No chip, no crack',
          { 'A chip or a crack': goBack(BLANK, 'Sintered, it opens: mill it again.') },
          { perTooth: 'each' },
        ),
        look('own-tools', 'Tools', 'Kept for chalk.', 'Never on metal', {
          'Used on metal': adjust('Take clean ones: metal in it burns to grey spots.'),
        }),
      ],
      uses: ['greenZirconia'],
    },
    {
      id: 'green-size',
      plan: { skill: 'ceramic' },
      name: 'Measure it as chalk',
      stage: 'check',
      kind: 'attended',
      picture: chalk,
      how: [
        'Caliper, without pressure, at two places that the design knows.',
        'Green size wanted: final size times the factor.',
      ],
      why: "The factor is of the blank's own lot: another one shows as a crown that rocks or does not seat.",
      handsOnMinutes: 5,
      sheets: [
        {
          id: 'size',
          kind: 'enlargement',
          name: 'Size as chalk',
          how: 'Factor of the lot, factor of the milling, sizes.',
          source: 'exact; warns above 0.3 %, common practice',
          state: 'green',
          failing: remake(
            BLANK,
            'Milled with another factor it ends another size: mill it again, or say why it stands.',
          ),
        },
      ],
    },
    {
      id: 'shape',
      plan: { skill: 'ceramic' },
      name: 'Shape and texture',
      stage: 'finish',
      kind: 'attended',
      picture: chalk,
      how: [
        'Margins and the neck of the contacts stay untouched.',
        'Grooves refined at about 45°, lightly; the buccal groove deepened.',
        'Texture first: fine ripples across with a larger diamond, dancing.',
        'Then softened: about 10 000 rpm, away from margins, on the neck side of the contact.',
      ],
      why: 'Texture can be made in chalk alone. A contact that is touched opens.',
      handsOnMinutes: 25,
      checks: [
        look(
          'margins-kept',
          'Margins and contacts',
          'Beside the design.',
          'Untouched',
          { Touched: goBack(BLANK, 'A margin cut in chalk stays open: mill it again.') },
          { perTooth: 'each' },
        ),
        look('texture-first', 'Texture', 'In slanting light.', 'Textured, then softened', {
          'Smooth already': adjust('Put the texture in again before anything else.'),
        }),
        ...wallChecks(classes, ['crown']).map((check) => ({
          ...check,
          id: 'green-wall',
          name: 'Thinnest wall, after sintering',
          how: `Gauge on the chalk, divided by the factor. ${check.how}`,
        })),
      ],
      uses: ['greenZirconia'],
    },
    {
      id: 'lustre',
      plan: { skill: 'ceramic' },
      name: 'Lustre in chalk',
      stage: 'finish',
      kind: 'attended',
      when: { lustre: ['before'] },
      picture: chalk,
      how: ['Soft wheel, dry, hardly touching.'],
      why: 'Minutes now save half an hour after sintering. Never where infiltration follows.',
      handsOnMinutes: 5,
      uses: ['greenZirconia'],
    },
    {
      id: 'infiltrate',
      plan: { skill: 'ceramic' },
      name: 'Infiltrate',
      stage: 'finish',
      kind: 'attended',
      when: infiltrated,
      picture: chalk,
      how: ['Dust off with dry air, then the liquid by its sheet, neck to edge.', 'Blot it; no drop stands.'],
      why: 'It goes as deep as it is left; a drop becomes a spot.',
      handsOnMinutes: 10,
      amounts: [
        {
          id: 'liquid',
          kind: 'use',
          materialId: 'infiltration-liquid',
          count: 1,
          unit: 'coat',
          source: COMMON_PRACTICE,
        },
      ],
    },
    {
      id: 'green-dry',
      plan: { together: ['ceramic'] },
      name: 'Dry before sintering',
      stage: 'fire',
      kind: 'machine',
      machine: 'kiln',
      means: 'greenDried',
      picture: chalk,
      instrument: { opens: 'fire', view: 'furnace' },
      how: ['80 to 150 °C, 10 to 40 min by its wall.'],
      howWhen: [{ when: infiltrated, say: 'Infiltrated: half as long again.' }],
      why: 'Wet on the ramp of sintering it bursts.',
      handsOnMinutes: 3,
      waitMinutes: 30,
      sheets: firingSheets('dry', classes, BLANK),
      checks: [
        look('dust-off', 'Dust', 'Dry air, all round.', 'Off', {
          'Dust in the grooves': adjust('Blow it out: sintered it is a lump.'),
        }),
      ],
      uses: ['greenZirconia'],
    },
    {
      id: 'sinter',
      plan: { together: ['ceramic'] },
      name: 'Sinter',
      stage: 'fire',
      kind: 'machine',
      machine: 'sinter',
      picture: shows('ceramic', ['chalk', 'heat']),
      instrument: { opens: 'fire', view: 'furnace' },
      how: [
        'By the tray, on beads, not touching one another.',
        'The thickest wall decides the ramp; opened below 200 °C.',
      ],
      why: 'Overnight, as a rule: it is ready when you come.',
      handsOnMinutes: 8,
      waitMinutes: 9 * 60,
      sheets: firingSheets('sinter', classes, BLANK),
    },
    {
      id: 'after-sintering',
      plan: { skill: 'ceramic' },
      name: 'Density, cracks, size',
      stage: 'check',
      kind: 'attended',
      picture: shows('ceramic'),
      how: [
        'Weigh it dry, then hanging in water.',
        'Light from behind, all round.',
        'Caliper at the same places.',
      ],
      why: 'Pores and cracks cannot be seen once it is glazed.',
      handsOnMinutes: 10,
      sheets: [
        ...classes.map((ceramic) => ({
          id: 'density',
          kind: 'density' as const,
          name: 'Density',
          how: 'A thread, water without bubbles, its temperature.',
          source: 'at least 99 % of 6.05 to 6.10 g/cm3, recalled',
          ceramic,
          remakeFrom: BLANK,
          failing: remake(BLANK, 'It has pores: mill it again.'),
          when: { ceramic: [ceramic] },
        })),
        {
          id: 'size-sintered',
          kind: 'enlargement',
          name: 'Size after sintering',
          how: 'At the same places.',
          source: 'exact; warns above 0.3 %, common practice',
          state: 'sintered',
          greenOf: { stepId: 'green-size', sheetId: 'size' },
          failing: adjust('Look at its seat on the model; say why it stands, or mill it again.'),
        },
      ],
      checks: [
        look(
          'cracks',
          'Cracks',
          'Against the light, dry, turned slowly.',
          'None',
          { 'A crack': goBack(BLANK, 'It goes on: mill it again.') },
          { perTooth: 'each' },
        ),
      ],
    },
    contactsStep,
    ...stainAndGlaze(classes),
    ...deliverySteps({ resin: false, metal: false, packed: ['In its box, on foam, models back.'] }),
  ],
}
