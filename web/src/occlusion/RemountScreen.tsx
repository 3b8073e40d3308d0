import {
  type Articulator,
  adviseRemount,
  articulatorCards,
  type Bite,
  biteOf,
  type JobState,
  lastSheetOf,
  type PaperMark,
  phasesOf,
  qty,
  type RemountAdvice,
  regionName,
  type Saying,
  type SheetData,
  saying,
} from '@yentrik/core'
import type { ReactNode } from 'react'
import { Link, useSearchParams } from 'react-router'
import { attempt } from '../parts/attempt.ts'
import { Pills } from '../parts/Choices.tsx'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { TryExample } from '../parts/TryExample.tsx'
import { usePreferences } from '../preferences/preferences.ts'
import { Said } from '../preferences/words.tsx'
import { AskedSheet } from '../record/AskedSheet.tsx'
import { AdviceWords } from './AdviceWords.tsx'
import { ArchesDrawing, letterOf, type TouchedPlace } from './ArchesDrawing.tsx'
import { biteOptions } from './bite-names.ts'
import { MarkByKeys } from './MarkByKeys.tsx'
import {
  contactsOf,
  emptyRemount,
  exampleRemount,
  foundRight,
  groundRound,
  ofCase,
  phaseWords,
  type RemountDraft,
  remountFor,
  situationOf,
  withoutLastRound,
} from './remount-draft.ts'
import { SectionDrawing } from './SectionDrawing.tsx'
import { SideDrawing } from './SideDrawing.tsx'
import { PinField, StandsForm } from './StandsForm.tsx'

/** The remount: marks are touched, and it says what to grind next, how much, and why. On its own or for a step of a case. */
export function RemountScreen() {
  const [query] = useSearchParams()
  const caseId = query.get('case')
  return caseId ? (
    <RemountForCase caseId={caseId} />
  ) : (
    <Remount draftKey="remount" start={() => emptyRemount} articulator={articulatorCards[0]!.articulator} />
  )
}

function RemountForCase({ caseId }: { caseId: string }) {
  const [query] = useSearchParams()
  return (
    <AskedSheet
      caseId={caseId}
      jobId={query.get('job') ?? ''}
      stepId={query.get('step') ?? ''}
      sheetId={query.get('sheet') ?? ''}
      none="This step has no remount. Go back to the case."
    >
      {({ job, step, sheet, attempt: time, title, refusal, give }) =>
        sheet.kind === 'remount' ? (
          <Remount
            draftKey={`remount ${caseId} ${job.jobId} ${step.id} ${time}`}
            start={() => remountFor(job, sheet.phase)}
            job={job}
            articulator={lastSheetOf(job, 'mounting')?.articulator ?? articulatorCards[0]!.articulator}
            title={title}
            refusal={refusal}
            onRecord={give}
          />
        ) : undefined
      }
    </AskedSheet>
  )
}

