import { COMMON_PRACTICE } from '../../materials/index.ts'
import type { RouteTemplate, TemplateStep } from '../../route/index.ts'
import type { StepSheet } from '../../sheet/index.ts'
import { adjust, askDentist, goBack, look, remake } from '../checks.ts'
import { disinfectArrival, handOver, papersAndLabel, readAuthorisation } from '../door.ts'
import { onePicture, shows } from '../pictures.ts'
import { studyModelFinish } from '../study-model-finish.ts'

const trimming = {
  stage: 'trim',
  plan: { takes: [{ station: 'trimmer' }] },
  kind: 'attended',
  uses: ['trimmer', 'gypsum'],
} as const satisfies Partial<TemplateStep>

/** The plan; read again where a base was added to. */
const of = { stepId: 'measure', sheetId: 'trim-plan', laterIn: 'measure-again' } as const
const cutsOf = (arch: 'upper' | 'lower', ...cuts: string[]) => ({ plannedCuts: { of, arch, cuts } })

const squareBack = (id: string) => ({
  id,
  name: 'Back to base',
  how: 'Set a square on the plate against the back.',
  kind: 'measure' as const,
  quantity: 'degrees' as const,
  min: 89.5,
  max: 90.5,
  below: adjust('Take a little off the top of the back.'),
  above: adjust('Take a little off the foot of the back.'),
  plausible: { min: 45, max: 135 },
  source: 'common practice: 90°; tolerance 0.5° our choice',
})

const trimPlan: StepSheet = {
  id: 'trim-plan',
  kind: 'trimPlan',
  name: 'Trim plan',
  how: 'Open the trim planner and store the plan.',
  source: 'geometry: docs/trimming.md; ranges common practice',
  failing: { verdict: 'adjust', say: 'Mark the landmarks again.' },
}

