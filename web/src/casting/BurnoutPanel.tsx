import type { MachineRunShown } from '@yentrik/contract'
import {
  type BurnoutJudgement,
  type CoreReading,
  type CoreReady,
  checkProgram,
  mustMayGoInHot,
  overnight,
  type PowerCut,
  programWarnings,
  qty,
  type RingSpeed,
  type Saying,
  saying,
  sheetsWanted,
  startFor,
  type TemperatureProgram,
  USUAL_TIME_CONSTANT_MINUTES,
} from '@yentrik/core'
import { useMemo, useState } from 'react'
import { clockTime, dayAndTime, shortDate } from '../format/format.ts'
import { useNow } from '../live/lab-clock.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { type Attempt, attempt } from '../parts/attempt.ts'
import { Pills } from '../parts/Choices.tsx'
import { useDraft } from '../parts/draft.ts'
import { FigureFields } from '../parts/FigureFields.tsx'
import { Message } from '../parts/Message.tsx'
import { TextField } from '../parts/TextField.tsx'
import { readAll } from '../parts/typed-figures.ts'
import { Said } from '../preferences/words.tsx'
import { MachineSelect, useMachineChoice } from '../program/MachineChoice.tsx'
import { PlannedOut } from '../program/PlannedOut.tsx'
import { nextAt, type SegmentDraft, typedSegment } from '../program/program-draft.ts'
import { SegmentTable } from '../program/SegmentTable.tsx'
import { loadsOf, runOf, useMachineRuns } from '../program/use-machine-runs.ts'
import type { ForCase } from '../record/IntoRecord.tsx'
import { BurnoutChart } from './BurnoutChart.tsx'
import { type BurnoutDraft, burnoutUnits, programOf, proposed, ringOf, shownDraft } from './burnout-draft.ts'
import { LiveBurnout } from './LiveBurnout.tsx'
import { useMarkedForHotEntry } from './marked-for-hot-entry.ts'
import { useBurnout, useCut } from './use-burnout.ts'

