import type { Instrument, RouteStep } from '@yentrik/core'

/** An instrument of the bench. */
export interface InstrumentShown {
  readonly name: string
  readonly path: string
  /** The key that opens it from anywhere. */
  readonly key: string
  /** What it works out, in a line. */
  readonly does: string
}

/** Every instrument, in the order of the work. */
export const instrumentsShown: { readonly [I in Instrument]: InstrumentShown } = {
  mix: { name: 'Mix', path: '/mix', key: 'x', does: 'powder and liquid, their clock' },
  trim: { name: 'Trim', path: '/trim', key: 'r', does: 'cuts of a pair of study models' },
  mount: { name: 'Mount', path: '/mount', key: 'o', does: 'articulator, pin and cusps' },
  survey: { name: 'Survey', path: '/survey', key: 'y', does: 'undercuts, tilt, block-out from a scan' },
  setUp: { name: 'Set up', path: '/set-up', key: 'u', does: 'where each tooth goes' },
  cast: { name: 'Cast', path: '/cast', key: 'k', does: 'ring, expansion, burnout, arm' },
  cure: { name: 'Cure', path: '/cure', key: 'e', does: 'what the bath does to the resin' },
  remount: { name: 'Remount', path: '/remount', key: 'j', does: 'what to grind next, and why' },
  finish: { name: 'Finish', path: '/finish', key: 'l', does: 'scratches, border, which wheel next' },
  fire: { name: 'Fire', path: '/fire', key: 'v', does: 'stains for a colour, firings, what the furnace did' },
}

/** The instrument of a step, with the figures of the case in it; undefined where the step has none. */
export function instrumentLink(
  { instrument }: RouteStep,
  caseId: string,
  jobId: string,
): { readonly name: string; readonly to: string } | undefined {
  if (!instrument) return undefined
  const { name, path } = instrumentsShown[instrument.opens]
  const view = instrument.view ? `&view=${instrument.view}` : ''
  return { name, to: `${path}?case=${caseId}&job=${jobId}${view}` }
}
