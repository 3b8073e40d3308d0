import {
  type CoreReading,
  type CoreReady,
  checkProgram,
  type PowerCut,
  type RingSpeed,
  startFor,
  USUAL_TIME_CONSTANT,
} from '@yentrik/core'
import { useMemo } from 'react'
import { clockTime, dayAndTime, shortDate } from '../format/format.ts'
import { useNow } from '../live/live-store.ts'
import { Chart } from '../parts/Chart.tsx'
import { Pills } from '../parts/Choices.tsx'
import { NumberGrid } from '../parts/NumberGrid.tsx'
import { TextField } from '../parts/TextField.tsx'
import { Told } from '../parts/Told.tsx'
import { type BurnoutDraft, nextAt, programOf, proposed, type SegmentDraft } from './burnout-draft.ts'
import type { JudgedCut } from './casting.worker.ts'
import { FigureFields } from './Figures.tsx'
import { ask, readAll } from './typed-figures.ts'
import { useBurnout, useCut } from './use-burnout.ts'

const ringSpecs = [
  { key: 'diameter', label: 'Ring, inside', unit: 'mm', hint: 'diameter' },
  { key: 'height', label: 'Ring, high', unit: 'mm' },
  { key: 'rings', label: 'Rings', unit: '' },
  { key: 'peak', label: 'Final hold', unit: '°C' },
] as const
const ringKeys = ['diameter', 'height'] as const
const columns = [
  ['rate', '°C/min'],
  ['to', 'to °C'],
  ['hold', 'hold, min'],
] as const satisfies readonly (readonly [keyof SegmentDraft, string])[]

/** A burnout: when to put it in so that it is ready, and when its core really is. */
export function BurnoutPanel({
  draft,
  onDraft,
}: {
  readonly draft: BurnoutDraft
  readonly onDraft: (draft: BurnoutDraft) => void
}) {
  const now = useNow()
  const change = (to: Partial<BurnoutDraft>) => {
    const next = { ...draft, ...to }
    // Binder, ring and pattern make a new proposal; what is changed in the lines themselves stays.
    const { answer } = 'segments' in to || 'readyAt' in to ? {} : ask(() => proposed(next))
    onDraft(answer ? { ...next, segments: answer } : next)
  }
  const shown: BurnoutDraft =
    draft.segments.length > 0 ? draft : { ...draft, segments: ask(() => proposed(draft)).answer ?? [] }
  const { program, wrong } = programOf(shown)
  const { values, faults } = readAll(draft.figures, ringKeys)
  const refusal = program && ask(() => checkProgram(program, draft.binder)).refusal
  const reading = readingOf(draft)
  const asked =
    program && values && !refusal
      ? {
          size: { radiusMillimetres: values.diameter / 2, heightMillimetres: values.height },
          binder: draft.binder,
          program,
          ...(reading ? { reading } : {}),
        }
      : undefined
  const followed = useBurnout(asked)
  const cut = cutOf(draft)
  const judged = useCut(asked && cut ? { ...asked, cut } : undefined)
  const readyAt = nextAt(draft.readyAt, now)
  const reserve = readAll(draft.figures, ['reserve']).values?.reserve ?? 0
  const ready = followed?.ok ? followed.ready : undefined
  const putInAt =
    program && readyAt !== undefined && !refusal ? startFor(readyAt, program, reserve) : undefined
  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_25rem]">
      <section className="card-flat grid content-start gap-3 p-4" aria-label="Burnout">
        {refusal || wrong ? (
          <Told tone="error">{refusal ?? wrong ?? ''}</Told>
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
          <Told tone="warning">{`That is past: put in now it is ready ${dayAndTime(now + ((readyAt ?? now) - putInAt), now)}.`}</Told>
        )}
        {followed && !followed.ok && <Told tone="error">{followed.sentence}</Told>}
        {ready && putInAt !== undefined && <CoreWords ready={ready} putInAt={putInAt} now={now} />}
        {judged && putInAt !== undefined && <CutWords judged={judged} putInAt={putInAt} now={now} />}
        {ready ? (
          <BurnoutChart ready={ready} putInAt={putInAt ?? now} />
        ) : (
          !refusal && !wrong && <p role="status">Working it out</p>
        )}
        <p className="text-sm opacity-80">
          The ring as a cylinder of investment with its water; three sets of values from handbooks (recalled,
          wide) give the range. Left out: inversions (under 0.2 min), wax (under 3 %), cracking, a furnace
          that falls behind. The final hold also burns carbon, which is not counted here. The maker's sheet
          wins.
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
        <Pills
          label="Goes in"
          options={[
            ['cold', 'Cold, program'],
            ['hot', 'Hot, if marked for it'],
          ]}
          value={draft.fast ? 'hot' : 'cold'}
          onChoose={(entry) => change({ fast: entry === 'hot' })}
        />
        <FigureFields
          specs={ringSpecs}
          typed={draft.figures}
          faults={faults}
          onTyped={(figures) => change({ figures })}
        />
        <SegmentTable segments={shown.segments} onSegments={(segments) => change({ segments })} />
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
            typed={{ cutTau: String(USUAL_TIME_CONSTANT), ...draft.figures }}
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
          {followed?.ok && followed.factor !== undefined && (
            <p>{`It conducts ${followed.factor.toFixed(2)} times as well as usual; the range follows.`}</p>
          )}
        </details>
      </aside>
    </div>
  )
}

function readingOf({ figures }: BurnoutDraft): CoreReading | undefined {
  const { values } = readAll(figures, ['readMinutes', 'readCelsius'])
  return values && { minutes: values.readMinutes, celsius: values.readCelsius }
}

