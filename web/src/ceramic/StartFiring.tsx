import type { MachineRunShown } from '@yentrik/contract'
import { fireAt, programMinutes, type RouteStep, type TemperatureProgram } from '@yentrik/core'
import { dayAndTime, duration } from '../format/format.ts'
import { useNow } from '../live/lab-clock.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { MachineSelect, type useMachineChoice } from '../program/MachineChoice.tsx'
import { occupied } from '../program/occupied.ts'
import { loadsAlong, OtherWork, useOtherWork } from '../program/other-work.tsx'
import { nextAt } from '../program/program-draft.ts'
import type { ForCase } from '../record/IntoRecord.tsx'
import type { FiringDraft } from './firing-draft.ts'

/** When it can go in and when it is ready; what is in the way. */
export function When({
  program,
  draft,
  machine,
  runs,
}: {
  program: TemperatureProgram
  draft: FiringDraft
  machine: string
  runs: readonly MachineRunShown[]
}) {
  const now = useNow()
  const readyBy = draft.readyBy.trim() === '' ? undefined : nextAt(draft.readyBy, now)
  const { from, to, inTheWay, late } = fireAt(now, program, occupied(runs, machine), readyBy)
  const soon = from <= now + 60_000
  return (
    <>
      <p className="text-lg">
        {soon ? 'In now, ready at' : 'In at'}{' '}
        <output className="figures text-6xl leading-none font-bold" aria-label={soon ? 'Ready at' : 'In at'}>
          {dayAndTime(soon ? to : from, now)}
        </output>{' '}
        {soon ? '' : `ready at ${dayAndTime(to, now)}, `}
        {duration(programMinutes(program) * 60_000)} in all
      </p>
      {inTheWay && <Message tone="warning">{`${inTheWay} is taken until then.`}</Message>}
      {late && readyBy !== undefined && (
        <Message tone="warning">{`That is after ${dayAndTime(readyBy, now)}: it cannot be ready by then.`}</Message>
      )}
    </>
  )
}

/** Puts the program on a furnace of the lab, with other work of the same class and program. */
export function StartFiring({
  kind,
  program,
  choice,
  forCase,
  found,
  runs,
}: {
  kind: 'kiln' | 'sinter'
  program: TemperatureProgram
  choice: ReturnType<typeof useMachineChoice>
  forCase?: ForCase
  found: { readonly step: RouteStep } | undefined
  runs: readonly MachineRunShown[]
}) {
  const { machine } = choice
  const { refusal, refuse, run } = useRequest()
  const others = useOtherWork(kind, forCase, runs)
  const [ticked, setTicked] = useDraft<readonly string[]>(`${kind} with ${forCase?.caseId ?? ''}`, () => [])
  const running = forCase && found && forCase.job.steps[found.step.id]?.status === 'running'
  const start = () => {
    if (forCase && !running) return refuse(`Start "${found?.step.name}" in the case first.`)
    const loads =
      forCase && found
        ? [
            { caseId: forCase.caseId, jobId: forCase.job.jobId, stepId: found.step.id },
            ...loadsAlong(others, ticked),
          ]
        : []
    return run(() => request('POST /machine-runs', { body: { kind, machine, program, loads } }))
  }
  return (
    <div className="grid gap-2">
      {forCase && (
        <OtherWork
          legend="Also in this furnace: of the same class and program alone"
          works={others}
          words={({ jobName, name }) => `${jobName}, ${name.toLowerCase()}`}
          ticked={ticked}
          onTicked={setTicked}
        />
      )}
      <div className="flex flex-wrap items-end gap-3">
        <MachineSelect label="Furnace" choice={choice} />
        <button type="button" className="act-main" onClick={() => void start()}>
          Start {machine} now
        </button>
      </div>
      {refusal && <Message tone="error" words={refusal} />}
    </div>
  )
}
