import {
  type CaseCommand,
  carefulWork,
  currentStep,
  failingChecks,
  failingSheets,
  stepWindow,
} from '../case/index.ts'
import { type CureRun, curePresets, judgeCure } from '../curing/index.ts'
import { programMinutes } from '../program/index.ts'
import { seededRandom } from '../random/index.ts'
import { type Check, type CheckReading, type RouteStep, readingOutcome, teethOf } from '../route/index.ts'
import type { SheetData } from '../sheet/index.ts'
import { act } from './act.ts'
import { trueRun } from './causes/resin.ts'
import { isDecided, isSeenSheet } from './faults.ts'
import { signsThere } from './judge-entry.ts'
import { means } from './levels.ts'
import { closuresNeeded, ridgeMillimetres } from './model-readings.ts'
import { bestSpecialLiquid } from './practice-investment.ts'
import { sheetTruth } from './sheet-truth.ts'
import { show } from './show.ts'
import { signsOf } from './signs/index.ts'
import { streamAt } from './streams.ts'
import { jobOf, PRACTICE_JOB, type PracticeAct, type World } from './truth.ts'

const MINUTE = 60_000
/** Longer than this no route is gone through again and again. */
const MOST_ACTS = 20_000

/** How somebody answers a check. */
export interface Player {
  /** Before they answer: the means by which they look. */
  readonly looks: readonly (typeof means)[number][]
  readonly answers: (world: World, step: RouteStep, check: Check, tooth: number | undefined) => CheckReading
  readonly fills: (world: World, step: RouteStep, sheetId: string) => SheetData | undefined
  /** Hears of every act. */
  readonly did?: (doing: PracticeAct) => void
}

/** The careful hand: looks by every means and believes what is seen. It knows nothing that a learner could not see. */
export const expert: Player = {
  looks: means.filter((each) => each !== 'eye'),
  answers: (world, step, check, tooth) => {
    const seen = show(world, step.id, check, tooth)
    if (check.means === 'specialLiquid') return { value: bestSpecialLiquid(jobOf(world).route) }
    if (seen.kind === 'scale') {
      if (check.kind !== 'measure' || isDecided(check)) return {}
      return { value: Number(seen.pointer.toFixed(4)) }
    }
    if (seen.kind !== 'look' || check.kind !== 'observe') return {}
    const said = new Set(seen.seen.flatMap(({ say }) => say))
    const failing = check.answers.filter(({ answer, outcome }) => {
      const sign = signsOf(check.id)?.signs[answer]?.say ?? `${answer}.`
      return outcome.verdict !== 'pass' && said.has(sign)
    })
    return {
      answer: (failing.at(-1) ?? check.answers.find(({ outcome }) => outcome.verdict === 'pass'))!.answer,
    }
  },
  fills: (world, step, sheetId) => {
    const sheet = step.sheets?.find(({ id }) => id === sheetId)
    if (!sheet || !isSeenSheet(sheet)) return undefined
    const { seed } = world.setup
    const wrong = signsThere(world, step.id, sheetId, undefined).find(({ sign }) => sign.sheet)?.sign.sheet
    const { attempt } = jobOf(world).steps[step.id]!
    return (
      wrong ?? sheetTruth(sheet, world.working.state.authorisation, streamAt(seed, step.id, sheetId, attempt))
    )
  },
}

/** Plays a practice case to its end. */
export function playOut(world: World, player: Player = expert, by = 'Expert'): World {
  let now = world
  const random = seededRandom(world.setup.seed)
  for (let n = 0; n < MOST_ACTS && !now.closed; n++) {
    const next = turn(now, player, random, by)
    if (next === now) throw new Error(`Nothing moves at ${currentStep(jobOf(now))?.id ?? 'the end'}.`)
    now = next
  }
  return now
}

const doing =
  ({ did }: Player, by: string) =>
  (world: World, what: PracticeAct): World => {
    did?.(what)
    return act(world, what, by)
  }

