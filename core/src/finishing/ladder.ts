import { qty, type Saying, saying } from '../quantity/index.ts'
import { DomainError, requirePositive } from '../refusal/index.ts'
import { choice, figure, list, maybe, type Of, record, text } from '../shape/index.ts'

export const finishedMaterials = ['resin', 'metal', 'ceramic'] as const
export type FinishedMaterial = (typeof finishedMaterials)[number]

/** A stage of the ladder: a wheel with its abrasive, and what it leaves. */
export const finishingStageShape = record({
  id: text(80),
  name: text(80),
  /** Median grain, µm; left out for a bur, whose mark is measured. */
  grainMicrometres: maybe(figure(-1e4, 1e4)),
  /** Depth of its scratch over its grain. */
  depthRatio: maybe(figure(-100, 100)),
  /** Depth of the scratch it leaves, µm, where it is measured. */
  depthMicrometres: maybe(figure(-1e4, 1e4)),
  /** What it takes off this material, mm³/s. */
  cubicMillimetresPerSecond: figure(-1000, 1000),
  /** Measured by the lab, or an assumption. */
  measured: maybe(choice(['measured'])),
})
export type FinishingStage = Of<typeof finishingStageShape>

export const ladderShape = record({
  material: choice(finishedMaterials),
  /** The area worked, mm². */
  areaSquareMillimetres: figure(-1e6, 1e6),
  stages: list(finishingStageShape, 20, 1),
})
export type FinishingLadder = Of<typeof ladderShape>

/** At least the depth of the scratches before, and a quarter more (assumption). */
export const CLEARING = 1.25
/** Change of wheel and washing the work, s (assumption). */
export const CHANGE_SECONDS = 60
/** Rz over Ra of ground surfaces is 4 to 7 (handbooks, recalled); a gauge wins. */
const DEPTH_OVER_RA = 6
/** Smoother than this brings no further gain against plaque, µm. Source: Bollen, Lambrechts & Quirynen 1997, recalled. */
export const PLAQUE_RA_MICROMETRES = 0.2
/** The same as the depth of a scratch, µm. */
export const PLAQUE_DEPTH_MICROMETRES = DEPTH_OVER_RA * PLAQUE_RA_MICROMETRES
/** Neighbours nearer or further apart than this are warned about. */
const NEAR = 1.3
const FAR = 8

/** How deep a scratch the stage leaves, µm. */
export function depthOf({ depthMicrometres, grainMicrometres = 0, depthRatio = 1 }: FinishingStage): number {
  return depthMicrometres ?? depthRatio * grainMicrometres
}
/** Its roughness, µm; an assumption until a gauge has read it. */
export const roughnessOf = (stage: FinishingStage) => depthOf(stage) / DEPTH_OVER_RA
/** The depth ratio that a gauge reading gives. @example depthRatioByGauge(0.8, 60) // 0.08 */
export const depthRatioByGauge = (raMicrometres: number, grain: number) =>
  (DEPTH_OVER_RA * raMicrometres) / grain

/**
 * What has to come off after a stage, µm: its scratch; on ceramic also the cracks beneath it.
 * Source: Lambropoulos 2000, lower bound for glass, recalled.
 */
export function damageOf(stage: FinishingStage, material: FinishedMaterial): number {
  const depth = depthOf(stage)
  return material === 'ceramic' && stage.grainMicrometres
    ? Math.max(depth, 0.3 * stage.grainMicrometres ** 0.68)
    : depth
}
/** How deep cracks of ceramic may reach, µm: so light pressure with water, and no stone near a margin. */
export const deepestCrack = ({ grainMicrometres = 0 }: FinishingStage) => 2 * grainMicrometres ** 0.85

/** A stage as it is planned. */
export interface PlannedStage {
  readonly stage: FinishingStage
  readonly depthMicrometres: number
  readonly roughnessMicrometres: number
  readonly damageMicrometres: number
  /** What it takes off, and how long that takes; the first stage shapes, so it has neither. */
  readonly removalMicrometres: number
  readonly seconds: number
}

/**
 * Refuses what is no ladder.
 * @throws {DomainError} `not-a-positive-number`, `ladder-order`: a stage that leaves no less than the one before
 */
export function checkLadder({ stages, areaSquareMillimetres }: FinishingLadder): void {
  requirePositive(areaSquareMillimetres, 'areaSquareMillimetres', 'The area')
  for (const [index, stage] of stages.entries()) {
    const field = `stages[${index}]`
    if (stage.depthMicrometres === undefined) {
      requirePositive(stage.grainMicrometres ?? Number.NaN, field, `The grain of ${stage.name}`)
      requirePositive(stage.depthRatio ?? Number.NaN, field, `The depth ratio of ${stage.name}`)
    } else requirePositive(stage.depthMicrometres, field, `The mark of ${stage.name}`)
    requirePositive(stage.cubicMillimetresPerSecond, field, `The rate of ${stage.name}`)
    const before = stages[index - 1]
    if (before && depthOf(stage) >= depthOf(before))
      throw new DomainError(
        'ladder-order',
        saying`${stage.name} leaves ${qty.micrometres(depthOf(stage), 1)}, and ${before.name} before it ${qty.micrometres(depthOf(before), 1)}.`,
        'Put them in the order of the scratch they leave, the deepest first.',
        field,
      )
  }
}

