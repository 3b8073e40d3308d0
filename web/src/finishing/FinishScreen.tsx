import {
  BORDER_LEAST_MILLIMETRES,
  borderStock,
  borderToStart,
  type FinishingLadder,
  goingBack,
  heatWord,
  type JobState,
  ladderSeconds,
  ladderWarnings,
  leavingOutStage,
  planLadder,
  qty,
  roughnessOf,
  type Saying,
  type ScratchWord,
  saying,
  scratchWords,
  surfaceSpeed,
  usualHold,
  wheelFor,
} from '@yentrik/core'
import type { ReactNode } from 'react'
import { Link, useSearchParams } from 'react-router'
import { attempt } from '../parts/attempt.ts'
import { Pills } from '../parts/Choices.tsx'
import { useDraft } from '../parts/draft.ts'
import { Message, Waiting } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { TextField } from '../parts/TextField.tsx'
import { TryExample } from '../parts/TryExample.tsx'
import { Said, useMillimetres } from '../preferences/words.tsx'
import { useEquipment } from '../record/equipment.ts'
import { useOpenCase } from '../record/open-case.ts'
import { Calibration } from './Calibration.tsx'
import {
  emptyFinish,
  exampleFinish,
  type FinishDraft,
  finishFor,
  glazedAlready,
  ladderOf,
} from './finish-draft.ts'
import { LadderDrawing } from './LadderDrawing.tsx'

/** Finishing: which stage a scratch sends back to, what the border has left, which wheel may be taken up. */
export function FinishScreen() {
  const [query] = useSearchParams()
  const caseId = query.get('case')
  return caseId ? <FinishForCase caseId={caseId} /> : <Finish draftKey="finish" start={() => emptyFinish} />
}

function FinishForCase({ caseId }: { caseId: string }) {
  const [query] = useSearchParams()
  const { state, error } = useOpenCase(caseId)
  if (!state) return error ? <Message tone="error" words={error.said} /> : <Waiting />
  const job = state.jobs.find(({ jobId }) => jobId === query.get('job'))
  const running = job && Object.keys(job.steps).find((stepId) => job.steps[stepId]?.status === 'running')
  return (
    <Finish
      draftKey={`finish ${caseId} ${job?.jobId} ${running}`}
      start={() => (job ? finishFor(job, running ?? '') : emptyFinish)}
      job={job}
      title={
        <Link to={`/case/${caseId}`} className="link">
          {state.docket}
        </Link>
      }
    />
  )
}

function Finish({
  draftKey,
  start,
  job,
  title,
}: {
  readonly draftKey: string
  readonly start: () => FinishDraft
  readonly job?: JobState
  readonly title?: ReactNode
}) {
  const wheels = useEquipment('wheel')
  const [draft, keep] = useDraft<FinishDraft>(draftKey, start)
  const set = (change: Partial<FinishDraft>) => keep((before) => ({ ...before, ...change }))
  const ladder = ladderOf(draft, wheels, job)
  const { answer: planned, refusal } = attempt(() => planLadder(ladder))
  const at = Math.max(
    0,
    ladder.stages.findIndex(({ id }) => id === draft.at),
  )
  if (!planned)
    return (
      <main className="p-8">
        <h1 className="mb-3 text-3xl font-bold">Finish</h1>
        <Message tone="error" words={refusal ?? ''} />
        <p className="mt-2">Put the wheels of the lab right under Shelf, Equipment.</p>
      </main>
    )
  const depth = draft.seen === '' ? undefined : scratchWords[draft.seen].micrometres
  const patch = readNumber(draft.patch, '', { wanted: false })
  const back = depth === undefined ? undefined : goingBack(ladder, depth, at, patch.value)
  const { contact, all } = ladderSeconds(planned)
  return (
    <main className="mx-auto flex max-w-[1500px] flex-col gap-3 p-4 sm:p-5">
      <header className="flex flex-wrap items-end gap-x-5 gap-y-2">
        <h1 className="text-3xl font-bold">Finish</h1>
        {title && <p>{title}</p>}
        <p className="opacity-80">
          {wheels.length > 0 && draft.material === 'resin'
            ? 'wheels of the lab'
            : 'the usual ladder, assumptions'}
        </p>
        <div className="ml-auto flex flex-wrap items-end gap-4">
          {!job && draft.seen === '' && draft.border === '' && (
            <TryExample onTry={() => set(exampleFinish)} />
          )}
          <Pills
            label="Work of"
            options={[
              ['resin', 'Resin'],
              ['ceramic', 'Ceramic'],
            ]}
            value={draft.material}
            onChoose={(material) => set({ material, at: '', seen: '' })}
          />
        </div>
      </header>
      <div className="grid items-start gap-3 lg:grid-cols-[minmax(0,1fr)_25rem]">
        <div className="grid gap-3">
          <section className="card-flat grid gap-3 p-4" aria-label="The ladder">
            <LadderDrawing
              planned={planned}
              at={at}
              scratch={depth}
              back={back}
              onStage={(index) => set({ at: ladder.stages[index]!.id, seen: '' })}
            />
            <Pills
              label="The stage that runs"
              options={ladder.stages.map(({ id, name }) => [id, name] as const)}
              value={ladder.stages[at]!.id}
              onChoose={(id) => set({ at: id, seen: '' })}
            />
            {ladderWarnings(ladder).map((warning) => (
              <Message key={JSON.stringify(warning)} tone="warning" words={warning} />
            ))}
          </section>
          <Stages ladder={ladder} />
          {draft.material === 'resin' && <Calibration key={ladder.stages[at]!.id} ladder={ladder} at={at} />}
        </div>
        <div className="grid gap-3">
          <section className="card-flat grid content-start gap-3 p-5" aria-label="A scratch">
            <Pills<ScratchWord | ''>
              label="I see a scratch"
              options={[
                ['', 'none'],
                ...(Object.keys(scratchWords) as ScratchWord[]).map(
                  (word) => [word, scratchWords[word].says] as const,
                ),
              ]}
              value={draft.seen}
              onChoose={(seen) => set({ seen })}
            />
            <Back ladder={ladder} at={at} back={back} />
            {back?.to !== undefined && (
              <NumberField
                label="Blended patch"
                unit="mm²"
                text={draft.patch}
                onText={(text) => set({ patch: text })}
                fault={patch.fault}
                hint="empty: the whole; at least 300"
              />
            )}
            <p className="text-sm opacity-80">
              Judge dry. Light, wet, always moving: pressure, edges and wear of the wheel are not counted.
            </p>
          </section>
          {draft.material === 'ceramic' && (
            <Message tone={job && glazedAlready(job) ? 'warning' : 'good'}>
              {job && glazedAlready(job)
                ? 'It is glazed: only satin now. Every touch opens the glaze: what is opened is polished through every stage that follows, or glazed again.'
                : 'Before the glaze: contacts are polished now, for the glaze on them wears off. After it only satin: every touch opens the glaze.'}
            </Message>
          )}
          <Border ladder={ladder} at={at} draft={draft} onDraft={set} />
          <Wheel ladder={ladder} at={at} draft={draft} onDraft={set} />
        </div>
      </div>
      <p className="text-sm opacity-80">
        The whole ladder: {(contact / 60).toFixed(0)} min of contact, {(all / 60).toFixed(0)} with the changes
        of wheel, on an average hand. The fitting surface gets no abrasive at all. Bollen, Lambrechts &
        Quirynen 1997, recalled, for Ra 0.2; the steps are assumptions until the lab has measured its own.
      </p>
    </main>
  )
}

