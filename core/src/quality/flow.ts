import { type AttemptDigest, type FlowPart, flowParts, type Span } from './digest.ts'
import type { OpenHours } from './open-hours.ts'

const MINUTE = 60_000
/** Whose minute it is, the first of those that claim it. */
const claiming: readonly FlowPart[] = ['held', 'dentist', 'clinic', 'hands', 'byItself']

interface Flowing {
  readonly attempts: readonly AttemptDigest[]
  /** How a step goes on, by its id. */
  readonly kindOf: ReadonlyMap<string, 'attended' | 'unattended' | 'machine' | 'clinic'>
  readonly held: readonly Span[]
  readonly asked: readonly Span[]
  readonly open: OpenHours
}

/** Where the time of a job went, min: each minute is exactly one part. @param from ms since 1970 */
export function flowOf(
  { attempts, kindOf, held, asked, open }: Flowing,
  from: number,
  end: number,
): Readonly<Record<FlowPart, number>> {
  const of = (...kinds: readonly string[]): Span[] =>
    attempts.flatMap(({ step, from: begins, until = end }) =>
      begins !== undefined && kinds.includes(kindOf.get(step)!) ? [[begins, until] as const] : [],
    )
  const flow = Object.fromEntries(flowParts.map((part) => [part, 0])) as Record<FlowPart, number>
  const ends: { readonly at: number; readonly part: FlowPart; readonly by: 1 | -1 }[] = []
  const claim = (part: FlowPart, spans: readonly Span[]) => {
    for (const [begins, until] of spans)
      if (until > from && begins < end)
        ends.push({ at: Math.max(from, begins), part, by: 1 }, { at: Math.min(end, until), part, by: -1 })
  }
  claim('held', held)
  claim('dentist', asked)
  claim('clinic', of('clinic'))
  for (const { hands = [] } of attempts)
    for (const [begins, until] of hands) claim('hands', open.within(begins, until))
  claim('byItself', of('unattended', 'machine'))
  ends.sort((one, other) => one.at - other.at)
  const claimed = { ...flow }
  let since = from
  const goOn = (at: number) => {
    if (at <= since) return
    const part = claiming.find((each) => claimed[each] > 0)
    const openMinutes = part ? 0 : open.minutes(since, at)
    if (part) flow[part] += (at - since) / MINUTE
    flow.queue += openMinutes
    if (!part) flow.closed += (at - since) / MINUTE - openMinutes
    since = at
  }
  for (const { at, part, by } of ends) {
    goOn(at)
    claimed[part] += by
  }
  goOn(end)
  return flow
}
