import {
  agentNames,
  disinfectantFaults,
  disinfectingAgents,
  LONGEST_CONTACT_MINUTES,
} from '../../materials/index.ts'
import { qty, saying } from '../../quantity/index.ts'
import { DomainError } from '../../refusal/index.ts'
import { choice, figure, record, text, yesNo } from '../../shape/index.ts'
import { sheetKind } from '../sheet-kind.ts'

/** With what a work was disinfected, and how long its label wants it wet. The clock of the step counts from this entry. */
export const disinfectionSheet = sheetKind({
  kind: 'disinfection',
  data: record({
    product: text(120, { least: 0, example: 'Surface disinfectant' }),
    agent: choice(disinfectingAgents),
    contactMinutes: figure(-1e6, 1e6, { example: 5, description: 'Of its label, min' }),
  }),
  wants: record({ resin: yesNo(), metal: yesNo() }),
  check: ({ product, contactMinutes }) => {
    if (product.trim() === '')
      throw new DomainError(
        'words-missing',
        'The disinfectant has no name.',
        'Enter what its label calls it.',
        'product',
      )
    if (!(contactMinutes > 0 && contactMinutes <= LONGEST_CONTACT_MINUTES))
      throw new DomainError(
        'contact-not-plausible',
        saying`A contact time of ${qty.minutes(contactMinutes)} cannot be right.`,
        saying`Enter what the label says: above 0 and at most ${qty.minutes(LONGEST_CONTACT_MINUTES)}.`,
        'contactMinutes',
      )
  },
  faults: ({ agent, contactMinutes }, of) => disinfectantFaults(agent, contactMinutes, of),
  words: ({ product, agent, contactMinutes }) =>
    saying`${product}, ${agentNames[agent].toLowerCase()}, contact ${qty.minutes(contactMinutes)}`,
  good: () => ({ product: 'Surface disinfectant', agent: 'quaternary' as const, contactMinutes: 5 }),
  // Of ceramic it spoils nothing, but so long no label asks for.
  failingExample: ({ resin, metal }) => ({
    product: 'Spirit',
    agent: resin ? ('alcohol' as const) : ('hypochlorite' as const),
    contactMinutes: resin || metal ? 5 : 15,
  }),
  refusedExample: () => ({
    product: 'Surface disinfectant',
    agent: 'quaternary' as const,
    contactMinutes: 0,
  }),
})
