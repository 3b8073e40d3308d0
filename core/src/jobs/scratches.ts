import { goingBack, resinLadder, scratchWords } from '../finishing/index.ts'
import type { CheckOf, Conditional } from '../route/index.ts'
import type { Outcome } from '../sheet/index.ts'
import { adjust, goBack, look } from './checks.ts'

/** The step of the route in which a stage of the ladder is worked; bur marks and stone marks begin with the stone, in the rubber step. */
const stepOf: Readonly<Record<string, string>> = {
  bur: 'rubber',
  stone: 'rubber',
  rubber: 'rubber',
  'coarse-pumice': 'pumice',
  'fine-pumice': 'pumice',
  tripoli: 'tripoli',
  'high-shine': 'high-shine',
}

/** What a scratch of each of the four words asks for, seen at a stage: by the model of the ladder. What is its own mark is no scratch. */
function scratchAnswers(seenAt: string, tripoli: boolean): Readonly<Record<string, Outcome>> {
  const ladder = {
    ...resinLadder,
    stages: resinLadder.stages.filter(({ id }) => tripoli || id !== 'tripoli'),
  }
  const at = ladder.stages.findIndex(({ id }) => id === seenAt)
  return Object.fromEntries(
    Object.values(scratchWords).flatMap(({ says, micrometres }): [string, Outcome][] => {
      const { to, again } = goingBack(ladder, micrometres, at)
      if (to === undefined) return []
      const [first, ...rest] = again.map((index) => ladder.stages[index]!)
      const names = rest.map(({ name }) => name.toLowerCase())
      const then = names.length > 0 ? `, then ${names.join(', ')}: none left out` : ''
      const toStep = stepOf[first!.id]!
      const words = `${first!.name}${then}.`
      return [
        [
          `A scratch: ${says}`,
          toStep === stepOf[seenAt]
            ? adjust(`Go on: ${words.toLowerCase()}`)
            : goBack(toStep, `Back to ${words.toLowerCase()}`),
        ],
      ]
    }),
  )
}

/** The look for scratches at a stage, dry; the ladder with tripoli and without it send back otherwise. */
export function scratchLooks(
  id: string,
  name: string,
  how: string,
  good: string,
  seenAt: string,
  more: Readonly<Record<string, Outcome>> = {},
): readonly (CheckOf<'observe'> & Conditional)[] {
  return [true, false].map((tripoli) => ({
    ...look(id, name, how, good, { ...scratchAnswers(seenAt, tripoli), ...more }),
    when: { tripoli: [tripoli ? 'use' : 'leave-out'] },
    source: 'the ladder of finishing: depths are assumptions until the lab has measured its own',
  }))
}
