import { firingMachine, judgeFiring, type MeasuredPoint, programMinutes } from '@yentrik/core'
import { attempt } from '../parts/attempt.ts'
import { useDraft } from '../parts/draft.ts'
import { TextField } from '../parts/TextField.tsx'
import { useMachineChoice } from '../program/MachineChoice.tsx'
import { ReadByHand } from '../program/ReadByHand.tsx'
import { RunEntry } from '../program/RunEntry.tsx'
import { runOf, useMachineRuns } from '../program/use-machine-runs.ts'
import type { SheetEntryProps } from '../record/sheet-entry.ts'
import { firingKey } from './FurnacePanel.tsx'
import { type FiringDraft, factsOf, firingFor, firingNumber, wantedProgram } from './firing-draft.ts'
import { firingOf } from './LiveFiring.tsx'
import { useReadsTooMuch } from './use-reads-too-much.ts'

/** A firing into the record: the curve of the furnace, or what was read off it by hand. */
export function FiringEntry({
  sheet,
  job,
  caseId,
  step,
  last,
  draftKey,
  refusal,
  open,
  onRecord,
}: SheetEntryProps<'firing'>) {
  const run = runOf(useMachineRuns(), caseId, job, step.id)
  // Program and load are those of the Fire screen.
  const [draft] = useDraft<FiringDraft>(firingKey({ caseId, job }, step.id), () =>
    firingFor(job, sheet.firing),
  )
  const usual = useMachineChoice(firingMachine(sheet.firing)).machine
  const offsetCelsius = useReadsTooMuch(run?.machine ?? usual) ?? 0
  const [looked, setLooked, forgetLooked] = useDraft<string>(`${draftKey} looked`, () => '')
  const { program, wrong } = wantedProgram(draft)
  const facts = factsOf(draft, firingNumber(job, step.id), offsetCelsius)
  const seen = looked.trim() ? { looked: looked.trim() } : {}
  const byHand = (reading: MeasuredPoint) =>
    program && facts
      ? onRecord({
          kind: 'firing',
          machine: usual,
          run: { ...facts, program, from: 'hand', measured: [reading] },
          ...seen,
        })
      : Promise.resolve(false)
  const asks = last && attempt(() => judgeFiring(last.run)).answer?.verdict === 'look' && !last.looked
  return (
    <RunEntry
      run={run}
      shows="Furnace shows"
      ended="ended"
      ends="ends about"
      to={`/fire?case=${caseId}&job=${job.jobId}&view=furnace`}
      look="Look at the furnace"
      set="Set the furnace"
      first={!last}
      open={open}
      onCurve={
        facts &&
        ((taken) =>
          void onRecord({ kind: 'firing', machine: taken.machine, run: firingOf(taken, facts), ...seen }))
      }
      refusal={refusal}
    >
      {asks && (
        <div className="grid max-w-xl gap-2">
          <TextField label="What you saw when you looked" text={looked} onText={setLooked} />
          <button
            type="button"
            className="act justify-self-start"
            disabled={!open || looked.trim() === ''}
            onClick={() => void onRecord({ ...last, ...seen }).then((kept) => kept && forgetLooked())}
          >
            Record it with the curve
          </button>
        </div>
      )}
      <ReadByHand
        draftKey={draftKey}
        startMinutes={program ? String(Math.round(programMinutes(program))) : ''}
        from="from going in"
        showed="Furnace showed"
        showedHint="at its peak"
        wrong={wrong}
        first={!run && !last}
        open={open}
        onReading={byHand}
      >
        Program and load as set on the Fire screen.
      </ReadByHand>
    </RunEntry>
  )
}
