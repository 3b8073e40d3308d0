import type { Source } from '../materials/index.ts'
import type { QuantityKind } from '../quantity/index.ts'
import type { CautionId } from './cautions.ts'
import type { Outcome } from './outcome.ts'
import type { SheetOf, StepSheet } from './step-sheet.ts'

export type { Outcome } from './outcome.ts'

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
  'check',
  'document',
  'deliver',
] as const
export type Stage = (typeof stages)[number]

/** Attended: hands on. Unattended: waits by itself. Machine: a timed program. Clinic: the case is away. */
export type StepKind = 'attended' | 'unattended' | 'machine' | 'clinic'

interface CheckBase {
  readonly id: string
  readonly name: string
  /** How to look or measure. */
  readonly how: string
  readonly source: Source
  /** In a pair, asked once for each arch. */
  readonly perArch?: boolean
  /** How many readings must be on record, the last of which counts; 1 when not given. */
  readonly readings?: number
}

/** A number against limits, both inclusive. */
export interface MeasureCheck extends CheckBase {
  readonly kind: 'measure'
  readonly quantity: QuantityKind
  readonly min?: number
  readonly max?: number
  readonly below?: Outcome
  readonly above?: Outcome
  /** The device that reads it, where one is connected. */
  readonly readBy?: 'press'
  /** What can be real at all; anything else is a slip of the hand and is refused. */
  readonly plausible: { readonly min: number; readonly max: number }
}

/** A look or a touch with a fixed set of answers. */
export interface ObserveCheck extends CheckBase {
  readonly kind: 'observe'
  readonly answers: readonly { readonly answer: string; readonly outcome: Outcome }[]
}
export type Check = MeasureCheck | ObserveCheck

interface AmountBase {
  readonly id: string
  readonly materialId: string
  readonly perArch?: boolean
  readonly note?: string
  readonly source: Source
}
/** Powder weighed, liquid by the ratio of the card or the one given here. */
export interface MixAmount extends AmountBase {
  readonly kind: 'mix'
  readonly powderGrams: number
  readonly millilitresPerGram?: number
}
/** Counted parts, as scoops or equal lengths. */
export interface PartsAmount extends AmountBase {
  readonly kind: 'parts'
  readonly powderParts: number
}
/** Something used up whose lot is recorded, not mixed: a set of teeth, a sheet of wax. */
export interface UseAmount extends AmountBase {
  readonly kind: 'use'
  readonly count: number
  readonly unit: string
}
export type Amount = MixAmount | PartsAmount | UseAmount

/** When a running step may be ended, minutes after its start. */
export interface WaitWindow {
  readonly earliestMinutes: number
  /** End of the good time; then it is getting late. */
  readonly bestMinutes: number
  readonly latestMinutes?: number
  /** Past the latest it is ended only with a reason: the harm is done by then. */
  readonly hard?: boolean
  readonly early: string
  readonly late: string
  readonly source: Source
}

/** When a step must be started, minutes after another one was finished. */
export interface StartWindow {
  readonly afterStepId: string
  readonly earliestMinutes?: number
  readonly bestMinutes: number
  readonly latestMinutes?: number
  readonly early?: string
  readonly late: string
  readonly source: Source
}

/** One step of a route. The durations are plans, not limits. */
export interface RouteStep {
  readonly id: string
  readonly name: string
  readonly stage: Stage
  readonly kind: StepKind
  /** Short instructions, in the order of the hands. */
  readonly how: readonly string[]
  readonly why: string
  readonly handsOnMinutes: number
  /** Usual time by itself after the hands have left it. */
  readonly waitMinutes?: number
  readonly wait?: WaitWindow
  readonly startWindow?: StartWindow
  readonly amounts?: readonly Amount[]
  readonly checks?: readonly Check[]
  readonly sheets?: readonly StepSheet[]
  /** Of a step at the clinic: the sheet that says when the case is due back. */
  readonly dueBackOf?: SheetOf
  /** Cuts of a stored trim plan that this step makes, by their names there; `base`: the cut to height. */
  readonly plannedCuts?: {
    readonly of: SheetOf
    readonly arch: 'upper' | 'lower'
    readonly cuts: readonly string[]
    readonly base?: boolean
  }
  readonly cautions?: readonly CautionId[]
  /** Why it may be left out; a step without this can never be skipped. */
  readonly mayBeSkipped?: string
  /** Stays done when the route goes back past it; only a remake opens it again. */
  readonly onlyOnce?: boolean
  /** The steps that must be finished first; in a built route never missing. */
  readonly after: readonly string[]
}

/** Under which choices a part of a template stands: for every matter named, one of the choices. */
export interface Conditional {
  readonly when?: Readonly<Record<string, readonly string[]>>
}

/** A step as written in a template: it may stand only under some variants, and follow the step above it. */
export interface TemplateStep
  extends Omit<RouteStep, 'after' | 'checks' | 'amounts' | 'sheets'>,
    Conditional {
  readonly after?: readonly string[]
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
  readonly choices: readonly { readonly id: string; readonly name: string }[]
  readonly usual: string
  readonly why: string
  /** The prescription decides it, not the lab: it is asked for when a case is taken in. */
  readonly prescribed?: boolean
}

export interface RouteTemplate {
  readonly id: string
  readonly version: number
  readonly name: string
  readonly matters: readonly Matter[]
  readonly steps: readonly TemplateStep[]
}

/** The matter under which a template says for which arch it is. */
export const ARCH_MATTER = 'arch'

/** A route copied into a case: a template with its choices made. Never changed afterwards. */
export interface Route {
  readonly templateId: string
  readonly templateVersion: number
  readonly name: string
  readonly choices: Readonly<Record<string, string>>
  readonly steps: readonly RouteStep[]
}
