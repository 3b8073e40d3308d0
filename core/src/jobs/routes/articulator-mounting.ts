import type { RouteTemplate } from '../../route/index.ts'
import { adjust, askDentist, look } from '../checks.ts'
import { disinfectArrival, handOver, papersAndLabel, readAuthorisation } from '../door.ts'
import { mountingSteps } from '../mounting-steps.ts'
import { castPictures } from '../pictures.ts'

/** Master casts and a record, mounted on an average-value or hinge articulator (common practice throughout). */
export const articulatorMounting: RouteTemplate = {
  id: 'articulator-mounting',
  version: 5,
  name: 'Articulator mounting',
  usualDays: 2,
  noDevice: true,
  pictures: castPictures,
  matters: [
    {
      id: 'transfer',
      name: 'Upper cast placed by',
      choices: [
        { id: 'table', name: 'The occlusal table' },
        { id: 'facebow', name: 'A facebow' },
      ],
      usual: 'table',
      why: 'As prescribed: a facebow where one was taken.',
      prescribed: true,
    },
  ],
  steps: [
    readAuthorisation,
    disinfectArrival('Casts, bite record, facebow fork.'),
    {
      id: 'inspect-casts',
      name: 'Inspect casts and record',
      stage: 'receive',
      kind: 'attended',
      how: ['Blebs off the chewing faces.', 'Seat both casts in the record.'],
      why: 'What stands between cast and record opens the bite.',
      handsOnMinutes: 5,
      checks: [
        look('casts-sound', 'Casts', 'Side light, every chewing face.', 'Sound', {
          'A bleb': adjust('Take it off with a hand instrument.'),
          'A break': askDentist('A cast is broken. Please send a new one, or say go on.'),
        }),
        look('record-fits', 'Record', 'Both casts in it, no rock.', 'Seats fully', {
          'It rocks': askDentist('The bite record does not fit the casts. Please send a new one.'),
        }),
      ],
      uses: ['mouth'],
    },
    ...mountingSteps.map((step) =>
      step.id === 'mount-upper'
        ? {
            ...step,
            howWhen: [
              {
                when: { transfer: ['table'] },
                say: 'The upper cast stands on the occlusal table meanwhile.',
              },
              {
                when: { transfer: ['facebow'] },
                say: 'The upper cast hangs in the fork; prop it, so that it does not sag.',
              },
            ],
          }
        : step,
    ),
    papersAndLabel,
    handOver({ how: ['Dust off, casts taped to their plates.', 'Record and fork back with it.'] }),
  ],
}
