import {
  castingCauses,
  castingRecord,
  foundFaults,
  type JobState,
  processingCauses,
  processingRecord,
  type RankedCause,
  type RouteStep,
  type Standing,
  saying,
} from '@yentrik/core'
import { Message } from '../parts/Message.tsx'
import { Said } from '../preferences/words.tsx'

const standingWords: Readonly<Record<Standing, string>> = {
  supported: 'The record speaks for it',
  unknown: 'Nothing on record',
  against: 'The record speaks against it',
}

/** What may have caused the faults that this step has found, by the evidence of this case. */
export function FaultCauses({ job, step }: { job: JobState; step: RouteStep }) {
  const found = faultsOn(job, step).flatMap(({ place, where, fault, seenBy }) => {
    const casting = castingCauses(place, fault, castingRecord(job))
    const causes = casting.length > 0 ? casting : processingCauses(seenBy, fault, processingRecord(job))
    return causes.length > 0 ? [{ title: `${where}: ${fault.toLowerCase()}`, causes }] : []
  })
  if (found.length === 0) return null
  return (
    <section className="border-base-300 border-t pt-3" aria-label="What may have caused it">
      <h3 className="text-lg font-semibold">What may have caused it</h3>
      {found.map(({ title, causes }) => (
        <div key={title}>
          <h4 className="mt-1 font-semibold opacity-80">{title}</h4>
          <ol className="grid gap-2">
            {causes.map((cause) => (
              <Cause key={cause.name} {...cause} />
            ))}
          </ol>
        </div>
      ))}
    </section>
  )
}

function Cause({ name, standing, words, change }: RankedCause) {
  return (
    <li className={standing === 'against' ? 'opacity-75' : ''}>
      {standing === 'supported' ? (
        <Message tone="warning" words={saying`${name}. ${words}`} />
      ) : (
        <p>
          <b>{name}.</b> <Said words={words} />
        </p>
      )}
      <p className="text-sm">
        {standingWords[standing]}. {change}
      </p>
    </li>
  )
}

/** What was seen on this step: regions of the casting, or an answer of one of its checks. */
function faultsOn(job: JobState, step: RouteStep) {
  const state = job.steps[step.id]
  const regions = (step.sheets ?? []).flatMap((sheet) => {
    const last = state?.sheets.findLast(({ sheetId }) => sheetId === sheet.id)?.sheet
    if (sheet.kind !== 'regions' || sheet.drawing !== 'casting' || last?.kind !== 'regions') return []
    return foundFaults('casting', last.regions).map(({ region, fault }) => ({
      place: region.id,
      where: region.name,
      fault,
      seenBy: undefined,
    }))
  })
  const answers = (step.checks ?? []).flatMap((check) => {
    const answer = state?.readings.findLast(({ checkId }) => checkId === check.id)?.answer
    return answer === undefined
      ? []
      : [{ place: check.id, where: check.name, fault: answer, seenBy: check.means }]
  })
  return [...regions, ...answers]
}
