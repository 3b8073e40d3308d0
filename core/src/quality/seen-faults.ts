import { type JobState, startedAt } from '../case/index.ts'
import { foundFaults } from '../inspection/index.ts'
import { DomainError } from '../refusal/index.ts'
import type { CheckMeaning, RouteStep } from '../route/index.ts'
import { castingCauseNames, castingCauses } from './casting-faults.ts'
import { castingRecord } from './casting-record.ts'
import type { Findings, RankedCause } from './causes.ts'
import { processingCauseNames, processingCauses, processingRecord } from './processing-faults.ts'

/** A fault as a step has found it: at a region of a casting, or as an answer of one of its checks. */
export interface SeenFault {
  readonly place: string
  /** In words. */
  readonly where: string
  readonly fault: string
  /** What the check means that saw it. */
  readonly seenBy?: CheckMeaning
}

/** The step that runs and was begun last: where something was found; undefined: none runs. */
export function lastBegun(job: JobState): RouteStep | undefined {
  return job.route.steps
    .filter(({ id }) => job.steps[id]!.status === 'running')
    .sort((one, other) => startedAt(job.steps[one.id])!.localeCompare(startedAt(job.steps[other.id])!))
    .at(-1)
}

/** What a step has found of the present attempt. */
export function seenFaults(job: JobState, step: RouteStep): readonly SeenFault[] {
  const state = job.steps[step.id]
  const regions = (step.sheets ?? []).flatMap((sheet) => {
    const last = state?.sheets.findLast(({ sheetId }) => sheetId === sheet.id)?.sheet
    if (sheet.kind !== 'regions' || sheet.drawing !== 'casting' || last?.kind !== 'regions') return []
    return foundFaults('casting', last.regions).map(({ region, fault }) => ({
      place: region.id,
      where: region.name,
      fault,
    }))
  })
  const answers = (step.checks ?? []).flatMap((check) => {
    const answer = state?.readings.findLast(({ checkId }) => checkId === check.id)?.answer
    return answer === undefined
      ? []
      : [
          {
            place: check.id,
            where: check.name,
            fault: answer,
            ...(check.means ? { seenBy: check.means } : {}),
          },
        ]
  })
  return [...regions, ...answers]
}

/**
 * What may have caused a fault, by this case's own record.
 * @param found how often each cause was found in this lab; it orders within what the record says alike
 */
export function causesOf(
  job: JobState,
  { place, fault, seenBy }: SeenFault,
  found?: Findings,
): readonly RankedCause[] {
  const casting = castingCauses(place, fault, castingRecord(job), found)
  return casting.length > 0 ? casting : processingCauses(seenBy, fault, processingRecord(job), found)
}

/** What a job was sent back for, with what may have caused it; empty where the fault finder knows nothing of it. */
export function faultsWithCauses(
  job: JobState,
  step: RouteStep | undefined,
  findings: (place: string, fault: string) => Findings | undefined = () => undefined,
): readonly { readonly seen: SeenFault; readonly causes: readonly RankedCause[] }[] {
  if (!step) return []
  return seenFaults(job, step).flatMap((seen) => {
    const causes = causesOf(job, seen, findings(seen.place, seen.fault))
    return causes.length > 0 ? [{ seen, causes }] : []
  })
}

/** What lies with the clinic, whichever step it was found at. */
export const CLINIC_CAUSE = "The clinic's impression, order or answer"
/** Where the fault finder has no list (common practice). */
export const usualCauses: readonly string[] = [
  'A slip of the hand',
  'The material',
  'The machine or the tool',
  CLINIC_CAUSE,
  'Another way than the route says',
]

/** @throws {DomainError} `cause-unknown` */
export function mustBeKnownCause({ cause }: { readonly cause: string }): void {
  const known = ['other', 'notFound', ...usualCauses, ...castingCauseNames, ...processingCauseNames]
  if (!known.includes(cause))
    throw new DomainError(
      'cause-unknown',
      `"${cause}" is no cause on the list.`,
      'Choose one of the list, or "another" with words of your own.',
      'cause',
    )
}
