import { type BenchEntry, type BenchList, benchList } from '@yentrik/core'
import { Plus } from 'lucide-react'
import { Link, useNavigate } from 'react-router'
import { clockTime, dayAndTime, dayWord, shortDate, stageName } from '../format/format.ts'
import { useNow } from '../live/lab-clock.ts'
import { useAnswer } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { Message, Waiting } from '../parts/Message.tsx'
import { Said } from '../preferences/words.tsx'
import { useShelf } from '../record/shelf.ts'
import { useSession } from '../session/session.ts'
import { entryKey, inOrder, putOff, usePutOff } from './bench-store.ts'
import { DayRail } from './DayRail.tsx'
import { NowCard } from './NowCard.tsx'

/** What runs, the one thing to do now, and what comes then. */
export function BenchScreen() {
  const { data, error } = useAnswer('GET /bench')
  const { person } = useSession()
  const now = useNow()
  // Asked for once: the figures of whatever comes up need it.
  useShelf()
  if (!data)
    return error ? (
      <main className="p-8">
        <Message tone="error" words={error.said} />
      </main>
    ) : (
      <Waiting />
    )
  const list = benchList(data, now, person?.personId)
  const soon = [...list.now, ...list.later].filter((e) => e.at < now + 3_600_000).length
  return (
    <main className="mx-auto flex max-w-[1500px] flex-col gap-4 p-4 sm:h-dvh sm:min-h-[720px] sm:p-6 sm:pt-4">
      <header className="flex flex-wrap items-baseline gap-x-5">
        <h1 className="figures font-mono text-[2.75rem] leading-none font-bold">
          <time>{clockTime(now)}</time>
          <span className="sr-only">, bench</span>
        </h1>
        <p>
          {shortDate(now)} · {list.running.length} running · {soon} want a hand before{' '}
          {clockTime(now + 3_600_000)}
        </p>
        <p className="ml-auto">{person?.name}</p>
        {!isEmpty(list) && (
          <Link to="/cases/new" className="act self-center">
            <Plus className="size-5" aria-hidden /> Take in a case
          </Link>
        )}
      </header>
      {isEmpty(list) ? (
        <EmptyBench />
      ) : (
        <>
          <DayRail entries={list.running} now={now} />
          <Hands list={list} now={now} />
        </>
      )}
    </main>
  )
}

/** A case at its try-in, with when it is due back, or that it is late. */
function awayWords({ docket, window, verdict }: BenchEntry, now: number): string {
  if (!window) return docket
  return `${docket} ${verdict === 'good' ? 'back' : 'LATE, was due'} ${dayAndTime(window.lateFrom, now)}`
}

function isEmpty(list: BenchList): boolean {
  return (
    list.now.length + list.later.length + list.asking.length + list.away.length + list.running.length === 0
  )
}

function Hands({ list, now }: { list: BenchList; now: number }) {
  const go = useNavigate()
  const keys = usePutOff((store) => store.keys)
  const queue = inOrder(list.now, keys)
  const [first, ...rest] = queue
  const then = [
    ...rest.map((entry) => ({ entry, opens: false })),
    ...list.later.map((entry) => ({ entry, opens: true })),
  ]
  return (
    <div className="grid min-h-0 grow grid-cols-[minmax(0,1fr)] gap-4 lg:grid-cols-[minmax(0,1fr)_24rem]">
      {first ? (
        <NowCard
          key={entryKey(first)}
          entry={first}
          now={now}
          onOpen={() => go(`/case/${first.caseId}`)}
          onNotNow={queue.length > 1 ? () => putOff(entryKey(first)) : undefined}
        />
      ) : (
        <section className="card-flat grid place-items-center p-8 text-center">
          <p className="text-2xl font-semibold">
            Hands free
            {list.later[0] && (
              <span className="mt-2 block text-lg font-normal">
                Next: {list.later[0].name} from {dayAndTime(list.later[0].at, now)}
              </span>
            )}
          </p>
        </section>
      )}
      <div className="flex min-h-0 flex-col gap-4">
        {list.asking.length > 0 && <Asking list={list} now={now} />}
        <section className="card-flat flex min-h-48 grow flex-col p-4 lg:min-h-0" aria-label="Then">
          <h2 className="px-1 font-semibold opacity-80">Then</h2>
          <ul className="min-h-0 grow overflow-y-auto">
            {then.map(({ entry, opens }) => (
              <ThenRow key={entryKey(entry)} entry={entry} opens={opens} now={now} />
            ))}
            {then.length === 0 && <li className="p-2 opacity-80">Nothing else is waiting for hands.</li>}
          </ul>
          {list.away.length > 0 && (
            <p className="border-base-300 border-t px-1 pt-2 text-sm">
              At the clinic: {list.away.map((entry) => awayWords(entry, now)).join(', ')}
            </p>
          )}
        </section>
      </div>
    </div>
  )
}

