import { articulatorCards, articulatorShape } from '../../mounting/index.ts'
import {
  adviseRemount,
  biteOf,
  centricIsRight,
  markShape,
  type RemountPhase,
  type RemountRound,
  type RemountSituation,
  remountPhases,
  remountRoundShape,
  situationShape,
} from '../../occlusion/index.ts'
import { qty, type Saying, saying } from '../../quantity/index.ts'
import { choice, list, maybe, record } from '../../shape/index.ts'
import { sheetKind } from '../sheet-kind.ts'

const articulator = articulatorCards[0]!.articulator
const down: RemountSituation = {
  pinMillimetres: 0,
  seated: true,
  fixing: 'glue',
  posteriorStops: { right: 4, left: 4 },
}

/** A mark of a bite, and in centric what was ground for it. */
const aRound = (phase: RemountPhase): RemountRound => ({
  pinMillimetres: phase === 'centric' ? 0.3 : 0,
  marks: [
    {
      tooth: 36,
      region: 'buccalInner',
      opposingTooth: 26,
      opposingRegion: 'lingualTip',
      bite: biteOf(phase),
      strength: 'heavy',
    },
  ],
  ...(phase === 'centric' ? { ground: { tooth: 36, region: 'buccalInner', millimetres: 0.15 } } : {}),
})

/** Of one bite: whether it is as it must be. */
const isRight = (situation: RemountSituation, phase: RemountPhase) =>
  centricIsRight(situation) && (phase === 'centric' || (situation.foundRight?.includes(phase) ?? false))

const names: Readonly<Record<RemountPhase, string>> = {
  centric: 'centric',
  right: 'to the right',
  left: 'to the left',
  protrusive: 'forwards',
  centricAgain: 'centric once more',
}

/** The grinding of one bite: every round, and how it stands after the last. */
export const remountSheet = sheetKind({
  kind: 'remount',
  data: record({
    situation: situationShape,
    rounds: list(remountRoundShape, 100),
    /** The marks of the bites that were found right, as they stood: drawn on the papers. */
    contacts: maybe(list(markShape, 200)),
    /** The one it is mounted in; its pin tells what is open at a tooth. */
    articulator: maybe(articulatorShape),
  }),
  wants: record({ phase: choice(remountPhases) }),
  check: ({ situation, rounds, contacts = [], articulator: own = articulator }) => {
    for (const { pinMillimetres, marks } of [
      { pinMillimetres: situation.pinMillimetres, marks: contacts },
      ...rounds,
    ])
      adviseRemount({ situation: { ...situation, pinMillimetres }, marks, articulator: own })
  },
  faults: ({ situation }, { phase }): readonly Saying[] => {
    if (isRight(situation, phase)) return []
    const { pinMillimetres: pin, posteriorStops: stops } = situation
    if (centricIsRight(situation)) return [saying`${names[phase]} is not right yet`]
    if (pin > 0) return [saying`the pin stands open by ${qty.mm(pin)}`]
    return [stops ? saying`stops ${stops.right} right and ${stops.left} left` : 'the stops are not counted']
  },
  failing: ({ situation, articulator: own = articulator }) => {
    const { action, say } = adviseRemount({ situation, marks: [], articulator: own })
    return { verdict: action === 'askDentist' ? 'askDentist' : 'adjust', say }
  },
  growing: true,
  words: ({ situation, rounds }, { phase }) => {
    const off = rounds.flatMap(({ ground }) => ground ?? [])
    const sum = off.reduce((all, { millimetres }) => all + millimetres, 0)
    const stops = situation.posteriorStops
    return saying`${names[phase]}, ${rounds.length} ${rounds.length === 1 ? 'round' : 'rounds'}${off.length > 0 ? saying`, ${qty.mm(sum)} off in ${off.length} ${off.length === 1 ? 'place' : 'places'}` : ''}; pin ${qty.mm(situation.pinMillimetres)}${stops ? saying`, stops ${stops.right} right and ${stops.left} left` : ''}`
  },
  good: ({ phase }) => ({
    situation: { ...down, foundRight: remountPhases.slice(1, remountPhases.indexOf(phase) + 1) },
    rounds: [aRound(phase)],
  }),
  failingExample: () => ({ situation: { ...down, pinMillimetres: 0.6 }, rounds: [] }),
  refusedExample: () => ({ situation: { ...down, pinMillimetres: -3 }, rounds: [] }),
})