/** Where a scratch sends the work back to, the number that matters largest. */
function Back({
  ladder,
  at,
  back,
}: {
  readonly ladder: FinishingLadder
  readonly at: number
  readonly back: ReturnType<typeof goingBack> | undefined
}) {
  const mm = useMillimetres(3)
  const next = ladder.stages[at + 1]
  if (!back)
    return (
      <p className="text-3xl leading-tight font-bold" role="status">
        {next ? `Then ${next.name.toLowerCase()}` : 'The last stage'}
        <span className="mt-1 block text-lg font-normal">when its own marks alone are left, seen dry.</span>
      </p>
    )
  if (back.to === undefined)
    return (
      <p className="text-success text-3xl leading-tight font-bold" role="status">
        Carry on
        <span className="mt-1 block text-lg font-normal">It is the mark of this stage itself.</span>
      </p>
    )
  const [first, ...rest] = back.again.map((index) => ladder.stages[index]!.name.toLowerCase())
  return (
    <div role="status">
      <p className="text-3xl leading-tight font-bold">
        {back.to === at ? `Go on with ${first}` : `Back to ${first}`}
      </p>
      {rest.length > 0 && <p className="text-lg">then {rest.join(', ')}: none is left out.</p>}
      <p className="mt-2 flex gap-8">
        <span>
          <b className="figures block text-3xl whitespace-nowrap">
            {Math.max(1, Math.round(back.seconds / 60))} min
          </b>
          <span className="text-sm opacity-80">with the changes of wheel</span>
        </span>
        <span>
          <b className="figures block text-3xl whitespace-nowrap">{mm(back.removalMicrometres / 1000)}</b>
          <span className="text-sm opacity-80">come off</span>
        </span>
      </p>
    </div>
  )
}

interface PartProps {
  readonly ladder: FinishingLadder
  readonly at: number
  readonly draft: FinishDraft
  readonly onDraft: (change: Partial<FinishDraft>) => void
}