/**
 * The ladder with what each stage takes off and how long it works: r = c d(before), t = A r / (1000 Q).
 * @throws {DomainError} of `checkLadder`
 * Source: volume rate after Preston 1927; the figures of the stages are the lab's, or assumptions.
 */
export function planLadder(ladder: FinishingLadder): readonly PlannedStage[] {
  checkLadder(ladder)
  const { stages, material, areaSquareMillimetres: A } = ladder
  return stages.map((stage, index) => {
    const before = stages[index - 1]
    const removal = before ? CLEARING * damageOf(before, material) : 0
    return {
      stage,
      depthMicrometres: depthOf(stage),
      roughnessMicrometres: roughnessOf(stage),
      damageMicrometres: damageOf(stage, material),
      removalMicrometres: removal,
      seconds: secondsFor(removal, stage, A),
    }
  })
}
export const secondsFor = (micrometres: number, stage: FinishingStage, area: number) =>
  (area * micrometres) / (1000 * stage.cubicMillimetresPerSecond)

/** Contact seconds of a ladder, and with the changes of wheel. */
export function ladderSeconds(planned: readonly PlannedStage[]): {
  readonly contact: number
  readonly all: number
} {
  const contact = planned.reduce((sum, { seconds }) => sum + seconds, 0)
  return { contact, all: contact + CHANGE_SECONDS * (planned.length - 1) }
}

/**
 * What depth is left after stages that were run for real times: each takes the deepest scratch down by what it removes, never below
 * its own mark; a stage that was not run changes nothing.
 * @param seconds by stage; 0: not run
 * @throws {DomainError} `not-a-positive-number`: a time below 0
 * @returns µm after each stage
 */
export function depthLeft(ladder: FinishingLadder, seconds: readonly number[]): readonly number[] {
  checkLadder(ladder)
  const { stages, areaSquareMillimetres: A, material } = ladder
  let deepest = Number.POSITIVE_INFINITY
  return stages.map((stage, index) => {
    const time = requirePositive(seconds[index] ?? 0, `seconds[${index}]`, `The time of ${stage.name}`, {
      orZero: true,
    })
    if (index === 0) deepest = damageOf(stage, material)
    else if (time > 0)
      deepest = Math.max(depthOf(stage), deepest - (1000 * stage.cubicMillimetresPerSecond * time) / A)
    return deepest
  })
}

/** What is remarkable about a ladder: steps too narrow or too wide, and whether it becomes smooth enough. */
export function ladderWarnings(ladder: FinishingLadder): readonly Saying[] {
  const { stages } = ladder
  const steps = stages.slice(1).flatMap((stage, index): Saying[] => {
    const before = stages[index]!
    const ratio = depthOf(before) / depthOf(stage)
    if (ratio < NEAR)
      return [
        saying`${before.name} and ${stage.name} leave nearly the same scratch: one of them does little.`,
      ]
    if (ratio > FAR)
      return [
        saying`From ${before.name} to ${stage.name} is a wide step: it takes long, and is cut short at a bench.`,
      ]
    return []
  })
  const last = stages.at(-1)
  return last && roughnessOf(last) > PLAQUE_RA_MICROMETRES
    ? [
        ...steps,
        saying`It ends at Ra ${qty.micrometres(roughnessOf(last), 2)}: plaque holds on what is rougher than ${qty.micrometres(PLAQUE_RA_MICROMETRES, 1)}.`,
      ]
    : steps
}

/** The first stage that is smooth enough against plaque; what follows is lustre. -1: none. */
export const smoothFrom = (stages: readonly FinishingStage[]) =>
  stages.findIndex((stage) => roughnessOf(stage) <= PLAQUE_RA_MICROMETRES)

/**
 * The rate of a stage on a test plate, polished until the scratches of the stage before have gone: Q = A c d / (1000 t).
 * @param seconds mean of three
 * @throws {DomainError} `not-a-positive-number`
 */
export function measuredRate(
  areaSquareMillimetres: number,
  before: FinishingStage,
  seconds: number,
  material: FinishedMaterial = 'resin',
): number {
  requirePositive(areaSquareMillimetres, 'areaSquareMillimetres', 'The area')
  requirePositive(seconds, 'seconds', 'The time')
  return (areaSquareMillimetres * CLEARING * damageOf(before, material)) / (1000 * seconds)
}
