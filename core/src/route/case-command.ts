import type { DentistDecision, RecordedMix, WorkAuthorisation } from './case-event.ts'
import type { Route, RouteTemplate } from './route-template.ts'
import type { SheetData } from './step-sheet.ts'

interface OnStep {
  readonly jobId: string
  readonly stepId: string
}

/** What a person asks of a case. */
export type CaseCommand =
  | (OnStep & { readonly type: 'startStep'; readonly outOfTimeReason?: string })
  | (OnStep & { readonly type: 'finishStep'; readonly outOfTimeReason?: string })
  | (OnStep & { readonly type: 'skipStep'; readonly reason: string })
  | (OnStep & {
      readonly type: 'recordCheck'
      readonly checkId: string
      readonly value?: number
      readonly answer?: string
    })
  | (OnStep & RecordedMix & { readonly type: 'recordMix' })
  | (OnStep & { readonly type: 'recordSheet'; readonly sheetId: string; readonly sheet: SheetData })
  | {
      readonly type: 'goBack'
      readonly jobId: string
      readonly toStepId: string
      readonly remake: boolean
      readonly reason: string
    }
  | {
      readonly type: 'correct'
      readonly corrects: number
      readonly value?: number
      readonly answer?: string
      readonly powderGrams?: number
      readonly liquidMillilitres?: number
      readonly reason: string
    }
  | { readonly type: 'note'; readonly jobId?: string; readonly stepId?: string; readonly text: string }
  | {
      readonly type: 'swapVariant'
      readonly jobId: string
      readonly matter: string
      readonly choice: string
      readonly reason: string
    }
  | { readonly type: 'hold'; readonly reason: string }
  | { readonly type: 'release' }
  | {
      readonly type: 'askDentist'
      readonly jobId: string
      readonly stepId?: string
      readonly question: string
    }
  | {
      readonly type: 'dentistAnswered'
      readonly jobId: string
      readonly answer: string
      readonly decision: DentistDecision
      readonly toStepId?: string
    }
  | { readonly type: 'amend'; readonly changes: Partial<WorkAuthorisation>; readonly reason: string }

export interface CommandContext {
  /** ms since 1970. */
  readonly now: number
  readonly templates: ReadonlyMap<string, RouteTemplate>
  /** Keeps an immutable copy of a route and names it. */
  readonly routeIdOf: (route: Route) => string
}
