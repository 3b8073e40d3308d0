import type { Body, MachineRunShown } from '@yentrik/contract'
import {
  type Binder,
  type BurnoutRun,
  type BurnoutVerdict,
  keptReadings,
  programMinutes,
  qty,
  type RingSize,
  type Saying,
  saying,
  sheetsWanted,
} from '@yentrik/core'
import { useMemo, useState } from 'react'
import { clockTime, dayAndTime, quantity } from '../format/format.ts'
import { useNow } from '../live/lab-clock.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { Chart } from '../parts/Chart.tsx'
import { useDraft } from '../parts/draft.ts'
import { FigureFields } from '../parts/FigureFields.tsx'
import { Key } from '../parts/Key.tsx'
import { Message } from '../parts/Message.tsx'
import { readNumber } from '../parts/read-number.ts'
import type { Typed } from '../parts/typed-figures.ts'
import { usePreferences } from '../preferences/preferences.ts'
import { Said, useWords } from '../preferences/words.tsx'
import { RealMachine } from '../program/RealMachine.tsx'
import { measuredPoints, plannedPoints } from '../program/run-points.ts'
import { StandInTroubles } from '../program/StandInTroubles.tsx'
import { type ForCase, IntoRecord } from '../record/IntoRecord.tsx'
import { coreColour, furnaceColour, measuredOption } from './burnout-chart.ts'
import { useJudged } from './use-burnout.ts'

const MINUTE = 60_000
const verdictWords: Readonly<Record<BurnoutVerdict, string>> = {
  goOn: 'Good to cast',
  hold: 'Hold on',
  discard: 'Discard the ring',
}

/** A run as a sheet records it. */
export function burnoutOf(
  run: MachineRunShown,
  binder: Binder,
  ring: RingSize,
  showsTooMuchCelsius: number,
  hotEntry: boolean,
): BurnoutRun {
  return {
    ...(hotEntry ? { hotEntry } : {}),
    binder,
    ring,
    program: run.program,
    from: 'machine',
    measured: keptReadings(run.measured),
    showsTooMuchCelsius,
    endMinutes: Math.round((Date.parse(run.endsAt) - Date.parse(run.startedAt)) / MINUTE),
  }
}

