import type { Body } from '@yentrik/contract'
import {
  afterWorkingDays,
  buildRoute,
  DomainError,
  fittingChoices,
  mustHaveTeeth,
  parseTeeth,
  pouredBy,
  type RouteTemplate,
  routeTemplates,
  type ToothNotation,
  usualCalendar,
} from '@yentrik/core'
import type { Faults } from '../form/entry-form.ts'
import { labNow } from '../live/lab-clock.ts'
import { refusalWords } from '../parts/attempt.ts'
import { dateText, instantOf } from '../parts/date-entry.ts'
import { impressionsFault, impressionsOf, type TypedImpression } from './typed-impressions.ts'

/** A work authorisation as it is typed. */
export const emptyIntake = {
  templateId: 'study-cast',
  choices: {} as Readonly<Record<string, string>>,
  impressions: {} as Readonly<Record<string, TypedImpression>>,
  docket: '',
  clinic: '',
  prescriber: '',
  patientCode: '',
  patientAge: '',
  teeth: '',
  materials: '',
  shade: '',
  /** Empty: as many days as the job usually gets. */
  dueDay: '',
  dueTime: '12:00',
  /** Empty: none is to be tried in, or the day is not known. */
  tryInDay: '',
  enclosures: '',
  notes: '',
}
export type Intake = typeof emptyIntake

export const templateOf = ({ templateId }: Pick<Intake, 'templateId'>) =>
  routeTemplates.get(templateId) ?? routeTemplates.get(emptyIntake.templateId)!
export const prescribedOf = ({ matters }: RouteTemplate) => matters.filter(({ prescribed }) => prescribed)
/** The working days of the lab, 0 is Sunday; before they are known, the usual ones. */
export type Weekdays = readonly number[]
export const usualWeekdays: Weekdays = usualCalendar('UTC').weekdays
export const usualDueDay = (
  { usualDays }: Pick<RouteTemplate, 'usualDays'>,
  weekdays: Weekdays = usualWeekdays,
) => afterWorkingDays(dateText(labNow()), usualDays, { weekdays })

/** What the prescription decides, as it was chosen or as usual. */
export function choicesOf(typed: Intake): Readonly<Record<string, string>> {
  const template = templateOf(typed)
  const made = fittingChoices(template, typed.choices)
  return Object.fromEntries(prescribedOf(template).map(({ id }) => [id, made[id]!]))
}

/** The impressions that the job as chosen pours. */
export const pouredOf = (typed: Intake) => pouredBy(buildRoute(templateOf(typed), choicesOf(typed)))

/** When it is due; undefined: day or hour is no date. */
export const dueOf = (typed: Intake, weekdays: Weekdays) =>
  instantOf(typed.dueDay || usualDueDay(templateOf(typed), weekdays), typed.dueTime)

/** The try-in, at the hour at which the work is due; undefined: no day is entered, or it is none. */
const tryInOf = (typed: Intake) =>
  typed.tryInDay.trim() === '' ? undefined : instantOf(typed.tryInDay, typed.dueTime)

function tryInFault(typed: Intake, due: number | undefined) {
  if (typed.tryInDay.trim() === '') return undefined
  const at = tryInOf(typed)
  if (at === undefined) return 'Enter the day, or leave it empty.'
  return due !== undefined && at >= due ? 'It is not before the due date.' : undefined
}

/** What is wrong with it, by the entry. */
export function intakeFaults(
  typed: Intake,
  notation: ToothNotation,
  weekdays: Weekdays = usualWeekdays,
): Faults<Intake> {
  const age = typed.patientAge.trim()
  const docket = typed.docket.trim()
  const due = dueOf(typed, weekdays)
  return {
    clinic: typed.clinic.trim() === '' ? 'Enter the clinic.' : undefined,
    prescriber: typed.prescriber.trim() === '' ? 'Enter who prescribes.' : undefined,
    patientCode: typed.patientCode.trim() === '' ? 'Enter the code on the box, not a name.' : undefined,
    patientAge:
      age !== '' && (!/^\d{1,3}$/.test(age) || Number(age) > 130)
        ? 'Enter whole years, 0 to 130.'
        : undefined,
    docket:
      docket !== '' && !/^[A-Za-z0-9][A-Za-z0-9-]{0,23}$/.test(docket)
        ? 'Letters, digits and hyphens only, at most 24.'
        : undefined,
    dueDay:
      due === undefined
        ? 'Enter the day and time.'
        : due <= labNow()
          ? 'It is past. Enter the date the clinic wants it back.'
          : undefined,
    tryInDay: tryInFault(typed, due),
    teeth: teethFault(typed.teeth, notation, templateOf(typed)),
    impressions: impressionsFault(pouredOf(typed), typed.impressions),
  }
}

function teethFault(text: string, notation: ToothNotation, template: RouteTemplate) {
  try {
    mustHaveTeeth(template, parseTeeth(text, notation))
    return undefined
  } catch (error) {
    if (!(error instanceof DomainError)) throw error
    return refusalWords(error)
  }
}

/** What came along, one for each comma or line. */
export const enclosureLines = (text: string): readonly string[] =>
  text
    .split(/[,\n]/)
    .map((word) => word.trim())
    .filter((word) => word !== '')

/** The intake as it is sent. */
export function intakeOf(
  typed: Intake,
  notation: ToothNotation,
  weekdays: Weekdays = usualWeekdays,
): Body<'POST /cases'> {
  const optional = (text: string) => (text.trim() === '' ? undefined : text.trim())
  const template = templateOf(typed)
  const choices = choicesOf(typed)
  const named = prescribedOf(template).map(({ id, name, choices: all }) => {
    const choice = all.find((each) => each.id === choices[id])?.name.toLowerCase()
    // These say it by themselves: upper, against natural teeth.
    return id === 'arch' || id === 'opponent' ? choice : `${choice} ${name.toLowerCase()}`
  })
  const age = typed.patientAge.trim()
  return {
    docket: optional(typed.docket),
    authorisation: {
      clinic: typed.clinic.trim(),
      prescriber: typed.prescriber.trim(),
      patientCode: typed.patientCode.trim(),
      patientAge: age === '' ? undefined : Number(age),
      wanted: [template.name, ...named].join(', '),
      teeth: parseTeeth(typed.teeth, notation),
      materials: optional(typed.materials),
      shade: optional(typed.shade),
      dueAt: new Date(dueOf(typed, weekdays)!).toISOString(),
      tryInAt: tryInOf(typed) === undefined ? undefined : new Date(tryInOf(typed)!).toISOString(),
      enclosures: enclosureLines(typed.enclosures),
      notes: optional(typed.notes),
    },
    jobs: [
      { templateId: template.id, choices, impressions: impressionsOf(pouredOf(typed), typed.impressions) },
    ],
  }
}
