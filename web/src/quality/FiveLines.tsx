import {
  CHANCE_ONE_IN,
  type HandsLost,
  type Line,
  type QualityFigures,
  type Share,
  SIGNAL_DAYS,
} from '@yentrik/core'
import type { ReactNode } from 'react'
import type { CasesShown } from './CasesSheet.tsx'
import { Dots, IntervalBar } from './marks.tsx'
import { hoursBetween, hoursWords, percent, ruleWords, shareWords } from './quality-words.ts'

const MOST_OPEN_DOTS = 24

interface FiveLinesProps {
  readonly figures: QualityFigures
  /** What the period and the one before it are called. */
  readonly names: { readonly now: string; readonly before: string }
  readonly onCases: (shown: CasesShown) => void
  readonly onCharts: () => void
}

/** The state of the lab in ten seconds: each number with its count, where it may truly lie, and where it was before. */
export function FiveLines({ figures, names, onCases, onCharts }: FiveLinesProps) {
  const { onTime, clean, handsLost, lateNow, toLook } = figures
  const [signal] = toLook.signals
  const chartName = signal && figures.charts.find(({ series }) => series === signal.series)?.name
  return (
    <section className="card-flat flex flex-col" aria-label="In ten seconds">
      <ShareLine
        name="On time"
        counted={(share) => `${share.count} of ${share.of} due`}
        lines={onTime}
        before={names.before}
        onOpen={() => onCases({ title: 'Due and not on time', cases: onTime.now.cases })}
      />
      <ShareLine
        name="Nothing went back"
        counted={(share) => `${share.count} of ${share.of} jobs`}
        lines={clean}
        before={names.before}
        onOpen={() => onCases({ title: 'Something was done again', cases: clean.now.cases })}
      />
      <LostLine
        lost={handsLost.now}
        before={handsLost.before}
        beforeName={names.before}
        onOpen={() => onCases({ title: 'Hands lost', cases: handsLost.now.cases })}
      />
      <Row
        name="Late now"
        counted={`of ${lateNow.open} in the house`}
        number={String(lateNow.late)}
        onOpen={() => onCases({ title: 'Late now', cases: lateNow.cases })}
      >
        <Dots
          count={Math.min(lateNow.late, MOST_OPEN_DOTS)}
          of={Math.min(lateNow.open, MOST_OPEN_DOTS)}
          says={`${lateNow.late} of ${lateNow.open} are late`}
        />
        <span className="text-sm">
          {lateNow.late === 0
            ? 'nothing is past its due time'
            : lateNow.cases
                .slice(0, 3)
                .map(({ docket }) => docket)
                .join(', ')}
        </span>
      </Row>
      <Row
        name="To look at"
        counted={`of ${toLook.charts} charts with limits`}
        number={String(toLook.signals.length)}
        onOpen={onCharts}
      >
        <Dots
          count={toLook.signals.length}
          of={Math.max(toLook.signals.length, Math.min(toLook.charts, 12))}
          says={`${toLook.signals.length} signals`}
        />
        <span className="text-sm">
          {signal
            ? `${chartName}: ${ruleWords[signal.rule]}`
            : `nothing new in the last ${SIGNAL_DAYS} days; 1 point in about ${CHANCE_ONE_IN} signals by chance`}
        </span>
      </Row>
      <p className="border-base-300 flex flex-wrap items-center gap-x-5 gap-y-1 border-t px-5 py-2 text-sm">
        <span className="flex items-center gap-2">
          <span className="bg-primary size-3.5 rounded-full" /> {names.now}
        </span>
        <span className="flex items-center gap-2">
          <span className="bg-primary/35 h-3 w-9 rounded-full" /> where it may truly lie, 19 times in 20
        </span>
        <span className="flex items-center gap-2">
          <span className="border-base-content h-4 border-l-2 border-dashed" /> {names.before}
        </span>
      </p>
    </section>
  )
}

function ShareLine({
  name,
  counted,
  lines: { now, before },
  before: beforeName,
  onOpen,
}: {
  readonly name: string
  readonly counted: (share: Share) => string
  readonly lines: { readonly now: Line; readonly before: Line }
  readonly before: string
  readonly onOpen: () => void
}) {
  const { share } = now
  if (!share)
    return (
      <Row name={name} counted="nothing to count yet" number="–" onOpen={onOpen}>
        <span className="text-sm">no figure yet</span>
      </Row>
    )
  const few = share.state === 'tooFew'
  return (
    <Row
      name={name}
      counted={counted(share)}
      number={few ? `${share.count}` : String(percent(share.share))}
      unit={few ? `of ${share.of}` : '%'}
      onOpen={onOpen}
    >
      {few ? (
        <>
          <Dots count={share.of - share.count} of={share.of} says={shareWords(share)} />
          <span className="text-sm">too few for a percent</span>
        </>
      ) : (
        <IntervalBar
          value={share.share}
          interval={share}
          most={1}
          unit="100 %"
          {...(before.share && before.share.state === 'percent'
            ? { before: { value: before.share.share, name: beforeName } }
            : {})}
          says={shareWords(share)}
        />
      )}
    </Row>
  )
}

function LostLine({
  lost,
  before,
  beforeName,
  onOpen,
}: {
  readonly lost: HandsLost
  readonly before: HandsLost
  readonly beforeName: string
  readonly onOpen: () => void
}) {
  const { hours, events, ofHours, interval } = lost
  // Where no hands are on record, none lost would say more than is known.
  if (ofHours === 0)
    return (
      <Row name="Hands lost" counted="no hands on record" number="–" onOpen={onOpen}>
        <span className="text-sm">no figure yet</span>
      </Row>
    )
  const minutes = Math.round(hours * 60)
  const most = Math.max(5, Math.ceil(Math.max(hours, before.hours, interval?.high ?? 0) / 5) * 5)
  const times = events === 1 ? 'once' : `${events} times`
  return (
    <Row
      name="Hands lost"
      counted={events === 0 ? `never, of ${Math.round(ofHours)} h` : `${times}, of ${Math.round(ofHours)} h`}
      number={String(Math.floor(minutes / 60))}
      unit="h"
      more={String(minutes % 60).padStart(2, '0')}
      onOpen={onOpen}
    >
      <IntervalBar
        value={hours}
        {...(interval ? { interval } : {})}
        before={{ value: before.hours, name: beforeName }}
        most={most}
        unit={`${most} h`}
        says={`${hoursWords(hours)}${interval ? `, ${hoursBetween(interval)}` : ''}`}
      />
    </Row>
  )
}

function Row({
  name,
  counted,
  number,
  unit,
  more,
  onOpen,
  children,
}: {
  readonly name: string
  readonly counted: string
  readonly number: string
  readonly unit?: string
  readonly more?: string
  readonly onOpen: () => void
  readonly children: ReactNode
}) {
  return (
    <button
      type="button"
      onClick={onOpen}
      className="border-base-300 hover:bg-base-200/60 grid min-h-[4.4rem] grow grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 border-b px-5 py-0.5 text-left first:rounded-t-2xl last-of-type:border-b-0 sm:grid-cols-[10rem_minmax(0,1fr)_15rem]"
    >
      <span className="min-w-0">
        <b className="block leading-tight">{name}</b>
        <span className="figures text-sm opacity-80">{counted}</span>
      </span>
      <span className="figures text-right text-[2.4rem] leading-none font-bold whitespace-nowrap">
        {number}
        {unit && <span className="ml-1 text-xl">{unit}</span>}
        {more && <span className="ml-1">{more}</span>}
      </span>
      <span className="grid gap-1 max-sm:col-span-2">{children}</span>
    </button>
  )
}