/** The border: what stays at the end, and how often the work may go back. */
function Border({ ladder, at, draft, onDraft }: PartProps) {
  const mm = useMillimetres(2)
  const { value, fault } = readNumber(draft.border, 'mm', { wanted: false })
  // A repeat begins with rubber, or where the ladder has none with its second stage.
  const repeatFrom = Math.max(
    1,
    ladder.stages.findIndex(({ id }) => id === 'rubber'),
  )
  const { answer, refusal } =
    value === undefined ? {} : attempt(() => borderStock(ladder, value, at + 1, repeatFrom))
  if (ladder.material === 'ceramic') return null
  return (
    <section className="card-flat grid content-start gap-2 p-5" aria-label="The border">
      <div className="grid grid-cols-2 items-start gap-4">
        <NumberField
          label="Border now"
          unit="mm"
          text={draft.border}
          onText={(border) => onDraft({ border })}
          fault={fault ?? refusal}
          hint="caliper, thinnest place"
        />
        {answer && (
          <p>
            <output
              className={`figures text-4xl leading-none font-bold whitespace-nowrap ${answer.enough ? '' : 'text-error'}`}
              aria-label="Border at the end"
            >
              {mm(answer.leftMillimetres)}
            </output>
            <span className="block text-sm opacity-80">at the end</span>
          </p>
        )}
      </div>
      {answer && <Message tone={answer.enough ? 'good' : 'error'} words={answer.say} />}
      <p className="text-sm opacity-80">
        <Said
          words={saying`In wax it wants ${qty.mm(borderToStart(ladder, repeatFrom), 2)}: ${qty.mm(BORDER_LEAST_MILLIMETRES)}, the contour, the ladder, and once back.`}
        />
      </p>
    </section>
  )
}

/** The wheel that is taken up, held against the stage that comes. */
function Wheel({ ladder, at, draft, onDraft }: PartProps) {
  const wheels = useEquipment('wheel')
  const wanted = ladder.stages[at]!
  const typed = draft.wheel.trim().toLowerCase()
  const written = ladder.stages.find(({ id, name }) => [id, name.toLowerCase()].includes(typed))
  const lab = wheels.find(({ name }) => name === wanted.name)
  const { answer, refusal } = typed === '' || !written ? {} : attempt(() => wheelFor(written, wanted))
  const unknown: Saying | undefined =
    typed !== '' && !written
      ? 'No compound of this ladder stands on it: take a marked wheel, or mark this one.'
      : undefined
  const speed = lab && surfaceSpeed(lab.diameterMillimetres, lab.rpm)
  const held = speed ? { ...usualHold, metresPerSecond: speed } : undefined
  return (
    <section className="card-flat grid content-start gap-2 p-5" aria-label="The wheel">
      <TextField
        label="Wheel, scan its label"
        text={draft.wheel}
        onText={(wheel) => onDraft({ wheel })}
        hint="one compound for life, written on it"
      />
      {answer && <Message tone="good">{`Marked ${wanted.name.toLowerCase()}: it is the one.`}</Message>}
      {(refusal ?? unknown) && <Message tone="error" words={refusal ?? unknown ?? ''} />}
      {lab && held && speed !== undefined && (
        <p>
          {speed.toFixed(1)} m/s at {lab.rpm} rpm; held still it is <b>{heatWord({ ...held, wet: true })}</b>{' '}
          wet, <b>{heatWord({ ...held, wet: false })}</b> dry.
        </p>
      )}
    </section>
  )
}

/** The longer time of the next stage: a stage is left out only where that is worked. */
function leftOutWords(ladder: FinishingLadder, index: number): string {
  const { answer } = attempt(() => leavingOutStage(ladder, index))
  if (!answer) return ''
  const { seconds, usualSeconds, moreSeconds } = answer
  const more = Math.round(moreSeconds)
  return `${Math.round(seconds)} s instead of ${Math.round(usualSeconds)}, ${Math.abs(more)} s ${more < 0 ? 'less' : 'more'} in all`
}

/** Every stage with what it leaves, takes and costs. */
function Stages({ ladder }: { readonly ladder: FinishingLadder }) {
  const planned = planLadder(ladder)
  return (
    <details className="card-flat overflow-x-auto p-4">
      <summary className="min-h-11 cursor-pointer pt-2 font-semibold">Each stage in figures</summary>
      <table className="figures w-full text-left">
        <thead>
          <tr className="text-sm">
            <th className="pr-3 font-semibold">Stage</th>
            <th className="pr-3 font-semibold">Grain</th>
            <th className="pr-3 font-semibold">Ra it leaves</th>
            <th className="pr-3 font-semibold">Takes off</th>
            <th className="pr-3 font-semibold">Contact</th>
            <th className="pr-3 font-semibold">Left out, the next one takes</th>
          </tr>
        </thead>
        <tbody>
          {planned.map(({ stage, removalMicrometres, seconds }, index) => (
            <tr key={stage.id} className="border-base-300 border-t">
              <td className="py-1 pr-3">{stage.name}</td>
              <td className="pr-3">
                {stage.grainMicrometres === undefined ? '' : `${stage.grainMicrometres} µm`}
              </td>
              <td className="pr-3">{Number(roughnessOf(stage).toPrecision(2))} µm</td>
              <td className="pr-3">
                {removalMicrometres === 0 ? 'shapes' : `${Number(removalMicrometres.toPrecision(3))} µm`}
              </td>
              <td className="pr-3">{seconds === 0 ? '' : `${Math.round(seconds)} s`}</td>
              <td className="pr-3">{leftOutWords(ladder, index)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  )
}
