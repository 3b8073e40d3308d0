import type { QualityShown } from '@yentrik/contract'
import { type Comparison, type Counted, isWorse, looksBadByMix } from '@yentrik/core'
import type { ReactNode } from 'react'
import type { CasesShown } from './CasesSheet.tsx'
import { Boxes, Dots } from './marks.tsx'
import { comparedWords, differenceWords } from './quality-words.ts'

const MOST_ROWS = 4
const DOTS_UP_TO = 14

/** What differs more than chance makes it, what only looks so, and what nobody can know yet. */
export function DifferentCard({
  quality,
  onCases,
}: {
  readonly quality: QualityShown
  readonly onCases: (shown: CasesShown) => void
}) {
  const { figures, unknowns, lots } = quality
  const signs = figures.comparisons.filter(isWorse)
  const onlyLooks = figures.comparisons.filter(looksBadByMix)
  const few = figures.comparisons.filter(({ compared }) => compared.state === 'tooFew')
  const rows: ReactNode[] = [
    ...signs.map((each) => <Compared key={key(each)} of={each} lots={lots} onCases={onCases} />),
    ...onlyLooks.map((each) => <Compared key={key(each)} of={each} lots={lots} onCases={onCases} />),
    ...unknowns.map(({ question, counted, more, have }) => (
      <Line
        key={question}
        title={question}
        words={counted}
        mark={have && <Boxes {...have} says={`${have.count} of ${have.of}`} />}
        chip={more === undefined ? 'too few to tell' : `${more} more`}
      />
    )),
    ...few.slice(0, 2).map((each) => <Compared key={key(each)} of={each} lots={lots} onCases={onCases} />),
  ].slice(0, MOST_ROWS)
  return (
    <section
      className="card-flat flex flex-col p-5 pt-4 pb-3"
      aria-label="What differs, and what we do not know yet"
    >
      <h2 className="text-xl font-bold">What differs, and what we do not know</h2>
      {rows.length === 0 && <p className="mt-2">Nothing could be compared in the year so far.</p>}
      <ul className="mt-1 grid grow content-start">{rows}</ul>
      {signs.length > 0 && (
        <p className="text-sm opacity-80">A difference is no cause: ask what else changed that week.</p>
      )}
    </section>
  )
}

const key = ({ kind, of, name }: Comparison) => `${kind} ${of} ${name}`

export function Compared({
  of,
  lots,
  onCases,
}: {
  readonly of: Comparison
  readonly lots: QualityShown['lots']
  readonly onCases: (shown: CasesShown) => void
}) {
  const { what, of: kind, others } = comparedWords(of, lots)
  const { first, second, compared, word, cases } = of
  const looksBad = looksBadByMix(of)
  const chip =
    compared.state === 'tooFew'
      ? 'too few to tell'
      : compared.state === 'disagree'
        ? 'not the same in all jobs'
        : word!
  const dots = first.of <= DOTS_UP_TO && second.of <= DOTS_UP_TO
  return (
    <Line
      title={what}
      words={`${kind}: ${counted(first)} went back, ${others} ${counted(second)}${
        compared.state === 'compared' ? `; by job ${differenceWords(of)}` : ''
      }${looksBad ? '. Only the mix of jobs makes it look worse' : ''}`}
      mark={
        dots ? (
          <span className="grid gap-1">
            <Dots {...first} says={counted(first)} />
            <Dots {...second} says={counted(second)} />
          </span>
        ) : (
          <Bars first={first} second={second} />
        )
      }
      chip={chip}
      loud={isWorse(of)}
      onOpen={() => onCases({ title: `${what}: went back`, cases })}
    />
  )
}
const counted = ({ count, of }: Counted) => `${count} of ${of}`

/** Two shares, one above the other. */
function Bars({ first, second }: { readonly first: Counted; readonly second: Counted }) {
  return (
    <span className="grid w-full gap-1" aria-hidden>
      {[first, second].map(({ count, of }, n) => (
        <span key={n} className="bg-base-300 block h-3 overflow-hidden rounded-full">
          <span
            className={`block h-full ${n === 0 ? 'bg-warning' : 'bg-base-content/50'}`}
            style={{ width: `${of > 0 ? (100 * count) / of : 0}%` }}
          />
        </span>
      ))}
    </span>
  )
}

function Line({
  title,
  words,
  mark,
  chip,
  loud = false,
  onOpen,
}: {
  readonly title: string
  readonly words: string
  readonly mark?: ReactNode
  readonly chip: string
  readonly loud?: boolean
  readonly onOpen?: () => void
}) {
  const inside = (
    <>
      <span className="min-w-0 leading-tight">
        <b className="block">{title}</b>
        <span className="figures text-sm opacity-85">{words}</span>
      </span>
      <span className="flex justify-center max-sm:hidden">{mark}</span>
      <span
        className={`chip justify-center text-center whitespace-normal! ${loud ? 'bg-warning text-warning-content' : ''}`}
      >
        {chip}
      </span>
    </>
  )
  const look =
    'grid min-h-14 w-full grid-cols-[minmax(0,1fr)_auto] items-center gap-x-4 py-1.5 text-left sm:grid-cols-[minmax(0,1fr)_7.5rem_7rem]'
  return (
    <li className="border-base-300 border-t">
      {onOpen ? (
        <button type="button" className={`${look} hover:bg-base-200/60`} onClick={onOpen}>
          {inside}
        </button>
      ) : (
        <div className={look}>{inside}</div>
      )}
    </li>
  )
}
