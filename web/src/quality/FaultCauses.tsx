import {
  type Findings,
  faultsWithCauses,
  type JobState,
  type RankedCause,
  type RouteStep,
  type Standing,
  saying,
} from '@yentrik/core'
import { useAnswer } from '../live/queries.ts'
import { Message } from '../parts/Message.tsx'
import { Said } from '../preferences/words.tsx'

/** What this lab has found of each fault; nothing until it is known. */
export function useFindings(): (place: string, fault: string) => Findings | undefined {
  const { data = [] } = useAnswer('GET /quality/findings')
  return (place, fault) => data.find((each) => each.place === place && each.fault === fault)?.found
}

export const standingWords: Readonly<Record<Standing, string>> = {
  supported: 'The record speaks for it',
  unknown: 'Nothing on record',
  against: 'The record speaks against it',
}

/** What may have caused the faults that this step has found, by the evidence of this case. */
export function FaultCauses({ job, step }: { job: JobState; step: RouteStep }) {
  // Only where a fault was found is it asked what this lab knows of it.
  return faultsWithCauses(job, step).length > 0 ? <Listed job={job} step={step} /> : null
}

function Listed({ job, step }: { job: JobState; step: RouteStep }) {
  const found = faultsWithCauses(job, step, useFindings()).map(({ seen: { where, fault }, causes }) => ({
    title: `${where}: ${fault.toLowerCase()}`,
    causes,
  }))
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

function Cause({ name, standing, words, change, found }: RankedCause) {
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
        {standingWords[standing]}
        {found && `; found ${found.count} of ${found.of} here`}. {change}
      </p>
    </li>
  )
}
