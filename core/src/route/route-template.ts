import { coolings } from '../curing/index.ts'
import {
  byTag,
  choice,
  figure,
  id,
  list,
  maybe,
  named,
  type Of,
  record,
  text,
  whole,
  yesNo,
} from '../shape/index.ts'
import { type StepSheet, sheetOfShape, stepSheetShape } from '../sheet/index.ts'
import { type Amount, amountShape } from './amounts.ts'
import { cautionIds } from './cautions.ts'
import { type Check, checkShape } from './checks.ts'
import type { Hazard } from './hazards.ts'
import { poursShape } from './impressions.ts'
import { type CheckMeaning, stepMeanings } from './meanings.ts'
import { type Picture, pictureShape } from './pictures.ts'
import type { PlanFacts } from './plan-facts.ts'

/** The part of the workshop a step belongs to, in the order of the house. */
export const stages = [
  'receive',
  'pour',
  'trim',
  'mount',
  'setUp',
  'wax',
  'invest',
  'burnOut',
  'cast',
  'clinic',
  'flask',
  'pack',
  'cure',
  'deflask',
  'remount',
  'recover',
  'finish',
  'polish',
  'fire',
  'check',
  'document',
  'deliver',
] as const
export type Stage = (typeof stages)[number]

/** Attended: hands on. Unattended: waits by itself. Machine: a timed program. Clinic: the case is away. */
const stepKinds = ['attended', 'unattended', 'machine', 'clinic'] as const
export type StepKind = (typeof stepKinds)[number]

/** The machines that work of a step may lie in. */
export const machineKinds = ['furnace', 'bath', 'kiln', 'sinter'] as const
export type MachineKind = (typeof machineKinds)[number]

/** The screens that work something out, in the order of the work; each may be opened by a step. */
export const instruments = [
  'mix',
  'trim',
  'mount',
  'survey',
  'setUp',
  'cast',
  'cure',
  'remount',
  'finish',
  'fire',
] as const
export type Instrument = (typeof instruments)[number]

const minutes = figure(0, 100_000)
const sentence = text(1000)
const source = text(500)

/**
 * How a mix moves the window that counts from it: `met`, from when its parts met and no more; `set`, all of it by its setting
 * time; `separate`, never opening sooner than the card says, since strength needs its time; `dough`, by the stages of its dough; `furnace`, by the minutes from contact to furnace of an
 * investment that is marked for a hot one, else as `separate`.
 */
export const mixPaces = ['met', 'set', 'separate', 'dough', 'furnace'] as const
const ofMixShape = record({ stepId: id(), pace: choice(mixPaces) })
export type OfMix = Of<typeof ofMixShape>

/** What can still be done when a window is past: a step to do again, and why. */
const ifPastShape = record({ toStepId: id(), say: sentence })

const ofAnyWindow = {
  /** The mix it counts from, once that is on record. */
  ofMix: maybe(ofMixShape),
  /** The check whose reading it counts from, at each tooth its own. */
  ofCheck: maybe(record({ stepId: id(), checkId: id() })),
  ifPast: maybe(ifPastShape),
}

/** When a running step may be ended, minutes after its start or after the mix it names. Past the latest it wants a reason. */
const waitWindowShape = record({
  earliestMinutes: minutes,
  /** End of the good time; then it is getting late. */
  bestMinutes: minutes,
  latestMinutes: maybe(minutes),
  /** A flask cools in it, this way: once the cure is on record it opens when that mould is cold by the model. */
  cools: maybe(choice(coolings)),
  /** Of former versions, where only some windows wanted a reason. */
  hard: maybe(yesNo()),
  /** The disinfection of the step: its contact time counts from that entry. */
  contactOf: maybe(id()),
  ...ofAnyWindow,
  early: sentence,
  late: sentence,
  source,
})
export type WaitWindow = Of<typeof waitWindowShape>

/** When a step must be started, minutes after another one was finished or after the mix it names. */
const startWindowShape = record({
  afterStepId: id(),
  ...ofAnyWindow,
  earliestMinutes: maybe(minutes),
  bestMinutes: minutes,
  latestMinutes: maybe(minutes),
  early: maybe(sentence),
  late: sentence,
  source,
})

const plannedCutsShape = record({
  of: sheetOfShape,
  arch: choice(['upper', 'lower']),
  cuts: list(text(40), 20),
  /** The cut to height. */
  base: maybe(yesNo()),
})

