import type { TemperatureProgram } from '@yentrik/core'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { TextField } from '../parts/TextField.tsx'
import { MachineSelect, useMachineChoice } from '../program/MachineChoice.tsx'
import { loadsAlong, OtherWork, useOtherWork } from '../program/other-work.tsx'
import { loadsOf } from '../program/use-machine-runs.ts'
import type { ForCase } from '../record/IntoRecord.tsx'
import { cureStepOf } from './use-cure.ts'

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
  const others = useOtherWork('bath', forCase, runs)
  const [ticked, setTicked] = useDraft<readonly string[]>(
    `bath with ${forCase?.openCase.caseId ?? ''}`,
    () => [],
  )
  const { refusal, refuse, run } = useRequest()
  const step = cureStepOf(forCase?.job)
  const start = () => {
    if (bad && forCase && reason.trim() === '') return refuse('Write down why it is run all the same.')
    const own = forCase ? loadsOf(forCase, 'bath') : []
    const along = bad ? [] : loadsAlong(others, ticked)
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
      {!bad && (
        <OtherWork
          legend="Also in this bath"
          works={others}
          words={({ jobName, name }) => `${jobName}, its own cure: ${name.toLowerCase()}`}
          ticked={ticked}
          onTicked={setTicked}
        />
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
