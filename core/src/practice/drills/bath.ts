import {
  cure,
  cureVerdict,
  ISO_RESIDUAL_PERCENT,
  isSafe,
  type ResinSection,
  twoStage,
} from '../../curing/index.ts'
import { programMinutes, type TemperatureProgram } from '../../program/index.ts'
import { qty, saying } from '../../quantity/index.ts'
import { figure, record, whole } from '../../shape/index.ts'
import { streamAt } from '../streams.ts'
import { drill, pointsFor } from './drill.ts'

export interface BathTask {
  readonly ridgeMillimetres: number
  /** The flask goes in now, minutes before it must be out. */
  readonly minutesLeft: number
}
const SHEET: ResinSection = { shape: 'sheet', millimetres: 2.5 }
const RAMP_MINUTES = 30
/** So much longer than the fastest safe bath, and nothing is left of it, min (choice). */
const WORST_MINUTES = 360

const bathOf = ({
  celsius,
  holdMinutes,
  boilMinutes,
}: {
  celsius: number
  holdMinutes: number
  boilMinutes: number
}): TemperatureProgram =>
  twoStage(
    { toCelsius: celsius, rampMinutes: RAMP_MINUTES, holdMinutes },
    boilMinutes > 0 ? { rampMinutes: RAMP_MINUTES, holdMinutes: boilMinutes } : undefined,
  )
/** Minutes of the fastest bath that the optimiser knows to be safe, by the ridge; worked out once, and held by a test. */
export const fastestBathMinutes: Readonly<Record<number, number>> = {
  8: 130,
  10: 130,
  12: 160,
  14: 205,
}

export const bath = drill({
  name: 'Bath',
  does: 'the fastest safe bath for a ridge, out by 07:30',
  task: (seed): BathTask => {
    const random = streamAt(seed, 'drill bath')
    return {
      ridgeMillimetres: 8 + 2 * Math.floor(random() * 4),
      minutesLeft: 60 * (13 + Math.floor(random() * 3)) + 30,
    }
  },
  answer: record({ celsius: figure(50, 100), holdMinutes: whole(0, 1440), boilMinutes: whole(0, 300) }),
  score(task, answer) {
    const { ridgeMillimetres, minutesLeft } = task
    const program = bathOf(answer)
    const sections: readonly ResinSection[] = [SHEET, { shape: 'ridge', millimetres: ridgeMillimetres }]
    const followed = sections.map((section) => ({ section, outcome: cure({ section, program }) }))
    const minutes = programMinutes(program)
    const best = fastestBathMinutes[ridgeMillimetres]!
    const better = saying`The fastest safe one takes ${qty.minutes(best, 0)}.`
    if (
      !isSafe(
        followed.map(({ outcome }) => outcome),
        ISO_RESIDUAL_PERCENT,
      )
    )
      return { points: 0, say: saying`${cureVerdict(followed).say}: not safe.`, better }
    if (minutes > minutesLeft)
      return {
        points: 10,
        say: saying`Safe, and out ${qty.minutes(minutes - minutesLeft, 0)} too late.`,
        better,
      }
    return {
      points: pointsFor(Math.max(0, minutes - best), WORST_MINUTES),
      say: saying`Safe, in ${qty.minutes(minutes, 0)}.`,
      better,
    }
  },
})
