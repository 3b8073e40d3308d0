import { COMMON_PRACTICE } from '../../materials/index.ts'
import type { RouteTemplate, TemplateStep } from '../../route/index.ts'
import { adjust, askDentist, goBack, look, remake } from '../checks.ts'
import { enclosuresBack, oneArch, readAuthorisation } from '../door.ts'
import { castPictures, shows } from '../pictures.ts'
import { baseMatter, basePours, mixedSo, mixingMatter, pours } from '../pour-steps.ts'

const SET_SHORT = 'Stone pulled early breaks at the teeth and scratches.'
const SET_LONG = 'Alginate dries on the cast, gets hard and takes the surface with it.'

const arch = {
  id: 'stone',
  kind: 'mix',
  powderGrams: 100,
  note: 'one arch',
  source: 'common practice: one arch 100-150 g',
} as const

const separate: TemplateStep = {
  id: 'separate',
  name: 'Take off the impression',
  stage: 'pour',
  kind: 'attended',
  how: ['Free the edge all round.', 'Lift in the line of the teeth, not sideways.'],
  why: 'A sideways pull breaks teeth.',
  handsOnMinutes: 5,
  checks: [
    look('teeth-whole', 'Teeth whole', 'Count the teeth and look at every edge.', 'All whole', {
      'A tooth broke': adjust('Dry-fit the piece, then set it with thin adhesive. Note which tooth.'),
      'Surface soft or chalky': remake(
        'disinfect-impression',
        'The stone did not set hard: it is poured again from a new impression.',
        'The stone did not set hard, and the impression is used up. Please take a new one.',
      ),
    }),
  ],
  uses: ['blade', 'adhesive'],
}

