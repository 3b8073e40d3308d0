import { localClock } from '@yentrik/core'
import { csvLine } from '../shapes/csv.ts'
import type { MadePlan } from './plan.service.ts'

/** The planned work, one stretch a line, in the time of the lab. */
export function planCsv(
  { board, live }: MadePlan,
  nameOf: (personId?: string) => string,
  timeZone: string,
): string {
  const clinics = new Map(live.map(({ caseId, state }) => [caseId, state.authorisation.clinic]))
  const lines = [...board.bars]
    .sort((a, b) => a.at - b.at || (a.id < b.id ? -1 : 1))
    .map((bar) =>
      csvLine([
        bar.docket,
        clinics.get(bar.caseId) ?? '',
        bar.steps.map(({ name }) => name).join('; '),
        bar.part,
        nameOf(bar.personId),
        localClock(bar.at, timeZone),
        localClock(bar.until, timeZone),
        Math.round((bar.until - bar.at) / 60_000),
      ]),
    )
  return `${['docket,clinic,work,part,person,start,end,minutes', ...lines].join('\r\n')}\r\n`
}
