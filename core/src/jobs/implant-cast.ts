import { COMMON_PRACTICE } from '../materials/index.ts'
import type { TemplateStep } from '../route/index.ts'
import { adjust, askDentist, look, pass, remake } from './checks.ts'
import { disinfectArrival, readAuthorisation } from './door.ts'
import { countCheck, implantParts } from './implant-counts.ts'
import { basePours, leftForBase, mixedSo } from './pour-steps.ts'

/** From the parts that came to the trimmed implant cast. */
export const implantCast: readonly TemplateStep[] = [
  readAuthorisation,
  {
    id: 'parts-in',
    name: 'Count the parts in',
    stage: 'receive',
    kind: 'attended',
    how: ['Count copings, screws and replicas onto a tray of their own.', 'Write down what else came.'],
    why: 'All copings and screws must go back. One that rolls away now is missed in the mouth.',
    handsOnMinutes: 3,
    sheets: implantParts({
      id: 'parts-list',
      name: 'Parts list',
      withEnclosures: true,
      how: 'Enter each kind of part and how many there are; as many copings and screws as implants.',
      failing: askDentist('Copings or screws do not agree with the number of implants. How many were sent?'),
    }),
  },
  disinfectArrival('Impression and all parts.'),
  {
    id: 'inspect-impression',
    name: 'Inspect the impression',
    stage: 'receive',
    kind: 'attended',
    how: ['Silicone tight round every coping, no tear, full vestibule.', 'No coping may turn or rock.'],
    why: 'A coping that moves in the impression makes a cast that nothing fits.',
    handsOnMinutes: 3,
    checks: [
      look(
        'impression-whole',
        'Impression whole',
        'Hold it to the light; try each coping with a finger.',
        'Whole, copings firm',
        {
          'A coping moves': askDentist('A coping moves in the impression. Please take a new impression.'),
          'Torn or part missing': askDentist(
            'The impression is torn or incomplete. Please send a new impression.',
          ),
        },
      ),
    ],
    uses: ['mouth'],
  },
  {
    id: 'seat-replicas',
    name: 'Seat the replicas',
    stage: 'pour',
    kind: 'attended',
    how: [
      'One replica on each coping, metal to metal.',
      'Hold the replica still and turn the screw: never twist the coping in the impression.',
      'Tighten each screw finger-tight, against your own fingers.',
    ],
    why: 'A replica that is not home stands high in the cast.',
    handsOnMinutes: 8,
    checks: [
      ...countCheck('replicas', 'Replicas seated', 'Count them.', 'Count again; every implant has one.'),
      look('replicas-home', 'Home', 'A lens round every joint: no gap.', 'No gap at any', {
        'A gap': adjust('Loosen that screw, clean the faces, seat it again.'),
      }),
      look(
        'torque-by-feel',
        'Screws, by feel',
        'Try each once more with the fingers only.',
        'All finger-tight',
        {
          'One turns': adjust('Hold its replica and tighten it.'),
          'A coping has turned': askDentist(
            'A coping turned in the impression. Please take a new impression.',
          ),
        },
      ),
    ],
  },
  {
    id: 'tissue-silicone',
    name: 'Soft tissue round the joints',
    stage: 'pour',
    kind: 'attended',
    how: [
      'Separator on the impression where it meets silicone.',
      'Generous round every joint, below the top of the replicas.',
    ],
    why: 'It comes off later, so that the seat of every part can be seen.',
    handsOnMinutes: 4,
    amounts: [
      {
        id: 'tissue',
        kind: 'parts',
        materialId: 'tissue-silicone',
        powderParts: 1,
        note: 'equal parts, or from the cartridge',
        source: COMMON_PRACTICE,
      },
    ],
  },
  {
    id: 'tissue-sets',
    name: 'Soft tissue sets',
    stage: 'pour',
    kind: 'unattended',
    how: ['Leave it alone.'],
    why: 'Stone on soft silicone pushes it off the joints.',
    handsOnMinutes: 0,
    waitMinutes: 6,
    wait: {
      ofMix: { stepId: 'tissue-silicone', pace: 'set' },
      earliestMinutes: 5,
      bestMinutes: 15,
      early: 'Still soft: the stone displaces it.',
      late: 'Set long since: go on.',
      source: 'common practice: 5-6 min',
    },
  },
  {
    id: 'wetting-agent',
    name: 'Wetting agent',
    stage: 'pour',
    kind: 'unattended',
    how: ['Spray.', 'After about 2 min blow it dry so that none pools.'],
    why: 'Silicone repels water: without it the stone bridges fine detail.',
    handsOnMinutes: 1,
    waitMinutes: 2,
    wait: {
      earliestMinutes: 2,
      bestMinutes: 10,
      early: 'The film has not wetted yet.',
      late: 'Dried up: spray again.',
      source: 'common practice: about 2 min',
    },
  },
  {
    id: 'pour-cast',
    plan: { takes: [{ station: 'mixer' }] },
    name: 'Pour the implant cast',
    stage: 'pour',
    kind: 'attended',
    how: [
      'Weigh, measure, mix.',
      'Vibrate in from one side, round every replica.',
      'Bulk on without vibration.',
    ],
    howWhen: [...mixedSo!, ...leftForBase!],
    why: 'Air under a replica lets it move in the cast.',
    handsOnMinutes: 12,
    amounts: [
      {
        id: 'implant-stone',
        kind: 'mix',
        materialId: 'high-strength-stone',
        powderGrams: 150,
        source: 'common practice: one arch 100-150 g, by weight',
      },
    ],
    uses: ['gypsum'],
  },
  {
    id: 'cast-sets',
    name: 'Stone sets',
    stage: 'pour',
    kind: 'unattended',
    how: ['Leave it until the heat has gone.'],
    why: 'Stone must be set before a screw is turned in it.',
    handsOnMinutes: 0,
    waitMinutes: 45,
    wait: {
      ofMix: { stepId: 'pour-cast', pace: 'separate' },
      earliestMinutes: 45,
      bestMinutes: 240,
      early: 'Weak stone lets go of a replica.',
      late: 'Hard long since: go on.',
      source: COMMON_PRACTICE,
    },
  },
  ...basePours,
  {
    id: 'screws-out',
    name: 'All screws fully out',
    stage: 'pour',
    kind: 'attended',
    how: ['Turn every screw fully out and lay it on the tray of parts.'],
    why: 'One that still holds pulls its replica out of the stone.',
    handsOnMinutes: 4,
    checks: countCheck(
      'screws-out',
      'Screws out',
      'Count them on the tray.',
      'Find the one that still holds before you pry.',
    ),
  },
  {
    id: 'separate',
    name: 'Separate step by step',
    stage: 'pour',
    kind: 'attended',
    how: ['Pry a little all round, then again.', 'Never from one side.'],
    why: 'A one-sided pull breaks teeth and turns replicas.',
    handsOnMinutes: 5,
    checks: [
      {
        ...look('teeth-whole', 'Teeth', 'Count the stone teeth and look at every edge.', 'All whole', {}),
        answers: [
          { answer: 'All whole', outcome: pass },
          { answer: 'A tooth broke, the piece is kept', outcome: pass },
          {
            answer: 'A piece is lost',
            outcome: askDentist(
              'A stone tooth broke and the piece is lost. Please send a new impression, or say go on.',
            ),
          },
        ],
      },
      look('replicas-firm', 'Replicas', 'Try each with a finger.', 'None moves', {
        'One moves': remake(
          'inspect-impression',
          'The cast cannot be trusted: pour again if the impression allows.',
        ),
      }),
    ],
    uses: ['blade'],
  },
  {
    id: 'mend-tooth',
    name: 'Mend a broken stone tooth',
    stage: 'trim',
    kind: 'attended',
    how: [
      'Dry-fit the piece until it goes home.',
      'A drop of thin adhesive, hold it, wipe off what comes out.',
      'Look along the arch: no step.',
    ],
    why: 'Adhesive takes up room: a thick film lifts the tooth.',
    handsOnMinutes: 4,
    mayBeSkipped: 'No stone tooth broke.',
    amounts: [
      {
        id: 'adhesive',
        kind: 'use',
        materialId: 'cyanoacrylate',
        count: 1,
        unit: 'drop',
        source: COMMON_PRACTICE,
      },
    ],
    checks: [
      look('tooth-home', 'Mended tooth', 'A lens on the joint.', 'Home, no step', {
        'A step or a gap': adjust('Soften the adhesive, clean both faces, fit it again.'),
      }),
    ],
    uses: ['adhesive'],
  },
  {
    id: 'tissue-trim',
    name: 'Trim the soft tissue',
    stage: 'trim',
    kind: 'attended',
    how: ['Cut flash off with a sharp blade.', 'Out and in again until it seats by itself.'],
    why: 'It must come out and go back without pushing anything.',
    handsOnMinutes: 5,
    checks: [
      look('tissue-passive', 'Soft tissue', 'Lay it in without pressing.', 'Seats passively', {
        'It springs or stands up': adjust('Look for flash on its underside and cut it off.'),
      }),
    ],
    uses: ['blade'],
  },
  {
    id: 'trim-base',
    plan: { takes: [{ station: 'trimmer' }] },
    name: 'Trim the base',
    stage: 'trim',
    kind: 'attended',
    how: ['Base level, sides to the land; clear of every replica.'],
    why: 'A replica that shows in the base has lost its hold.',
    handsOnMinutes: 6,
    checks: [
      look('base-clear', 'Base', 'Look at the underside.', 'Level, no replica shows', {
        'A replica shows': remake('inspect-impression', 'It has lost its hold: pour a new cast.'),
      }),
    ],
    uses: ['trimmer', 'gypsum'],
  },
]