/** One step of a route. The durations are plans, not limits. */
const stepShape = record({
  id: id(),
  name: text(120),
  stage: choice(stages),
  kind: choice(stepKinds),
  /** Short instructions, in the order of the hands. */
  how: list(sentence, 30),
  why: sentence,
  handsOnMinutes: minutes,
  /** Usual time by itself after the hands have left it. */
  waitMinutes: maybe(minutes),
  wait: maybe(waitWindowShape),
  startWindow: maybe(startWindowShape),
  /** The impressions that it pours, each with a clock of its own from the mouth. */
  pours: maybe(poursShape),
  amounts: maybe(list(amountShape, 30)),
  checks: maybe(list(checkShape, 30)),
  sheets: maybe(list(stepSheetShape, 10)),
  /** Of a step at the clinic: the sheet that says when the case is due back. */
  dueBackOf: maybe(sheetOfShape),
  /** Cuts of a stored trim plan that this step makes, by their names there. */
  plannedCuts: maybe(plannedCutsShape),
  cautions: maybe(list(choice(cautionIds), 20)),
  /** Why it may be left out; a step without this can never be skipped. */
  mayBeSkipped: maybe(sentence),
  /** It may be left out only where a trim plan adds to no base, or where another step was left out. */
  skippedOnly: maybe(
    byTag('where', {
      noRebase: record({ planOf: sheetOfShape }),
      leftOut: record({ stepId: id() }),
    }),
  ),
  /** Stays done when the route goes back past it; only a remake opens it again. */
  onlyOnce: maybe(yesNo()),
  /** What it looks like. */
  picture: maybe(pictureShape),
  /** The screen that works its figures out, and which part of it. */
  instrument: maybe(record({ opens: choice(instruments), view: maybe(text(40)) })),
  /** The machine in which its work lies. */
  machine: maybe(choice(machineKinds)),
  /** What it is to those who read the record. */
  means: maybe(choice(stepMeanings)),
  /** Steps beside it that must be finished before it may end. */
  endsAfter: maybe(list(id(), 10)),
  /** The steps that must be finished first; in a built route never missing. */
  after: list(id(), 30),
})
export type RouteStep = Of<typeof stepShape>

/** A route copied into a case: a template with its choices made. Never changed afterwards. */
export const routeShape = record({
  templateId: id(),
  templateVersion: whole(1, 10_000),
  name: text(200),
  choices: named(text(80), 60),
  /** A cast or a mounting: nobody wears it, and it is no custom-made device. */
  noDevice: maybe(yesNo()),
  steps: list(stepShape, 300, 1),
})
export type Route = Of<typeof routeShape>

/** Under which choices a part of a template stands: for every matter named, one of the choices. */
export interface Conditional {
  readonly when?: Readonly<Record<string, readonly string[]>>
}

/** A step as written in a template: it may stand only under some variants, and follow the step above it. */
export interface TemplateStep
  extends Omit<RouteStep, 'after' | 'cautions' | 'checks' | 'amounts' | 'sheets'>,
    Conditional {
  readonly after?: readonly string[]
  /** What is in the hand or near it: its cautions follow from that, its materials and its machine. */
  readonly uses?: readonly Hazard[]
  /** For the plan of the lab alone: it is looked up here, not copied into a case. */
  readonly plan?: PlanFacts
  /** Instructions that only some variants need, put behind the others. */
  readonly howWhen?: readonly (Conditional & { readonly say: string })[]
  readonly checks?: readonly (Check & Conditional)[]
  readonly amounts?: readonly (Amount & Conditional)[]
  readonly sheets?: readonly (StepSheet & Conditional)[]
}

/** A matter on which practitioners differ, or the arch. */
export interface Matter {
  readonly id: string
  readonly name: string
  /** Each may stand only beside some choices of the matters above it. */
  readonly choices: readonly ({ readonly id: string; readonly name: string } & Conditional)[]
  readonly usual: string
  readonly why: string
  /** The prescription decides it, not the lab: it is asked for when a case is taken in. */
  readonly prescribed?: boolean
}

export interface RouteTemplate {
  readonly id: string
  readonly version: number
  readonly name: string
  /** Working days usually given for it (choice); the clinic's own date is what counts. */
  readonly usualDays: number
  /** The teeth that it cannot be made without. */
  readonly teeth?: { readonly least: number; readonly say: string }
  /** A cast or a mounting: nobody wears it, and it is no custom-made device. */
  readonly noDevice?: true
  readonly matters: readonly Matter[]
  /** What the steps of a stage look like, where they do not say so themselves. */
  readonly pictures: Readonly<Partial<Record<Stage, Picture>>>
  /** What checks meant that earlier versions had, by their id. */
  readonly formerMeanings?: Readonly<Record<string, CheckMeaning>>
  readonly steps: readonly TemplateStep[]
}
