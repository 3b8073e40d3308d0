import type { Saying } from '@yentrik/core'
import {
  CircleQuestionMark,
  DraftingCompass,
  Flame,
  Hammer,
  Layers,
  type LucideIcon,
  RulerDimensionLine,
  Scale,
  Settings2,
  SquareStack,
  Thermometer,
  Triangle,
} from 'lucide-react'
import { useEffect, useState } from 'react'
import { NavLink, Outlet, useLocation, useNavigate } from 'react-router'
import { WindowAlarm } from '../bench/WindowAlarm.tsx'
import { tellScannedCommand } from '../keys/scanned-command.ts'
import { listenForScans } from '../keys/scanner.ts'
import { useShortcuts } from '../keys/shortcuts.ts'
import { followChanges, useReached } from '../live/changes.ts'
import { useAnswer } from '../live/queries.ts'
import { request, sentenceOf } from '../live/request.ts'
import { Told, Waiting } from '../parts/Told.tsx'
import { SessionContext } from '../session/session.ts'
import { HelpSheet } from './HelpSheet.tsx'
import { SignIn } from './SignIn.tsx'

const places: readonly { to: string; name: string; Icon: LucideIcon }[] = [
  { to: '/', name: 'Bench', Icon: Hammer },
  { to: '/cases', name: 'Cases', Icon: SquareStack },
  { to: '/mix', name: 'Mix', Icon: Scale },
  { to: '/trim', name: 'Trim', Icon: Triangle },
  { to: '/mount', name: 'Mount', Icon: DraftingCompass },
  { to: '/set-up', name: 'Set up', Icon: RulerDimensionLine },
  { to: '/cast', name: 'Cast', Icon: Flame },
  { to: '/cure', name: 'Cure', Icon: Thermometer },
  { to: '/shelf', name: 'Shelf', Icon: Layers },
  { to: '/settings', name: 'Settings', Icon: Settings2 },
]

/** What stands around every screen: places, keys, scanner, alarm, connection. */
export function Shell() {
  const session = useAnswer('GET /session')
  useEffect(followChanges, [])
  if (!session.data)
    return session.error ? (
      <p className="p-8">
        <Told tone="error" words={session.error.said} />
      </p>
    ) : (
      <Waiting />
    )
  if (!session.data.person) return <SignIn session={session.data} />
  return (
    <SessionContext value={session.data}>
      <House />
    </SessionContext>
  )
}

function House() {
  const go = useNavigate()
  const [help, setHelp] = useState(false)
  const [scanFault, setScanFault] = useState<Saying>()
  const { reached } = useReached()
  const onPaper = useLocation().pathname.startsWith('/papers')
  useShortcuts([
    { key: 'b', does: 'Bench', run: () => go('/') },
    { key: 'c', does: 'Cases', run: () => go('/cases') },
    { key: 'x', does: 'Mix', run: () => go('/mix') },
    { key: 'r', does: 'Trim', run: () => go('/trim') },
    { key: 'o', does: 'Mount', run: () => go('/mount') },
    { key: 'u', does: 'Set up', run: () => go('/set-up') },
    { key: 'k', does: 'Cast', run: () => go('/cast') },
    { key: 'e', does: 'Cure', run: () => go('/cure') },
    { key: 's', does: 'Shelf', run: () => go('/shelf') },
    { key: 'a', does: 'New case', run: () => go('/cases/new') },
    { key: '?', does: 'Help', run: () => setHelp(true) },
  ])
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
      {!onPaper && (
        <nav
          aria-label="Places"
          className="bg-neutral text-neutral-content no-print sticky bottom-0 z-10 flex shrink-0 justify-between overflow-x-auto sm:top-0 sm:overflow-visible sm:h-dvh sm:w-[84px] sm:flex-col sm:justify-start sm:gap-1 sm:pt-4"
        >
          <span className="mb-2 hidden text-center text-[1.35rem] font-bold tracking-tight sm:block">
            yentrik
          </span>
          {places.map(({ to, name, Icon }) => (
            <NavLink
              key={to}
              to={to}
              end={to === '/'}
              className={({ isActive }) =>
                `flex min-h-16 min-w-16 flex-1 sm:min-h-[3.7rem] flex-col items-center justify-center gap-1 text-sm sm:ml-2 sm:flex-none sm:rounded-l-2xl ${
                  isActive ? 'bg-base-200 text-base-content font-bold' : 'hover:bg-white/10'
                }`
              }
            >
              <Icon className="size-6" strokeWidth={1.75} aria-hidden />
              {name}
            </NavLink>
          ))}
          <button
            type="button"
            className="hidden min-h-[3.7rem] flex-col items-center justify-center gap-1 text-sm hover:bg-white/10 sm:mt-auto sm:flex"
            onClick={() => setHelp(true)}
          >
            <CircleQuestionMark className="size-6" strokeWidth={1.75} aria-hidden />
            Keys
          </button>
        </nav>
      )}
      <div className="min-w-0 grow">
        {!reached && (
          <div className="bg-base-100 no-print px-6 py-2">
            <Told tone="warning">
              The server is not reached. Clocks run on; nothing can be stored until it is back.
            </Told>
          </div>
        )}
        {scanFault && (
          <div className="bg-base-100 no-print px-6 py-2">
            <Told tone="error" words={scanFault} />
          </div>
        )}
        <Outlet />
      </div>
      <WindowAlarm />
      {help && <HelpSheet onClose={() => setHelp(false)} />}
    </div>
  )
}
