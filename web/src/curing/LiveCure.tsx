import {
  type CaseSummary,
  type CureRun,
  keptReadings,
  programMinutes,
  type ResinSection,
  sectionName,
} from '@yentrik/core'
import { Fragment, useMemo } from 'react'
import { Link } from 'react-router'
import { usePreferences } from '../app/preferences.ts'
import { type ForCase, IntoRecord } from '../case/IntoRecord.tsx'
import { clockTime, dayAndTime, quantity } from '../format/format.ts'
import { api } from '../live/api.ts'
import { useFetched, useNow } from '../live/live-store.ts'
import { useAsking } from '../live/use-asking.ts'
import { Key } from '../parts/Key.tsx'
import { Told } from '../parts/Told.tsx'
import { RealMachine } from '../program/RealMachine.tsx'
import { StandInTroubles } from '../program/StandInTroubles.tsx'
import type { MachineRun } from '../program/use-machine-runs.ts'
import { AFTER_BATH_MINUTES, CureChart, CureLimits } from './CureChart.tsx'
import { cureStepId, useJudgedCure } from './use-cure.ts'

const verdictWords = {
  accept: 'Cured',
  extend: 'Not enough yet',
  porous: 'Probably porous',
} as const

/** A run of the bath as a sheet records it. */
export function cureOf(run: MachineRun, sections: readonly ResinSection[]): CureRun {
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
  readonly run: MachineRun
  readonly sections: readonly ResinSection[]
  readonly forCase?: ForCase
  /** Why it was started against advice, where it was. */
  readonly reason?: string
}) {
  const now = useNow()
  const units = usePreferences((preferences) => preferences.units)
  const { told, asking } = useAsking()
  const cureRun = useMemo(() => cureOf(run, sections), [run, sections])
  const judged = useJudgedCure(run.measured.length > 1 ? cureRun : undefined)
  const judgement = judged?.ok ? judged.judgement : undefined
  const last = run.measured.at(-1)
  const lastMinutes = last?.minutes ?? 0
  const start = Date.parse(run.startedAt)
  const stepId = forCase && cureStepId(forCase.job)
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
  const does = (path: string, body: object = {}) =>
    asking(() => api(`/machine-runs/${run.runId}/${path}`, { body }))
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
              words={`${sectionName(section)}, by that`}
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
        {judged && !judged.ok && <Told tone="error">{judged.sentence}</Told>}
        {judgement && (!going || judgement.verdict === 'porous') && (
          <div role="status" aria-label="What the curve says">
            <p className={`text-3xl font-bold ${judgement.verdict === 'accept' ? '' : 'text-error'}`}>
              {verdictWords[judgement.verdict]}
            </p>
            <p>{judgement.say}.</p>
          </div>
        )}
        {forCase && stepId && last && (
          <IntoRecord
            forCase={forCase}
            stepId={stepId}
            quiet={going}
            figures={[
              {
                kind: 'sheet',
                command: {
                  type: 'recordSheet',
                  jobId: forCase.job.jobId,
                  stepId,
                  sheetId: 'cure',
                  sheet: {
                    kind: 'cure',
                    machine: run.machine,
                    run: cureRun,
                    ...(reason?.trim() ? { reason: reason.trim() } : {}),
                  },
                },
              },
            ]}
            words={`the curve up to ${clockTime(start + lastMinutes * 60_000)}`}
          />
        )}
        {told && <Told tone="error">{told}</Told>}
        {!run.stoppedAt && (
          <>
            <button type="button" className="small-act justify-self-start" onClick={() => void does('stop')}>
              Take the flasks out
            </button>
            {run.standIn && (
              <StandInTroubles troubles={troubles} onTrouble={(body) => void does('troubles', body)} />
            )}
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
function OtherFlasks({ run, forCase }: { run: MachineRun; forCase: ForCase | undefined }) {
  const { data = [] } = useFetched<readonly CaseSummary[]>('/cases?which=all')
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
