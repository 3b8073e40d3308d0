import { type CeramicClass, ceramicClasses, ceramicFigures } from './ceramic-class.ts'
import type { MaterialCard } from './material-card.ts'

/** The card of a block or a blank of a class. */
export const blockOf = (ceramic: CeramicClass): string => `block-${ceramic}`

const piece = { family: 'ceramic', powderName: 'block', liquidName: '', worn: true } as const
const aid = { family: 'aid', powderName: 'pack', liquidName: '' } as const

/** Blocks by their class, stains, glaze and what goes with them (common practice). */
export const ceramicCards: readonly MaterialCard[] = [
  {
    ...piece,
    id: 'ceramic-block',
    name: 'Ceramic block',
    notes: ['The class on its label decides steps, limits and programs.'],
  },
  ...ceramicClasses.map(
    (ceramic): MaterialCard => ({
      ...piece,
      id: blockOf(ceramic),
      name: `${ceramicFigures[ceramic].zirconia ? 'Blank' : 'Block'}, ${ceramicFigures[ceramic].name.replace(/^./, (letter) => letter.toLowerCase())}`,
      kindOf: 'ceramic-block',
      ceramic,
      notes: ceramicFigures[ceramic].zirconia
        ? ['The enlargement factor on its label is of its own lot.', 'Dry only while it is green.']
        : ceramicFigures[ceramic].fires
          ? ['Write its lot into the record.']
          : ['Never into a furnace: polished, or glazed by light.'],
    }),
  ),
  {
    ...piece,
    id: 'ceramic-stain',
    name: 'Ceramic stain',
    powderName: 'pot',
    stain: true,
    notes: ['Mixed fresh each day.', 'Calibrate each pot by two drawdowns; a new lot is another pot.'],
  },
  {
    ...piece,
    id: 'ceramic-glaze',
    name: 'Ceramic glaze',
    powderName: 'pot',
    notes: ['Like thin honey: too thin it pools, too thick it streaks.'],
  },
  {
    ...aid,
    id: 'infiltration-liquid',
    name: 'Infiltration liquid',
    notes: ['Before sintering; longer to dry. A lustred surface takes none up.'],
  },
  {
    ...aid,
    id: 'firing-support',
    name: 'Firing support',
    notes: ['Half to two thirds full; none on the outside: it fires on.'],
  },
]