/** One step of the work further. */
export function turn(world: World, player: Player, random: () => number, by: string): World {
  const job = jobOf(world)
  const does = doing(player, by)
  const give = (so: World, command: CaseCommand) => does(so, { act: 'command', command })
  if (job.question) return does(world, { act: 'clinicAnswers' })
  const step = currentStep(job)
  if (!step) return does(world, { act: 'stop' })
  const on = { jobId: PRACTICE_JOB, stepId: step.id }
  const state = job.steps[step.id]!
  if (state.status === 'waiting') {
    const opens = stepWindow(job, step)?.goodFrom ?? 0
    if (opens > world.now) return does(world, wait(world, opens))
    const late = outOfTimeReason(world, step)
    return give(world, { type: 'startStep', ...on, ...late })
  }
  const entered = enterAll(world, step, player, random, by)
  if (entered !== world) {
    const again = jobOf(entered)
    if (again.question || again.steps[step.id]!.status !== 'running') return entered
    const back = wantsBack(entered, step)
    if (back) return give(entered, back)
    // Set right on the spot, it is looked at once more.
    if (failing(entered, step)) return entered
  }
  const ends = (so: World) => {
    const window = stepWindow(jobOf(so), step)
    const usual = Date.parse(stateStart(so, step)) + (step.waitMinutes ?? 0) * MINUTE
    return Math.max(window?.to === 'finish' ? window.goodFrom : 0, step.kind === 'attended' ? 0 : usual)
  }
  if (ends(entered) > entered.now) return does(entered, wait(entered, ends(entered)))
  return give(entered, { type: 'finishStep', ...on, ...outOfTimeReason(entered, step) })
}

const stateStart = (world: World, step: RouteStep): string => {
  const state = jobOf(world).steps[step.id]!
  return 'startedAt' in state ? state.startedAt : new Date(world.now).toISOString()
}
const wait = ({ now }: World, until: number): PracticeAct => ({
  act: 'wait',
  minutes: Math.max(0.5, Math.ceil((until - now) / (MINUTE / 2)) / 2),
})
/** A window that a look has let pass. */
function outOfTimeReason({ working, now }: World, step: RouteStep): { outOfTimeReason?: string } {
  const window = stepWindow(working.state.jobs[0]!, step)
  const hands = step.kind === 'attended' ? 0 : step.handsOnMinutes * MINUTE
  return window?.pastFrom !== undefined && now + hands > window.pastFrom
    ? { outOfTimeReason: 'It was looked at closely.' }
    : {}
}

/** Everything that a step still wants. */
function enterAll(world: World, step: RouteStep, player: Player, random: () => number, by: string): World {
  let now = world
  const { teeth } = world.working.state.authorisation
  const does = doing(player, by)
  const stateOf = () => jobOf(now).steps[step.id]!
  const give = (command: CaseCommand) => {
    now = does(now, { act: 'command', command })
  }
  const planned = carefulWork(PRACTICE_JOB, step, random, undefined, world.working.state.authorisation)
  for (const command of planned) {
    if (command.type === 'recordMix') {
      if (!stateOf().mixes.some(({ amountId }) => amountId === command.amountId)) give(command)
    } else if (command.type === 'recordSheet') {
      const last = stateOf().sheets.findLast(({ sheetId }) => sheetId === command.sheetId)
      if (last && !sheetFails(now, step, command.sheetId)) continue
      const sheet = player.fills(now, step, command.sheetId) ?? ownSheet(now, command.sheet)
      give({ ...command, sheet })
    }
    if (jobOf(now).question) return now
  }
  for (const check of step.checks ?? [])
    for (const tooth of teethOf(check, teeth)) {
      const own = () => stateOf().readings.filter((each) => each.checkId === check.id && each.tooth === tooth)
      const good = () => {
        const last = own().at(-1)
        return (
          last !== undefined &&
          own().length >= (check.readings ?? 1) &&
          (readingOutcome(check, last).verdict === 'pass' || stateOf().accepted.includes(last.sequence))
        )
      }
      if (good()) continue
      for (const look of check.kind === 'observe' ? player.looks : [])
        now = does(now, {
          act: 'look',
          stepId: step.id,
          checkId: check.id,
          ...(tooth === undefined ? {} : { tooth }),
          means: look,
        })
      const reading = player.answers(now, step, check, tooth)
      const careful = planned.find(
        (each) => each.type === 'recordCheck' && each.checkId === check.id && each.tooth === tooth,
      )
      if (careful?.type !== 'recordCheck') continue
      give(
        reading.answer === undefined && reading.value === undefined
          ? careful
          : { ...careful, answer: undefined, value: undefined, ...reading },
      )
      if (jobOf(now).question) return now
      if (own().length < (check.readings ?? 1)) return now
    }
  return now
}

