import type { Body, MachineRunShown } from '@yentrik/contract'
import {
  type FiringRun,
  type FiringVerdict,
  firingNames,
  joined,
  judgeFiring,
  keptReadings,
  programMinutes,
  type StepSheet,
  saying,
} from '@yentrik/core'
import { useMemo } from 'react'
import { clockTime, dayAndTime, quantity } from '../format/format.ts'
import { useNow } from '../live/lab-clock.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { attempt } from '../parts/attempt.ts'
import { Chart } from '../parts/Chart.tsx'
import { useDraft } from '../parts/draft.ts'
import { Key } from '../parts/Key.tsx'
import { Message } from '../parts/Message.tsx'
import { TextField } from '../parts/TextField.tsx'
import { usePreferences } from '../preferences/preferences.ts'
import { Said } from '../preferences/words.tsx'
import { RealMachine } from '../program/RealMachine.tsx'
import { measuredPoints, plannedPoints } from '../program/run-points.ts'
import { StandInTroubles } from '../program/StandInTroubles.tsx'
import { type ForCase, IntoRecord } from '../record/IntoRecord.tsx'
import { firingOption, furnaceColour } from './firing-chart.ts'
import type { FiringFacts } from './firing-draft.ts'

const MINUTE = 60_000
const verdictWords: Readonly<Record<FiringVerdict, string>> = {
  good: 'Fired as wanted',
  look: 'Look at it first',
  again: 'Fire it again',
  remake: 'It is lost',
}

/** A run as a sheet records it. */
export function firingOf(run: MachineRunShown, facts: FiringFacts): FiringRun {
  const last = run.measured.at(-1)
  const over = run.ended || run.stoppedAt !== null
  return {
    ...facts,
    program: run.program,
    from: 'machine',
    measured: keptReadings(run.measured),
    ...(run.ended
      ? { endMinutes: Math.round((Date.parse(run.endsAt) - Date.parse(run.startedAt)) / MINUTE) }
      : {}),
    // Taken out it is opened as hot as it was then.
    ...(run.stoppedAt !== null && over && last
      ? { openedCelsius: last.celsius - facts.showsTooMuchCelsius }
      : {}),
  }
}

/** A furnace on its program: what it shows, what is set, and what that did to the work. */
export function LiveFiring({
  run,
  facts,
  forCase,
  wanted,
}: {
  readonly run: MachineRunShown
  readonly facts: FiringFacts
  readonly forCase?: ForCase
  /** The step and the sheet that it is recorded in. */
  readonly wanted?: { readonly step: Parameters<typeof IntoRecord>[0]['step']; readonly sheet: StepSheet }
}) {
  const now = useNow()
  const units = usePreferences((preferences) => preferences.units)
  const { refusal, run: doing } = useRequest()
  const [looked, setLooked] = useDraft<string>(`firing ${run.runId} looked`, () => '')
  const firing = useMemo(() => firingOf(run, facts), [run, facts])
  const judged = run.measured.length > 1 ? attempt(() => judgeFiring(firing)) : undefined
  const judgement = judged?.answer
  const last = run.measured.at(-1)
  const start = Date.parse(run.startedAt)
  const over = run.ended || run.stoppedAt !== null
  const option = useMemo(() => {
    const last = Math.max(programMinutes(run.program), run.measured.at(-1)?.minutes ?? 0)
    return firingOption(
      plannedPoints(run.program, start),
      measuredPoints(run),
      start + (last + 2) * MINUTE,
      units,
    )
  }, [run, start, units])
  const path = { runId: run.runId }
  const trouble = (body: Body<'POST /machine-runs/:runId/troubles'>) =>
    doing(() => request('POST /machine-runs/:runId/troubles', { path, body }))
  return (
    <>
      <div className="flex flex-wrap items-end gap-x-6 gap-y-1">
        <output className="figures text-6xl leading-none font-bold" aria-label="Furnace shows">
          {last ? quantity(Math.round(last.celsius), 'celsius', units) : 'no reading'}
        </output>
        <p className="text-lg">
          {run.machine}, {last && `set ${quantity(Math.round(last.setCelsius), 'celsius', units)}, `}
          {last?.kilopascals !== undefined && `${quantity(last.kilopascals, 'kilopascals', units)}, `}
          {run.stoppedAt
            ? `taken out ${dayAndTime(Date.parse(run.stoppedAt), now)}`
            : run.ended
              ? `program ended ${dayAndTime(Date.parse(run.endsAt), now)}`
              : `ends about ${dayAndTime(Date.parse(run.endsAt), now)}`}
        </p>
      </div>
      <RealMachine run={run} />
      {judged?.refusal && <Message tone="error" words={judged.refusal} />}
      {judgement && over && (
        <section aria-label="What the curve says">
          <p
            className={`text-3xl leading-tight font-bold ${judgement.verdict === 'good' ? '' : judgement.verdict === 'look' ? 'text-warning' : 'text-error'}`}
          >
            {verdictWords[judgement.verdict]}
          </p>
          <p>
            <Said
              words={
                judgement.found.length > 0
                  ? saying`${firingNames[facts.firing]}: ${joined(judgement.found)}. ${judgement.say}`
                  : judgement.say
              }
            />
          </p>
        </section>
      )}
      <p className="flex flex-wrap gap-x-5 text-sm font-semibold">
        <Key colour={furnaceColour} words="measured" />
        <span>- - set</span>
      </p>
      <Chart className="h-60" says="Furnace as set and as measured" option={option} />
      {judgement?.verdict === 'look' && over && (
        <TextField
          label="What you saw when you looked"
          text={looked}
          onText={setLooked}
          hint="It goes into the record with the curve."
        />
      )}
      {forCase && wanted && last && (
        <IntoRecord
          forCase={forCase}
          step={wanted.step}
          figures={[
            {
              step: wanted.step,
              sheetId: wanted.sheet.id,
              sheet: {
                kind: 'firing',
                machine: run.machine,
                run: firing,
                ...(looked.trim() ? { looked: looked.trim() } : {}),
              },
            },
          ]}
          quiet={!over}
          words={`the curve up to ${clockTime(start + last.minutes * MINUTE)}`}
        />
      )}
      {refusal && <Message tone="error" words={refusal} />}
      {!run.stoppedAt && (
        <button
          type="button"
          className="small-act justify-self-start"
          onClick={() => void doing(() => request('POST /machine-runs/:runId/stop', { path }))}
        >
          Open it, take the work out
        </button>
      )}
      {run.standIn && !run.stoppedAt && (
        <StandInTroubles
          troubles={facts.firing === 'sinter' ? sinterTroubles : troubles}
          onTrouble={(body) => void trouble(body)}
        />
      )}
    </>
  )
}

const troubles = [
  ['The power goes for 3 min', { kind: 'powerCut', minutes: 3 }],
  ['Its vacuum leaks', { kind: 'vacuumLeak' }],
  ['The door stands open 2 min', { kind: 'doorOpen', minutes: 2 }],
  ['The thermocouple drifts', { kind: 'drift', celsiusPerHour: 60 }],
] as const
const sinterTroubles = [
  ['The power goes for 40 min', { kind: 'powerCut', minutes: 40 }],
  ['The door stands open 4 min', { kind: 'doorOpen', minutes: 4 }],
  ['The thermocouple drifts', { kind: 'drift', celsiusPerHour: 20 }],
] as const