const ringSpecs = [
  { key: 'diameter', label: 'Ring, inside', unit: 'mm', hint: 'diameter' },
  { key: 'height', label: 'Ring, high', unit: 'mm' },
  { key: 'rings', label: 'Rings', unit: '' },
  { key: 'peak', label: 'Final hold', unit: '°C' },
  { key: 'room', label: 'Room', unit: '°C' },
] as const
const ringKeys = ['diameter', 'height'] as const
/** A burnout: when to put it in so that it is ready, and when its core really is. */
export function BurnoutPanel({
  draft,
  onDraft,
  forCase,
}: {
  readonly draft: BurnoutDraft
  readonly onDraft: (draft: BurnoutDraft) => void
  readonly forCase?: ForCase
}) {
  const now = useNow()
  const change = (to: Partial<BurnoutDraft>) => {
    const next = { ...draft, ...to }
    // Binder, ring and pattern make a new proposal; what is changed in the lines themselves stays.
    const { answer } = 'segments' in to || 'readyAt' in to ? {} : attempt(() => proposed(next))
    onDraft(answer ? { ...next, segments: answer } : next)
  }
  const shown = shownDraft(draft)
  const { program, wrong } = programOf(shown)
  const { faults } = readAll(draft.figures, ringKeys, burnoutUnits)
  const { diameter, height } = draft.figures
  // The same ring while its two measures are the same: the curve of a run is followed for it.
  const ring = useMemo(() => ringOf(draft), [diameter, height])
  const run = useRun(forCase)
  const marked = useMarkedForHotEntry(draft.binder, forCase?.job)
  const hotEntry = draft.fast && marked !== undefined
  const refusal =
    program &&
    attempt(() => {
      checkProgram(program, draft.binder)
      mustMayGoInHot(program.startCelsius, draft.binder, hotEntry)
    }).refusal
  const reading = readingOf(draft)
  const question =
    program && ring && !refusal
      ? {
          size: ring,
          binder: draft.binder,
          program,
          hotEntry,
          ...(reading ? { reading } : {}),
        }
      : undefined
  const followed = useBurnout(question)
  const cut = cutOf(draft)
  const judged = useCut(question && cut ? { ...question, cut } : undefined)
  const readyAt = nextAt(draft.readyAt, now)
  const burnoutStep = forCase?.job.route.steps.find(({ machine }) => machine === 'furnace')
  const reserve = readAll(draft.figures, ['reserve'], burnoutUnits).values?.reserve ?? 0
  const ready = followed?.answer?.ready
  const putInAt =
    program && readyAt !== undefined && !refusal ? startFor(readyAt, program, reserve) : undefined
  const planned = (
    <>
      {refusal || wrong ? (
        <Message tone="error" words={refusal ?? wrong ?? ''} />
      ) : (
        putInAt !== undefined && (
          <p className="text-lg">
            Put in at{' '}
            <output className="figures text-6xl leading-none font-bold" aria-label="Put in at">
              {dayAndTime(putInAt, now)}
            </output>{' '}
            to cast at {dayAndTime(readyAt ?? 0, now)}
          </p>
        )
      )}
      {putInAt !== undefined && putInAt < now && (
        <Message tone="warning">{`That is past: put in now it is ready ${dayAndTime(now + ((readyAt ?? now) - putInAt), now)}.`}</Message>
      )}
      {followed?.refusal && <Message tone="error" words={followed.refusal} />}
      {ready && putInAt !== undefined && <CoreWords ready={ready} putInAt={putInAt} now={now} />}
      {program &&
        !refusal &&
        programWarnings(program).map((words, n) => <Message key={n} tone="warning" words={words} />)}
      {judged && putInAt !== undefined && <CutWords judged={judged} putInAt={putInAt} now={now} />}
      {ready ? (
        <BurnoutChart ready={ready} putInAt={putInAt ?? now} />
      ) : (
        !refusal && !wrong && <p role="status">Working it out</p>
      )}
      {program && !refusal && !wrong && <StartFurnace program={program} forCase={forCase} />}
    </>
  )
  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_25rem]">
      <section className="card-flat grid content-start gap-3 p-4" aria-label="Burnout">
        {run && ring ? (
          <LiveBurnout run={run} binder={draft.binder} ring={ring} hotEntry={hotEntry} forCase={forCase} />
        ) : (
          planned
        )}
        <p className="text-sm opacity-80">
          The ring as a cylinder of investment with its water; three sets of values from handbooks (recalled,
          wide) give the range. Left out: inversions (under 0.2 min), wax (under 3 %), cracking. The final
          hold also burns carbon, which is not counted here. The maker's sheet wins.
        </p>
      </section>
      <aside className="card-flat grid content-start gap-2 p-4" aria-label="Figures">
        <div className="grid grid-cols-2 gap-3">
          <TextField
            label="Ready to cast at"
            text={draft.readyAt}
            onText={(text) => change({ readyAt: text })}
            fault={readyAt === undefined ? 'Write the hour as 09:30.' : undefined}
          />
        </div>
        {forCase && burnoutStep && (
          <PlannedOut
            caseId={forCase.caseId}
            jobId={forCase.job.jobId}
            stepId={burnoutStep.id}
            now={now}
            onTake={(time) => change({ readyAt: time })}
          />
        )}
        <div className="flex flex-wrap gap-x-6 gap-y-1">
          <Pills
            label="Investment"
            options={[
              ['gypsum', 'Gypsum'],
              ['phosphate', 'Phosphate'],
            ]}
            value={draft.binder}
            onChoose={(binder) =>
              change({ binder, figures: { ...draft.figures, peak: binder === 'gypsum' ? '680' : '850' } })
            }
          />
          <Pills
            label="Pattern"
            options={[
              ['wax', 'Wax'],
              ['resin', 'Resin'],
            ]}
            value={draft.pattern}
            onChoose={(pattern) => change({ pattern })}
          />
        </div>
        {marked !== undefined || draft.fast ? (
          <Pills
            label="Goes in"
            options={[
              ['cold', 'Cold, program'],
              ['hot', marked ? `Hot, ${marked}` : 'Hot'],
            ]}
            value={draft.fast ? 'hot' : 'cold'}
            onChoose={(entry) => change({ fast: entry === 'hot' })}
          />
        ) : (
          <p className="text-sm opacity-80">
            Goes in cold. Straight into a hot furnace only where the product in the ring is marked for it on
            the shelf; gypsum-bonded never.
          </p>
        )}
        <FigureFields
          specs={ringSpecs}
          typed={draft.figures}
          faults={faults}
          onTyped={(figures) => change({ figures })}
        />
        <SegmentTable segments={shown.segments} onSegments={(segments) => change({ segments })} />
        <Overnight
          program={program}
          readyAt={readyAt}
          reserve={reserve}
          onStretch={(segments) => change({ segments })}
        />
        <details>
          <summary className="min-h-11 cursor-pointer font-semibold">The power was out</summary>
          <FigureFields
            specs={[
              { key: 'cutAfter', label: 'Out after', unit: 'min', hint: 'from putting it in' },
              { key: 'cutFor', label: 'For', unit: 'min' },
              {
                key: 'cutTau',
                label: 'Furnace cools by 63 % in',
                unit: 'min',
                hint: 'assumed; time your own',
              },
            ]}
            typed={{ cutTau: String(USUAL_TIME_CONSTANT_MINUTES), ...draft.figures }}
            faults={{}}
            onTyped={(figures) => onDraft({ ...shown, figures })}
          />
        </details>
        <details>
          <summary className="min-h-11 cursor-pointer font-semibold">Thermocouple in a dummy ring</summary>
          <FigureFields
            specs={[
              { key: 'readMinutes', label: 'Read after', unit: 'min' },
              { key: 'readCelsius', label: 'Core', unit: '°C' },
            ]}
            typed={draft.figures}
            faults={{}}
            onTyped={(figures) => onDraft({ ...shown, figures })}
          />
          {followed?.answer?.factor !== undefined && (
            <p>{`It conducts ${followed.answer.factor.toFixed(2)} times as well as usual; the range follows.`}</p>
          )}
        </details>
      </aside>
    </div>
  )
}