/** One stone cast with a trimmed base, from an alginate impression (trade: common practice throughout). */
export const studyCast: RouteTemplate = {
  id: 'study-cast',
  version: 7,
  name: 'Study cast',
  usualDays: 2,
  noDevice: true,
  pictures: castPictures,
  matters: [
    oneArch,
    {
      id: 'stone',
      name: 'Stone of the teeth',
      choices: [
        { id: 'type-3', name: 'Type 3, dental stone' },
        { id: 'type-4', name: 'Type 4, high strength' },
      ],
      usual: 'type-3',
      why: 'Type 3 is hard enough to look at and to measure; type 4 where it is worked on or kept for years.',
    },
    baseMatter,
    mixingMatter,
    {
      id: 'impression-off',
      name: 'Impression comes off',
      choices: [
        { id: 'before-base', name: 'Before the base is poured' },
        { id: 'after-base', name: 'After the base has set' },
      ],
      usual: 'before-base',
      why: 'Off at once nothing dries on the cast; left on it shields the teeth.',
    },
  ],
  steps: [
    readAuthorisation,
    {
      id: 'disinfect-impression',
      name: 'Disinfect the impression',
      stage: 'receive',
      kind: 'attended',
      how: [
        'Rinse off saliva and blood.',
        'Disinfect for the contact time on the label.',
        'Rinse, shake off the water.',
      ],
      means: 'arrivalDisinfected',
      why: 'It comes from a mouth. The record shows who did it.',
      handsOnMinutes: 5,
      uses: ['mouth', 'disinfectant'],
    },
    {
      id: 'inspect-impression',
      name: 'Inspect the impression',
      stage: 'receive',
      kind: 'attended',
      how: [
        'Hold it to the light and turn it.',
        'Look for the tray showing through, tears, missing parts, separation.',
      ],
      why: 'A fault found now costs a new impression; later it costs the case.',
      handsOnMinutes: 2,
      checks: [
        look(
          'impression-whole',
          'Impression whole',
          'Full vestibule, nothing missing, no tears, no tray showing, not loose from the tray.',
          'Whole',
          {
            'Tray shows through': askDentist(
              'The tray shows through the impression. Please send a new impression.',
            ),
            'Torn or part missing': askDentist(
              'The impression is torn or incomplete. Please send a new impression.',
            ),
            'Loose from the tray': askDentist(
              'The impression has come away from the tray. Please send a new impression.',
            ),
          },
        ),
      ],
      uses: ['mouth'],
    },
    {
      id: 'wrap',
      name: 'Damp wrap',
      stage: 'receive',
      kind: 'attended',
      how: ['Lay it in a damp wrap if it is not poured at once.'],
      why: 'Alginate loses water in air and takes it up under water: both change its shape.',
      handsOnMinutes: 1,
      mayBeSkipped: 'It is poured at once.',
    },
    {
      id: 'pour-anatomy',
      plan: { takes: [{ station: 'mixer' }] },
      name: 'Pour the teeth',
      stage: 'pour',
      picture: shows('cast', ['impression'], ['stone']),
      kind: 'attended',
      how: [
        'Cover the vibrator. Weigh the powder, measure the water, water first.',
        'Feed a little at one heel and let it creep round to the other side.',
        'When the teeth are full, add the bulk without vibration.',
      ],
      howWhen: mixedSo,
      why: 'Fed from one side, the stone drives the air ahead of it.',
      handsOnMinutes: 10,
      pours: pours({ id: 'impression', name: 'Impression', usual: 'alginate' }),
      amounts: [
        { ...arch, materialId: 'dental-stone', when: { stone: ['type-3'] } },
        { ...arch, materialId: 'high-strength-stone', when: { stone: ['type-4'] } },
      ],
      uses: ['gypsum'],
    },
    {
      id: 'build-up',
      plan: { takes: [{ station: 'mixer' }] },
      name: 'Build the base up at once',
      stage: 'pour',
      picture: shows('cast', ['impression', 'stone', 'base']),
      kind: 'attended',
      when: { base: ['one-pour'] },
      how: ['Put on the base while the stone is plastic.', 'Shape the sides with the spatula.'],
      why: 'One pour leaves no joint between teeth and base.',
      handsOnMinutes: 5,
    },
    {
      id: 'retention',
      name: 'Retention cones',
      stage: 'pour',
      picture: shows('cast', ['impression', 'stone'], ['cones']),
      kind: 'attended',
      when: { base: ['two-pour'] },
      how: ['Leave small cones standing on top.'],
      why: 'They hold the base that is poured later.',
      handsOnMinutes: 1,
    },
    {
      id: 'set',
      name: 'Stone sets',
      stage: 'pour',
      kind: 'unattended',
      how: ['Leave it, tray down, until the heat has gone.'],
      why: 'It is warm while it sets, and weak while it is warm.',
      handsOnMinutes: 0,
      waitMinutes: 45,
      wait: {
        ofMix: { stepId: 'pour-anatomy', pace: 'separate' },
        earliestMinutes: 45,
        bestMinutes: 90,
        latestMinutes: 240,
        early: SET_SHORT,
        late: SET_LONG,
        source: COMMON_PRACTICE,
      },
      checks: [
        look('heat-gone', 'Heat gone', 'Feel the base with the back of a finger.', 'Cool', {
          'Still warm': adjust('Leave it until it is cool.'),
        }),
      ],
    },
    { ...separate, when: { 'impression-off': ['before-base'] } },
    ...basePours,
    {
      ...separate,
      id: 'separate-late',
      when: { 'impression-off': ['after-base'] },
      startWindow: {
        afterStepId: 'set',
        bestMinutes: 120,
        latestMinutes: 240,
        late: SET_LONG,
        source: 'common practice: do not leave alginate to dry on the cast for hours',
      },
    },
    {
      id: 'trim',
      plan: { takes: [{ station: 'trimmer' }] },
      name: 'Trim base and back',
      stage: 'trim',
      kind: 'attended',
      how: ['Two hands, light pressure.', 'Base level first, then the back at 90° to it, then the sides.'],
      why: 'Every later angle is taken from the base.',
      handsOnMinutes: 10,
      checks: [
        {
          id: 'back-angle',
          name: 'Back to base',
          how: 'Set a square on the plate against the back.',
          kind: 'measure',
          quantity: 'degrees',
          min: 89,
          max: 91,
          below: adjust('Take a little off the top of the back.'),
          above: adjust('Take a little off the foot of the back.'),
          plausible: { min: 45, max: 135 },
          source: 'common practice: 90°; tolerance 1° our choice',
        },
      ],
      uses: ['trimmer', 'gypsum'],
    },
    {
      id: 'fill',
      name: 'Fill holes, take off blebs',
      stage: 'trim',
      kind: 'attended',
      how: [
        'Fill holes with a little stone.',
        'Take positive blebs off the teeth with a hand instrument.',
        'Look again: trimming opens more.',
      ],
      why: 'A hole in the base is a blemish; a bleb on a tooth is a wrong tooth.',
      handsOnMinutes: 10,
      checks: [
        look('no-holes', 'Holes and blebs', 'Turn it in side light.', 'None left', {
          'A hole is open': adjust('Wet it, fill it with a little stone, smooth it, look again.'),
          'A bleb on a tooth': adjust('Take it off with a hand instrument, not the wheel.'),
        }),
      ],
    },
    {
      id: 'sand',
      name: 'Sand under water',
      stage: 'trim',
      kind: 'attended',
      how: ['Wet-and-dry paper, under water, the cut faces only.'],
      why: 'Scratches from the wheel show; the anatomy must not be touched.',
      handsOnMinutes: 5,
      checks: [
        look('surface', 'Surface', 'Run a finger over the cut faces.', 'Smooth', {
          'Wheel marks': adjust('Sand on with a finer paper.'),
          'New hole opened': goBack('fill', 'Fill it and sand again.'),
        }),
      ],
    },
    {
      id: 'final-check',
      name: 'Last look',
      stage: 'check',
      kind: 'attended',
      how: ['Land area present all round.', 'No blebs, no holes, smooth.', 'Teeth and docket agree.'],
      why: 'It is the last moment at which a fault costs minutes.',
      handsOnMinutes: 3,
      checks: [
        look(
          'land',
          'Land area',
          'Look from above: a rim of stone outside the vestibule.',
          'Present all round',
          {
            'Trimmed into the vestibule': remake(
              'disinfect-impression',
              'Anatomy is cut away: a new cast is needed.',
            ),
          },
        ),
      ],
    },
    {
      id: 'label',
      name: 'Label and papers',
      stage: 'document',
      kind: 'attended',
      how: ['Patient code and date on the back.', 'Print the record. Enclosures into the bag.'],
      why: 'A cast without a name belongs to nobody.',
      handsOnMinutes: 3,
    },
    {
      id: 'deliver',
      name: 'Disinfect, wrap, hand over',
      stage: 'deliver',
      kind: 'attended',
      how: ['Disinfect the surface.', 'Wrap it so that no tooth touches anything.'],
      why: 'Nothing leaves the lab that could carry infection or that is not on the note.',
      handsOnMinutes: 5,
      sheets: [enclosuresBack],
      uses: ['disinfectant'],
    },
  ],
}
