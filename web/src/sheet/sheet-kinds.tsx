import type { SheetKind } from '@yentrik/core'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { BurnoutEntry } from '../casting/BurnoutEntry.tsx'
import { ButtonEntry, ChargeEntry } from '../casting/ChargeEntry.tsx'
import { FiringEntry } from '../ceramic/FiringEntry.tsx'
import { DensityEntry, EnlargementEntry } from '../ceramic/SizeEntries.tsx'
import { ClosuresEntry } from '../curing/ClosuresEntry.tsx'
import { CureEntry } from '../curing/CureEntry.tsx'
import { WheelEntry } from '../finishing/WheelEntry.tsx'
import { RegionsEntry } from '../inspection/RegionsEntry.tsx'
import type { SheetEntryProps } from '../record/sheet-entry.ts'
import { SawPlanEntry } from '../recovery/SawPlanEntry.tsx'
import { TeethSetEntry } from '../setup/TeethSetEntry.tsx'
import { SurveyEntry } from '../survey/SurveyEntry.tsx'
import { GroovesEntry } from '../waxing/GroovesEntry.tsx'
import { RoomEntry } from '../waxing/RoomEntry.tsx'
import { DisinfectionEntry, EnclosuresEntry, ReleaseEntry } from './DeliveryEntries.tsx'
import { DispatchEntry, PartsEntry, PlacesEntry } from './LinesEntry.tsx'
import { MountingEntry } from './MountingEntry.tsx'
import { TryInEntry } from './TryInEntry.tsx'

/** A kind of sheet on the screen. */
interface SheetKindShown<K extends SheetKind> {
  /** Where it is filled in: in the step itself, or by a link to its instrument. */
  readonly Entry: (props: SheetEntryProps<K>) => ReactNode
  /** Where a stored one can be looked at again. */
  readonly again?: {
    readonly words: string
    readonly to: (on: SheetPlace) => string
    /** Offered in the step too, beside its entry. */
    readonly beside?: true
  }
}
/** Where a sheet stands in a case. */
interface SheetPlace {
  readonly caseId: string
  readonly jobId: string
  readonly stepId: string
  readonly sheetId: string
}

/** Every kind of sheet, as it is entered and looked at. */
export const sheetKindsShown: { readonly [K in SheetKind]: SheetKindShown<K> } = {
  parts: { Entry: PartsEntry },
  places: { Entry: PlacesEntry },
  dispatch: { Entry: DispatchEntry },
  tryInAnswer: { Entry: TryInEntry },
  disinfection: { Entry: DisinfectionEntry },
  enclosures: { Entry: EnclosuresEntry },
  release: { Entry: ReleaseEntry },
  teethSet: { Entry: TeethSetEntry },
  room: { Entry: RoomEntry },
  grooves: { Entry: GroovesEntry },
  remount: {
    Entry: onInstrument(onRemount, 'Open the remount', 'Look at the remount again'),
    again: { words: 'The marks and rounds', to: onRemount },
  },
  regions: { Entry: RegionsEntry },
  sawPlan: { Entry: SawPlanEntry },
  wheel: { Entry: WheelEntry },
  survey: { Entry: SurveyEntry },
  stainPlan: {
    Entry: onInstrument(onFire('plan'), 'Plan the stains', 'Look at the plan again'),
    again: { words: 'The plan in its colours', to: onFire('plan') },
  },
  firing: { Entry: FiringEntry },
  shadeReading: { Entry: onInstrument(onFire('read'), 'Read the colour', 'Read it again') },
  enlargement: { Entry: EnlargementEntry },
  density: { Entry: DensityEntry },
  burnout: { Entry: BurnoutEntry },
  cure: { Entry: CureEntry },
  closures: { Entry: ClosuresEntry },
  charge: { Entry: ChargeEntry },
  button: { Entry: ButtonEntry },
  mounting: {
    Entry: MountingEntry,
    again: { words: 'What the pin and the guides do', to: onMount, beside: true },
  },
  prescription: {
    Entry: onInstrument(onSetUp, 'Measure the rim', 'Look at the rim again'),
    again: { words: 'The rim in a drawing', to: onSetUp },
  },
  setUpPlan: {
    Entry: onInstrument(onSetUp, 'Open the set-up planner', 'Look at the plan again'),
    again: { words: 'The whole plan', to: onSetUp },
  },
  setUp: {
    Entry: onInstrument(onSetUp, 'Measure the teeth', 'Measure the teeth again'),
    again: { words: 'The set-up in a drawing', to: onSetUp },
  },
  trimPlan: {
    Entry: onInstrument(onTrim('plan'), 'Open the trim planner', 'Look at the plan again'),
    again: { words: 'The whole plan', to: onTrim('plan') },
  },
  finishedPair: { Entry: onInstrument(onTrim('pair'), 'Enter what you read', 'Read it again') },
}

const query = ({ caseId, jobId, sheetId }: SheetPlace) => `case=${caseId}&job=${jobId}&sheet=${sheetId}`
function onMount(place: SheetPlace): string {
  return `/mount?${query(place)}&step=${place.stepId}`
}
function onFire(view: string) {
  return (place: SheetPlace) => `/fire?case=${place.caseId}&job=${place.jobId}&view=${view}`
}
function onRemount(place: SheetPlace): string {
  return `/remount?${query(place)}&step=${place.stepId}`
}
function onSetUp(place: SheetPlace): string {
  return `/set-up?${query(place)}&step=${place.stepId}`
}
function onTrim(what: 'plan' | 'pair') {
  return (place: SheetPlace) => `/trim?${query(place)}&${what}=${place.stepId}`
}

/** A sheet that is filled in on the screen of its instrument. */
function onInstrument(to: (place: SheetPlace) => string, first: string, again: string) {
  return <K extends SheetKind>({ sheet, last, caseId, job, step }: SheetEntryProps<K>) => (
    <Link
      className={last ? 'act' : 'act-main'}
      to={to({ caseId, jobId: job.jobId, stepId: step.id, sheetId: sheet.id })}
    >
      {last ? again : first}
    </Link>
  )
}
