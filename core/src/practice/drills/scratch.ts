import { goingBack, resinLadder, type ScratchWord, scratchWords } from '../../finishing/index.ts'
import { qty, saying } from '../../quantity/index.ts'
import { figure, record, whole } from '../../shape/index.ts'
import { oneOf, streamAt } from '../streams.ts'
import { drill, pointsFor } from './drill.ts'

export interface ScratchTask {
  readonly stages: readonly string[]
  readonly seenAt: number
  readonly word: ScratchWord
}
const words = Object.keys(scratchWords) as readonly ScratchWord[]
/** Of the points: the stage, and the minutes that it costs (choice). */
const FOR_STAGE = 70
const WORST_MINUTES = 15

export const scratch = drill({
  name: 'Scratch',
  does: 'the stage that a scratch sends back to, and what that costs',
  task: (seed): ScratchTask => {
    const random = streamAt(seed, 'drill scratch')
    const stages = resinLadder.stages.map(({ name }) => name)
    // What is a stage's own mark is no scratch.
    const all = [4, 5, 6].flatMap((seenAt) =>
      words
        .filter((word) => goingBack(resinLadder, scratchWords[word].micrometres, seenAt).to !== undefined)
        .map((word) => ({ seenAt, word })),
    )
    return { stages, ...oneOf(all, random) }
  },
  answer: record({ stage: whole(0, 20), minutes: figure(0, 600) }),
  score(task, { stage, minutes }) {
    const { seenAt, word, stages } = task
    const { to, seconds } = goingBack(resinLadder, scratchWords[word].micrometres, seenAt)
    const right = stage === to
    const off = minutes - seconds / 60
    return {
      points: (right ? FOR_STAGE : 0) + ((100 - FOR_STAGE) / 100) * pointsFor(off, WORST_MINUTES),
      say: right ? 'That is the stage.' : saying`Not ${stages[stage]?.toLowerCase() ?? 'that'}.`,
      better: saying`Back to ${stages[to!]!.toLowerCase()}, and every stage from there: ${qty.minutes(seconds / 60, 0)}.`,
    }
  },
})
