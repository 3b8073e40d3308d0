import type { LotOnShelf } from '@yentrik/contract'
import { grams, midnightOf, shortDate } from '../format/format.ts'

const DAY_MILLIS = 86_400_000
/** Sooner than this a lot is about to expire. */
const SOON_MILLIS = 60 * DAY_MILLIS

interface LotNotice {
  readonly tone: 'error' | 'warning'
  readonly words: string
}

/** What wants attention about a lot that is in use, the worst first. */
export function lotNotices(lot: LotOnShelf, now: number): LotNotice[] {
  if (!lot.inUse) return []
  const notices: LotNotice[] = []
  if (lot.quarantine)
    notices.push({
      tone: 'error',
      words:
        lot.openCases > 0
          ? `in quarantine, ${lot.openCases} open ${lot.openCases === 1 ? 'case' : 'cases'}`
          : 'in quarantine',
    })
  // Its last day is still a good one.
  const expires = lot.expiresOn ? midnightOf(lot.expiresOn) : undefined
  if (expires !== undefined && expires + DAY_MILLIS <= now)
    notices.push({ tone: 'error', words: `expired ${shortDate(expires)}` })
  else if (expires !== undefined && expires < now + SOON_MILLIS)
    notices.push({ tone: 'warning', words: `expires ${shortDate(expires)}` })
  if (lot.runsLow) notices.push({ tone: 'warning', words: `runs low, ${grams(lot.leftGrams ?? 0)} left` })
  return notices
}
