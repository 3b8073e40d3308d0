import { Injectable } from '@nestjs/common'
import type { InstrumentUse } from '@yentrik/contract'
import {
  type CaseEvent,
  eventWords,
  type Instrument,
  instruments,
  type JobState,
  type Saying,
  stepIn,
  type WorkingCase,
  withdrawals,
} from '@yentrik/core'
import { DataSource, In } from 'typeorm'
import { CaseStore } from '../case/case-store.ts'
import { CaseEventRow, LotRow } from '../database/entities.ts'
import { LiveService } from '../live/live.service.ts'

/** So far back it is looked for; an instrument that nobody used for so long has no last use. */
const MOST_LOOKED_AT = 500

/** So many cases are named for each. */
const MOST_CASES = 3
const isFull = ({ cases }: InstrumentUse) => cases.length === MOST_CASES

/** Which instrument worked for which case last, from what was put on record. */
@Injectable()
export class InstrumentUses {
  constructor(
    private readonly dataSource: DataSource,
    private readonly store: CaseStore,
    private readonly live: LiveService,
  ) {}

  private known?: { readonly mark: string; readonly uses: Promise<InstrumentUse[]> }

  /** Looked for once after each change, however many ask. */
  last(): Promise<InstrumentUse[]> {
    const { mark } = this.live
    if (this.known?.mark !== mark) {
      const uses = this.look()
      this.known = { mark, uses }
      uses.catch(() => {
        this.known = undefined
      })
    }
    return this.known.uses
  }

  private async look(): Promise<InstrumentUse[]> {
    const rows = await this.dataSource.manager.find(CaseEventRow, {
      where: { type: In(['mixRecorded', 'checkRecorded', 'sheetRecorded']) },
      order: { at: 'DESC', sequence: 'DESC' },
      take: MOST_LOOKED_AT,
    })
    const found = new Map<Instrument, InstrumentUse>()
    // Most of them are of a few cases.
    const cases = new Map<string, Promise<WorkingCase | undefined>>()
    const loadOnce = (caseId: string) => {
      // A damaged case says so where it is opened; the others have their last uses all the same.
      const loading = cases.get(caseId) ?? this.store.load(caseId).catch(() => undefined)
      cases.set(caseId, loading)
      return loading
    }
    for (const { caseId, sequence } of rows) {
      if (found.size === instruments.length && [...found.values()].every(isFull)) break
      const loaded = await loadOnce(caseId)
      const event = loaded?.events[sequence - 1]
      // What was withdrawn was never used.
      if (!loaded || !event || withdrawals(loaded.events).has(sequence)) continue
      const { jobs, docket } = loaded.state
      const instrument = instrumentOf(event, jobs)
      if (!instrument) continue
      const use = found.get(instrument)
      if (use && (isFull(use) || use.cases.some((each) => each.caseId === caseId))) continue
      found.set(instrument, {
        instrument,
        words: use?.words ?? (await this.wordsOf(event, jobs)),
        cases: [...(use?.cases ?? []), { caseId, docket, at: Date.parse(event.at) }],
      })
    }
    return instruments.flatMap((instrument) => found.get(instrument) ?? [])
  }

  private async wordsOf(event: CaseEvent, jobs: readonly JobState[]): Promise<Saying> {
    const lots = await this.dataSource.manager.find(LotRow, { select: { lotId: true, number: true } })
    const numbers = new Map(lots.map(({ lotId, number }) => [lotId, number]))
    return eventWords(event, { jobs, lotNumber: (lotId) => numbers.get(lotId) ?? lotId })
  }
}

/** The instrument that an entry is of: the bowl for what was weighed; else that of its step, where it is a figure that it gives. */
function instrumentOf(event: CaseEvent, jobs: readonly JobState[]): Instrument | undefined {
  if (event.type === 'mixRecorded') return event.powderGrams === undefined ? undefined : 'mix'
  if (event.type !== 'checkRecorded' && event.type !== 'sheetRecorded') return undefined
  const step = stepIn({ jobs }, event.jobId, event.stepId)
  const given =
    event.type === 'sheetRecorded' ||
    step?.checks?.some(({ id, kind, means }) => id === event.checkId && kind === 'measure' && means)
  return given ? step?.instrument?.opens : undefined
}
