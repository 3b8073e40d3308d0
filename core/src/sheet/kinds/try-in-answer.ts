import { DomainError } from '../../refusal/index.ts'
import { id, list, type Of, record, text } from '../../shape/index.ts'
import { sheetKind } from '../sheet-kind.ts'

const wantedChangeShape = record({
  /** Names a change that the sheet offers. */
  change: id('front'),
  /** What the note says of it. */
  words: text(1000, { least: 0, example: '11 a little longer' }),
})
/** A change that the dentist wants after a try-in. */
export type WantedChange = Of<typeof wantedChangeShape>

const changeOfferShape = record({ id: id(), name: text(120), toStepId: id() })
/** What the dentist may want changed, and the step that opens again for it. */
type ChangeOffer = Of<typeof changeOfferShape>

const offerOf = (offered: readonly ChangeOffer[], change: string) =>
  offered.find((each) => each.id === change)

/** The change whose step comes first on the route: going back to it opens all the others too. */
export function firstChange(
  offered: readonly ChangeOffer[],
  changes: readonly Pick<WantedChange, 'change'>[],
): ChangeOffer | undefined {
  return offered.find((each) => changes.some(({ change }) => change === each.id))
}

/** What the dentist wants changed after a try-in; no change: accepted. */
export const tryInAnswerSheet = sheetKind({
  kind: 'tryInAnswer',
  data: record({ changes: list(wantedChangeShape, 30, 0, { description: 'Empty: accepted' }) }),
  wants: record({
    /** In the order of the route, the earliest step first. */
    changes: list(changeOfferShape, 30),
  }),
  check: ({ changes }, { changes: offered }) => {
    for (const { change, words } of changes) {
      if (!offerOf(offered, change))
        throw new DomainError(
          'no-such-change',
          `There is no change "${change}".`,
          'Reload the case.',
          'changes',
        )
      if (words.trim() === '')
        throw new DomainError(
          'words-missing',
          'A change does not say what is wanted.',
          'Write down what the note says of it.',
          'changes',
        )
    }
  },
  faults: ({ changes }, { changes: offered }) =>
    changes.map(({ change, words }) => `${offerOf(offered, change)?.name ?? change}: ${words}`),
  failing: ({ changes }, { changes: offered }) => {
    const first = firstChange(offered, changes)
    return (
      first && {
        verdict: 'goBack',
        toStepId: first.toStepId,
        say: 'Change it as the note says, from there on.',
      }
    )
  },
  leadsTo: ({ changes }) => changes.map(({ toStepId }) => toStepId),
  words: ({ changes }, { changes: offered }) =>
    changes.length === 0
      ? 'accepted'
      : changes
          .map(({ change, words }) => `${offerOf(offered, change)?.name ?? change}, ${words}`)
          .join('; '),
  good: () => ({ changes: [] }),
  failingExample: ({ changes }) => ({ changes: [{ change: changes[0]!.id, words: 'a little longer' }] }),
  refusedExample: () => ({ changes: [{ change: 'of nothing', words: 'x' }] }),
})
