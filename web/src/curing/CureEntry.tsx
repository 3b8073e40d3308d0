import { type MeasuredPoint, programMinutes, saying } from '@yentrik/core'
import { useDraft } from '../parts/draft.ts'
import { Said } from '../preferences/words.tsx'
import { ReadByHand } from '../program/ReadByHand.tsx'
import { RunEntry } from '../program/RunEntry.tsx'
import { runOf, useMachineRuns } from '../program/use-machine-runs.ts'
import type { SheetEntryProps } from '../record/sheet-entry.ts'
import { bathProgram, type CureDraft, cureFor, placeWords, sectionsOf } from './cure-draft.ts'
import { cureOf } from './LiveCure.tsx'

/** A cure into the record: the curve of the bath, or what was read off it by hand. */
export function CureEntry({
  job,
  caseId,
  step,
  last,
  draftKey,
  refusal,
  open,
  onRecord,
}: SheetEntryProps<'cure'>) {
  const run = runOf(useMachineRuns(), caseId, job, step.id)
  // Bath and thickness are those of the Cure screen.
  const [draft] = useDraft<CureDraft>(`cure ${caseId} ${job.jobId}`, () => cureFor(job.route.choices.cure))
  const sections = sectionsOf(draft)
  const { program, wrong } = bathProgram(draft.baths[draft.chosen]!)
  const byHand = (reading: MeasuredPoint) => {
    if (!program || !sections) return Promise.resolve(false)
    return onRecord({
      kind: 'cure',
      machine: 'Bath',
      run: {
        sections,
        program,
        from: 'hand',
        measured: [reading],
        showsTooMuchCelsius: 0,
      },
    })
  }
  return (
    <RunEntry
      run={run}
      shows="Bath shows"
      ended="over since"
      ends="out about"
      to={`/cure?case=${caseId}&job=${job.jobId}`}
      look="Look at the bath"
      set="See what the bath does"
      first={!last}
      open={open}
      onCurve={
        sections &&
        ((taken) => void onRecord({ kind: 'cure', machine: taken.machine, run: cureOf(taken, sections) }))
      }
      refusal={refusal}
    >
      <ReadByHand
        draftKey={draftKey}
        startMinutes={program ? String(Math.round(programMinutes(program))) : ''}
        from="from going in"
        showed="Bath showed"
        wrong={wrong}
        first={!run && !last}
        open={open}
        onReading={byHand}
      >
        <Said
          words={saying`${draft.baths[draft.chosen]?.name ?? ''}; ${placeWords(draft.thin)} and ${placeWords(draft.thick)}, as on the Cure screen.`}
        />
      </ReadByHand>
    </RunEntry>
  )
}
