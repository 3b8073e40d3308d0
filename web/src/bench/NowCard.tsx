import { type BenchEntry, isPlannedTooLate } from '@yentrik/core'
import { Link, useNavigate } from 'react-router'
import { StepPicture } from '../drawings/StepPicture.tsx'
import { capital, dayAndTime, stageName } from '../format/format.ts'
import { useScannedCommand } from '../keys/scanned-command.ts'
import { useShortcuts } from '../keys/shortcuts.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { Figures } from '../mixing/Figures.tsx'
import { Message } from '../parts/Message.tsx'
import { usePreferences } from '../preferences/preferences.ts'
import { railWords } from './DayRail.tsx'

interface NowCardProps {
  readonly entry: BenchEntry
  readonly now: number
  readonly onOpen: () => void
  readonly onNotNow?: () => void
}

/** The one thing to do now: its figures, its reason with a clock time, at most three buttons. */
export function NowCard({ entry, now, onOpen, onNotNow }: NowCardProps) {
  const go = useNavigate()
  const { refusal: fault, run } = useRequest()
  const mix = entry.amounts.find((amount) => amount.kind === 'mix')
  const knowsStart = usePreferences((preferences) => preferences.knowsStart)
  const start = async () => {
    usePreferences.setState({ knowsStart: true })
    if (entry.running) return onOpen()
    const { caseId, jobId, stepId, sequence } = entry
    await run(async () => {
      await request('POST /cases/:caseId/events', {
        path: { caseId },
        body: { seen: sequence, command: { type: 'startStep', jobId, stepId } },
      })
      onOpen()
    })
  }
  const weigh =
    mix && (() => go(`/mix?case=${entry.caseId}&job=${entry.jobId}&step=${entry.stepId}&amount=${mix.id}`))
  useShortcuts([
    { key: 'space', does: 'Start', run: start },
    ...(weigh ? [{ key: 'm', does: 'Weigh', run: weigh }] : []),
    ...(onNotNow ? [{ key: 'n', does: 'Not now', run: onNotNow }] : []),
  ])
  useScannedCommand((command) => {
    if (command === 'START') void start()
    else if (command === 'WEIGH') weigh?.()
    else if (command === 'NOTNOW') onNotNow?.()
    else onOpen()
  })
  const late = entry.at < now
  return (
    <section className="card-flat flex min-h-0 flex-col p-5 sm:p-6" aria-label="Do now">
      <div className="grid min-h-0 grow content-start gap-x-4 gap-y-3 overflow-y-auto sm:grid-cols-[minmax(0,1fr)_minmax(0,17rem)] sm:grid-rows-[minmax(min-content,16rem)_auto]">
        <div>
          <p className="flex flex-wrap gap-2">
            <span className="chip">{stageName(entry.stage)}</span>
            <Link to={`/case/${entry.caseId}`} className="chip hover:underline">
              {entry.docket} · {entry.jobName}
            </Link>
            {entry.attempt > 1 && <span className="chip text-warning">again, time {entry.attempt}</span>}
          </p>
          <h2 className="mt-2 text-[2rem] leading-tight font-bold">{entry.name}</h2>
          {entry.window && <p className="mt-1 text-lg font-semibold">{capital(railWords(entry, now))}</p>}
          {entry.running && !entry.window && (
            <p className="mt-1 text-lg">Begun {dayAndTime(entry.startedAt ?? now, now)}</p>
          )}
          {mix && (
            <div className="mt-4">
              <Figures amount={mix} />
            </div>
          )}
        </div>
        <div className="hidden min-h-0 sm:block">
          {entry.picture && <StepPicture picture={entry.picture} />}
        </div>
        <p className={`border-l-4 pl-3 sm:col-span-2 ${late ? 'border-error' : 'border-warning'}`}>
          {!entry.window && (
            <b className={`figures ${late ? 'text-error' : ''}`}>
              {late
                ? `Should have begun ${dayAndTime(entry.at, now)}. `
                : `${entry.running ? 'Done' : 'Start'} by ${dayAndTime(entry.at, now)}. `}
            </b>
          )}
          {entry.planned && !entry.running && (
            <>
              Planned <b className="figures">{dayAndTime(entry.planned.at, now)}</b>
              {entry.planned.person && ` for ${entry.planned.person}`}
              {isPlannedTooLate(entry) && ', after its time'}.{' '}
            </>
          )}
          Due at {entry.clinic} <b className="figures">{dayAndTime(entry.dueAt, now)}</b>. {entry.why}
        </p>
        {fault && (
          <div className="sm:col-span-2">
            <Message tone="error" words={fault} />
          </div>
        )}
      </div>
      <div className="mt-4 flex flex-wrap gap-3">
        <button type="button" className="act-main" onClick={start}>
          {entry.running ? 'Go on' : 'Start'}
          <kbd className="key">space</kbd>
        </button>
        {weigh && (
          <button type="button" className="act" onClick={weigh}>
            Weigh<kbd className="key">M</kbd>
          </button>
        )}
        {onNotNow && (
          <button type="button" className="act" onClick={onNotNow}>
            Not now<kbd className="key">N</kbd>
          </button>
        )}
        {!knowsStart && (
          <p className="max-w-48 self-center text-sm leading-tight opacity-80">
            {entry.running
              ? 'Go on opens the case at this step.'
              : 'Start puts the time on record and opens the case at this step.'}
          </p>
        )}
      </div>
    </section>
  )
}
