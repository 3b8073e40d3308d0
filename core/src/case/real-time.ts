import { saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import type { RecordedMix, RouteStep } from '../route/index.ts'
import { instantMillis } from '../time/index.ts'
import type { JobState } from './state.ts'
import { finishedAt, metMillis, type StepState, startedAt } from './step-state.ts'

/** A clock of a bench may run a little before that of the server. */
const CLOCKS_DIFFER_MILLIS = 60_000

/** A fact that something else depends on. */
interface Fact {
  readonly what: string
  /** ms since 1970. */
  readonly at: number
}

/**
 * When something really was that was not tapped in time; else now.
 * @param after the facts it depends on: it is never before the last of them
 * @throws {DomainError} `not-an-instant`; `later-than-now`; `before-what-it-needs`
 */
export function realTime(
  { realAt }: { readonly realAt?: string },
  now: number,
  after: readonly Fact[],
): { readonly at: number; readonly entry: { readonly realAt?: string } } {
  if (realAt === undefined) return { at: now, entry: {} }
  const entered = instantMillis(realAt, 'realAt')
  mustNotBeLater(entered, now, 'realAt')
  const at = Math.min(entered, now)
  const last = after.reduce<Fact | undefined>((a, b) => (a && a.at >= b.at ? a : b), undefined)
  if (last && at < last.at)
    throw new DomainError(
      'before-what-it-needs',
      saying`That was before ${{ moment: last.at }}: ${last.what}.`,
      'Enter a time from then on.',
      'realAt',
    )
  return { at, entry: { realAt: new Date(at).toISOString() } }
}

/** @throws {DomainError} `not-an-instant`; `later-than-now` */
export function mustHaveMet({ metAt }: Pick<RecordedMix, 'metAt'>, now: number): void {
  if (metAt !== undefined) mustNotBeLater(instantMillis(metAt, 'metAt'), now, 'metAt')
}

/** @throws {DomainError} `later-than-now` */
export function mustNotBeLater(at: number, now: number, field: string): void {
  if (at > now + CLOCKS_DIFFER_MILLIS)
    throw new DomainError(
      'later-than-now',
      saying`${{ moment: at }} is yet to come.`,
      'Enter when it was, or tap it when it is.',
      field,
    )
}

export function beforeStart(job: JobState, step: RouteStep, state: StepState): Fact[] {
  const before = step.after.flatMap((id) => {
    const over = finishedAt(job.steps[id])
    const { name } = job.route.steps.find((each) => each.id === id)!
    return over ? [{ what: `"${name}" was over then`, at: Date.parse(over) }] : []
  })
  return state.attempt > 1 && job.wentBack
    ? [...before, { what: 'it went back to be done again then', at: Date.parse(job.wentBack.at) }]
    : before
}

export function startOf(state: StepState): Fact[] {
  const begun = startedAt(state)
  return begun ? [{ what: 'it was begun then', at: Date.parse(begun) }] : []
}

export function beforeFinish(state: StepState): Fact[] {
  return [
    ...startOf(state),
    ...state.mixes.map((mix) => ({ what: 'the last mix was made then', at: metMillis(mix) })),
    ...[...state.readings, ...state.sheets].map(({ at }) => ({
      what: 'the last reading was taken then',
      at: Date.parse(at),
    })),
  ]
}