function cutOf({ figures }: BurnoutDraft): PowerCut | undefined {
  const { values } = readAll({ cutTau: String(USUAL_TIME_CONSTANT), ...figures }, [
    'cutAfter',
    'cutFor',
    'cutTau',
  ])
  return (
    values && { afterMinutes: values.cutAfter, minutes: values.cutFor, timeConstantMinutes: values.cutTau }
  )
}

/** What to do with a ring whose furnace stood without power. */
function CutWords({ judged, putInAt, now }: { judged: JudgedCut; putInAt: number; now: number }) {
  if (!judged.ok) return <Told tone="error">{judged.sentence}</Told>
  const { verdict, say, castFromMinutes } = judged
  return (
    <section aria-label="After the power cut">
      <p className={`text-3xl leading-tight font-bold ${verdict === 'discard' ? 'text-error' : ''}`}>
        {verdict === 'discard' || castFromMinutes === undefined
          ? 'Discard the ring'
          : `Cast from ${dayAndTime(putInAt + castFromMinutes * 60_000, now)}`}
      </p>
      <p>{say}</p>
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
        {`Core within 10 °C between ${at(core('fast'))} and ${at(core('slow'))}, likely ${at(core('typical'))}; water gone about ${at(heats.typical.waterGoneMinutes)}.`}
      </p>
      {late ? (
        <Told tone="warning">{`The program ends at ${at(programMinutes)}, before a slow ring is hot through: hold until ${at(castFromMinutes.slow)}.`}</Told>
      ) : (
        <Told tone="good">{`The program ends at ${at(programMinutes)}, with every ring hot through.`}</Told>
      )}
    </div>
  )
}

function SegmentTable({
  segments,
  onSegments,
}: {
  segments: readonly SegmentDraft[]
  onSegments: (segments: readonly SegmentDraft[]) => void
}) {
  return (
    <>
      <NumberGrid
        caption="Program"
        columns={columns}
        rows={segments}
        rowName="line"
        onText={(row, column, text) =>
          onSegments(segments.map((each, n) => (n === row ? { ...each, [column]: text } : each)))
        }
      />
      <div className="flex gap-2">
        <button
          type="button"
          className="small-act"
          onClick={() => onSegments([...segments, { rate: '5', to: '', hold: '0' }])}
        >
          Another line
        </button>
        {segments.length > 1 && (
          <button type="button" className="small-act" onClick={() => onSegments(segments.slice(0, -1))}>
            One less
          </button>
        )}
      </div>
    </>
  )
}

function BurnoutChart({ ready, putInAt }: { ready: CoreReady; putInAt: number }) {
  // The clock goes on while the curve stays: a new minute is soon enough.
  const from = Math.floor(putInAt / 60_000) * 60_000
  const option = useMemo(() => burnoutOption(ready, from), [ready, from])
  return (
    <>
      <p className="flex flex-wrap gap-x-5 text-sm font-semibold">
        <span style={{ color: 'var(--color-base-content)' }}>
          <span className="mr-2 inline-block h-1 w-8 align-middle" style={{ background: furnaceColour }} />
          furnace
        </span>
        <span>
          <span className="mr-2 inline-block h-1 w-8 align-middle" style={{ background: coreColour }} />
          core, dashed a fast and a slow ring
        </span>
      </p>
      <Chart className="h-80" says="Furnace and core of the ring over the hours" option={option} />
    </>
  )
}

const furnaceColour = '#d97a2e'
const coreColour = '#3f8f97'

function burnoutOption({ heats, programMinutes }: CoreReady, putInAt: number) {
  const hours = (minutes: number) => putInAt + minutes * 60_000
  const core = (speed: RingSpeed) =>
    heats[speed].curve.map(({ minutes, coreCelsius }) => [hours(minutes), coreCelsius])
  const line = { type: 'line', showSymbol: false }
  return {
    animation: false,
    textStyle: { fontFamily: 'inherit', fontSize: 14 },
    grid: { left: 52, right: 20, top: 20, bottom: 40 },
    tooltip: { trigger: 'axis', valueFormatter: (value: number) => `${value.toFixed(0)} °C` },
    xAxis: {
      type: 'time',
      max: hours(programMinutes + 30),
      axisLabel: { formatter: (instant: number) => clockTime(instant) },
    },
    yAxis: { type: 'value', name: '°C', min: 0 },
    series: [
      {
        ...line,
        name: 'furnace',
        color: furnaceColour,
        lineStyle: { width: 3 },
        data: heats.typical.curve.map(({ minutes, furnaceCelsius }) => [hours(minutes), furnaceCelsius]),
        markArea: {
          silent: true,
          itemStyle: { color: 'rgba(140,153,156,0.18)' },
          label: { position: 'insideTopLeft', fontSize: 13, color: '#6b7678' },
          data: [
            [{ name: 'cristobalite', yAxis: 200 }, { yAxis: 270 }],
            [{ name: 'quartz', yAxis: 563 }, { yAxis: 583 }],
          ],
        },
        markLine: {
          symbol: 'none',
          label: { formatter: '{b}' },
          data: [{ xAxis: hours(programMinutes), name: 'ends' }],
        },
      },
      { ...line, name: 'core, likely', color: coreColour, lineStyle: { width: 3 }, data: core('typical') },
      {
        ...line,
        name: 'core, fast ring',
        color: coreColour,
        lineStyle: { width: 1, type: 'dashed' },
        data: core('fast'),
      },
      {
        ...line,
        name: 'core, slow ring',
        color: coreColour,
        lineStyle: { width: 1, type: 'dashed' },
        data: core('slow'),
      },
    ],
  }
}
