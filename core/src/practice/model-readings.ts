import { lastSheetOf, startedAt } from '../case/index.ts'
import { coldAfterMinutes, judgeCure, OPEN_BELOW_CELSIUS } from '../curing/index.ts'
import { USUAL_ROOM_CELSIUS } from '../heat/index.ts'
import { saying } from '../quantity/index.ts'
import type { CheckOf, RouteStep } from '../route/index.ts'
import { investmentWords } from './practice-investment.ts'
import { pointerAt, scaleOf } from './readings.ts'
import type { SeenForSheet, SeenOnScale } from './seen.ts'
import { streamAt } from './streams.ts'
import { jobOf, type World } from './truth.ts'

/** The thickest ridge of a base, mm: what the bath must suit (choice: 7 to 12, by halves). */
export const ridgeMillimetres = (seed: number): number => Math.round(14 + 10 * streamAt(seed, 'ridge')()) / 2
/** The thickest part of a wax pattern, mm: what the sprue must feed (choice: 1.2 to 2.4). */
export const thickestPartMillimetres = (seed: number): number =>
  Math.round(12 + 12 * streamAt(seed, 'thickest part')()) / 10
/** Trial closures until the mould shows no flash (choice: 3 or 4). */
export const closuresNeeded = (seed: number): number => 3 + Math.floor(2 * streamAt(seed, 'closures')())

const MINUTE = 60_000
/** What a flask still is when it is lifted out of the boil (choice). */
const OUT_OF_BATH_CELSIUS = 95

/**
 * How warm a flask still is: Newton's law, from the boil to the moment at which the cure model lets it be opened.
 * @param minutes out of the bath
 * @param coldAfter minutes until it may be opened
 */
export function flaskCelsius(minutes: number, coldAfter: number): number {
  const share = Math.log(
    (OUT_OF_BATH_CELSIUS - USUAL_ROOM_CELSIUS) / (OPEN_BELOW_CELSIUS - USUAL_ROOM_CELSIUS),
  )
  return (
    USUAL_ROOM_CELSIUS +
    (OUT_OF_BATH_CELSIUS - USUAL_ROOM_CELSIUS) *
      Math.exp((-share * Math.max(0, minutes)) / Math.max(1, coldAfter))
  )
}

/** How warm the flask is that cools in a step. */
export function flaskIn(world: Pick<World, 'working' | 'now'>, step: RouteStep): number | undefined {
  const job = jobOf(world)
  const out = startedAt(job.steps[step.id])
  if (out === undefined || !step.wait?.cools) return undefined
  const run = lastSheetOf(job, 'cure')?.run
  const coldAfter = run ? coldAfterMinutes(judgeCure(run, step.wait.cools)) : step.wait.earliestMinutes
  return flaskCelsius((world.now - Date.parse(out)) / MINUTE, coldAfter)
}

/** The true value of a check that a model gives; undefined: chance and the defects do. */
export function modelValue(world: World, step: RouteStep, check: CheckOf<'measure'>): number | undefined {
  if (check.means === 'flaskTemperature') return flaskIn(world, step)
  return undefined
}

const ridge: Pick<CheckOf<'measure'>, 'min' | 'max' | 'plausible' | 'quantity'> = {
  quantity: 'millimetres',
  min: 7,
  max: 12,
  plausible: { min: 0, max: 20 },
}

/** What can be measured or seen on a step beyond its checks: what its decisions hang on. */
export function modelReading(world: World, step: RouteStep): readonly (SeenOnScale | SeenForSheet)[] {
  const { seed } = world.setup
  return [
    ...(step.sheets ?? []).flatMap((sheet): readonly (SeenOnScale | SeenForSheet)[] => {
      if (sheet.kind === 'cure') {
        const scale = { ...scaleOf(ridge), step: 0.1, from: 0, to: 20, instrument: 'caliper' as const }
        const pointer = pointerAt(ridgeMillimetres(seed), scale, streamAt(seed, step.id, 'ridge pointer'))
        return [
          {
            kind: 'scale',
            stepId: step.id,
            checkId: sheet.id,
            name: 'The ridge at its thickest',
            scale,
            pointer,
          },
        ]
      }
      if (sheet.kind !== 'closures') return []
      const done = jobOf(world).steps[step.id]!.sheets.findLast(({ sheetId }) => sheetId === sheet.id)?.sheet
      const closed = done?.kind === 'closures' ? done.closures.length : 0
      return [
        {
          kind: 'sheet',
          stepId: step.id,
          sheetId: sheet.id,
          words: closingWords(closed + 1, closuresNeeded(seed)),
        },
      ]
    }),
    ...(step.checks ?? []).flatMap((check): readonly (SeenOnScale | SeenForSheet)[] => {
      if (check.means === 'specialLiquid')
        return [
          { kind: 'sheet', stepId: step.id, sheetId: check.id, words: investmentWords(jobOf(world).route) },
        ]
      if (check.means !== 'sprueGauge') return []
      const scale = { instrument: 'caliper' as const, from: 0, to: 5, step: 0.1 }
      const pointer = pointerAt(thickestPartMillimetres(seed), scale, streamAt(seed, step.id, 'part pointer'))
      return [
        {
          kind: 'scale',
          stepId: step.id,
          checkId: check.id,
          name: 'The thickest part of the wax',
          scale,
          pointer,
        },
      ]
    }),
  ]
}

const closingWords = (nth: number, needed: number) => {
  if (nth >= needed) return saying`Closing ${nth}: the border is clean and the resin dense.`
  return nth === 1
    ? saying`Closing 1: resin stands over all round, and the palate has a dull place that it did not reach.`
    : saying`Closing ${nth}: a thin fin still stands over the border.`
}
