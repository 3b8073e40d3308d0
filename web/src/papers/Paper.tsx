import type { ReactNode } from 'react'
import { useLocation, useNavigate } from 'react-router'
import { Message } from '../parts/Message.tsx'

/** One look for everything that is printed: A4, black on white, whatever the theme. */
export function Paper({
  title,
  waiting = 0,
  children,
}: {
  title: string
  /** How much of it is not on record yet. */
  waiting?: number
  children: ReactNode
}) {
  const go = useNavigate()
  const practised = useLocation().pathname.includes('/practice-')
  return (
    <div className="min-h-dvh pb-10 print:pb-0">
      <div className="no-print flex flex-wrap items-center gap-3 p-4">
        <button type="button" className="act" onClick={() => go(-1)}>
          Back
        </button>
        <button type="button" className="act-main" onClick={() => print()}>
          Print
        </button>
        <p>{title}</p>
        {waiting > 0 && (
          <Message tone="warning">
            {waiting === 1 ? 'An entry is' : `${waiting} entries are`} kept at this bench until the server is
            back, and not on this paper.
          </Message>
        )}
      </div>
      <main
        data-theme="plaster"
        className="mx-auto w-[210mm] max-w-full bg-white p-[14mm] text-[11pt] leading-snug text-black shadow-sm print:w-auto print:p-0 print:shadow-none"
      >
        {practised && (
          <p
            className="pointer-events-none fixed inset-0 grid place-items-center text-8xl font-bold text-black/10"
            aria-hidden
          >
            <span className="-rotate-30">practice</span>
          </p>
        )}
        {children}
      </main>
    </div>
  )
}
