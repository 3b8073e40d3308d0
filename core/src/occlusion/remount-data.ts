import { choice, figure, list, maybe, type Of, record, sidesOf, whole, yesNo } from '../shape/index.ts'
import { bites, slopes, toothRegions } from './regions.ts'

export const strengths = ['heavy', 'medium', 'light'] as const
export type Strength = (typeof strengths)[number]

const tooth = (example?: number) =>
  whole(0, 99, example === undefined ? {} : { example, description: 'ISO 3950' })

/** A mark that paper or foil has left. */
export const markShape = record({
  tooth: tooth(26),
  region: choice(toothRegions, { example: 'lingualTip' }),
  slope: maybe(choice(slopes)),
  /** What it strikes; where it is left out, the usual partner is assumed and said. */
  opposingTooth: maybe(tooth(36)),
  opposingRegion: maybe(choice(toothRegions, { example: 'buccalInner' })),
  bite: choice(bites, { example: 'centric' }),
  strength: choice(strengths, { example: 'heavy' }),
})
export type PaperMark = Of<typeof markShape>

/** The order in which a remount goes: centric stands at its end once more. */
export const remountPhases = ['centric', 'right', 'left', 'protrusive', 'centricAgain'] as const
export type RemountPhase = (typeof remountPhases)[number]

export const fixings = ['compound', 'glue', 'tape'] as const
export const schemes = ['balanced', 'lingualised', 'flat'] as const

/** What was taken off at one place. */
export const removalShape = record({
  tooth: tooth(36),
  region: choice(toothRegions, { example: 'buccalInner' }),
  millimetres: figure(-100, 100, { example: 0.15 }),
})

/** How the dentures stand on the articulator. */
export const situationShape = record({
  /** At the set-up reading of the pin; below 0: it is lower than it was. */
  pinMillimetres: figure(-1000, 1000, { example: 1 }),
  /** Fully home, and does not rock. */
  seated: yesNo({ example: true }),
  fixing: choice(fixings, { example: 'glue' }),
  flash: maybe(yesNo()),
  /** Base touches base, or a tooth, at the heels. */
  baseTouches: maybe(yesNo()),
  crossbite: maybe(yesNo()),
  scheme: maybe(choice(schemes)),
  /** What may be ground: against natural teeth the denture alone. */
  dentures: maybe(choice(['both', 'upper', 'lower'])),
  /** Back teeth on each side that hold foil in centric; left out: not counted. */
  posteriorStops: maybe(sidesOf(whole(0, 14))),
  /** In a movement the balancing side holds the working side apart. */
  workingHeldApart: maybe(yesNo()),
  /** In the movement that is marked the pin rests on its table. */
  pinOnTable: maybe(yesNo()),
  /** The bites whose contacts were found right. */
  foundRight: maybe(list(choice(remountPhases), 10)),
  removed: maybe(list(removalShape, 300)),
  /** An opening of the pin that the dentist has accepted to be ground in, mm. */
  acceptedMillimetres: maybe(figure(0, 1000)),
  /** A supporting tip that is high in every bite may be reduced: the lead's consent. */
  tipConsent: maybe(yesNo()),
})
export type RemountSituation = Of<typeof situationShape>

/** One round: what was marked, what was taken off, and how the pin stood before it. */
export const remountRoundShape = record({
  pinMillimetres: figure(-1000, 1000),
  marks: list(markShape, 40),
  ground: maybe(removalShape),
})
export type RemountRound = Of<typeof remountRoundShape>