/** The run that holds this case; without a case the last one that nobody has taken out. */
function useRun(forCase: ForCase | undefined): MachineRunShown | undefined {
  const runs = useMachineRuns()
  if (forCase) {
    const [wanted] = sheetsWanted(forCase.job, 'burnout')
    return wanted && runOf(runs, forCase.caseId, forCase.job, wanted.step.id)
  }
  return runs.find(
    ({ stoppedAt, loads, kind }) => stoppedAt === null && loads.length === 0 && kind === 'furnace',
  )
}

function readingOf({ figures }: BurnoutDraft): CoreReading | undefined {
  const { values } = readAll(figures, ['readMinutes', 'readCelsius'], burnoutUnits)
  return values && { minutes: values.readMinutes, celsius: values.readCelsius }
}

function cutOf({ figures }: BurnoutDraft): PowerCut | undefined {
  const { values } = readAll(
    { cutTau: String(USUAL_TIME_CONSTANT_MINUTES), ...figures },
    ['cutAfter', 'cutFor', 'cutTau'],
    burnoutUnits,
  )
  return (
    values && { afterMinutes: values.cutAfter, minutes: values.cutFor, timeConstantMinutes: values.cutTau }
  )
}

/** What to do with a ring whose furnace stood without power. */
function CutWords({
  judged,
  putInAt,
  now,
}: {
  judged: Attempt<BurnoutJudgement>
  putInAt: number
  now: number
}) {
  if (judged.refusal) return <Message tone="error" words={judged.refusal} />
  if (!judged.answer) return null
  const { verdict, say, castFromMinutes } = judged.answer
  return (
    <section aria-label="After the power cut">
      <p className={`text-3xl leading-tight font-bold ${verdict === 'discard' ? 'text-error' : ''}`}>
        {verdict === 'discard' || castFromMinutes === undefined
          ? 'Discard the ring'
          : `Cast from ${dayAndTime(putInAt + castFromMinutes * 60_000, now)}`}
      </p>
      <p>
        <Said words={say} />
      </p>
    </section>
  )
}

