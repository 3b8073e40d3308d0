import { Injectable } from '@nestjs/common'
import { type CaseDocument, type CaseRecord } from '@yentrik/contract'
import {
  type CustomMadeStatement,
  customMadeStatement,
  follow,
  meltedCharges,
  routeTemplates,
  stampAfter,
  workingCase,
} from '@yentrik/core'
import { DataSource, In } from 'typeorm'
import { LabClock } from '../clock/lab-clock.ts'
import { CaseSummaryRow, LotRow } from '../database/entities.ts'
import { eventHash } from '../database/event-hash.ts'
import { WriteQueue } from '../database/write-queue.ts'
import { Refusal } from '../errors/problem.filter.ts'
import { LabSettingsService } from '../lab/lab-settings.service.ts'
import { CaseStore } from './case-store.ts'
import { CasesService } from './cases.service.ts'
import { readDocument } from './read-document.ts'

/** Cases as documents: out whole, in whole or not at all. */
@Injectable()
export class CaseDocuments {
  constructor(
    private readonly cases: CasesService,
    private readonly store: CaseStore,
    private readonly dataSource: DataSource,
    private readonly queue: WriteQueue,
    private readonly settings: LabSettingsService,
    private readonly clock: LabClock,
  ) {}

  async export(caseId: string): Promise<CaseDocument> {
    const { events, routes } = await this.cases.record(caseId)
    const used = [
      ...events.flatMap((e) => (e.type === 'mixRecorded' || e.type === 'corrected' ? (e.lots ?? []) : [])),
      ...meltedCharges(events, (id) => routes[id]!).flatMap(({ lots }) => lots.map(({ lotId }) => lotId)),
    ]
    const lots = await this.dataSource.manager.findBy(LotRow, { lotId: In([...new Set(used)]) })
    return {
      format: 'yentrik-case',
      version: 1,
      caseId,
      lab: (await this.settings.lab()).labName,
      events,
      routes,
      lots: lots
        .map(({ lotId, materialId, number }) => ({ lotId, materialId, number }))
        .sort((a, b) => a.lotId.localeCompare(b.lotId)),
    }
  }

  /** The statement on a custom-made device. @throws {Refusal} `no-such-job`; {DomainError} `nothing-made` */
  async statement(caseId: string, jobId: string): Promise<CustomMadeStatement> {
    const { events, routes, lots } = await this.export(caseId)
    const { state } = workingCase(events, new Map(Object.entries(routes)), routeTemplates)
    const job = state.jobs.find((each) => each.jobId === jobId)
    if (!job) throw new Refusal(404, 'no-such-job', `The case has no job ${jobId}.`, 'Look at the case.')
    const { labName: name, address } = await this.settings.lab()
    const numbers = new Map(lots.map(({ lotId, number }) => [lotId, number]))
    return customMadeStatement(state, job, { name, address }, (lotId) => numbers.get(lotId) ?? lotId, {
      entries: events.length,
      newest: eventHash(events.at(-1)!),
    })
  }

  /** @throws {Refusal} `document-damaged` with the place and reason, `case-known`, `docket-taken` */
  async import(document: unknown, by: string): Promise<CaseRecord> {
    const { working: theirs, sound, chain } = await readDocument(document)
    const stamp = stampAfter(theirs.events, this.clock.now(), by, eventHash)
    const lab = sound.lab ? { lab: sound.lab } : {}
    const working = follow(
      theirs,
      { ...stamp, type: 'imported', chain, ...lab },
      theirs.routes,
      routeTemplates,
    )
    const { caseId } = sound
    const { calendar } = await this.settings.lab()
    const summary = await this.queue.write(async (manager) => {
      if (await this.store.load(caseId, manager))
        throw new Refusal(409, 'case-known', 'This case is here already.', 'Open it; nothing was imported.')
      if (await manager.existsBy(CaseSummaryRow, { docket: working.state.docket }))
        throw new Refusal(
          409,
          'docket-taken',
          `Docket ${working.state.docket} is in use by another case.`,
          'Finish or export that case first; nothing was imported.',
        )
      for (const lot of sound.lots)
        if (!(await manager.existsBy(LotRow, { lotId: lot.lotId })))
          await manager.upsert(
            LotRow,
            { ...lot, receivedAt: new Date(this.clock.now()).toISOString(), expiresOn: null, inUse: false },
            ['materialId', 'number'],
          )
      return this.store.append(manager, caseId, working, working.events, calendar)
    })
    this.store.keepAtHand(caseId, working)
    if (summary) await this.cases.committed(summary, working.events)
    return this.cases.record(caseId)
  }
}
