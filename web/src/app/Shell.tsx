import type { Saying } from '@yentrik/core'
import { lazy, Suspense, useEffect, useState } from 'react'
import { Outlet, useLocation, useNavigate } from 'react-router'
import { AwayBar } from '../away/AwayBar.tsx'
import { sendWhenReached } from '../away/outbox.ts'
import { WindowAlarm } from '../bench/WindowAlarm.tsx'
import { pageOfPlace } from '../handbook/pages.ts'
import { instrumentsShown } from '../instruments/instruments.ts'
import { tellScannedCommand } from '../keys/scanned-command.ts'
import { listenForScans } from '../keys/scanner.ts'
import { useShortcuts } from '../keys/shortcuts.ts'
import { followChanges } from '../live/changes.ts'
import { readClock } from '../live/lab-clock.ts'
import { freshen, useAnswer } from '../live/queries.ts'
import { onSignedOut, request, sentenceOf } from '../live/request.ts'
import { Message, Waiting } from '../parts/Message.tsx'
import { SessionContext, useSession } from '../session/session.ts'
import { HelpSheet } from './HelpSheet.tsx'
import { places, Rail } from './Rail.tsx'

/** Seen once a month: it does not come with the bench. */
const SignIn = lazy(() => import('./SignIn.tsx').then(({ SignIn: Component }) => ({ default: Component })))

/** What stands around every screen: places, keys, scanner, alarm, connection. */
export function Shell() {
  const session = useAnswer('GET /session')
  const isClockRead = useClockRead()
  useEffect(followChanges, [])
  // A session may end while somebody works: the door is shown, and what was typed is kept behind it.
  useEffect(() => onSignedOut(() => void freshen('GET /session')), [])
  if (!session.data)
    return session.error ? (
      <div className="p-8">
        <Message tone="error" words={session.error.said} />
      </div>
    ) : (
      <Waiting />
    )
  if (!isClockRead) return <Waiting />
  if (!session.data.person)
    return (
      <Suspense fallback={<Waiting />}>
        <SignIn session={session.data} />
      </Suspense>
    )
  return (
    <SessionContext value={session.data}>
      <House />
    </SessionContext>
  )
}

/** Until the clock of the lab was asked for once: this machine's own may show another day. */
function useClockRead(): boolean {
  const [isRead, setRead] = useState(false)
  useEffect(() => {
    // A server that is not reached is waited for elsewhere; what is kept at this bench goes by its own clock.
    void readClock()
      .catch(() => undefined)
      .finally(() => setRead(true))
  }, [])
  return isRead
}

function House() {
  const go = useNavigate()
  const [help, setHelp] = useState(false)
  const [scanFault, setScanFault] = useState<Saying>()
  const { demo } = useSession()
  const { pathname } = useLocation()
  const onPaper = pathname.startsWith('/papers')
  useShortcuts([
    ...places.flatMap(({ key, name, to }) => (key ? [{ key, does: name, run: () => go(to) }] : [])),
    ...Object.values(instrumentsShown).map(({ key, name, path }) => ({
      key,
      does: name,
      run: () => go(path),
    })),
    { key: 'h', does: 'Handbook', run: () => go(`/handbook/${pageOfPlace(pathname)}`) },
    { key: 'a', does: 'New case', run: () => go('/cases/new') },
    { key: '?', does: 'Help', run: () => setHelp(true) },
  ])
  useEffect(sendWhenReached, [])
  useEffect(
    () =>
      listenForScans((scanned) => {
        setScanFault(undefined)
        if (scanned.kind === 'command') return tellScannedCommand(scanned.command)
        request('GET /dockets/:docket', { path: { docket: scanned.docket } })
          .then(({ caseId }) => go(`/case/${caseId}`))
          .catch((error: unknown) => setScanFault(sentenceOf(error)))
      }),
    [go],
  )
  return (
    <div className="flex min-h-dvh flex-col-reverse sm:flex-row print:block">
      {!onPaper && <Rail onHelp={() => setHelp(true)} />}
      <div className="min-w-0 grow">
        {demo && (
          <p
            className={`bg-neutral text-neutral-content px-6 py-1 text-sm ${onPaper ? '' : 'no-print sm:hidden'}`}
          >
            Demo lab: everything here is invented.
          </p>
        )}
        <AwayBar />
        {scanFault && (
          <div className="bg-base-100 no-print px-6 py-2">
            <Message tone="error" words={scanFault} />
          </div>
        )}
        <Outlet />
      </div>
      <WindowAlarm />
      {help && <HelpSheet onClose={() => setHelp(false)} />}
    </div>
  )
}
