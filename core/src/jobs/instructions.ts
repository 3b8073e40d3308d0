/**
 * What the patient and the clinic are told with each device (common practice): the clinic's own words come first.
 * A template makes no device without them; by its id.
 */
export interface Instructions {
  readonly forPatient: readonly string[]
  readonly forClinic: readonly string[]
}

const dentureCare = [
  'Clean it twice a day over a basin of water, with a soft brush and soap; no tooth paste, it scratches.',
  'Rinse it after meals. No hot water: it warps above about 60 °C.',
  'Out of the mouth it lies in water, never dry; at night out, unless your dentist says otherwise.',
  'Sore places, a loose fit or a crack: see your dentist, do not mend or relieve it yourself.',
  'Have mouth and denture looked at once a year.',
]
const placement = [
  'Kept moist up to placement. Rinse well: it was disinfected.',
  'The fitting surface was not polished: pressure spots are found and relieved at placement.',
  'Contacts were ground in on the articulator; look at them again in the mouth.',
]
const claspCare = [
  'Put it in with the fingers, never by biting on it: clasps bend.',
  'Take it out by the base or both clasps together, never by one alone.',
]
const cemented = [
  'Clean under and beside it every day as your dentist shows you.',
  'Sharp edges, a loose feeling or pain: see your dentist.',
]

const denture: Instructions = { forPatient: dentureCare, forClinic: placement }
const fixed: Instructions = {
  forPatient: cemented,
  forClinic: [
    'Try it in clean and dry; contacts, margin and bite before cementing.',
    "Cementing and the choice of cement are the clinic's.",
  ],
}
const ceramic: Instructions = {
  forPatient: [
    ...cemented,
    'Nothing hard between the teeth: no nuts, ice or nails. At night as your dentist advises, if you grind.',
  ],
  forClinic: [
    'Try it in with a try-in paste; bite only once it is cemented.',
    'Ground after placement it is polished through every stage, or glazed again here: an opened glaze wears its opponent.',
    "Etching, priming and the choice of cement are the clinic's, by the class on the label.",
  ],
}
const trial: Instructions = {
  forPatient: ['It is used by your dentist at your next visit and stays there.'],
  forClinic: [
    'Jig in its pieces and in their order; join them in the mouth as you are used to.',
    'Disinfect it after use; every part counts back.',
  ],
}

export const instructionsOf: Readonly<Record<string, Instructions>> = {
  'complete-denture': denture,
  'immediate-denture': {
    forPatient: [
      'Leave it in for the first day; your dentist takes it out first.',
      ...dentureCare.map((line) =>
        line.startsWith('Out of the mouth') ? 'Out of the mouth it lies in water, never dry.' : line,
      ),
      'The jaw shrinks as it heals: it will be relined or made again.',
    ],
    forClinic: placement,
  },
  'wire-clasp-partial': { forPatient: [...claspCare, ...dentureCare], forClinic: placement },
  'clear-clasp': {
    forPatient: [
      ...claspCare,
      'No hot water and no denture powder with alcohol on the clear clasp: it turns cloudy.',
      ...dentureCare,
    ],
    forClinic: placement,
  },
  'milled-ceramic': ceramic,
  'green-zirconia': ceramic,
  'cast-crown': fixed,
  'cast-bridge': fixed,
  'cast-posts': fixed,
  'implant-verification': trial,
}