function CoreWords({ ready, putInAt, now }: { ready: CoreReady; putInAt: number; now: number }) {
  const { castFromMinutes, heats, programMinutes } = ready
  const castDay = shortDate(putInAt + programMinutes * 60_000)
  const at = (minutes: number | undefined) => {
    if (minutes === undefined) return 'later than looked at'
    const instant = putInAt + minutes * 60_000
    return shortDate(instant) === castDay ? clockTime(instant) : dayAndTime(instant, now)
  }
  const core = (speed: RingSpeed) => heats[speed].coreReadyMinutes
  const late = castFromMinutes.slow === undefined || castFromMinutes.slow > programMinutes
  return (
    <div>
      <p className="text-lg">
        <Said
          words={saying`Core within ${qty.celsiusApart(10)} between ${at(core('fast'))} and ${at(core('slow'))}, likely ${at(core('typical'))}; water gone about ${at(heats.typical.waterGoneMinutes)}.`}
        />
      </p>
      {late ? (
        <Message tone="warning">{`The program ends at ${at(programMinutes)}, before a slow ring is hot through: hold until ${at(castFromMinutes.slow)}.`}</Message>
      ) : (
        <Message tone="good">{`The program ends at ${at(programMinutes)}, with every ring hot through.`}</Message>
      )}
    </div>
  )
}

/** Two stages: it dries through the night in the first hold, and is ready in the morning. */
function Overnight({
  program,
  readyAt,
  reserve,
  onStretch,
}: {
  program: TemperatureProgram | undefined
  readyAt: number | undefined
  reserve: number
  onStretch: (segments: readonly SegmentDraft[]) => void
}) {
  const now = useNow()
  const [text, setText] = useDraft<string>('burnout put in at', () => '17:00')
  const [refusal, setRefusal] = useState<Saying>()
  const stretch = () => {
    const putIn = nextAt(text, now)
    if (putIn === undefined) return setRefusal('Write the hour as 17:00.')
    if (!program || readyAt === undefined) return
    const until = readyAt > putIn ? readyAt : readyAt + 24 * 60 * 60_000
    const found = attempt(() => overnight(program, (until - putIn) / 60_000 - reserve))
    setRefusal(found.refusal)
    if (found.answer) onStretch(found.answer.segments.map(typedSegment))
  }
  return (
    <details>
      <summary className="min-h-11 cursor-pointer font-semibold">Through the night</summary>
      <div className="flex flex-wrap items-end gap-3">
        <div className="w-48">
          <TextField label="In at, in the evening" text={text} onText={setText} />
        </div>
        <button type="button" className="small-act" onClick={stretch}>
          Stretch the first hold
        </button>
      </div>
      {refusal && <Message tone="error" words={refusal} />}
    </details>
  )
}

/** Puts the program on a furnace of the lab. */
function StartFurnace({ program, forCase }: { program: TemperatureProgram; forCase?: ForCase }) {
  const choice = useMachineChoice('furnace')
  const { machine } = choice
  const { refusal, run } = useRequest()
  const loads = forCase ? loadsOf(forCase, 'furnace') : []
  const start = () =>
    run(() => request('POST /machine-runs', { body: { kind: 'furnace', machine, program, loads } }))
  return (
    <div className="flex flex-wrap items-end gap-3">
      <MachineSelect label="Furnace" choice={choice} />
      <button type="button" className="act-main" onClick={() => void start()}>
        Start {machine} now
      </button>
      {refusal && <Message tone="error" words={refusal} />}
    </div>
  )
}
