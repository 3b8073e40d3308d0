import { requireMeasure } from '../refusal/index.ts'
import { figure, type Of, record, text } from '../shape/index.ts'
import { depthOf, type FinishingLadder, type FinishingStage } from './ladder.ts'

/** A wheel of the lab: one compound for life, and how it runs. */
export const wheelMeasures = {
  /** Median grain of its compound, µm. */
  grainMicrometres: figure(-1e4, 1e4, { example: 30 }),
  /** Depth of its scratch over its grain: six times what a gauge reads, over the grain. */
  depthRatio: figure(-100, 100, { example: 0.025 }),
  /** What it takes off, mm³/s: from a test plate. */
  cubicMillimetresPerSecond: figure(-1000, 1000, { example: 0.15 }),
  diameterMillimetres: figure(-1e4, 1e4, { example: 100 }),
  rpm: figure(-1e6, 1e6, { example: 1500 }),
  source: text(200, { example: 'measured here' }),
}
const wheelShape = record({ name: text(80), ...wheelMeasures })
export type LabWheel = Of<typeof wheelShape>

/** Refuses a wheel whose measures make no sense. @throws {DomainError} `equipment` */
export function checkWheel(wheel: Omit<LabWheel, 'name' | 'source'>): void {
  requireMeasure('grainMicrometres', wheel.grainMicrometres, 500)
  requireMeasure('depthRatio', wheel.depthRatio, 2)
  requireMeasure('cubicMillimetresPerSecond', wheel.cubicMillimetresPerSecond, 100)
  requireMeasure('diameterMillimetres', wheel.diameterMillimetres, 300)
  requireMeasure('rpm', wheel.rpm, 60_000)
}

const stageOf = ({
  name,
  grainMicrometres,
  depthRatio,
  cubicMillimetresPerSecond,
}: LabWheel): FinishingStage => ({
  id: name,
  name,
  grainMicrometres,
  depthRatio,
  cubicMillimetresPerSecond,
  measured: 'measured',
})

/** The ladder of the lab's own wheels, in the order of what they leave; the usual one where the lab has put none on its list. */
export function labLadder(wheels: readonly LabWheel[], usual: FinishingLadder): FinishingLadder {
  if (wheels.length === 0) return usual
  const stages = wheels.map(stageOf).sort((one, other) => depthOf(other) - depthOf(one))
  return { ...usual, stages }
}
