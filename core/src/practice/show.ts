import { sheetOfOrder, stepOf } from '../case/index.ts'
import { type Check, teethOf } from '../route/index.ts'
import type { StepSheet } from '../sheet/index.ts'
import { isSeenSheet } from './faults.ts'
import { signsThere } from './judge-entry.ts'
import { LESSER_LOOK_CHANCE, type Means, showsForSure } from './levels.ts'
import { modelReading, modelValue } from './model-readings.ts'
import { pointerAt, scaleOf, trueValue } from './readings.ts'
import type { Seen, SeenForSheet, Spot } from './seen.ts'
import { seenOnSheet, sheetTruth } from './sheet-truth.ts'
import { signsOf } from './signs/index.ts'
import { oneOf, streamAt } from './streams.ts'
import { jobOf, looksAt, type World } from './truth.ts'

/** What the learner works out or decides alone; of every other sheet the facts lie there. */
const decidedSheets: readonly StepSheet['kind'][] = [
  'cure',
  'burnout',
  'firing',
  'charge',
  'closures',
  'wheel',
  'trimPlan',
  'setUpPlan',
  'stainPlan',
  'sawPlan',
  'survey',
  'remount',
]

/** What the learner chooses and then does: there is nothing yet to read. */
const ownChoices = new Set(['sprueGauge', 'specialLiquid', 'armTurns'])
const isThereToRead = ({ means }: Check): boolean => means === undefined || !ownChoices.has(means)

/** Everything that can be seen on the steps in hand, by the looks that were taken. */
export function showAll(world: World): readonly Seen[] {
  const job = jobOf(world)
  return job.route.steps
    .filter(({ id }) => job.steps[id]!.status === 'running')
    .flatMap((step) => [
      ...(step.checks ?? [])
        .filter(isThereToRead)
        .flatMap((check) =>
          teethOf(check, world.working.state.authorisation.teeth).map((tooth) =>
            show(world, step.id, check, tooth),
          ),
        ),
      ...(step.sheets ?? []).flatMap((sheet) => showSheet(world, step.id, sheet)),
      ...modelReading(world, step),
    ])
}

/** What is seen or read at one check. */
export function show(world: World, stepId: string, check: Check, tooth?: number): Seen {
  const { seed } = world.setup
  const job = jobOf(world)
  const { attempt } = job.steps[stepId]!
  const place = [stepId, check.id, tooth ?? '', attempt] as const
  const at = { stepId, checkId: check.id, ...(tooth === undefined ? {} : { tooth }) }
  const there = signsThere(world, stepId, check.id, tooth)
  if (check.kind === 'measure') {
    const scale = scaleOf(check)
    const wrong = there.find(({ sign }) => sign.value !== undefined)?.sign.value
    const step = stepOf(job, stepId)
    const value =
      modelValue(world, step, check) ?? wrong ?? trueValue(check, streamAt(seed, ...place, 'value'))
    return {
      kind: 'scale',
      ...at,
      scale,
      pointer: pointerAt(value, scale, streamAt(seed, ...place, 'pointer')),
    }
  }
  const looks = looksAt(world, { ...at, attempt })
  const taken: readonly Means[] = [
    'eye',
    ...looks.map(({ means }) => means).filter((means) => means !== 'eye'),
  ]
  return {
    kind: 'look',
    ...at,
    seen: taken.map((means) => {
      const seen = there.filter(
        ({ sign, defect }) =>
          sign.answer !== undefined &&
          (showsForSure(sign.by, means) ||
            streamAt(seed, stepId, check.id, tooth ?? '', defect.kind, means)() < LESSER_LOOK_CHANCE),
      )
      return {
        means,
        ...(seen.length > 0
          ? {
              say: seen.map(({ sign }) => sentenceOf(check, sign.answer!)),
              at: spotOf(seed, ...place, seen[0]!.defect.kind),
            }
          : {
              say: [nothing(check, streamAt(seed, ...place, means === 'eye' ? 'quiet' : `quiet ${means}`))],
            }),
      }
    }),
  }
}

/** What a sign looks like; where nobody wrote that, the answer stands for itself. */
export const sentenceOf = (check: Pick<Check, 'id'>, answer: string): string =>
  signsOf(check.id)?.signs[answer]?.say ?? `${answer}.`

/** Of so many clean looks one shows something that only looks wrong (choice). */
const HARMLESS_SHARE = 0.3

/** What sound work looks like there: now and then with something that is nothing. */
function nothing(check: Check, random: () => number): string {
  const signs = signsOf(check.id)
  const { harmless = [] } = signs ?? {}
  if (harmless.length > 0 && random() < HARMLESS_SHARE) return oneOf(harmless, random)
  return signs?.good ?? 'Nothing that strikes the eye.'
}

/** Somewhere on the piece, not at the rim of the picture. */
function spotOf(seed: number, ...place: readonly (string | number)[]): Spot {
  const random = streamAt(seed, ...place, 'spot')
  const within = () => Number((0.25 + 0.5 * random()).toFixed(3))
  return { x: within(), y: within() }
}

function showSheet(world: World, stepId: string, sheet: StepSheet): readonly SeenForSheet[] {
  if (decidedSheets.includes(sheet.kind)) return []
  const order = world.working.state.authorisation
  const wrong = signsThere(world, stepId, sheet.id, undefined).find(({ sign }) => sign.sheet)?.sign.sheet
  const { attempt } = jobOf(world).steps[stepId]!
  const there =
    wrong ??
    (isSeenSheet(sheet)
      ? sheetTruth(sheet, order, streamAt(world.setup.seed, stepId, sheet.id, attempt))
      : sheetOfOrder(sheet, order))
  return [{ kind: 'sheet', stepId, sheetId: sheet.id, words: seenOnSheet(sheet, there) }]
}
