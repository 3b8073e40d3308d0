import type { TemplateStep } from '../route/index.ts'
import { askDentist, goBack, look } from './checks.ts'
import { readAuthorisation } from './door.ts'
import { mountingSteps } from './mounting-steps.ts'
import { shows } from './pictures.ts'
import { basePours, leftForBase, masterSets, mixedSo, pours, wettingAgent } from './pour-steps.ts'

/** A complete denture from the door to the mounted casts. */
export const dentureToMounting: readonly TemplateStep[] = [
  {
    ...readAuthorisation,
    how: [
      'Compare it with what came in the box.',
      'Teeth, shade, materials, due date, try-in date, enclosures.',
    ],
    handsOnMinutes: 5,
  },
  {
    id: 'disinfect-arrival',
    name: 'Disinfect everything that came',
    stage: 'receive',
    kind: 'attended',
    how: ['Rinse, disinfect for the time on the label, rinse.', 'Impressions, rims, bite records, trays.'],
    means: 'arrivalDisinfected',
    why: 'It comes from a mouth. The record shows who did it.',
    handsOnMinutes: 10,
    uses: ['mouth', 'disinfectant'],
  },
  {
    id: 'inspect-impression',
    name: 'Inspect the final impression',
    stage: 'receive',
    kind: 'attended',
    how: [
      'Look at the borders, the post-dam area, the whole vestibule.',
      'No tear, no bubble on the ridge, not loose from the tray.',
    ],
    why: 'A fault here: stop. It is cheaper than any later remake.',
    handsOnMinutes: 3,
    checks: [
      look(
        'impression-whole',
        'Impression whole',
        'Hold it to the light: tray showing, tears, missing borders, separation.',
        'Whole',
        {
          'Tray shows through': askDentist(
            'The tray shows through the final impression. Please send a new one.',
          ),
          'Torn or part missing': askDentist(
            'The final impression is torn or incomplete. Please send a new one.',
          ),
          'Loose from the tray': askDentist(
            'The impression has come away from the tray. Please send a new one.',
          ),
        },
        { perArch: true },
      ),
    ],
    uses: ['mouth'],
  },
  wettingAgent,
  {
    id: 'pour-master',
    plan: { takes: [{ station: 'mixer' }] },
    name: 'Pour the master cast',
    stage: 'pour',
    picture: shows('cast', ['impression'], ['stone']),
    kind: 'attended',
    how: ['Weigh, measure, mix.', 'Vibrate in from one heel.', 'Keep the land 3-4 mm wide.'],
    howWhen: [...mixedSo!, ...leftForBase!],
    why: 'The denture will fit the cast, so the cast must be the mouth.',
    handsOnMinutes: 15,
    pours: pours(
      { id: 'impression', name: 'Final impression', usual: 'addition-silicone' },
      { id: 'opposing', name: 'Opposing impression', usual: 'alginate', ifGiven: true },
    ),
    amounts: [
      {
        id: 'master-stone',
        kind: 'mix',
        materialId: 'high-strength-stone',
        powderGrams: 150,
        perArch: true,
        source: 'common practice: one arch 100-150 g',
      },
    ],
    uses: ['gypsum'],
  },
  masterSets({
    id: 'master-set',
    name: 'Master cast sets',
    pourStepId: 'pour-master',
    early: 'Pulled early the ridge crumbles.',
  }),
  ...basePours,
  {
    id: 'trim-master',
    plan: { takes: [{ station: 'trimmer' }] },
    name: 'Separate and trim the master cast',
    stage: 'trim',
    kind: 'attended',
    how: ['Free the edge, lift.', 'Base level, land 3-4 mm, vestibule kept whole.'],
    why: 'The land is what the flask pour and the borders rest on.',
    handsOnMinutes: 15,
    checks: [
      look(
        'master-whole',
        'Master cast',
        'Ridge, vestibule, land, post-dam.',
        'Whole',
        {
          'Bubble or break on the ridge': goBack(
            'pour-master',
            'The ridge is not the mouth any more: pour again, if the impression is still sound.',
          ),
        },
        { perArch: true },
      ),
    ],
    uses: ['trimmer', 'gypsum'],
  },
  ...mountingSteps,
]
