import type { MachineRunShown } from '@yentrik/contract'
import type { TemperatureProgram } from '@yentrik/core'
import { useAnswer } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { TextField } from '../parts/TextField.tsx'
import { MachineSelect, useMachineChoice } from '../program/MachineChoice.tsx'
import { loadsOf } from '../program/use-machine-runs.ts'
import type { ForCase } from '../record/IntoRecord.tsx'
import { cureStepOf } from './use-cure.ts'

const keyOf = ({ caseId, jobId }: { readonly caseId: string; readonly jobId: string }) => `${caseId} ${jobId}`

/** Other work that waits for a bath: its step is started, and it lies in none yet. */
function useOtherFlasks(forCase: ForCase | undefined, runs: readonly MachineRunShown[]) {
  const { data } = useAnswer('GET /bench')
  return (data?.work ?? []).filter((entry) => {
    const { caseId, jobId, machine, running, startedAt = 0 } = entry
    const own = caseId === forCase?.caseId && jobId === forCase.job.jobId
    if (!running || machine !== 'bath' || own) return false
    return !runs.some(
      (run) =>
        Date.parse(run.startedAt) >= startedAt && run.loads.some((load) => keyOf(load) === keyOf(entry)),
    )
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
  const [ticked, setTicked] = useDraft<readonly string[]>(
    `bath with ${forCase?.openCase.caseId ?? ''}`,
    () => [],
  )
  const { refusal, refuse, run } = useRequest()
  const step = cureStepOf(forCase?.job)
  const start = () => {
    if (bad && forCase && reason.trim() === '') return refuse('Write down why it is run all the same.')
    const own = forCase ? loadsOf(forCase, 'bath') : []
    const along = others
      .filter((other) => !bad && ticked.includes(keyOf(other)))
      .map((other) => ({ caseId: other.caseId, jobId: other.jobId, stepId: other.stepId }))
    return run(async () => {
      await request('POST /machine-runs', {
        body: { kind: 'bath', machine, program, loads: [...own, ...along] },
      })
      // Only what really runs is noted: the bath may be refused, as one that is on already.
      if (bad && forCase && step) {
        const text = `The bath is run against advice: ${reason.trim()}`
        await forCase.openCase.give({ type: 'note', jobId: forCase.job.jobId, stepId: step.id, text })
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
      {refusal && <Message tone="error" words={refusal} />}
    </div>
  )
}
