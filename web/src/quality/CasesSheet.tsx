import type { CaseRef } from '@yentrik/core'
import { Link } from 'react-router'
import { dateAndTime } from '../format/format.ts'
import { Sheet } from '../parts/Sheet.tsx'

export interface CasesShown {
  readonly title: string
  readonly cases: readonly CaseRef[]
}

/** The cases behind a number, the newest first; each opens at the entry. */
export function CasesSheet({ shown: { title, cases }, onClose }: { shown: CasesShown; onClose: () => void }) {
  return (
    <Sheet title={title} onClose={onClose}>
      {cases.length === 0 && <p>None.</p>}
      <ul className="grid gap-1">
        {cases.map(({ caseId, docket, at, sequence }) => (
          <li key={`${caseId} ${at} ${sequence}`}>
            <Link
              to={`/case/${caseId}${sequence === undefined ? '' : `?entry=${sequence}`}`}
              className="hover:bg-base-200 flex min-h-11 items-center gap-4 rounded-xl px-3"
            >
              <b className="figures w-24">{docket}</b>
              <span className="figures">{dateAndTime(at)}</span>
            </Link>
          </li>
        ))}
      </ul>
    </Sheet>
  )
}
