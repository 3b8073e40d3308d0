import {
  BookOpen,
  ChartScatter,
  CircleQuestionMark,
  DraftingCompass,
  Ellipsis,
  Hammer,
  Layers,
  type LucideIcon,
  Route,
  Settings2,
  SquareStack,
  Target,
} from 'lucide-react'
import { useState } from 'react'
import { NavLink, useLocation } from 'react-router'
import { pageOfPlace } from '../handbook/pages.ts'
import { instrumentsShown } from '../instruments/instruments.ts'
import { useSession } from '../session/session.ts'

/** A place of the house, on the rail. */
interface Place {
  readonly to: string
  readonly name: string
  readonly key?: string
  readonly Icon: LucideIcon
}

/** The rail, from the work to what is set once. */
export const places: readonly Place[] = [
  { to: '/', name: 'Bench', key: 'b', Icon: Hammer },
  { to: '/cases', name: 'Cases', key: 'c', Icon: SquareStack },
  { to: '/plan', name: 'Plan', key: 'p', Icon: Route },
  { to: '/instruments', name: 'Instruments', key: 'i', Icon: DraftingCompass },
  { to: '/shelf', name: 'Shelf', key: 's', Icon: Layers },
  { to: '/practise', name: 'Practise', key: 'w', Icon: Target },
  { to: '/quality', name: 'Quality', key: 'q', Icon: ChartScatter },
  { to: '/settings', name: 'Settings', Icon: Settings2 },
]
/** So many places have room at the foot of a phone; of more the last go behind one that opens. */
const ON_PHONE = 5

const look = (isActive: boolean) =>
  `flex min-h-16 min-w-16 flex-1 sm:min-h-[3.9rem] flex-col items-center justify-center gap-1 text-xs sm:ml-2 sm:text-sm sm:flex-none sm:rounded-l-2xl ${
    isActive ? 'bg-base-200 text-base-content font-bold' : 'hover:bg-white/10'
  }`

/** Where one goes: on the left, on a phone at the foot. */
export function Rail({ onHelp }: { onHelp: () => void }) {
  const { demo } = useSession()
  const { pathname } = useLocation()
  const [more, setMore] = useState(false)
  const onInstrument = Object.values(instrumentsShown).some(({ path }) => pathname === path)
  const fits = places.length <= ON_PHONE
  const first = fits ? places.length : ON_PHONE - 1
  return (
    <nav
      aria-label="Places"
      className="bg-neutral text-neutral-content no-print sticky bottom-0 z-10 flex shrink-0 justify-between sm:top-0 sm:h-dvh sm:w-[92px] sm:flex-col sm:justify-start sm:gap-1 sm:pt-4"
    >
      <span className="mb-2 hidden text-center text-[1.35rem] font-bold tracking-tight sm:block">
        yentrik
        {demo && <span className="block text-sm font-semibold">demo lab</span>}
      </span>
      {places.map(({ to, name, Icon }, index) => (
        <NavLink
          key={to}
          to={to}
          end={to === '/'}
          onClick={() => setMore(false)}
          className={({ isActive }) =>
            `${look(isActive || (onInstrument && to === '/instruments'))} ${
              index >= first && !more ? 'max-sm:hidden' : ''
            }`
          }
        >
          <Icon className="size-6" strokeWidth={1.75} aria-hidden />
          {name}
        </NavLink>
      ))}
      {!fits && (
        <button
          type="button"
          className={`${look(false)} sm:hidden`}
          aria-expanded={more}
          onClick={() => setMore(!more)}
        >
          <Ellipsis className="size-6" strokeWidth={1.75} aria-hidden />
          More
        </button>
      )}
      <NavLink
        to={`/handbook/${pageOfPlace(pathname)}`}
        className={`${look(pathname.startsWith('/handbook'))} hidden! sm:mt-auto sm:flex!`}
      >
        <BookOpen className="size-6" strokeWidth={1.75} aria-hidden />
        Handbook
      </NavLink>
      <button
        type="button"
        className="hidden min-h-[3.7rem] flex-col items-center justify-center gap-1 text-sm hover:bg-white/10 sm:flex"
        onClick={onHelp}
      >
        <CircleQuestionMark className="size-6" strokeWidth={1.75} aria-hidden />
        Keys
      </button>
    </nav>
  )
}
