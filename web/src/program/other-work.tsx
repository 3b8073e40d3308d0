import type { MachineRunShown } from '@yentrik/contract'
import type { MachineKind } from '@yentrik/core'
import { useAnswer } from '../live/queries.ts'
import type { ForCase } from '../record/IntoRecord.tsx'

interface Work {
  readonly caseId: string
  readonly jobId: string
  readonly stepId: string
  readonly docket: string
  readonly jobName: string
  readonly name: string
}
export const workKey = ({ caseId, jobId }: { readonly caseId: string; readonly jobId: string }) =>
  `${caseId} ${jobId}`

/** Other work that waits for a machine of a kind: its step is started, and it lies in none yet. */
export function useOtherWork(
  kind: MachineKind,
  forCase: ForCase | undefined,
  runs: readonly MachineRunShown[],
): readonly Work[] {
  const { data } = useAnswer('GET /bench')
  return (data?.work ?? []).filter((entry) => {
    const { caseId, jobId, machine, running, startedAt = 0 } = entry
    const own = caseId === forCase?.caseId && jobId === forCase.job.jobId
    if (!running || machine !== kind || own) return false
    return !runs.some(
      (run) =>
        Date.parse(run.startedAt) >= startedAt && run.loads.some((load) => workKey(load) === workKey(entry)),
    )
  })
}

/** Which of it goes in along with this. */
export function OtherWork({
  legend,
  works,
  words,
  ticked,
  onTicked,
}: {
  readonly legend: string
  readonly works: readonly Work[]
  readonly words: (work: Work) => string
  readonly ticked: readonly string[]
  readonly onTicked: (change: (old: readonly string[]) => readonly string[]) => void
}) {
  if (works.length === 0) return null
  return (
    <fieldset className="grid gap-1">
      <legend className="font-semibold">{legend}</legend>
      {works.map((other) => {
        const key = workKey(other)
        return (
          <label key={key} className="flex min-h-11 items-center gap-3">
            <input
              type="checkbox"
              className="checkbox"
              checked={ticked.includes(key)}
              onChange={() =>
                onTicked((old) => (old.includes(key) ? old.filter((each) => each !== key) : [...old, key]))
              }
            />
            <span>
              <b>{other.docket}</b> {words(other)}
            </span>
          </label>
        )
      })}
    </fieldset>
  )
}

/** The loads of what was ticked. */
export const loadsAlong = (works: readonly Work[], ticked: readonly string[]) =>
  works
    .filter((other) => ticked.includes(workKey(other)))
    .map(({ caseId, jobId, stepId }) => ({ caseId, jobId, stepId }))