/** A furnace on its program: what it shows, what is set, where the core is by that, and what follows. */
export function LiveBurnout({
  run,
  binder,
  ring,
  hotEntry,
  forCase,
}: {
  readonly run: MachineRunShown
  readonly binder: Binder
  readonly ring: RingSize
  /** The product in it is marked for a hot furnace. */
  readonly hotEntry: boolean
  readonly forCase?: ForCase
}) {
  const now = useNow()
  const say = useWords()
  const units = usePreferences((preferences) => preferences.units)
  const [typed, setTyped] = useDraft<Typed>(`burnout ${run.runId}`, () => ({ tooMuch: '0' }))
  const { value: tooMuch = 0 } = readNumber(typed.tooMuch ?? '', '°C', { apart: true })
  const [second, setSecond] = useState<Saying>()
  const { refusal, run: doing } = useRequest()
  const burnout = useMemo(
    () => burnoutOf(run, binder, ring, tooMuch, hotEntry),
    [run, binder, ring, tooMuch, hotEntry],
  )
  const judged = useJudged(run.measured.length > 1 ? burnout : undefined)
  const judgement = judged?.answer
  const start = Date.parse(run.startedAt)
  const last = run.measured.at(-1)
  const lastMinutes = last?.minutes ?? 0
  const option = useMemo(() => {
    const at = (minutes: number) => start + minutes * MINUTE
    return measuredOption(
      {
        set: plannedPoints(run.program, start),
        measured: measuredPoints(run),
        core: (judgement?.heat.curve ?? [])
          .filter(({ minutes }) => minutes <= lastMinutes)
          .map(({ minutes, coreCelsius }) => [at(minutes), coreCelsius] as const),
        until: at(Math.max(programMinutes(run.program), lastMinutes) + 20),
      },
      units,
    )
  }, [run, judgement, start, lastMinutes, units])
  const path = { runId: run.runId }
  const stop = () => doing(() => request('POST /machine-runs/:runId/stop', { path }))
  const trouble = (body: Body<'POST /machine-runs/:runId/troubles'>) =>
    doing(() => request('POST /machine-runs/:runId/troubles', { path, body }))
  const hold = async () => {
    const read = await doing(() => request('GET /machine-runs/:runId/second-thermometer', { path }))
    if (!read) return
    const { celsius, shownCelsius } = read
    setTyped({ tooMuch: String(shownCelsius - celsius) })
    setSecond(
      saying`The second thermometer reads ${qty.celsius(celsius)}, the furnace shows ${qty.celsius(shownCelsius)}.`,
    )
  }
  const [wanted] = forCase ? sheetsWanted(forCase.job, 'burnout') : []
  const discard = judgement?.verdict === 'discard'
  return (
    <>
      <div className="flex flex-wrap items-end gap-x-6 gap-y-1">
        <output className="figures text-6xl leading-none font-bold" aria-label="Furnace shows">
          {last ? quantity(Math.round(last.celsius), 'celsius', units) : 'no reading'}
        </output>
        <p className="text-lg">
          {run.machine}, {last && `set ${quantity(Math.round(last.setCelsius), 'celsius', units)}, `}
          {run.stoppedAt
            ? `taken out ${dayAndTime(Date.parse(run.stoppedAt), now)}`
            : run.ended
              ? `program ended ${dayAndTime(Date.parse(run.endsAt), now)}, holding`
              : `ends about ${dayAndTime(Date.parse(run.endsAt), now)}`}
        </p>
      </div>
      <RealMachine run={run} />
      {judged?.refusal && <Message tone="error" words={judged.refusal} />}
      {judgement && (run.ended || discard || judgement.coreFellToCelsius !== undefined) && (
        <section aria-label="What the curve says">
          <p className={`text-3xl leading-tight font-bold ${discard ? 'text-error' : ''}`}>
            {verdictWords[judgement.verdict]}
            {judgement.castFromMinutes !== undefined &&
              `, cast from ${dayAndTime(start + judgement.castFromMinutes * MINUTE, now)}`}
          </p>
          <p>
            <Said words={judgement.say} />
          </p>
        </section>
      )}
      {judgement?.alsoSeen.map(say).map((words) => (
        <Message key={words} tone="warning">
          {words}
        </Message>
      ))}
      <p className="flex flex-wrap gap-x-5 text-sm font-semibold">
        <Key colour={furnaceColour} words="measured" />
        <Key colour={coreColour} words="core by that, likely" />
        <span>- - set</span>
      </p>
      <Chart className="h-64" says="Furnace as set and as measured, with the core" option={option} />
      {forCase && wanted && last && (
        <IntoRecord
          forCase={forCase}
          step={wanted.step}
          figures={[
            {
              step: wanted.step,
              sheetId: wanted.sheet.id,
              sheet: { kind: 'burnout', machine: run.machine, run: burnout },
            },
          ]}
          quiet={!run.ended && !discard}
          words={`the curve up to ${clockTime(start + lastMinutes * MINUTE)}`}
        />
      )}
      {second && <Message tone="warning" words={second} />}
      {refusal && <Message tone="error" words={refusal} />}
      {!run.stoppedAt && (
        <button type="button" className="small-act justify-self-start" onClick={() => void stop()}>
          Take the rings out
        </button>
      )}
      <details>
        <summary className="min-h-11 cursor-pointer font-semibold">Second thermometer</summary>
        <div className="flex flex-wrap items-end gap-3">
          <div className="w-72">
            <FigureFields
              specs={[{ key: 'tooMuch', label: 'It shows too much by', unit: '°C', apart: true }]}
              typed={typed}
              faults={{}}
              onTyped={setTyped}
            />
          </div>
          {run.standIn && !run.stoppedAt && (
            <button type="button" className="small-act mb-9" onClick={() => void hold()}>
              Hold one in
            </button>
          )}
        </div>
      </details>
      {run.standIn && !run.stoppedAt && (
        <StandInTroubles troubles={troubles} onTrouble={(body) => void trouble(body)} />
      )}
    </>
  )
}

const troubles = [
  ['The power goes for 10 min', { kind: 'powerCut', minutes: 10 }],
  ['The power goes for 90 min', { kind: 'powerCut', minutes: 90 }],
  ['The door stands open 4 min', { kind: 'doorOpen', minutes: 4 }],
  ['The thermocouple drifts', { kind: 'drift', celsiusPerHour: 20 }],
] as const