const bestCures = new Map<number, SheetData>()
const sameSheets = new Map<string, SheetData>()

/** What a careful hand decides by what the world shows: the ridge that is there, as many closings as it takes. */
function ownSheet(world: World, sheet: SheetData): SheetData {
  const { seed } = world.setup
  if (sheet.kind === 'closures') {
    const last = sheet.closures.at(-1)!
    const trials = Array.from({ length: closuresNeeded(seed) - 1 }, (_, n) => ({
      ...last,
      flash: true,
      gap: n === 0,
    }))
    return { ...sheet, closures: [...trials, last] }
  }
  if (sheet.kind === 'cure') {
    const ridge = ridgeMillimetres(seed)
    const best = bestCures.get(ridge) ?? { ...sheet, run: bestCure(sheet.run, ridge) }
    bestCures.set(ridge, best)
    return best
  }
  // The same sheet is the same object: what the models say of it is remembered.
  const key = JSON.stringify(sheet)
  const same = sameSheets.get(key) ?? sheet
  sameSheets.set(key, same)
  return same
}

/** The first of the usual baths that cures the ridge that is there without boiling it. */
function bestCure(run: CureRun, ridge: number): CureRun {
  const tried = curePresets.map(({ program }) =>
    trueRun(
      {
        ...run,
        program,
        measured: [
          { minutes: Math.round(programMinutes(program)), celsius: program.segments.at(-1)!.toCelsius },
        ],
      },
      ridge,
    ),
  )
  return tried.find((each) => judgeCure(each).verdict === 'accept') ?? trueRun(run, ridge)
}

const sheetFails = (world: World, step: RouteStep, sheetId: string): boolean =>
  failingSheets(step, jobOf(world)).some(({ sheet }) => sheet.id === sheetId)
const failing = (world: World, step: RouteStep): boolean =>
  failingChecks(step, jobOf(world).steps[step.id]!).length > 0 || failingSheets(step, jobOf(world)).length > 0

/** Back, where a check or a sheet that fails leads back. */
function wantsBack(world: World, step: RouteStep): CaseCommand | undefined {
  const job = jobOf(world)
  const outcomes = [
    ...failingChecks(step, job.steps[step.id]!).map(({ outcome }) => outcome),
    ...failingSheets(step, job).map(({ outcome }) => outcome),
  ]
  const back = outcomes.find(({ verdict }) => verdict === 'goBack' || verdict === 'remake')
  if (back && 'toStepId' in back)
    return {
      type: 'goBack',
      jobId: PRACTICE_JOB,
      toStepId: back.toStepId,
      remake: back.verdict === 'remake',
      reason: 'As the check says.',
      ...(back.verdict === 'remake' && back.awaits ? { awaits: back.awaits } : {}),
    }
  const asked = outcomes.find(({ verdict }) => verdict === 'askDentist')
  return (
    asked && {
      type: 'askDentist',
      jobId: PRACTICE_JOB,
      stepId: step.id,
      question: 'What does not pass here: may it stay?',
    }
  )
}

/** What the route takes at its usual figures: hands, and the clock with its waits. */
export function parOf(world: Pick<World, 'working'>): {
  readonly handsMinutes: number
  readonly clockMinutes: number
} {
  const { steps } = jobOf(world).route
  const handsMinutes = steps.reduce((sum, step) => sum + step.handsOnMinutes, 0)
  return {
    handsMinutes,
    clockMinutes: handsMinutes + steps.reduce((sum, { waitMinutes = 0 }) => sum + waitMinutes, 0),
  }
}
