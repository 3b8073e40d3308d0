import type { Body, MachineRunShown } from '@yentrik/contract'
import {
  type CureRun,
  keptReadings,
  programMinutes,
  type ResinSection,
  saying,
  sectionName,
} from '@yentrik/core'
import { Fragment, useMemo } from 'react'
import { Link } from 'react-router'
import { clockTime, dayAndTime, quantity } from '../format/format.ts'
import { useNow } from '../live/lab-clock.ts'
import { useAnswer } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { Key } from '../parts/Key.tsx'
import { Message } from '../parts/Message.tsx'
import { usePreferences } from '../preferences/preferences.ts'
import { Said, useWords } from '../preferences/words.tsx'
import { RealMachine } from '../program/RealMachine.tsx'
import { StandInTroubles } from '../program/StandInTroubles.tsx'
import { type ForCase, IntoRecord } from '../record/IntoRecord.tsx'
import { AFTER_BATH_MINUTES, CureChart, CureLimits } from './CureChart.tsx'
import { cureWanted, useJudgedCure } from './use-cure.ts'

const verdictWords = {
  accept: 'Cured',
  extend: 'Not enough yet',
  porous: 'Probably porous',
} as const

/** A run of the bath as a sheet records it. */
export function cureOf(run: MachineRunShown, sections: readonly ResinSection[]): CureRun {
  return {
    sections,
    program: run.program,
    from: 'machine',
    measured: keptReadings(run.measured),
    showsTooMuchCelsius: 0,
  }
}

/** The bath on its program: what it shows, the resin by that, and what it comes to. */
export function LiveCure({
  run,
  sections,
  forCase,
  reason,
}: {
  readonly run: MachineRunShown
  readonly sections: readonly ResinSection[]
  readonly forCase?: ForCase
  /** Why it was started against advice, where it was. */
  readonly reason?: string
}) {
  const now = useNow()
  const say = useWords()
  const units = usePreferences((preferences) => preferences.units)
  const { refusal, run: doing } = useRequest()
  const cureRun = useMemo(() => cureOf(run, sections), [run, sections])
  const judged = useJudgedCure(run.measured.length > 1 ? cureRun : undefined)
  const judgement = judged?.answer
  const last = run.measured.at(-1)
  const lastMinutes = last?.minutes ?? 0
  const start = Date.parse(run.startedAt)
  const wanted = cureWanted(forCase?.job)
  const going = !run.ended && !run.stoppedAt
  // Judged, it is taken out now; while it goes on nothing cools yet.
  const followed = useMemo(
    () =>
      (judgement?.followed ?? []).map(({ section, outcome }) => ({
        section,
        outcome: going
          ? { ...outcome, curve: outcome.curve.filter(({ minutes }) => minutes <= lastMinutes) }
          : outcome,
      })),
    [judgement, going, lastMinutes],
  )
  const path = { runId: run.runId }
  const stop = () => doing(() => request('POST /machine-runs/:runId/stop', { path }))
  const trouble = (body: Body<'POST /machine-runs/:runId/troubles'>) =>
    doing(() => request('POST /machine-runs/:runId/troubles', { path, body }))
  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_22rem]">
      <section className="card-flat p-3" aria-label="Curves">
        <CureChart
          program={run.program}
          followed={followed}
          going={going}
          measured={run.measured}
          startAt={start}
          untilMinutes={Math.max(programMinutes(run.program), lastMinutes) + AFTER_BATH_MINUTES}
        />
        <p className="flex flex-wrap gap-x-5 px-2 text-sm font-semibold">
          <Key
            colour="var(--metal)"
            words={going ? 'bath as read, - - as set' : 'bath as read, - - out of it'}
          />
          {sections.map((section) => (
            <Key
              key={section.shape}
              colour={section.shape === 'sheet' ? 'var(--resin)' : 'var(--color-error)'}
              words={say(saying`${sectionName(section)}, by that`)}
            />
          ))}
        </p>
        <CureLimits />
      </section>
      <section className="card-flat grid content-start gap-2 p-4" aria-label="The bath">
        <output className="figures text-6xl leading-none font-bold" aria-label="Bath shows">
          {last ? quantity(Math.round(last.celsius), 'celsius', units) : 'no reading'}
        </output>
        <p>
          {run.machine}
          {last && `, set ${quantity(Math.round(last.setCelsius), 'celsius', units)}`}
        </p>
        <p>
          {run.stoppedAt ? 'out ' : run.ended ? 'program over since ' : 'out about '}
          <b className="figures text-3xl">{dayAndTime(Date.parse(run.stoppedAt ?? run.endsAt), now)}</b>
        </p>
        <RealMachine run={run} />
        <OtherFlasks run={run} forCase={forCase} />
        {judged?.refusal && <Message tone="error" words={judged.refusal} />}
        {judgement && (!going || judgement.verdict === 'porous') && (
          <div role="status" aria-label="What the curve says">
            <p className={`text-3xl font-bold ${judgement.verdict === 'accept' ? '' : 'text-error'}`}>
              {verdictWords[judgement.verdict]}
            </p>
            <p>
              <Said words={judgement.say} />.
            </p>
          </div>
        )}
        {forCase && wanted && last && (
          <IntoRecord
            forCase={forCase}
            step={wanted.step}
            quiet={going}
            figures={[
              {
                step: wanted.step,
                sheetId: wanted.sheet.id,
                sheet: {
                  kind: 'cure',
                  machine: run.machine,
                  run: cureRun,
                  ...(reason?.trim() ? { reason: reason.trim() } : {}),
                },
              },
            ]}
            words={`the curve up to ${clockTime(start + lastMinutes * 60_000)}`}
          />
        )}
        {refusal && <Message tone="error" words={refusal} />}
        {!run.stoppedAt && (
          <>
            <button type="button" className="small-act justify-self-start" onClick={() => void stop()}>
              Take the flasks out
            </button>
            {run.standIn && <StandInTroubles troubles={troubles} onTrouble={(body) => void trouble(body)} />}
          </>
        )}
      </section>
    </div>
  )
}

const troubles = [
  ['The power goes for 3 h', { kind: 'powerCut', minutes: 180 }],
  ['The power goes for 30 min', { kind: 'powerCut', minutes: 30 }],
  ['Water runs low: it cools', { kind: 'doorOpen', minutes: 60 }],
  ['The thermostat drifts', { kind: 'drift', celsiusPerHour: 2 }],
] as const

/** Who else lies in this bath, each with its own record to keep. */
function OtherFlasks({ run, forCase }: { run: MachineRunShown; forCase: ForCase | undefined }) {
  const { data = [] } = useAnswer('GET /cases', { query: { which: 'all' } })
  const others = run.loads.filter(
    ({ caseId, jobId }) => caseId !== forCase?.caseId || jobId !== forCase.job.jobId,
  )
  if (!forCase || others.length === 0) return null
  return (
    <p>
      With it:{' '}
      {others.map(({ caseId, jobId }, n) => (
        <Fragment key={`${caseId} ${jobId}`}>
          {n > 0 && ', '}
          <Link to={`/cure?case=${caseId}&job=${jobId}`} className="link">
            {data.find((each) => each.caseId === caseId)?.docket ?? 'another case'}
          </Link>
        </Fragment>
      ))}
      . Each by its own thickness.
    </p>
  )
}
