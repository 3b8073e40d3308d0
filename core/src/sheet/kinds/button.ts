import { chargeOf } from '../../casting/index.ts'
import { qty, saying } from '../../quantity/index.ts'
import { DomainError } from '../../refusal/index.ts'
import { figure, record } from '../../shape/index.ts'
import { sheetKind, sheetOfShape } from '../sheet-kind.ts'
import { chargeSheet } from './charge.ts'

/** Heavier than this no button is, g (choice). */
const HEAVIEST_BUTTON_GRAMS = 500

/** What is left of the charge, g; 0: scrapped, else it goes back to the shelf. */
export const buttonSheet = sheetKind({
  kind: 'button',
  data: record({ grams: figure(-100_000, 100_000, { example: 5.8, description: '0: scrapped' }) }),
  wants: record({ chargeOf: sheetOfShape }),
  check: ({ grams }) => {
    if (!(grams >= 0 && grams <= HEAVIEST_BUTTON_GRAMS))
      throw new DomainError(
        'reading-not-plausible',
        saying`A button of ${qty.grams(grams)} cannot be right.`,
        'Weigh it; 0 when it is scrapped.',
        'grams',
      )
  },
  faults: ({ grams }, { chargeOf: of }, recorded) => {
    const charge = recorded(of, chargeSheet)
    return charge && grams > chargeOf(charge.pieces).grams
      ? [saying`${qty.grams(grams)} are more than was melted`]
      : []
  },
  heldAgainst: ({ chargeOf: of }) => of,
  words: ({ grams }) => (grams > 0 ? saying`${qty.grams(grams, 2)}` : 'scrapped'),
  good: () => ({ grams: 5.8 }),
  failingExample: () => ({ grams: 400 }),
  refusedExample: () => ({ grams: -1 }),
})
