import { ceramicClasses } from '../../materials/index.ts'
import type { RouteTemplate } from '../../route/index.ts'
import { blockStep, classMatter, fired, firingsMatter, pieceMatter, wallChecks } from '../ceramic-matters.ts'
import { contactsStep, firingSheets, stainAndGlaze } from '../ceramic-steps.ts'
import { adjust, goBack, look } from '../checks.ts'
import { deliverySteps } from '../delivery.ts'
import { disinfectArrival, readAuthorisation } from '../door.ts'
import { castPictures, onePicture, shows } from '../pictures.ts'

const hybrid = { ceramic: ['hybrid'] }
const fires = { ceramic: fired }

/** A milled ceramic crown or veneers, from the mill with its stub to satin (common practice throughout). */
export const milledCeramic: RouteTemplate = {
  id: 'milled-ceramic',
  version: 1,
  name: 'Milled ceramic',
  usualDays: 4,
  teeth: { least: 1, say: 'Enter each tooth that gets a crown or a veneer.' },
  pictures: { ...onePicture(shows('ceramic')), receive: castPictures.receive },
  matters: [classMatter(ceramicClasses, 'disilicate'), pieceMatter, firingsMatter(fires)],
  steps: [
    readAuthorisation,
    disinfectArrival('Models and what came along; what is fresh from the mill was in no mouth.'),
    blockStep(ceramicClasses, false),
    {
      id: 'stub',
      plan: { skill: 'ceramic' },
      name: 'Take the stub off',
      stage: 'finish',
      kind: 'attended',
      picture: shows('ceramic', ['stub']),
      instrument: { opens: 'finish', view: 'ceramic' },
      how: [
        'Ring the raised stub in pencil.',
        'Silicon-carbide stone, light pressure, moving, wet where the class allows it.',
        'Blend it into the contour; into the line angle of a front tooth.',
      ],
      why: 'Pressure and heat start cracks that run in the furnace.',
      handsOnMinutes: 8,
      checks: [
        look(
          'stub-blended',
          'Stub',
          'The pencil ring is gone, the line angle runs through.',
          'Blended in',
          {
            'Stands proud': adjust('Take the rest, still with light pressure.'),
            'Ground flat': adjust('Bring the line angle back with a fine diamond.'),
            'A chip or a crack': goBack('class-and-block', 'It goes on in the furnace: mill it again.'),
          },
          { perTooth: 'each' },
        ),
        ...wallChecks(ceramicClasses, ['crown', 'veneer']),
      ],
      uses: ['ceramic', 'lathe'],
    },
    contactsStep,
    {
      id: 'crystallise',
      plan: { together: ['ceramic'] },
      name: 'Crystallise',
      stage: 'fire',
      kind: 'machine',
      machine: 'kiln',
      when: { ceramic: ['disilicate-blue'] },
      picture: shows('ceramic', ['support', 'heat']),
      instrument: { opens: 'fire', view: 'furnace' },
      how: ['Clean, dry, on its support.', 'By the program of its class; slowly down.'],
      why: 'Blue it is soft and weak: the firing makes it what it is.',
      handsOnMinutes: 5,
      waitMinutes: 40,
      sheets: firingSheets('crystallise', ['disilicate-blue'], 'class-and-block'),
      checks: [
        look('dry-first', 'Dry', 'Before it goes in.', 'Dry', {
          'A dark spot': adjust('Warm air until it is matt: wet it may burst.'),
        }),
      ],
    },
    ...stainAndGlaze(ceramicClasses, fires),
    {
      id: 'polish-hybrid',
      plan: { skill: 'ceramic' },
      name: 'Polish, never fire',
      stage: 'polish',
      kind: 'attended',
      when: hybrid,
      instrument: { opens: 'finish', view: 'ceramic' },
      how: [
        'Polishers from coarse to fine, little pressure.',
        'Or stains and lacquer that light cures, by their sheet.',
      ],
      why: 'It holds resin: a furnace burns it.',
      handsOnMinutes: 20,
      checks: [
        look(
          'hybrid-surface',
          'Surface',
          'Dry, under the lens.',
          'Shiny, no scratch',
          { 'Scratches left': adjust('Back to the polisher that takes them, then every one after it.') },
          { perTooth: 'each' },
        ),
      ],
      uses: ['ceramic', 'lathe'],
    },
    ...deliverySteps({ resin: false, metal: false, packed: ['In its box, on foam, models back.'] }),
  ],
}
