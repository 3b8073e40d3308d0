import { buildRoute, routeTemplates, type TemperatureProgram } from '@yentrik/core'
import { useState } from 'react'
import type { Bench } from '../bench/bench-store.ts'
import type { ForCase } from '../case/IntoRecord.tsx'
import { api } from '../live/api.ts'
import { useFetched } from '../live/live-store.ts'
import { useAsking } from '../live/use-asking.ts'
import { TextField } from '../parts/TextField.tsx'
import { Told } from '../parts/Told.tsx'
import { MachineSelect, useMachineChoice } from '../program/MachineChoice.tsx'
import type { MachineRun } from '../program/use-machine-runs.ts'
import { cureStepId } from './use-cure.ts'

type Load = MachineRun['loads'][number]
const keyOf = ({ caseId, jobId }: Load) => `${caseId} ${jobId}`

/** Other work that stands before its cure: its step is started, and it lies in no bath yet. */
function useOtherFlasks(forCase: ForCase | undefined, runs: readonly MachineRun[]) {
  const { data } = useFetched<Bench>('/bench')
  return (data?.running ?? []).filter((entry) => {
    const { caseId, jobId, stepId, running, route, startedAt = 0 } = entry
    const template = running && routeTemplates.get(route.templateId)
    if (!template || (caseId === forCase?.caseId && jobId === forCase.job.jobId)) return false
    const step = buildRoute(template, route.choices).steps.find(({ id }) => id === stepId)
    const lies = runs.some(
      (run) =>
        Date.parse(run.startedAt) >= startedAt && run.loads.some((load) => keyOf(load) === keyOf(entry)),
    )
    return !lies && step?.sheets?.some(({ kind }) => kind === 'cure')
  })
}

/**
 * Switches the bath on, for one flask or several. Against advice only with a reason, which goes into the record, and for
 * this case alone: nobody has given a reason for the others.
 */
export function StartBath({
  program,
  bad,
  reason,
  onReason,
  forCase,
}: {
  program: TemperatureProgram
  bad: boolean
  reason: string
  onReason: (reason: string) => void
  forCase?: ForCase
}) {
  const choice = useMachineChoice('bath')
  const { runs, machine } = choice
  const others = useOtherFlasks(forCase, runs)
  const [ticked, setTicked] = useState<readonly string[]>([])
  const { told, tell, asking } = useAsking()
  const stepId = forCase && cureStepId(forCase.job)
  const running = stepId !== undefined && forCase?.job.steps[stepId]?.status === 'running'
  const start = () => {
    if (bad && forCase && reason.trim() === '') return tell('Write down why it is run all the same.')
    const own = running && forCase ? [{ caseId: forCase.caseId, jobId: forCase.job.jobId, stepId }] : []
    const along = others
      .filter((other) => !bad && ticked.includes(keyOf(other)))
      .map((other) => ({ caseId: other.caseId, jobId: other.jobId, stepId: other.stepId }))
    return asking(async () => {
      await api('/machine-runs', {
        body: { kind: 'bath', machine, program, loads: [...own, ...along] },
      })
      // Only what really runs is noted: the bath may be refused, as one that is on already.
      if (bad && forCase && stepId) {
        const text = `The bath is run against advice: ${reason.trim()}`
        await forCase.hand.give({ type: 'note', jobId: forCase.job.jobId, stepId, text })
      }
    })
  }
  return (
    <div className="grid gap-2">
      {bad && forCase && <TextField label="Why all the same" text={reason} onText={onReason} />}
      {!bad && others.length > 0 && (
        <fieldset className="grid gap-1">
          <legend className="font-semibold">Also in this bath</legend>
          {others.map((other) => {
            const key = keyOf(other)
            return (
              <label key={key} className="flex min-h-11 items-center gap-3">
                <input
                  type="checkbox"
                  className="checkbox"
                  checked={ticked.includes(key)}
                  onChange={() =>
                    setTicked((old) =>
                      old.includes(key) ? old.filter((each) => each !== key) : [...old, key],
                    )
                  }
                />
                <span>
                  <b>{other.docket}</b> {other.jobName}, its own cure: {other.name.toLowerCase()}
                </span>
              </label>
            )
          })}
        </fieldset>
      )}
      <MachineSelect label="Bath" choice={choice} />
      <button
        type="button"
        className={`${bad ? 'act btn-error' : 'act-main'} justify-self-start`}
        onClick={() => void start()}
      >
        {bad ? `Start ${machine} all the same` : `Start ${machine} now`}
      </button>
      {told && <Told tone="error">{told}</Told>}
    </div>
  )
}