function Remount({
  draftKey,
  start,
  articulator,
  job,
  title,
  refusal,
  onRecord,
}: {
  readonly draftKey: string
  readonly start: () => RemountDraft
  readonly articulator: Articulator
  readonly job?: JobState
  readonly title?: ReactNode
  readonly refusal?: Saying
  readonly onRecord?: (data: SheetData) => Promise<boolean>
}) {
  const notation = usePreferences((preferences) => preferences.teeth)
  const [draft, keep, forget] = useDraft<RemountDraft>(draftKey, start)
  const situation = situationOf(draft, ofCase(job))
  const { answer: advice, refusal: refused } = situation
    ? attempt(() => adviseRemount({ situation, marks: draft.marks, articulator }))
    : {}
  const bite = advice ? biteOf(advice.phase) : 'centric'
  const [given, setBite] = useDraft<Bite | ''>(`${draftKey} bite`, () => '')
  const marked = given || bite
  const add = (mark: PaperMark) => keep((before) => ({ ...before, marks: [...before.marks, mark] }))
  const touch = ({ tooth, region, slope }: TouchedPlace) =>
    add({ tooth, region, slope, bite: marked, strength: draft.strength })
  const ground = () => {
    const at = advice?.at
    if (!advice || !at || !situation) return
    setBite('')
    keep((before) =>
      groundRound(
        before,
        {
          pinMillimetres: situation.pinMillimetres,
          marks: before.marks,
          ground: { tooth: at.tooth, region: at.region, millimetres: advice.roundMillimetres ?? 0 },
        },
        advice.phase,
      ),
    )
  }
  const record = () =>
    situation &&
    onRecord?.({
      kind: 'remount',
      situation,
      rounds: draft.rounds,
      contacts: contactsOf(draft),
      articulator,
    }).then((kept) => kept && forget())
  const pair = advice && pairOf(advice)
  return (
    <main className="mx-auto flex max-w-[1500px] flex-col gap-3 p-4 sm:p-5">
      <header className="flex flex-wrap items-baseline gap-x-5">
        <h1 className="text-3xl font-bold">Remount</h1>
        {title && <p>{title}</p>}
        <p className="opacity-80">
          {draft.fixing === 'tape' ? 'held by tape' : `fixed with ${draft.fixing}`},{' '}
          {draft.seated ? 'seated' : 'not seated'}
          {draft.flash ? ', flash on the teeth' : ''}
        </p>
        {!job && (
          <span className="ml-auto flex flex-wrap items-center gap-4">
            {draft.marks.length === 0 && draft.pin === '' && (
              <TryExample onTry={() => keep(exampleRemount)} />
            )}
            <Link className="link" to="/remount/practise">
              Practise on a computed mouth
            </Link>
          </span>
        )}
      </header>
      <div className="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_25rem]">
        <div className="grid gap-3">
          <section className="card-flat grid content-start gap-2 p-4" aria-label="The arches">
            <ArchesDrawing marks={draft.marks} advice={advice} notation={notation} onTouch={touch} />
            <div className="flex flex-wrap items-end gap-x-6 gap-y-2">
              <Pills label="Touch a mark of" options={biteOptions} value={marked} onChoose={setBite} />
              <Pills
                label="that is"
                options={[
                  ['heavy', 'heavy'],
                  ['medium', 'medium'],
                  ['light', 'light'],
                ]}
                value={draft.strength}
                onChoose={(strength) => keep({ ...draft, strength })}
              />
            </div>
            <Marks marks={draft.marks} advice={advice} onMarks={(marks) => keep({ ...draft, marks })} />
          </section>
          <div className="grid gap-3 md:grid-cols-2">
            <section className="card-flat p-4" aria-label="The cut">
              {advice && pair ? (
                <div className="grid gap-4">
                  <SectionDrawing advice={advice} {...pair} notation={notation} />
                  {advice.at && situation && (
                    <SideDrawing
                      articulator={articulator}
                      pinMillimetres={situation.pinMillimetres}
                      tooth={advice.at.tooth}
                      notation={notation}
                    />
                  )}
                </div>
              ) : (
                <p className="opacity-80">
                  Touch a mark on the arches: the cut through its teeth stands here.
                </p>
              )}
            </section>
            <StandsForm draft={draft} onDraft={keep} />
          </div>
        </div>
        <div className="grid gap-3 max-lg:row-start-2">
          <section className="card-flat grid content-start gap-3 p-5" aria-label="What to do next">
            {advice && situation ? (
              <AdviceWords
                advice={advice}
                pinMillimetres={situation.pinMillimetres}
                onGround={ground}
                onRight={() => {
                  setBite('')
                  keep((before) => foundRight(before, advice.phase))
                }}
              />
            ) : refused ? (
              <Message tone="error" words={refused} />
            ) : (
              <p className="text-3xl font-bold">
                {draft.rounds.length > 0 ? 'Read the pin again' : 'Read the pin'}
                <span className="mt-2 block text-lg font-normal">
                  Close gently in centric and measure from the pin tip to its table.
                </span>
              </p>
            )}
            <PinField draft={draft} onDraft={keep} />
          </section>
          <section className="card-flat grid content-start gap-2 p-4" aria-label="The order">
            <Phases draft={draft} phase={advice?.phase} />
            <Rounds draft={draft} onDraft={keep} />
            {refusal && <Message tone="error" words={refusal} />}
            {onRecord && (
              <button type="button" className="act" disabled={!situation} onClick={() => void record()}>
                Into the record
              </button>
            )}
          </section>
        </div>
      </div>
      <details className="card-flat p-4">
        <summary className="min-h-11 cursor-pointer font-semibold">A mark by tooth and region</summary>
        <MarkByKeys bite={marked} strength={draft.strength} onMark={add} />
      </details>
      <p className="text-sm opacity-80">
        Rigid teeth and bases, no slip of the jaw; real paper marks wider and misses wet spots. The mouth is
        not seen here: bite and height are the dentist's. Drawn teeth are invented.
      </p>
    </main>
  )
}

