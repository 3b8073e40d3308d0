import { alloyCards } from '../casting/index.ts'
import type { Matter } from '../route/index.ts'

/** What is decided of a casting, by the order or by the lab (common practice). */

/** After burnout the pattern is gone: what went wrong begins again with its wax. */
export const PATTERN = 'green-wax'

export const castHere: Matter = {
  id: 'casting',
  name: 'Casting',
  choices: [
    { id: 'here', name: 'Cast here' },
    { id: 'elsewhere', name: 'Pattern only' },
  ],
  usual: 'here',
  why: 'As ordered.',
  prescribed: true,
}

export const investmentMatter: Matter = {
  id: 'investment',
  name: 'Investment',
  choices: [
    { id: 'gypsum', name: 'Gypsum-bonded', when: { metal: ['open', 'gold'], kind: ['full'] } },
    { id: 'phosphate', name: 'Phosphate-bonded' },
  ],
  usual: 'phosphate',
  why: 'Gypsum-bonded for low-fusing gold only; phosphate-bonded for all else.',
}

export const kindMatter: Matter = {
  id: 'kind',
  name: 'Kind',
  choices: [
    { id: 'full', name: 'All metal' },
    { id: 'ceramic', name: 'Metal for ceramic' },
  ],
  usual: 'full',
  why: 'As ordered.',
  prescribed: true,
}
export const full = { kind: ['full'] }
export const forCeramic = { kind: ['ceramic'] }

/** Metal under ceramic, mm. */
export const coping = { min: 0.3, max: 0.5 } as const
export const COPING_SOURCE = 'common practice: 0.3 to 0.5 mm'

/** What an order may name as the metal, and which alloys that allows. */
const metals = {
  open: { name: 'Not named', alloy: /./ },
  gold: { name: 'Gold', alloy: /^gold/ },
  palladium: { name: 'Palladium', alloy: /^palladium/ },
  'nickel-chromium': { name: 'Nickel-chromium', alloy: /^nickel/ },
  'cobalt-chromium': { name: 'Cobalt-chromium', alloy: /^cobalt/ },
} as const
export type Metal = keyof typeof metals
export const metalIds = Object.keys(metals) as readonly Metal[]

export const metalMatter: Matter = {
  id: 'metal',
  name: 'Metal',
  choices: metalIds.map((id) => ({ id, name: metals[id].name })),
  usual: 'open',
  why: 'As ordered; what is melted is held against it.',
  prescribed: true,
}

/** The alloys that an order allows: of those that carry ceramic where it wants that. */
export const alloysOf = (metal: Metal, kind: 'full' | 'ceramic') =>
  alloyCards.filter(
    ({ id, takesCeramic }) => metals[metal].alloy.test(id) && (takesCeramic || kind === 'full'),
  )
