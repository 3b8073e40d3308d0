import { type MeasuredPoint, programMinutes, saying } from '@yentrik/core'
import { Link } from 'react-router'
import { dayAndTime, quantity } from '../format/format.ts'
import { useNow } from '../live/lab-clock.ts'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { usePreferences } from '../preferences/preferences.ts'
import { Said } from '../preferences/words.tsx'
import { ReadByHand } from '../program/ReadByHand.tsx'
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
  const now = useNow()
  const units = usePreferences((preferences) => preferences.units)
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
  const shown = run?.measured.at(-1)
  return (
    <div className="grid gap-3">
      {run && shown && (
        <p className="text-lg">
          <output className="figures text-5xl font-bold" aria-label="Bath shows">
            {quantity(Math.round(shown.celsius), 'celsius', units)}
          </output>{' '}
          {run.machine}, {run.ended ? 'over since' : 'out about'} {dayAndTime(Date.parse(run.endsAt), now)}
        </p>
      )}
      <div className="flex flex-wrap gap-2">
        <Link className={last || run ? 'act' : 'act-main'} to={`/cure?case=${caseId}&job=${job.jobId}`}>
          {run ? 'Look at the bath' : 'See what the bath does'}
        </Link>
        {run && sections && (
          <button
            type="button"
            className="act"
            disabled={!open}
            onClick={() => void onRecord({ kind: 'cure', machine: run.machine, run: cureOf(run, sections) })}
          >
            Record its curve
          </button>
        )}
      </div>
      {refusal && <Message tone="error" words={refusal} />}
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
    </div>
  )
}