/** The two teeth of an answer. */
function pairOf({ keep, at, assumed }: RemountAdvice): { upper: number; lower: number } | undefined {
  const teeth = [
    ...keep.map(({ tooth }) => tooth),
    ...(at ? [at.tooth] : []),
    ...(assumed ? [assumed.tooth] : []),
  ]
  const upper = teeth.find((tooth) => tooth < 30)
  const lower = teeth.find((tooth) => tooth >= 30)
  return upper && lower ? { upper, lower } : undefined
}

function Marks({
  marks,
  advice,
  onMarks,
}: {
  readonly marks: readonly PaperMark[]
  readonly advice: RemountAdvice | undefined
  readonly onMarks: (marks: readonly PaperMark[]) => void
}) {
  return (
    <ul className="flex flex-wrap gap-2" aria-label="Marks">
      {marks.map((mark, index) => (
        <li
          key={`${index} ${mark.tooth} ${mark.region} ${mark.bite}`}
          className={`bg-base-200 flex items-center gap-2 rounded-xl py-1 pr-1 pl-3 ${advice?.noted.includes(index) ? 'opacity-70' : ''}`}
        >
          <b className={advice?.mark === index ? 'text-error' : ''}>{letterOf(index)}</b>
          <span>
            <Said
              words={saying`${{ tooth: mark.tooth }} ${regionName(mark.region, mark.tooth)}, ${mark.strength}`}
            />
            {advice?.noted.includes(index) && `, ${mark.bite}: later`}
          </span>
          <button
            type="button"
            className="btn btn-ghost h-11 min-w-11 text-xl"
            aria-label={`Take mark ${letterOf(index)} away`}
            onClick={() => onMarks(marks.filter((_, n) => n !== index))}
          >
            ×
          </button>
        </li>
      ))}
      <li className="flex items-center gap-2 py-2 text-sm opacity-80">
        <svg viewBox="0 0 10 10" className="size-5" aria-hidden>
          <circle cx="5" cy="5" r="4" fill="url(#remount-never)" stroke="currentColor" />
        </svg>
        never: supporting tips, upper edges
      </li>
    </ul>
  )
}

function Phases({
  draft,
  phase,
}: {
  readonly draft: RemountDraft
  readonly phase: RemountAdvice['phase'] | undefined
}) {
  const all = phasesOf(draft)
  const now = phase ? all.indexOf(phase) : 0
  return (
    <ol className="grid gap-1.5">
      {all.map((each, index) => {
        const [name, wanted] = phaseWords[each]
        const done = draft.foundRight.includes(each) || index < now
        return (
          <li
            key={each}
            aria-current={index === now ? 'step' : undefined}
            className={`flex items-baseline gap-3 rounded-lg px-3 py-2 ${index === now ? 'bg-primary text-primary-content' : 'bg-base-300'}`}
          >
            <b className="figures">{done ? '✓' : index + 1}</b>
            <b>{index === now ? `${name}, now` : name}</b>
            <span className="ml-auto text-sm opacity-90">{wanted}</span>
          </li>
        )
      })}
    </ol>
  )
}

function Rounds({
  draft,
  onDraft,
}: {
  readonly draft: RemountDraft
  readonly onDraft: (draft: RemountDraft) => void
}) {
  const { rounds } = draft
  const off = rounds.reduce((sum, { ground }) => sum + (ground?.millimetres ?? 0), 0)
  if (rounds.length === 0) return null
  return (
    <div className="flex flex-wrap items-center justify-between gap-2">
      <p>
        <Said
          words={saying`${rounds.length} ${rounds.length === 1 ? 'round' : 'rounds'}, ${qty.mm(off, 2)} off in all`}
        />
      </p>
      <button type="button" className="small-act" onClick={() => onDraft(withoutLastRound(draft))}>
        Take the last round back
      </button>
    </div>
  )
}
