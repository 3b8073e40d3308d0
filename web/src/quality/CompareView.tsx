import type { QualityShown } from '@yentrik/contract'
import { type ComparedKind, comparedKinds } from '@yentrik/core'
import type { CasesShown } from './CasesSheet.tsx'
import { Compared } from './DifferentCard.tsx'

const kindWords: Readonly<Record<ComparedKind, string>> = {
  lot: 'Lots',
  product: 'Products',
  variant: 'Ways of doing it',
  machine: 'Machines',
}

/** Lots, products, ways and machines against the others of their kind: each kind of job by itself. Never people. */
export function CompareView({
  quality: { figures, lots },
  onCases,
}: {
  readonly quality: QualityShown
  readonly onCases: (shown: CasesShown) => void
}) {
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-3">
      {comparedKinds.map((kind) => {
        const own = figures.comparisons.filter((each) => each.kind === kind)
        if (own.length === 0) return null
        return (
          <section key={kind} className="card-flat p-5" aria-label={kindWords[kind]}>
            <h2 className="text-xl font-bold">{kindWords[kind]}</h2>
            <ul>
              {own.map((each) => (
                <Compared key={`${each.of} ${each.name}`} of={each} lots={lots} onCases={onCases} />
              ))}
            </ul>
          </section>
        )
      })}
      {figures.comparisons.length === 0 && (
        <p className="card-flat p-5">Nothing could be compared: there is one of each kind, or none.</p>
      )}
      <p className="text-sm opacity-80">
        Jobs that went back for a reason in the lab, of those delivered in a year. A difference is no cause:
        ask what else changed that week. “No sign” is not “the same”: to tell 2 from 6 of 100 takes 376 jobs
        each. People are not compared: of six equal people the worst of a year has three times the faults of
        the best in seven years of ten, by chance alone.
      </p>
    </div>
  )
}
