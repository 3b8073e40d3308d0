import { Injectable } from '@nestjs/common'
import { type CaseDocument, type CaseRecord, caseDocumentShape } from '@yentrik/contract'
import {
  type CaseEvent,
  type CustomMadeStatement,
  chained,
  checkSheet,
  customMadeStatement,
  type EventOfType,
  follow,
  hasLinks,
  looseLink,
  meltedCharges,
  type Route,
  routeFaults,
  routeTemplates,
  stampAfter,
  type WorkingCase,
  workingCase,
} from '@yentrik/core'
import { Ajv } from 'ajv'
import { DataSource, In } from 'typeorm'
import { LabClock } from '../clock/lab-clock.ts'
import { CaseSummaryRow, LotRow } from '../database/entities.ts'
import { eventHash } from '../database/event-hash.ts'
import { WriteQueue } from '../database/write-queue.ts'
import { Refusal } from '../errors/problem.filter.ts'
import { LabSettingsService } from '../lab/lab-settings.service.ts'
import { CaseStore } from './case-store.ts'
import { CasesService } from './cases.service.ts'
import { routeIdOf } from './house.ts'

const isCaseDocument = new Ajv({
  discriminator: true,
  strict: false,
  formats: { 'date-time': true, date: true },
}).compile<CaseDocument>(caseDocumentShape)

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
      ...events.flatMap((e) => (e.type === 'mixRecorded' ? e.lots : [])),
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
    const { working: theirs, sound, chain } = readDocument(document)
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
    if (summary) await this.cases.committed(summary, working.events)
    return this.cases.record(caseId)
  }
}

/** Checks a document against its schema, its own hashes and links, and the replay of its events. */
function readDocument(document: unknown): {
  readonly working: WorkingCase
  readonly sound: CaseDocument
  readonly chain: EventOfType<'imported'>['chain']
} {
  if (!isCaseDocument(document)) {
    const [error] = isCaseDocument.errors ?? []
    throw damaged(error?.instancePath || '/', `${error?.message ?? 'is not a case'}`)
  }
  for (const [routeId, route] of Object.entries(document.routes)) {
    if (routeIdOf(route) !== routeId)
      throw damaged(`/routes/${routeId}`, 'has been changed: it does not match its name')
    const [fault] = routeFaults(route)
    if (fault) throw damaged(`/routes/${routeId}`, fault)
  }
  const routes = new Map(Object.entries(document.routes))
  const gap = document.events.findIndex((event, index) => event.sequence !== index + 1)
  if (gap >= 0)
    throw damaged(
      `/events/${gap}/sequence`,
      `is ${document.events[gap]?.sequence}, not ${gap + 1}: events are missing or out of order`,
    )
  const linked = hasLinks(document.events)
  const loose = looseLink(document.events, eventHash)
  if (linked && loose !== undefined)
    throw damaged(
      `/events/${loose - 1}/previous`,
      'it does not fit the event before it: something was changed',
    )
  const events = linked ? document.events : chained(document.events, eventHash)
  const working = (() => {
    try {
      return workingCase(events, routes, routeTemplates)
    } catch (error) {
      throw damaged('/events', error instanceof Error ? error.message.replace(/\.$/, '') : String(error))
    }
  })()
  for (const [index, event] of events.entries())
    if (event.type === 'sheetRecorded')
      mustBeSoundSheet(event, [...routes.values()], `/events/${index}/sheet`)
  return { working, sound: document, chain: loose === undefined ? 'whole' : 'none' }
}

function mustBeSoundSheet(
  event: Extract<CaseEvent, { type: 'sheetRecorded' }>,
  routes: readonly Route[],
  place: string,
): void {
  const sheet = routes
    .flatMap((route) => route.steps.find((step) => step.id === event.stepId)?.sheets ?? [])
    .find(({ id }) => id === event.sheetId)
  try {
    if (!sheet) throw new Error(`no route has the sheet ${event.sheetId}`)
    checkSheet(sheet, event.sheet)
  } catch (error) {
    throw damaged(place, error instanceof Error ? error.message.replace(/\.$/, '') : String(error))
  }
}

function damaged(place: string, reason: string): Refusal {
  return new Refusal(
    422,
    'document-damaged',
    `At ${place}: ${reason}.`,
    'Export the case again where it came from; nothing was imported.',
    { field: place },
  )
}
