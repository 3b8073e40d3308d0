import type { CaseEvent } from '../../case/index.ts'
import type { RouteStep } from '../../route/index.ts'
import type { Defect } from '../defect.ts'
import { streamAt } from '../streams.ts'
import { jobOf, minuteOf, type World } from '../truth.ts'
import { casting } from './casting.ts'
import type { Cause } from './cause.ts'
import { decidedWrongly } from './decided-wrongly.ts'
import { leftOut } from './left-out.ts'
import { mixes } from './mixes.ts'
import { outOfTime } from './out-of-time.ts'
import { resin } from './resin.ts'
import { placesOn } from './resolve.ts'

const causes: readonly Cause[] = [mixes, outOfTime, leftOut, resin, casting, decidedWrongly]

/** The defects that an event of the learner makes. */
export function causesOf(
  before: World,
  after: World,
  event: CaseEvent,
  step: RouteStep | undefined,
): readonly Defect[] {
  if (!step) return []
  const job = jobOf(after)
  const { seed } = after.setup
  const { attempt } = job.steps[step.id]!
  const isOpen = (stepId: string) => {
    const { status } = job.steps[stepId]!
    return status === 'waiting' || (status === 'running' && stepId !== step.id) || stepId === step.id
  }
  return causes
    .flatMap((cause) =>
      cause({ before, after, event, step, random: streamAt(seed, step.id, event.type, attempt) }),
    )
    .map((made): Defect => {
      const bornStep = made.bornStep ?? step.id
      return {
        id: `${step.id}/${made.kind}/${attempt}`,
        kind: made.kind,
        named: made.named,
        bornBy: 'learner',
        bornStep,
        bornAt: minuteOf(after),
        ...(made.size === undefined ? {} : { size: made.size }),
        why: made.why,
        better: made.better,
        shows: placesOn(
          job.route,
          made.shows,
          after.working.state.authorisation,
          streamAt(seed, step.id, made.kind, attempt),
          isOpen,
        ),
        state: 'live',
      }
    })
}