/** A matched, symmetric, labelled pair of orthodontic study models (common practice throughout). */
export const studyModelPair: RouteTemplate = {
  id: 'study-model-pair',
  version: 6,
  name: 'Study models, pair',
  usualDays: 7,
  noDevice: true,
  pictures: onePicture(shows('pair')),
  matters: [
    {
      id: 'soap',
      name: 'Soap soak and buff',
      choices: [
        { id: 'no', name: 'Left plain' },
        { id: 'yes', name: 'Soaked in soap and buffed' },
      ],
      usual: 'no',
      why: 'A soak gives a sheen; some keep the faces plain.',
    },
    {
      id: 'casts',
      name: 'Casts as they come',
      choices: [
        { id: 'dry', name: 'Dry: wet them first' },
        { id: 'fresh', name: 'Fresh from the impression' },
      ],
      usual: 'dry',
      why: 'A dry model burns and chips on the wheel.',
    },
  ],
  steps: [
    readAuthorisation,
    disinfectArrival('Both casts and the wax bite.'),
    {
      id: 'inspect-casts',
      name: 'Inspect casts and bite',
      stage: 'receive',
      kind: 'attended',
      how: [
        'Set the casts together in the wax bite.',
        'Look for broken teeth, holes, blebs that hold the bite open.',
      ],
      why: 'A pair that does not close in its bite is trimmed to the wrong bite.',
      handsOnMinutes: 5,
      checks: [
        look('casts-whole', 'Casts', 'Turn both in side light.', 'Whole', {
          'A bleb on a tooth': adjust('Take it off with a hand instrument.'),
          'A tooth is broken': askDentist(
            'A tooth of a cast is broken. Please send a new impression, or say go on.',
          ),
        }),
        look('bite-fits', 'Wax bite', 'Close both casts into it.', 'Both seat fully', {
          'One rocks or stays open': askDentist(
            'The wax bite does not fit the casts. Please send a new bite.',
          ),
        }),
      ],
      uses: ['mouth'],
    },
    {
      id: 'measure',
      name: 'Measure and plan the cuts',
      stage: 'trim',
      instrument: { opens: 'trim' },
      kind: 'attended',
      how: [
        'Pencil the mid-palatal suture, the canine centres, the deepest line of the vestibule.',
        'Read the height of each base at three places or more, teeth down on the plate.',
        'Enter them, or mark them on a picture: the plan gives every cut.',
      ],
      why: 'Every angle is computed from the better side and copied to the other, and no cut goes into the vestibule.',
      handsOnMinutes: 15,
      sheets: [trimPlan],
    },
    {
      id: 'rebase',
      plan: { takes: [{ station: 'mixer' }] },
      name: 'Rebase what is too thin',
      stage: 'pour',
      kind: 'attended',
      how: [
        'Score and wet the base.',
        'Add at least what the plan says.',
        'Let it set 45 min before trimming.',
      ],
      why: 'What is not there cannot be trimmed to height.',
      handsOnMinutes: 10,
      waitMinutes: 45,
      mayBeSkipped: 'Neither base is too thin.',
      skippedOnly: { where: 'noRebase', planOf: of },
      wait: {
        ofMix: { stepId: 'rebase', pace: 'separate' },
        earliestMinutes: 45,
        bestMinutes: 180,
        early: 'The trimmer tears a base that is still soft.',
        late: 'It gets hard to trim: wet it 5-15 min first.',
        source: COMMON_PRACTICE,
      },
      amounts: [
        {
          id: 'rebase-stone',
          kind: 'mix',
          materialId: 'dental-stone',
          powderGrams: 80,
          note: 'by the millimetres to add',
          source: COMMON_PRACTICE,
        },
      ],
      uses: ['gypsum'],
    },
    {
      id: 'measure-again',
      name: 'Read the bases again',
      stage: 'trim',
      instrument: { opens: 'trim' },
      kind: 'attended',
      how: [
        'Read the height of each base that was added to, at three places or more.',
        'Enter them in the plan: what is to come off follows from them.',
      ],
      why: 'The plan knows the base as it was before.',
      handsOnMinutes: 5,
      mayBeSkipped: 'No base was added to.',
      skippedOnly: { where: 'leftOut', stepId: 'rebase' },
      sheets: [trimPlan],
    },
    {
      id: 'soak',
      name: 'Wet the models',
      stage: 'trim',
      kind: 'unattended',
      when: { casts: ['dry'] },
      how: ['Bases in water, teeth dry.'],
      why: 'A wet base cuts cleanly and spares the wheel.',
      handsOnMinutes: 1,
      waitMinutes: 5,
      wait: {
        earliestMinutes: 5,
        bestMinutes: 15,
        early: 'Still dry inside: it chips.',
        late: 'Soaked long, the surface softens: dry it off.',
        source: 'common practice: 5-15 min',
      },
    },
    {
      ...trimming,
      plannedCuts: { of, arch: 'upper', cuts: [], base: true },
      id: 'upper-base',
      name: 'Upper base',
      how: [
        'Teeth down on the felt; take off by the heights of the plan.',
        'Leave about 1 mm on the first pass.',
      ],
      why: 'Everything else stands square to it. You cannot put back.',
      handsOnMinutes: 6,
      checks: [
        {
          id: 'base-tilt',
          means: 'baseTilt',
          name: 'Base to the occlusal plane',
          how: 'Stand it on its teeth; read the height in front and at both heels.',
          kind: 'measure',
          quantity: 'degrees',
          min: 0,
          max: 5,
          above: adjust('Take more off where it stands high.'),
          below: adjust('Read it again: an angle is never below 0.'),
          plausible: { min: 0, max: 30 },
          source: 'common practice: parallel within 0-5°',
        },
      ],
    },
    {
      ...trimming,
      ...cutsOf('upper', 'back'),
      id: 'upper-back',
      name: 'Upper back',
      how: ['Square to the midline, just clear of the hamular notches.', 'Table at 0°.'],
      why: 'Every table angle is taken from the back.',
      handsOnMinutes: 4,
      checks: [squareBack('upper-back-square')],
    },
    {
      ...trimming,
      ...cutsOf('upper', 'right side', 'left side'),
      id: 'upper-sides',
      name: 'Upper sides',
      how: [
        'The better side first, at the angle of the plan; then the same angle on the other.',
        'Stop at the depth of the plan.',
      ],
      why: 'The better side sets the angle; copied, the base is symmetric.',
      handsOnMinutes: 6,
      checks: [
        look('upper-vestibule', 'Vestibule', 'Look along both sides from above.', 'Whole all round', {
          'Cut into the vestibule': remake(
            'inspect-casts',
            'Anatomy is cut away: it begins again with a new cast.',
            'Anatomy of a cast was cut away. Please send a new cast or impression.',
          ),
        }),
      ],
    },
    {
      ...trimming,
      ...cutsOf('upper', 'right front', 'left front'),
      id: 'upper-front',
      name: 'Upper front, two planes',
      how: [
        'Both planes meet on the midline; corners at the canine centres.',
        'Only to the depth of the vestibule.',
      ],
      why: 'The two planes follow the arch and show the midline.',
      handsOnMinutes: 5,
    },
    {
      ...trimming,
      ...cutsOf('upper', 'right heel', 'left heel'),
      id: 'upper-heels',
      name: 'Upper heels',
      how: ['Square to the bisector of side and back, both of one length.'],
      why: 'The lower heels are made parallel to them.',
      handsOnMinutes: 4,
    },
    {
      ...trimming,
      ...cutsOf('lower', 'back'),
      id: 'lower-back',
      name: 'Lower back, flush in the bite',
      how: ['Close both in the wax bite, upper down.', 'Trim the lower back flush with the upper one.'],
      why: 'Standing on their backs the pair then shows the bite.',
      handsOnMinutes: 5,
      checks: [
        look(
          'bite-kept',
          'In the bite',
          'Look between the teeth while they are held together.',
          'Closed all the time',
          {
            'It moved': goBack('lower-back', 'Seat both again and take the step off.'),
          },
        ),
      ],
    },
    {
      ...trimming,
      plannedCuts: { of, arch: 'lower', cuts: [], base: true },
      id: 'lower-base',
      name: 'Lower base',
      how: ['Square to the back, so that both bases are parallel.', 'Take off by the heights of the plan.'],
      why: 'The total comes to 69.85 mm (2 3/4 in), the occlusal plane near the middle.',
      handsOnMinutes: 6,
      checks: [squareBack('lower-back-square')],
    },
    {
      ...trimming,
      ...cutsOf('lower', 'right side', 'left side', 'front arc', 'right heel', 'left heel'),
      id: 'lower-sides',
      name: 'Lower sides, front and heels',
      how: [
        'Sides from the better side, at the angle of the plan.',
        'The front one curve in line with the six front teeth.',
        'Heels parallel to the upper heels in occlusion.',
      ],
      why: 'In occlusion the heels of both stand in one plane.',
      handsOnMinutes: 12,
      checks: [
        look('lower-vestibule', 'Vestibule', 'Look along both sides from above.', 'Whole all round', {
          'Cut into the vestibule': remake(
            'inspect-casts',
            'Anatomy is cut away: it begins again with a new cast.',
            'Anatomy of a cast was cut away. Please send a new cast or impression.',
          ),
        }),
      ],
    },
    {
      id: 'verify',
      name: 'Check the finished pair',
      stage: 'check',
      instrument: { opens: 'trim' },
      kind: 'attended',
      how: ['Protractor and calipers, line by line.', 'What fails says which cut to touch, and by how much.'],
      why: "A line that fails now is minutes; on the dentist's shelf it stays for years.",
      handsOnMinutes: 10,
      sheets: [
        {
          id: 'finished-pair',
          kind: 'finishedPair',
          name: 'Finished pair',
          how: 'Open the trim planner and enter what you read.',
          planOf: of,
          source: 'tolerances our choice, ranges common practice',
          failing: {
            verdict: 'adjust',
            say: 'Touch the cut again as the sheet says, read it again, or ask the dentist.',
          },
        },
      ],
      checks: [
        look(
          'stands',
          'On their backs',
          'Stand both on their backs, closed.',
          'They stand, teeth in contact',
          {
            'They fall or open': goBack('lower-back', 'Take the step off the backs.'),
          },
        ),
      ],
    },
    ...studyModelFinish,
    papersAndLabel,
    handOver({ how: ['Disinfect the surface.', 'Each wrapped by itself, the wax bite back with them.'] }),
  ],
}