function ThenRow({ entry, opens, now }: { entry: BenchEntry; opens: boolean; now: number }) {
  const late = !opens && entry.at < now
  return (
    <li>
      <Link
        to={`/case/${entry.caseId}`}
        className="border-base-300 hover:bg-base-200/70 flex min-h-14 items-center gap-3 rounded-lg border-b px-1 py-1.5"
      >
        <span className={`w-24 shrink-0 leading-tight ${late ? 'text-error' : ''}`}>
          <span className="block text-sm">
            {opens ? 'from' : late ? 'since' : 'by'} {dayWord(entry.at, now)}
          </span>
          <b className="figures">{clockTime(entry.at)}</b>
        </span>
        <span className="min-w-0 grow">
          <span className="block truncate font-semibold">{entry.name}</span>
          <span className="block truncate text-sm opacity-80">
            {entry.docket} · {stageName(entry.stage)}
            {entry.running && ', going on'}
            {entry.planned?.person && ` · ${entry.planned.person}`} · {entry.jobName}
          </span>
        </span>
      </Link>
    </li>
  )
}

function Asking({ list, now }: { list: BenchList; now: number }) {
  return (
    <section className="card-flat max-h-44 shrink-0 overflow-y-auto p-4" aria-label="Waiting for an answer">
      <h2 className="px-1 font-semibold opacity-80">Waiting for the dentist</h2>
      {list.asking.map((summary) => (
        <Link
          key={summary.caseId}
          to={`/case/${summary.caseId}`}
          className="hover:bg-base-200/70 block rounded-lg p-1"
        >
          <span className="block font-semibold">
            {summary.question && <Said words={summary.question.text} />}
          </span>
          <span className="text-sm opacity-80">
            {summary.docket} · asked {dayAndTime(summary.question?.since ?? now, now)} · {summary.prescriber}
          </span>
        </Link>
      ))}
    </section>
  )
}

/** A study cast in five minutes, each touch shown: begun once, left and taken up again as one likes. */
function FirstCase() {
  const go = useNavigate()
  const { data: room } = useAnswer('GET /practice')
  const { run } = useRequest()
  const open = room?.cases.find(({ level, closed }) => level === 'guided' && !closed)
  const begin = async () => {
    const begun = await run(() =>
      request('POST /practice', {
        body: { templateId: 'study-cast', level: 'guided', seed: FIRST_SEED },
      }),
    )
    if (begun) await go(`/case/${begun.practiceId}`)
  }
  return open ? (
    <Link to={`/case/${open.practiceId}`} className="act">
      Go on with the practice case
    </Link>
  ) : (
    <button type="button" className="act" onClick={() => void begin()}>
      Show me: a study cast in five minutes
    </button>
  )
}
/** The same first case for everybody. */
const FIRST_SEED = 5

function EmptyBench() {
  return (
    <section className="card-flat grid grow place-items-center p-8 text-center">
      <div className="max-w-lg">
        <h2 className="text-3xl font-bold">The bench is empty</h2>
        <p className="mt-3 text-lg">
          Take in the first case: its work authorisation, what is to be made, and the date. Yentrik leads it
          through every step from there.
        </p>
        <div className="mt-6 flex flex-wrap justify-center gap-3">
          <Link to="/cases/new" className="act-main">
            Take in a case
          </Link>
          <FirstCase />
          <Link to="/mix" className="act">
            Just mix something
          </Link>
        </div>
        <p className="mt-6 text-sm opacity-80">
          To see a lab in mid-work, stop this server and run: npm run demo
        </p>
      </div>
    </section>
  )
}
