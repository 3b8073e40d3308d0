import { DomainError } from '../refusal/index.ts'
import {
  type Compared,
  type Counted,
  compareGroups,
  falseDiscovery,
  type SignWord,
  type Stratum,
  signWord,
} from '../statistics/index.ts'
import {
  type CaseRef,
  type CountedJob,
  type CountedRecord,
  newestFirst,
  type Period,
  refTo,
  within,
} from './counted-record.ts'

export const comparedKinds = ['lot', 'product', 'variant', 'machine'] as const
export type ComparedKind = (typeof comparedKinds)[number]

/** One lot, product, variant or machine against the others of its kind. */
export interface Comparison {
  readonly kind: ComparedKind
  /** The material, the kind of machine, or the template and its matter. */
  readonly of: string
  /** A lot by its id, a variant by its choice, else as the lab calls it. */
  readonly name: string
  /** Jobs that went back for a reason in the lab, of those delivered: with it, and with others. */
  readonly first: Counted
  readonly second: Counted
  readonly compared: Compared
  /** Among all of one kind that can be told; undefined: too few to tell. */
  readonly q?: number
  readonly word?: SignWord
  readonly cases: readonly CaseRef[]
}

/** People are never compared: one with hard jobs looks worse, and whoever is counted stops telling. */
export function mustNotBePeople(kind: string): asserts kind is ComparedKind {
  if (kind === 'person' || kind === 'people')
    throw new DomainError(
      'persons-not-compared',
      'People are not compared.',
      'Of six equal people the worst of a year has three times the faults of the best, by chance alone. Look at steps, lots, tools and training.',
      'kind',
    )
}

interface Group {
  readonly kind: ComparedKind
  readonly of: string
  readonly name: string
}

/**
 * Whether jobs with one lot, product, variant or machine went back more often than those with others of its kind, each kind of job by itself.
 * @throws {DomainError} `persons-not-compared`
 */
export function comparisons(
  { jobs }: CountedRecord,
  period: Period,
  kinds: readonly ComparedKind[] = comparedKinds,
): readonly Comparison[] {
  for (const kind of kinds) mustNotBePeople(kind)
  const delivered = jobs.filter(({ job }) => within(period, job.deliveredAt))
  const families = new Map<string, { group: Group; members: Map<string, Set<CountedJob>> }>()
  for (const counted of delivered)
    for (const group of groupsOf(counted)) {
      if (!kinds.includes(group.kind)) continue
      const key = `${group.kind} ${group.of}`
      const family = families.get(key) ?? { group, members: new Map<string, Set<CountedJob>>() }
      families.set(key, family)
      const own = family.members.get(group.name) ?? new Set()
      family.members.set(group.name, own.add(counted))
    }
  const found = [...families.values()].flatMap(({ group, members }) => compareFamily(group, members))
  return kinds.flatMap((kind) => {
    const own = found.filter((each) => each.kind === kind)
    const told = own.filter(({ compared }) => compared.state === 'compared')
    const q = falseDiscovery(told.map(({ compared }) => compared.exact.midP))
    const known = new Map(told.map((each, n) => [each, q[n]!]))
    return own
      .map((each): Comparison => {
        const found = known.get(each)
        return found === undefined ? each : { ...each, q: found, word: signWord(found) }
      })
      .sort((one, other) => (one.q ?? 2) - (other.q ?? 2) || other.first.of - one.first.of)
  })
}

function groupsOf({ job }: CountedJob): readonly Group[] {
  return [
    ...job.used,
    ...Object.entries(job.choices).map(([matter, choice]) => ({
      kind: 'variant' as const,
      of: `${job.template}/${matter}`,
      name: choice,
    })),
  ]
}

function compareFamily(
  { kind, of }: Group,
  members: ReadonlyMap<string, ReadonlySet<CountedJob>>,
): readonly Omit<Comparison, 'q' | 'word'>[] {
  const names = [...members.keys()].sort()
  if (names.length < 2) return []
  const all = new Set([...members.values()].flatMap((own) => [...own]))
  // Of two the second says the same as the first.
  const told = names.length === 2 ? names.slice(0, 1) : names
  return told.flatMap((name) => {
    const own = members.get(name)!
    const others = [...all].filter((counted) => !own.has(counted))
    if (others.length === 0) return []
    const templates = [...new Set([...all].map(({ job }) => job.template))].sort()
    const strata = templates.map(
      (template): Stratum => ({
        first: wentBack([...own].filter(({ job }) => job.template === template)),
        second: wentBack(others.filter(({ job }) => job.template === template)),
      }),
    )
    return [
      {
        ...{ kind, of, name },
        first: wentBack([...own]),
        second: wentBack(others),
        compared: compareGroups(strata),
        cases: newestFirst(
          [...own].flatMap(({ of: digest, job }) =>
            job.backs.flatMap(({ side, at, sequence }) =>
              side === 'lab' ? [refTo(digest, at, sequence)] : [],
            ),
          ),
        ),
      },
    ]
  })
}

const wentBack = (jobs: readonly CountedJob[]): Counted => ({
  count: jobs.filter(({ job }) => job.backs.some(({ side }) => side === 'lab')).length,
  of: jobs.length,
})

/** All jobs in one table would show it worse than chance; kind of job by kind of job there is no sign of it. */
export const looksBadByMix = ({ word, compared: { mixMisleads, crude } }: Comparison): boolean =>
  (word === 'hint' || word === 'no sign of a difference') && mixMisleads && crude.low > 0

/** More went back with it than with others, and chance hardly makes that. */
export const isWorse = ({ word, compared: { common, crude } }: Comparison): boolean =>
  (word === 'strong sign' || word === 'sign') && (common?.difference.value ?? crude.difference) > 0
