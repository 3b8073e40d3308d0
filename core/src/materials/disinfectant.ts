/** What works in a disinfectant, as its label says. */
export const disinfectingAgents = ['hypochlorite', 'alcohol', 'peroxide', 'quaternary', 'other'] as const
export type DisinfectingAgent = (typeof disinfectingAgents)[number]
export const agentNames: Readonly<Record<DisinfectingAgent, string>> = {
  hypochlorite: 'Hypochlorite (bleach)',
  alcohol: 'Alcohol',
  peroxide: 'Peroxide or peracetic acid',
  quaternary: 'Quaternary ammonium',
  other: 'Something else',
}

/** Longer, hypochlorite bleaches resin. */
export const HYPOCHLORITE_MOST_MINUTES = 10
/** Nothing on a label asks for more than this (choice). */
export const LONGEST_CONTACT_MINUTES = 120

/** What a work is made of, as far as a disinfectant may spoil it. */
export interface Disinfected {
  readonly resin: boolean
  /** Clasps, a frame, a casting. */
  readonly metal: boolean
}

/**
 * What a disinfectant must not be put on; empty where it suits.
 * @param contactMinutes of its label, min
 * Source: recalled: hypochlorite at most 10 min, not on clasps or frames; no alcohol on resin; the contact time from the product.
 */
export function disinfectantFaults(
  agent: DisinfectingAgent,
  contactMinutes: number,
  { resin, metal }: Disinfected,
): readonly string[] {
  if (agent === 'alcohol' && resin) return ['alcohol crazes resin']
  if (agent !== 'hypochlorite') return []
  return [
    ...(metal ? ['hypochlorite attacks clasps, frames and castings'] : []),
    ...(contactMinutes > HYPOCHLORITE_MOST_MINUTES
      ? [`more than ${HYPOCHLORITE_MOST_MINUTES} min in hypochlorite bleaches resin`]
      : []),
  ]
}
