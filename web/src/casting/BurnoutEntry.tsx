import { castingRecord, type MeasuredPoint, qty, saying, startedAt } from '@yentrik/core'
import { useNow } from '../live/lab-clock.ts'
import { useDraft } from '../parts/draft.ts'
import type { Typed } from '../parts/typed-figures.ts'
import { Said } from '../preferences/words.tsx'
import { ReadByHand } from '../program/ReadByHand.tsx'
import { RunEntry } from '../program/RunEntry.tsx'
import { runOf, useMachineRuns } from '../program/use-machine-runs.ts'
import type { SheetEntryProps } from '../record/sheet-entry.ts'
import { burnoutFor, programOf, ringOf, shownDraft, withRing } from './burnout-draft.ts'
import { burnoutOf } from './LiveBurnout.tsx'
import { useMarkedForHotEntry } from './marked-for-hot-entry.ts'
import { sprueStart } from './SpruePanel.tsx'

/** A burnout into the record: the curve of the furnace, or what was read off it by hand. */
export function BurnoutEntry({
  sheet,
  job,
  caseId,
  step,
  last,
  draftKey,
  refusal,
  open,
  onRecord,
}: SheetEntryProps<'burnout'>) {
  const now = useNow()
  const run = runOf(useMachineRuns(), caseId, job, step.id)
  // The program and the ring are those of the Cast screen.
  const [kept] = useDraft(`cast ${caseId} ${job.jobId} burnout`, () =>
    burnoutFor({ ...castingRecord(job), binder: sheet.binder }),
  )
  const [sprue] = useDraft<Typed>(`cast ${caseId} ${job.jobId} sprue`, () => sprueStart)
  const draft = shownDraft(withRing(kept, sprue))
  const ring = ringOf(draft)
  const marked = useMarkedForHotEntry(sheet.binder, job)
  const hotEntry = draft.fast && marked !== undefined
  const { program, wrong } = programOf(draft)
  const started = startedAt(job.steps[step.id])
  const byHand = (reading: MeasuredPoint) => {
    if (!program || !ring) return Promise.resolve(false)
    return onRecord({
      kind: 'burnout',
      machine: 'Furnace',
      run: {
        binder: sheet.binder,
        ring,
        program,
        from: 'hand',
        measured: [reading],
        showsTooMuchCelsius: 0,
        ...(hotEntry ? { hotEntry } : {}),
      },
    })
  }
  return (
    <RunEntry
      run={run}
      shows="Furnace shows"
      ended="ended"
      ends="ends about"
      to={`/cast?case=${caseId}&job=${job.jobId}&view=burnout`}
      look="Look at the furnace"
      set="Set the furnace"
      first={!last}
      open={open}
      onCurve={
        ring &&
        ((taken) =>
          void onRecord({
            kind: 'burnout',
            machine: taken.machine,
            run: burnoutOf(taken, sheet.binder, ring, 0, hotEntry),
          }))
      }
      refusal={refusal}
    >
      <ReadByHand
        draftKey={draftKey}
        startMinutes={started ? String(Math.max(0, Math.round((now - Date.parse(started)) / 60_000))) : ''}
        from="from putting it in"
        showed="Furnace showed"
        showedHint="in the final hold"
        wrong={wrong}
        first={!run && !last}
        open={open}
        onReading={byHand}
      >
        Ring and program as set on the Cast screen
        {ring && (
          <Said
            words={saying`: ${qty.mm(2 * ring.radiusMillimetres)} by ${qty.mm(ring.heightMillimetres)}`}
          />
        )}
        .
      </ReadByHand>
    </RunEntry>
  )
}
