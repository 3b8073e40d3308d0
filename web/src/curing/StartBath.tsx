import { buildRoute, routeTemplates, type TemperatureProgram } from '@yentrik/core'
import { useState } from 'react'
import type { Bench } from '../bench/bench-store.ts'
import type { ForCase } from '../case/IntoRecord.tsx'
import { ApiError, api } from '../live/api.ts'
import { useFetched } from '../live/live-store.ts'
import { TextField } from '../parts/TextField.tsx'
import { Told } from '../parts/Told.tsx'
import { type MachineRun, useMachineRuns } from '../program/use-machine-runs.ts'
import { cureStepId } from './use-cure.ts'

const BATHS = ['Bath 1', 'Bath 2', 'Bath 3']
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
  const runs = useMachineRuns()
  const others = useOtherFlasks(forCase, runs)
  const [ticked, setTicked] = useState<readonly string[]>([])
  const [told, setTold] = useState<string>()
  const stepId = forCase && cureStepId(forCase.job)
  const running = stepId !== undefined && forCase?.job.steps[stepId]?.status === 'running'
  const busy = runs.filter(({ stoppedAt }) => stoppedAt === null)
  const machine = BATHS.find((name) => !busy.some((run) => run.machine === name)) ?? BATHS[0]!
  const start = async () => {
    if (bad && forCase && reason.trim() === '') return setTold('Write down why it is run all the same.')
    try {
      setTold(undefined)
      if (bad && forCase && stepId) {
        const text = `The bath is run against advice: ${reason.trim()}`
        await forCase.hand.give({ type: 'note', jobId: forCase.job.jobId, stepId, text })
      }
      const own = running && forCase ? [{ caseId: forCase.caseId, jobId: forCase.job.jobId, stepId }] : []
      const along = others
        .filter((other) => !bad && ticked.includes(keyOf(other)))
        .map((other) => ({ caseId: other.caseId, jobId: other.jobId, stepId: other.stepId }))
      await api('/machine-runs', {
        body: { kind: 'bath', machine, program, loads: [...own, ...along] },
      })
    } catch (error) {
      setTold(error instanceof ApiError ? error.message : String(error))
    }
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
